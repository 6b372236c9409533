// The second person of a job, from its sheet to the plan, the start and the lanes.

import { describe, expect, it } from "vitest";
import { byFitter } from "../../lanes/groups";
import { lanes } from "../../lanes/lanes";
import { checkPlan } from "../../plan/check/check";
import { plannedMinutes } from "../../plan/model";
import { makePlan } from "../../plan/planner";
import { readPlan, readProblem } from "../../plan/read";
import { pairMinutes } from "../../setout/time/pair-minutes/pair-minutes";
import { startObstacles } from "../starts/ready";
import type { SheetRow, Shop } from "../state/model";
import { toProblem } from "../state/problem";
import { done, job, NOW, testShop, zone } from "../testing/shop";
import { freeFitters } from "./pull-forward";
import { beginners, behindMinutes, comesTo, crewAsked, helperAmong, helperWords, helpOf, neededAtStart, sayHelp } from "./second-hand";

const STEPS = [
  { name: "mark and drill", minutes: 60 },
  { name: "last cut", minutes: 10, two: true },
  { name: "edge", minutes: 20 },
  { name: "unit down", minutes: 10, two: true, prop: true },
];

function withSheet(input: Record<string, unknown> = { steps: STEPS }, more: Partial<SheetRow> = {}): Shop {
  const shop = testShop();
  const row = {
    id: "s",
    buildId: "a",
    jobId: "a.OP-04",
    calculator: pairMinutes.name,
    draft: {},
    input,
    basis: {},
    worst: "ok",
    massKg: null,
  };
  shop.builds[0].sheets = [
    { ...row, savedBy: "u", savedAt: NOW, second: null, secondBy: null, lockedAt: null, version: 1, ...more } as SheetRow,
  ];
  return shop;
}
const fan = (shop: Shop) => job(shop, "OP-04");
/** All that comes before the fan is done, and the van stands in its bay. */
function standsReady(shop: Shop): void {
  done(
    shop,
    fan(shop).after.map((a) => a.job.slice(2)),
    NOW - 3000,
  );
  shop.builds[0].at = "b2";
}
const asked = (shop: Shop) => crewAsked(shop.builds[0], fan(shop));

describe("the second person of a job", () => {
  it("is asked for from the first to the last of the minutes that need two, stretched to the job's own", () => {
    const shop = withSheet();
    fan(shop).minutes = { best: 100, likely: 200, worst: 300 };
    // From minute 60 to 100 of 100: from 120 to 200 of 200.
    expect(asked(shop)).toEqual([
      { skill: "body", level: 2, people: 1, ticket: null },
      { skill: "any", level: 1, people: 1, ticket: null, during: { from: 120, to: 200 } },
    ]);
    expect(neededAtStart(asked(shop))).toBe(1);
    expect(helperWords(shop.builds[0], fan(shop))).toEqual(["A second person from minute 120 to 200, free for the rest"]);
  });
  it("is not asked for at all where a prop stands in", () => {
    const shop = withSheet({ steps: STEPS.map((s) => ({ ...s, two: s.two && s.prop })), roofHeight: 1900, frame: 20, propUsed: true });
    expect(asked(shop)).toEqual([{ skill: "body", level: 2, people: 1, ticket: null }]);
    expect(helperWords(shop.builds[0], fan(shop))[0]).toMatch(/One alone does it/);
  });
  it("is there for all of it without a sheet, with one that says stop or is no longer read, once it is done", () => {
    const whole = fan(testShop()).crew;
    expect(asked(testShop())).toEqual(whole);
    expect(asked(withSheet({ steps: STEPS }, { worst: "stop" }))).toEqual(whole);
    expect(asked(withSheet({ steps: "many" }))).toEqual(whole);
    const shop = withSheet();
    fan(shop).state = "done";
    expect(asked(shop)).toEqual(whole);
    expect(helperWords(testShop().builds[0], fan(testShop()))).toEqual([]);
  });
  it("is one of two alike where both are asked for together, and never one with a ticket", () => {
    const shop = withSheet();
    fan(shop).crew = [{ skill: "body", level: 2, people: 2, ticket: null }];
    expect(asked(shop).map((c) => [c.people, c.during !== undefined])).toEqual([
      [1, false],
      [1, true],
    ]);
    fan(shop).crew = [
      { skill: "body", level: 2, people: 1, ticket: "seats" },
      { skill: "gas", level: 3, people: 1, ticket: "gas" },
    ];
    expect(asked(shop)).toEqual(fan(shop).crew);
  });
  it("is booked for those minutes alone, in a plan that keeps every rule; its row in the lanes shows no more", () => {
    const shop = withSheet();
    const problem = readProblem(toProblem(shop, NOW));
    const plan = makePlan(problem);
    expect(checkPlan(problem, readPlan(plan))).toEqual([]);
    const planned = plan.jobs.find((j) => j.id === "a.OP-04")!;
    const [helper] = planned.helpers!;
    const minutes = helper.work.reduce((n, [a, b]) => n + zone.parse(b) - zone.parse(a), 0);
    const { during } = asked(shop)[1];
    const most = plannedMinutes(fan(shop).minutes);
    expect(minutes).toBe(Math.min(during!.to, most) - during!.from);
    const rows = byFitter(shop, lanes(shop, plan, undefined, NOW));
    const block = (who: string) => rows.find((r) => r.id === who)!.blocks.find((b) => b.jobId === "a.OP-04")!;
    const main = planned.fitters.find((f) => f !== helper.fitter)!;
    expect(block(main).from).toBe(zone.parse(planned.start));
    expect(block(helper.fitter)).toMatchObject({ from: zone.parse(helper.work[0][0]), to: zone.parse(helper.work.at(-1)![1]) });
    expect(block(helper.fitter).lead).toBe(block(helper.fitter).from - block(main).from);
  });
  it("need not be named when the job begins, and is free until needed", () => {
    const shop = withSheet();
    standsReady(shop);
    const crew = (s: Shop, people: string[]) =>
      startObstacles(s, fan(s), people, "b2", NOW)
        .filter((o) => o.kind === "crew")
        .map((o) => o.text);
    expect(crew(shop, ["ines"])).toEqual([]);
    expect(crew(testShop(), ["ines"])).toContain("it takes 2 people, 1 are named");
    // Paused, whoever began it goes on alone as well.
    Object.assign(fan(shop), { state: "paused", fitters: ["ines"] });
    expect(crew(shop, ["ines"])).toEqual([]);
    Object.assign(fan(shop), { state: "todo", fitters: [] });
    const p = { id: "a.OP-04", start: "2027-03-03T10:00", end: "2027-03-03T12:00", place: "b2", fitters: ["ines", "teo"] };
    const plan = (helpers?: object) => ({ jobs: [{ ...p, ...(helpers ? { helpers } : {}) }], stays: [], builds: [] }) as never;
    expect(freeFitters(shop, plan(), NOW).get("teo")).toBeUndefined();
    const later = [{ fitter: "teo", work: [["2027-03-03T11:30", "2027-03-03T12:00"]] }];
    expect(beginners({ ...p, helpers: later as never })).toEqual(["ines"]);
    expect(beginners({ ...p, helpers: [{ fitter: "teo", work: [[p.start, p.end]] }] })).toEqual(["ines", "teo"]);
    expect(beginners(p)).toEqual(["ines", "teo"]);
    expect(freeFitters(shop, plan(later), NOW).get("teo")).toBe(zone.parse("2027-03-03T11:30"));
  });
});

describe("the second person of a job under way", () => {
  /** Begun an hour ago by some: the part that needs two is from minute 126 to 210 of its likely 210. */
  function underWay(people: string[], more: Partial<ReturnType<typeof fan>> = {}, workedMinutes = 60): Shop {
    const shop = withSheet();
    standsReady(shop);
    Object.assign(fan(shop), {
      state: "started",
      startedAt: NOW - 60,
      runningSince: NOW,
      workedMinutes,
      actualPlace: "b2",
      fitters: people,
    });
    Object.assign(fan(shop), { minutes: { best: 210, likely: 210, worst: 210 }, ...more });
    return shop;
  }
  const planned = (shop: Shop) => {
    const problem = readProblem(toProblem(shop, NOW));
    const plan = makePlan(problem);
    expect(checkPlan(problem, readPlan(plan))).toEqual([]);
    return plan.jobs.find((j) => j.id === "a.OP-04")!;
  };
  const minutesOf = (work: readonly (readonly string[])[]) => work.reduce((n, [a, b]) => n + zone.parse(b) - zone.parse(a), 0);

  it("is kept in the plan for the minutes that are left of the part", () => {
    const shop = underWay(["ines"]);
    expect(behindMinutes(shop, fan(shop), NOW)).toBe(60);
    expect(helpOf(shop, fan(shop), NOW)).toEqual({ here: null, during: { from: 66, to: 150 }, freed: false, skill: "any", level: 1 });
    const p = planned(shop);
    expect(p.fitters).toContain("ines");
    expect(p.helpers).toHaveLength(1);
    expect(minutesOf(p.helpers![0].work)).toBe(84);
    // The same minutes of the job's work, counted from now.
    const before = p.work!.flatMap(([a, b]) => [[zone.parse(a), zone.parse(b)]]);
    const from = zone.parse(p.helpers![0].work[0][0]);
    expect(before.reduce((n, [a, b]) => n + Math.max(0, Math.min(b, from) - a), 0)).toBe(66);
    const row = lanes(shop, makePlan(readProblem(toProblem(shop, NOW))), undefined, NOW)[0].blocks.find((b) => b.jobId === "a.OP-04")!;
    expect(row.fitters).toEqual(["ines", p.helpers![0].fitter]);
    expect(row.helpers).toHaveLength(1);
  });
  it("is needed less as the work goes on, and no more once the part is over", () => {
    expect(helpOf(underWay(["ines"], {}, 150), fan(underWay(["ines"], {}, 150)), NOW)?.during).toEqual({ from: 0, to: 60 });
    const shop = underWay(["ines"], { minutes: { best: 200, likely: 210, worst: 470 } }, 240);
    expect(helpOf(shop, fan(shop), NOW)).toBeUndefined();
    expect(planned(shop).helpers).toBeUndefined();
  });
  it("is free behind the part when they are on it already, and at once when it is over or they were let go", () => {
    const shop = underWay(["ines", "teo"], { helpers: [{ fitter: "teo", freedAt: null }] }, 150);
    expect(helpOf(shop, fan(shop), NOW)).toEqual({ here: "teo", during: { from: 0, to: 60 }, freed: false, skill: "any", level: 1 });
    const p = planned(shop);
    expect(p.helpers!.map((h) => h.fitter)).toEqual(["teo"]);
    expect(minutesOf(p.helpers![0].work)).toBe(60);
    const over = underWay(
      ["ines", "teo"],
      { helpers: [{ fitter: "teo", freedAt: null }], minutes: { best: 200, likely: 210, worst: 470 } },
      240,
    );
    expect(planned(over)).toMatchObject({ fitters: ["ines"] });
    const freed = underWay(["ines"], { helpers: [{ fitter: "teo", freedAt: NOW - 5 }] }, 100);
    expect(helpOf(freed, fan(freed), NOW)).toEqual({ here: null, during: null, freed: true, skill: "any", level: 1 });
    expect(planned(freed)).toMatchObject({ fitters: ["ines"] });
  });
  it("is said by how soon and for how long they are needed, whether they are there or not", () => {
    const help = { here: null, during: { from: 50, to: 78 }, freed: false, skill: "any", level: 1 };
    expect(sayHelp(help, null)).toBe("A second person is needed in 50 min of work, for 28 min");
    expect(sayHelp({ ...help, here: "teo", during: { from: 0, to: 28 } }, "Teo")).toBe("Teo is needed now, for 28 min");
    expect(sayHelp({ ...help, here: "teo", during: null }, "Teo")).toBe("The part that needs two is over: Teo is free");
    expect(sayHelp({ ...help, during: null, freed: true }, null)).toBe("One goes on alone");
  });
  it("is who the first plan names that names somebody, as long as they are not on it", () => {
    const shop = underWay(["ines"]);
    const plan = (fitter?: string) => ({ jobs: [{ id: "a.OP-04", ...(fitter ? { helpers: [{ fitter, work: [] }] } : {}) }] }) as never;
    expect(comesTo([plan("teo"), plan("rosa")], fan(shop))).toBe("teo");
    expect(comesTo([undefined, plan(), plan("rosa")], fan(shop))).toBe("rosa");
    expect(comesTo([plan("ines")], fan(shop))).toBeUndefined();
    expect(comesTo([], fan(shop))).toBeUndefined();
  });
  it("is nobody where all who are asked for are on it to the end", () => {
    const shop = underWay(["ines", "teo"]);
    expect(helpOf(shop, fan(shop), NOW)).toBeUndefined();
    expect(planned(shop).helpers).toBeUndefined();
    expect(helpOf(testShop(), fan(testShop()), NOW)).toBeUndefined();
  });
  it("is never one who is barred from it", () => {
    const shop = underWay(["ines"]);
    for (const f of shop.fitters) if (f.id !== "teo" && f.id !== "ines") f.nots = ["metal cutting"];
    expect(planned(shop).helpers![0].fitter).toBe("teo");
    shop.fitters.find((f) => f.id === "teo")!.nots = ["metal cutting"];
    const plan = makePlan(readProblem(toProblem(shop, NOW)));
    expect(plan.unplaced.map((u) => u.job)).toContain("a.OP-04");
  });
  it("is, of those named to begin, the one who is planned to help, else whom the others can do without", () => {
    const shop = withSheet();
    const among = (crew: string[], plan?: { fitter: string }[]) => helperAmong(shop, fan(shop), crew, plan);
    expect(among(["ines"])).toBeNull();
    expect(among(["ines", "teo"], [{ fitter: "teo" }])).toBe("teo");
    // Ines has the body work: Teo is spare, in whichever order they are named.
    for (const f of shop.fitters) f.skills = f.id === "ines" ? { body: 3 } : { joinery: 2 };
    expect(among(["teo", "ines"])).toBe("teo");
    expect(among(["ines", "teo"], [{ fitter: "nobody" }])).toBe("teo");
    expect(helperAmong(testShop(), fan(testShop()), ["ines", "teo"])).toBeNull();
  });
});
