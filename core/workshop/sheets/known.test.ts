import { describe, expect, it } from "vitest";
import type { Plan } from "../../plan/model";
import type { CalculatorName } from "../../setout/calculators";
import { job, testShop } from "../testing/shop";
import { type Asked, longestStand, siteOf } from "./known";
import { sheetNotices, sheetPrefill } from "./sheets";

type At = [code: string, start: string, end: string, place?: string, fitters?: string[]];
const planOf = (...jobs: At[]): Plan =>
  ({
    jobs: jobs.map(([code, start, end, place = "b2", fitters = ["ines"]]) => ({
      id: `a.${code}`,
      start: `2027-03-${start}`,
      end: `2027-03-${end}`,
      place,
      fitters,
    })),
    builds: [],
  }) as unknown as Plan;

/** What a sheet of this job starts from. */
const start = (name: CalculatorName, { shop, build, job, plan }: Asked) =>
  sheetPrefill({ ...shop, builds: [build] }, build, name, job?.id ?? null, plan);

describe("a sheet that starts from the plan", () => {
  const shop = testShop();
  const build = shop.builds[0];
  const at = (code: string, plan: Plan) => ({ shop, build, job: job(shop, code), plan });
  const plan = planOf(["OP-06a", "04T11:10", "04T15:00", "b2", ["ines", "teo"]], ["OP-04", "05T09:00", "05T12:00", "b1"]);

  it("knows how warm it is there: the middle of the forecast, or the heated bay's own", () => {
    expect(siteOf(at("OP-06a", plan))).toMatchObject({ clock: "11:10", tempC: 11, people: 2 });
    expect(siteOf(at("OP-04", plan))).toMatchObject({ tempC: 18 });
    // Beyond the forecast, not planned, or done: nothing is known.
    expect(siteOf(at("OP-04", planOf(["OP-04", "25T09:00", "25T12:00"])))).toBeUndefined();
    expect(siteOf(at("OP-09", plan))).toBeUndefined();
    expect(sheetPrefill(shop, build, "cure", "a.OP-06a", plan)).toEqual({
      draft: { tempC: "8" },
      basis: { "coldest there": 8 },
      partial: true,
    });
    expect(sheetPrefill(shop, build, "cure", "a.OP-06a")).toBeUndefined();
  });
  it("has the open-skin clock's start, light, dry hours, people, minutes and units", () => {
    const { draft } = start("open-skin", at("OP-06a", plan))!;
    const j = job(shop, "OP-06a");
    expect(draft).toMatchObject({ now: "11:10", sunset: "18:34", people: "2", tempC: "11", minC: "8" });
    expect(draft.dry).toEqual([{ from: "11:00", to: "13:00", chance: "0.7" }]);
    expect(draft.steps).toEqual([
      {
        name: j.name,
        "minutes.best": String(j.minutes.best),
        "minutes.likely": String(j.minutes.likely),
        "minutes.worst": String(j.minutes.worst),
      },
    ]);
    expect(draft.units).toEqual([{ name: "Bonded side window", arrived: true, checked: true, dryFitted: false }]);
  });
  it("knows the longest stand between two pieces of work in the van", () => {
    // From the 3rd 10:00 to the 8th 09:00 nobody is at the van: 4 days and 23 hours; bench work does not count.
    const days = planOf(["OP-01", "03T08:00", "03T10:00"], ["FU-02", "05T08:00", "05T16:00", "bench"], ["OP-04", "08T09:00", "08T12:00"]);
    expect(longestStand({ shop, build, plan: days })).toBe(5);
    expect(longestStand({ shop, build, plan: planOf() })).toBeUndefined();
    expect(start("battery-stand", at("ST-03", days))!.draft).toEqual({ standDays: "5" });
  });
  it("shares the first dry stretch out among what waits for it", () => {
    const { draft, basis } = start("good-slot", at("OP-04", plan))!;
    expect(basis).toEqual({ day: "2027-03-04", "dry stretch, minutes": 120 });
    expect(draft.slot).toBe("120");
    expect(draft.openings).toMatchObject([
      { side: "side", urgent: true, minutes: String(job(shop, "OP-06a").minutes.likely) },
      { side: "roof", urgent: true },
    ]);
  });
  it("knows the floor of the machine that the job works with", () => {
    const asked = at("OP-03", plan);
    expect(start("machine-room", asked)).toBeUndefined();
    const mine = { ...asked.job!, tools: ["thicknesser"] };
    const machine = { ...shop.tools[0], id: "t", name: "thicknesser", floorMm: 6200, lengthMm: 900 };
    expect(
      start("machine-room", {
        ...asked,
        build: { ...build, jobs: build.jobs.map((j) => (j.id === mine.id ? mine : j)) },
        job: mine,
        shop: { ...shop, tools: [machine] },
      }),
    ).toEqual({
      draft: { floor: "6200", machine: "900", boards: [{ name: "longest", length: "" }] },
      basis: { machine: "thicknesser", "floor there": 6200 },
      partial: true,
    });
  });
  it("has the cutting day and the rib bays for the choice of a unit", () => {
    const p = start("unit-choice", at("OP-02", plan))!;
    expect(p.draft).toMatchObject({ cuttingDay: "2027-03-05", goodsInDays: "1" });
    expect((p.draft.bays as object[]).length).toBeGreaterThan(3);
  });
  it("takes corners and land from the opening's own sheet", () => {
    const sheet = { calculator: "opening", jobId: "a.OP-06a", input: { cut: { w: 870, h: 435, r: 55 }, minLand: 20 } };
    const set = { ...build, sheets: [sheet as never] };
    const asked = { shop, build: set, job: job(shop, "OP-06a"), plan };
    expect(start("corners", asked)!.draft).toEqual({ cutRadius: "55" });
    expect(start("hole-range", asked)!.draft).toEqual({ land: "20" });
    expect(start("corners", at("OP-06a", plan))).toBeUndefined();
  });
  it("knows the beam of the bay in which the roof is worked on, and in the yard of none", () => {
    shop.bays[1].maxHeightMm = 3900;
    const inBay = sheetPrefill(shop, build, "height", null, { ...plan, jobs: plan.jobs.map((p) => ({ ...p, place: shop.bays[1].id })) });
    expect(inBay?.draft).toEqual({ van: "2530", bay: "3900" });
    const outside = sheetPrefill(shop, build, "height", null, { ...plan, jobs: plan.jobs.map((p) => ({ ...p, place: "yard" })) });
    expect(outside?.draft).toEqual({ van: "2530" });
  });
  it("knows light, rain and shift of the day for going or not, and the hours that are left of a build", () => {
    const { draft } = start("go-no-go", at("OP-06a", plan))!;
    expect(draft).toMatchObject({ sunset: expect.stringMatching(/^1\d:/), shiftEnd: "17:00" });
    expect(draft.steps).toEqual([{ name: job(shop, "OP-06a").name, minutes: String(job(shop, "OP-06a").minutes.likely), drying: false }]);
    const before = Number(sheetPrefill(shop, build, "hands-date", null, plan)!.draft.hoursLeft);
    const one = { ...build, jobs: build.jobs.filter((j) => j.id !== "a.OP-06a") };
    const j = job(shop, "OP-06a");
    const people = j.crew.reduce((n, c) => n + c.people, 0);
    const hours = (b: typeof build) => Number(sheetPrefill(shop, b, "hands-date", null, plan)!.draft.hoursLeft);
    expect(before - hours(one)).toBeCloseTo((j.minutes.likely * people) / 60, 0);
    expect(hours({ ...build, jobs: [{ ...j, state: "started", workedMinutes: 10_000 }] })).toBe(0);
  });
  it("leaves every layer open that nobody knows, so that no collar is cut by a guess", () => {
    const { draft } = sheetPrefill(shop, build, "depths", null, plan)!;
    expect(draft.layers).toEqual([
      { name: "rib", t: expect.stringMatching(/^\d+$/) },
      { name: "batten", t: "" },
      { name: "lining", t: "" },
    ]);
  });
  it("is contradicted by another day's weather, and by nothing once plan and forecast say no more", () => {
    const sheet = { calculator: "cure" as const, jobId: "a.OP-06a", basis: { "coldest there": 8 } };
    expect(sheetNotices(shop, build, sheet, plan)).toEqual([]);
    const colder = { ...shop, weather: shop.weather.map((w) => ({ ...w, lowC: 0, highC: 9 })) };
    expect(sheetNotices(colder, build, sheet, plan)).toEqual(["coldest there is 0 now, was 8"]);
    expect(sheetNotices(shop, build, sheet, planOf())).toEqual([]);
    expect(sheetNotices(shop, build, { ...sheet, basis: {} }, plan)).toEqual([]);
  });
});
