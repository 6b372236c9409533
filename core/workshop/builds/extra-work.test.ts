import { describe, expect, it } from "vitest";
import { checkPlan } from "../../plan/check/check";
import { makePlan } from "../../plan/planner";
import { readPlan, readProblem } from "../../plan/read";
import type { CalculatorName } from "../../setout/calculators";
import { findCalculator } from "../../setout/calculators";
import { DAY } from "../../time/zone";
import type { SheetRow, Shop } from "../state/model";
import { toProblem } from "../state/problem";
import { entry } from "../testing/entry";
import { at, done, job, NOW, testBuild, testShop } from "../testing/shop";
import { askedJobs } from "./asked-work";
import { changeOptions } from "./change-options";
import { around, extraJob, isExtra, withExtra } from "./extra-work";

function keep(shop: Shop, calculator: CalculatorName, code: string, input: Record<string, unknown>, more: Partial<SheetRow> = {}): void {
  // Only what the calculator takes is kept.
  findCalculator(calculator)!.run(input);
  shop.builds[0].sheets.push({
    id: `sheet-${calculator}`,
    buildId: "a",
    jobId: `a.${code}`,
    calculator,
    draft: {},
    input,
    basis: {},
    worst: "ok",
    massKg: null,
    savedBy: "u-ines",
    savedAt: NOW - 60,
    second: null,
    secondBy: null,
    lockedAt: null,
    version: 1,
    ...more,
  });
}
const asked = (shop: Shop, now = NOW) => askedJobs(shop, shop.builds[0], now);
const byKey = (shop: Shop, start: string, now = NOW) => asked(shop, now).find((a) => a.key.startsWith(start));

describe("what set-outs ask for", () => {
  it("nothing, where none is kept", () => expect(asked(testShop())).toEqual([]));

  it("a bent edge: a support scribed before the floor's boards, with every height as a step", () => {
    const shop = testShop();
    // 12 mm plate; 20, 34 and 26 mm below the level line: supports of 8, 22 and 14 mm over 1.5 m.
    keep(shop, "edge-support", "IN-05", {
      plate: 12,
      stations: [
        { at: 0, depth: 20 },
        { at: 700, depth: 34 },
        { at: 1500, depth: 26 },
      ],
    });
    const a = byKey(shop, "scribe:")!;
    expect(a.minutes).toEqual({ best: 42, likely: 60, worst: 96 });
    expect(a.before).toEqual(["a.IN-05"]);
    expect(a.steps).toContain("At 700 mm it stands 22 mm high");
    expect(a.why).toBe("the edge has sunk by up to 22 mm");
    expect(byKey(shop, "dress:")).toBeUndefined();
  });
  it("metal that stands proud is dressed back in a job of its own", () => {
    const shop = testShop();
    keep(shop, "edge-support", "IN-05", {
      plate: 12,
      stations: [
        { at: 0, depth: 20 },
        { at: 600, depth: 9 },
      ],
    });
    expect(byKey(shop, "dress:")).toMatchObject({ skill: "body", before: ["a.IN-05"], minutes: { likely: 25 } });
    expect(byKey(shop, "dress:")!.steps).toContain("At 600 mm dress the metal down by 3 mm");
  });
  it("with nothing sunk no support is asked for, and one goes on metal that was dressed back", () => {
    const shop = testShop();
    const stations = [
      { at: 0, depth: 9 },
      { at: 600, depth: 10 },
    ];
    keep(shop, "edge-support", "IN-05", { plate: 12, stations });
    expect(asked(shop).map((a) => a.key)).toEqual(["dress:sheet-edge-support"]);
    shop.builds[0].sheets[0].input = { plate: 12, stations: [{ at: 0, depth: 20 }, stations[1]] };
    const dressed = withExtra(shop.builds[0], byKey(shop, "dress:")!);
    expect(askedJobs(shop, dressed.build, NOW).find((a) => a.key.startsWith("scribe:"))!.after).toEqual([dressed.job.id]);
    // The other way round: what is scribed already waits for the metal.
    const scribed = withExtra(shop.builds[0], byKey(shop, "scribe:")!);
    expect(askedJobs(shop, scribed.build, NOW).find((a) => a.key.startsWith("dress:"))!.before).toContain(scribed.job.id);
  });
  it("a coat past its latest time: scuffed again, not before, and not once the job is done", () => {
    const shop = testShop();
    const coat = { earliestH: 2, latestH: 8, tempC: 23, coated: "09:00" };
    keep(shop, "recoat", "ST-07", coat, { savedAt: at("2027-03-03T09:05") });
    expect(byKey(shop, "scuff:", at("2027-03-03T16:59"))).toBeUndefined();
    const a = byKey(shop, "scuff:", at("2027-03-03T17:01"))!;
    expect(a.before).toEqual(["a.ST-07"]);
    expect(a.why).toMatch(/09:00 could be gone over for 8 h/);
    done(shop, ["ST-07"], NOW);
    expect(byKey(shop, "scuff:", at("2027-03-03T17:01"))).toBeUndefined();
  });
  it("a battery that would be flat before the van is back in work: looked at half-way", () => {
    const shop = testShop();
    const kept = { capacityAh: 95, standDays: 9, circuits: [{ name: "tracker", amps: 0.2, hoursADay: 24 }] };
    // 47.5 Ah ÷ 4.8 Ah a day = 9.9 days; 9 + 2 are asked.
    keep(shop, "battery-stand", "ST-03", kept);
    const a = byKey(shop, "battery:")!;
    expect(a.notBefore).toBe(NOW - 60 + 4 * DAY);
    expect(a.why).toMatch(/flat after 9.9 days.*tracker/);
    expect(a.before).toEqual([]);
    shop.builds[0].sheets = [];
    keep(shop, "battery-stand", "ST-03", { ...kept, standDays: 6 });
    expect(byKey(shop, "battery:")).toBeUndefined();
  });
  it("a ghost that shows once the letters are off: polished before anything is marked out", () => {
    const shop = testShop([testBuild("a", { ...testBuild("a").options, lettering: true })]);
    const input = { letterM2: 1, panelM2: 4, norms: { peel: 30, adhesive: 20, faint: 10, clear: 25 }, ghost: "clear" };
    keep(shop, "lettering", "ST-05", input);
    expect(byKey(shop, "polish:")).toBeUndefined();
    done(shop, ["ST-05"], NOW - 300);
    const a = byKey(shop, "polish:")!;
    expect([a.minutes.likely, a.before]).toEqual([100, ["a.OP-01"]]);
    expect(a.steps[0]).toMatch(/Clay/);
  });
  it("a sheet whose input no longer holds asks for nothing, and breaks nothing", () => {
    const shop = testShop();
    keep(shop, "battery-stand", "ST-03", { capacityAh: 95, standDays: 9, circuits: [] });
    shop.builds[0].sheets[0].input = { capacityAh: "much" };
    expect(asked(shop)).toEqual([]);
  });
});

describe("what people's words ask for", () => {
  const claim = { by: "client", who: "Rosa", area: "rack", state: "done", covered: "open" };
  it("what the client calls done is looked over before it is covered", () => {
    const shop = testShop();
    shop.builds[0].records = [entry("others", "Rack feet", { ...claim, pierces: true })];
    const a = byKey(shop, "accept:")!;
    expect(a.name).toBe("Looked over: Rack feet");
    expect(a.minutes.likely).toBe(20);
    expect(a.before).toContain("a.IN-07");
    expect(a.before.every((id) => ["insulation", "panels"].includes(job(shop, id.slice(2)).stage))).toBe(true);
    expect(a.steps.some((s) => /list of holes/.test(s))).toBe(true);
  });
  it("refused, it is done again in the hours that it takes; accepted or covered, nothing", () => {
    const shop = testShop();
    const tried = { ...claim, test: "water" };
    shop.builds[0].records = [
      entry("others", "Rack feet", { ...tried, result: "refused", hours: 2, defects: "drips at the third" }),
      entry("others", "Trim", { ...tried, result: "accepted" }),
      entry("others", "Old wiring", { ...claim, area: "wiring", covered: "covered" }),
    ];
    expect(asked(shop).map((a) => [a.name, a.minutes.likely])).toEqual([["Done again: Rack feet", 120]]);
    expect(asked(shop)[0].steps[0]).toMatch(/drips at the third/);
  });
});

describe("a hole made late", () => {
  const hole = { side: "roof", place: "", state: "wanted", by: "us", no: 1 };
  it("costs cover, swarf, edge and lining once more, behind its cut and before the rest behind it", () => {
    const shop = testShop();
    shop.builds[0].records = [entry("penetration", "Mast foot", hole, { jobId: "a.OP-04" })];
    expect(asked(shop)).toEqual([]);
    done(shop, ["IN-07"], NOW - 10 * DAY);
    const a = byKey(shop, "late:")!;
    expect(a.after).toEqual(["a.OP-04"]);
    expect(a.before.length).toBeGreaterThan(0);
    expect(a.holdMinutes).toBe(60);
    expect(a.stop).toBeUndefined();
  });
  it("waits while the glue behind or below it cures", () => {
    const shop = testShop();
    shop.builds[0].records = [entry("penetration", "Mast foot", hole)];
    done(shop, ["IN-07"], NOW - 30);
    const floor = job(shop, "IN-06");
    floor.hold.minutes = 600;
    done(shop, ["IN-06"], NOW - 60);
    expect(byKey(shop, "late:")!.stop).toMatch(/Floor fixed down is still curing/);
    expect(byKey(shop, "late:", NOW + 600)!.stop).toBeUndefined();
  });
});

describe("a job taken on", () => {
  const withClaim = () => {
    const shop = testShop();
    shop.builds[0].records = [entry("others", "Rack feet", { by: "client", who: "Rosa", area: "rack", state: "done", covered: "open" })];
    return shop;
  };
  it("has a number of its own, is not asked for again, and is waited for", () => {
    const shop = withClaim();
    const [a] = asked(shop);
    const { build, job: taken, waits } = withExtra(shop.builds[0], a);
    expect([taken.code, isExtra(taken), taken.state]).toEqual(["EX-01", true, "todo"]);
    expect(extraJob(build, a).code).toBe("EX-02");
    expect(waits).toEqual(a.before);
    for (const id of waits) expect(build.jobs.find((j) => j.id === id)!.after.at(-1)!.job).toBe(taken.id);
    expect(askedJobs(shop, build, NOW)).toEqual([]);
  });
  it("is planned before what waits for it, by a plan that keeps every rule", () => {
    const shop = withClaim();
    const { build, waits } = withExtra(shop.builds[0], asked(shop)[0]);
    shop.builds[0] = build;
    const problem = readProblem(toProblem(shop, NOW));
    const plan = makePlan(problem);
    expect(checkPlan(problem, readPlan(plan))).toEqual([]);
    const own = plan.jobs.find((j) => j.id === "a.EX-01")!;
    expect(own).toBeDefined();
    for (const id of waits) expect(plan.jobs.find((j) => j.id === id)!.start >= own.end).toBe(true);
  });
  it("stays when choices change, with what waits for it", () => {
    const shop = withClaim();
    const { build } = withExtra(shop.builds[0], asked(shop)[0]);
    const same = changeOptions(build.jobs, shop.builds[0].jobs);
    expect(same.dropped).toEqual([]);
    expect(same.moved).toEqual([]);
    const kept = same.jobs.find((j) => j.id === "a.IN-07")!;
    expect(kept.after.some((l) => l.job === "a.EX-01")).toBe(true);
    expect(same.jobs.filter(isExtra)).toHaveLength(1);
    // What it waits for may fall away: it waits for the rest.
    const hung = build.jobs.map((j) => (isExtra(j) ? { ...j, after: [{ ...j.after[0], job: "a.OP-04" }] } : j));
    const without = changeOptions(
      hung,
      shop.builds[0].jobs.filter((j) => j.code !== "OP-04"),
    );
    expect(without.jobs.find(isExtra)!.after).toEqual([]);
  });
  it("is never of no length, however little it is", () => {
    expect(around(0.2)).toEqual({ best: 1, likely: 1, worst: 2 });
    expect(around(100)).toEqual({ best: 70, likely: 100, worst: 160 });
  });
});
