// The second person of a job, from its sheet to the plan, the start and the lanes.

import { describe, expect, it } from "vitest";
import { byFitter } from "../lanes/groups";
import { lanes } from "../lanes/lanes";
import { checkPlan } from "../plan/check/check";
import { plannedMinutes } from "../plan/model";
import { makePlan } from "../plan/planner";
import { readPlan, readProblem } from "../plan/read";
import { pairMinutes } from "../setout/pair-minutes";
import { freeFitters } from "./forward";
import type { SheetRow, Shop } from "./model";
import { beginners, crewAsked, helperWords, neededAtStart } from "./paired";
import { toProblem } from "./problem";
import { startObstacles } from "./ready";
import { done, job, NOW, testShop, zone } from "./testing/shop";

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
  it("is there for all of it without a sheet, with one that says stop or is no longer read, once it is begun", () => {
    const whole = fan(testShop()).crew;
    expect(asked(testShop())).toEqual(whole);
    expect(asked(withSheet({ steps: STEPS }, { worst: "stop" }))).toEqual(whole);
    expect(asked(withSheet({ steps: "many" }))).toEqual(whole);
    const shop = withSheet();
    fan(shop).state = "started";
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
    done(
      shop,
      fan(shop).after.map((a) => a.job.slice(2)),
      NOW - 3000,
    );
    shop.builds[0].at = "b2";
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
