// The dry stretch handed out, pins that were tried, and what openings took in this house.

import { describe, expect, it } from "vitest";
import { shipped } from "../../library/testing";
import type { Plan } from "../../plan/model";
import { findCalculator } from "../../setout/calculators";
import { openingNorms, sayNorms, zoneNorm } from "../openings/opening-times";
import { sheetPrefill } from "../sheets/sheets";
import type { Shop, TimeRow } from "../state/model";
import { at, done, job, NOW, testBuild, testShop, zone } from "../testing/shop";
import { chainDays, slotPlan, standsCovered, waitingOpenings } from "./dry-slots";
import { pinsThatHold, withPins } from "./slot-pins";

const OPTIONS = { ...testBuild("a").options, windows: 1, fan: true, rearWindows: true };

/** Fan, window and rear windows planned outdoors on Thursday and Friday. */
function yardShop(): { shop: Shop; plan: Plan } {
  const shop = testShop([testBuild("a", OPTIONS)]);
  const jobs = [
    ["OP-06a", "2027-03-04T08:00"],
    ["OP-04", "2027-03-04T10:00"],
    ["OP-07", "2027-03-05T08:00"],
  ].map(([code, start]) => {
    const j = job(shop, code);
    for (const a of j.after) done(shop, [a.job.slice(2)], NOW - 5000);
    j.minutes = { best: 60, likely: 100, worst: 200 };
    return { id: j.id, start, end: start, place: "yard", fitters: ["ines", "teo"] };
  });
  return { shop, plan: { jobs, stays: [], builds: [], unplaced: [], pinsBroken: [] } as unknown as Plan };
}

describe("the dry stretch", () => {
  it("goes by exposure: roof, rear, side; each begins where the one before ends, what does not fit waits", () => {
    const { shop, plan } = yardShop();
    // Today from now (10:00) to the rain at 15:00: 300 minutes, three times 100.
    const s = slotPlan(shop, plan, NOW)!;
    expect([s.date, s.from, s.to]).toEqual(["2027-03-03", "10:00", "15:00"]);
    expect(s.fits.map((f) => [f.jobId, f.start])).toEqual([
      ["a.OP-04", at("2027-03-03T10:00")],
      ["a.OP-07", at("2027-03-03T11:40")],
      ["a.OP-06a", at("2027-03-03T13:20")],
    ]);
    expect(s.waits).toEqual([]);
    // At noon only one of them is left room for, and a second by a hair not.
    const noon = slotPlan(shop, plan, at("2027-03-03T13:00"))!;
    expect(noon.fits.map((f) => f.jobId)).toEqual(["a.OP-04"]);
    expect(noon.waits).toHaveLength(2);
  });
  it("is looked for in the shop's hours and in light, on the next day that has one", () => {
    const { shop, plan } = yardShop();
    shop.weather[0].dry = [["00:00", "08:00"]];
    expect(slotPlan(shop, plan, at("2027-03-03T17:30"))).toMatchObject({ date: "2027-03-04", from: "11:00", to: "13:00" });
    shop.weather[2].sunrise = "09:30";
    shop.weather[1].dry = [];
    expect(slotPlan(shop, plan, at("2027-03-03T17:30"))).toMatchObject({ date: "2027-03-05", from: "09:30", to: "17:00" });
    // Saturday: nobody is there.
    shop.weather = [{ ...shop.weather[2], date: "2027-03-06" }];
    expect(slotPlan(shop, plan, NOW)).toBeUndefined();
  });
  it("knows what can stand covered by its kit, and the days of chain behind a job", () => {
    const { shop, plan } = yardShop();
    expect(standsCovered(job(shop, "OP-04"))).toBe(true);
    expect(standsCovered(job(shop, "OP-07"))).toBe(false);
    expect(standsCovered({ kit: ["cover sheet"] })).toBe(false);
    const chain = [
      { job: "a.OP-01", kind: "work", minutes: 600 },
      { job: "a.OP-04", kind: "work", minutes: 720 },
      { job: "a.OP-06a", kind: "hold", minutes: 1440 },
    ];
    const on = { ...plan, builds: [{ id: "a", chain }] } as unknown as Plan;
    expect(chainDays(on, "a", "a.OP-04")).toBe(1.5);
    expect([chainDays(on, "a", "a.OP-07"), chainDays(on, "b", "a.OP-04")]).toEqual([0, 0]);
  });
  it("is asked for by what the plan has under no roof alone", () => {
    const { shop, plan } = yardShop();
    for (const j of plan.jobs) j.place = "b1";
    expect(waitingOpenings(shop, plan).all).toHaveLength(3);
    expect(slotPlan(shop, plan, NOW)).toBeUndefined();
    plan.jobs[0].place = "b2";
    expect(slotPlan(shop, plan, NOW)!.fits).toHaveLength(1);
    job(shop, "OP-06a").state = "started";
    expect(slotPlan(shop, plan, NOW)).toBeUndefined();
  });
  it("leaves out what is not ready by then: work before it, or a part", () => {
    const { shop, plan } = yardShop();
    job(shop, "OP-04").parts[0].state = "needed";
    expect(slotPlan(shop, plan, NOW)!.fits.map((f) => f.jobId)).toEqual(["a.OP-07", "a.OP-06a"]);
    const before = job(shop, "OP-07").after[0].job.slice(2);
    Object.assign(job(shop, before), { state: "todo", endedAt: null });
    expect(slotPlan(shop, plan, NOW)?.fits.map((f) => f.jobId) ?? []).not.toContain("a.OP-07");
    plan.jobs.push({ id: `a.${before}`, start: "2027-03-03T08:00", end: "2027-03-03T09:00", place: "b1", fitters: [] } as never);
    expect(slotPlan(shop, plan, NOW)!.fits.map((f) => f.jobId)).toContain("a.OP-07");
  });
  it("leaves those of another week out", () => {
    const { shop, plan } = yardShop();
    plan.jobs[2].start = "2027-03-12T08:00";
    const { all, soon } = waitingOpenings(shop, plan);
    expect([all.length, soon.length]).toEqual([3, 2]);
  });
  it("pins only what holds its start in a plan made with the pins", () => {
    const { shop, plan } = yardShop();
    const { fits } = slotPlan(shop, plan, NOW)!;
    expect(withPins(shop, fits).builds[0].jobs.find((j) => j.id === "a.OP-04")!.pin.start).toBe(at("2027-03-03T10:00"));
    expect(job(shop, "OP-04").pin.start).toBeNull();
    const made = {
      jobs: [
        { id: "a.OP-04", start: "2027-03-03T10:00" },
        { id: "a.OP-07", start: "2027-03-05T08:00" },
      ],
      pinsBroken: [{ job: "a.OP-07", reason: "can't start at the pinned time" }],
    } as unknown as Plan;
    const { hold, fail } = pinsThatHold(fits, made, zone);
    expect(hold.map((p) => p.jobId)).toEqual(["a.OP-04"]);
    expect(fail.map((p) => [p.jobId, p.why])).toEqual([
      ["a.OP-07", "can't start at the pinned time"],
      ["a.OP-06a", expect.stringMatching(/can't begin then/)],
    ]);
  });
});

describe("what openings took", () => {
  const row = (buildId: string, code: string, minutes: number, more: Partial<TimeRow> = {}): TimeRow => ({
    buildId,
    vanId: "drover-l3h2",
    ...shipped(code),
    minutes,
    fitters: ["ines"],
    ...more,
  });
  it("is the figure that ships until a build has shown it", () => {
    expect(openingNorms({ times: [] }, "drover-l3h2")).toEqual({ setOutTimes: 8, builds: 0, of: "house", hoursEach: null, closed: 0 });
    expect(sayNorms(openingNorms({ times: [] }, "x"))).toBe("Setting out is taken for 8 × the cutting until a build has shown it");
  });
  it("is learnt by type of van, person-hours for each closed opening besides", () => {
    const times = [
      row("1", "OP-01", 600),
      row("1", "OP-04", 120, { fitters: ["ines", "teo"] }),
      row("1", "OP-06", 80),
      row("2", "OP-01", 200, { vanId: "tern-l1h1" }),
      row("2", "OP-06", 100, { vanId: "tern-l1h1" }),
      // Set out, nothing cut yet: no ratio.
      row("3", "OP-01", 900),
    ];
    // 600 ÷ 200 = 3; (120·2 + 80 + 100) ÷ 60 ÷ 3 = 2.3 person-hours.
    expect(openingNorms({ times }, "drover-l3h2")).toEqual({ setOutTimes: 3, builds: 1, of: "type", hoursEach: 2.3, closed: 3 });
    // A type that has none goes by the house: (3 + 2) ÷ 2.
    expect(openingNorms({ times }, "other")).toMatchObject({ setOutTimes: 2.5, builds: 2, of: "house" });
    expect(sayNorms(openingNorms({ times }, "drover-l3h2"))).toBe(
      "Setting out takes 3 × the cutting (1 build of this type); 2.3 person-hours for each of 3 closed openings",
    );
  });
  it("is the fitter's own, where they have set a build out", () => {
    const times = [
      row("1", "OP-01", 600, { fitters: ["teo"] }),
      row("1", "OP-04", 200),
      row("2", "OP-01", 300, { fitters: ["ines"] }),
      row("2", "OP-06", 100),
    ];
    expect(openingNorms({ times }, "drover-l3h2", "ines")).toMatchObject({ setOutTimes: 3, of: "fitter", builds: 1 });
    expect(openingNorms({ times: times.slice(0, 2) }, "other", "ines")).toMatchObject({ setOutTimes: 3, of: "house" });
    expect(sayNorms(openingNorms({ times }, "drover-l3h2", "teo"), "Teo")).toMatch(/3 × the cutting \(1 build of Teo's\)/);
  });
  it("zones by kind and fitter feed the norm that the next shell starts with", () => {
    const zoneRates = [
      { fitterId: "ines", kind: "ribs" as const, m2: 4, minutes: 80 },
      { fitterId: "teo", kind: "ribs" as const, m2: 6, minutes: 90 },
      { fitterId: null, kind: "floor" as const, m2: 5, minutes: 50 },
    ];
    expect(zoneNorm({ zoneRates }, "ribs", "ines")).toBe(20);
    expect(zoneNorm({ zoneRates }, "ribs")).toBe(17);
    expect(zoneNorm({ zoneRates }, "floor", "ines")).toBe(10);
    expect(zoneNorm({ zoneRates }, "flat")).toBeUndefined();
    const shop = testShop();
    shop.zoneRates = zoneRates;
    job(shop, "ST-06").fitters = ["ines"];
    const zones = sheetPrefill(shop, shop.builds[0], "zone-rate", "a.ST-06")!.draft.zones as { name: string; kind: string; norm: string }[];
    expect(zones.length).toBe(shop.vans[1].geometry.panels.length);
    expect(zones.find((z) => z.kind === "ribs")!.norm).toBe("20");
    expect(zones.find((z) => z.kind === "flat")?.norm ?? "").toBe("");
  });
  it("norms forecast a shell of which no zone is done, and give way to the first that is", () => {
    const run = (...zones: object[]) => findCalculator("zone-rate")!.run({ zones }).results;
    const rest = { name: "b", m2: 6, norm: 20 };
    expect(run({ name: "a", m2: 4, norm: 10 }, rest)).toEqual({ minutesPerM2: 16, restM2: 10, minutesLeft: 160 });
    expect(run({ name: "a", m2: 4, norm: 10, minutes: 60 }, rest)).toMatchObject({ minutesLeft: 90 });
    expect(() => run({ name: "a", m2: 4, norm: 10 }, { name: "b", m2: 6 })).toThrow(/none has its minutes yet/);
  });
});
