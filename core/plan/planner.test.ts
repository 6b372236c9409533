// What a plan says and how it behaves, beyond keeping the rules (the checker's part).

import { describe, expect, it } from "vitest";
import { zoneOf } from "../time/zone";
import { checkPlan } from "./check/check";
import { diffPlans } from "./diff";
import { InputError } from "./fault";
import type { Plan, Problem } from "./model";
import { makePlan } from "./planner";
import { readPlan, readProblem } from "./read";
import { workshop } from "./testing/workshop";

const asPublished = (p: Problem, plan: Plan): Problem =>
  readProblem({ ...p, published: { ...plan, stays: [], builds: [], unplaced: [], pinsBroken: [] } });

describe("makePlan", () => {
  const problem = readProblem(workshop({ seed: 5, builds: 3, jobsPerBuild: 18 }));
  it("is byte for byte the same for one seed and number of orders", () => {
    expect(JSON.stringify(makePlan(problem, { seed: 7, iterations: 6 }))).toBe(
      JSON.stringify(makePlan(problem, { seed: 7, iterations: 6 })),
    );
  });
  it("never gets worse with more orders tried", () => {
    const costs = [0, 10, 40].map((iterations) => makePlan(problem, { iterations }).cost!.total!);
    expect(costs[1]).toBeLessThanOrEqual(costs[0]);
    expect(costs[2]).toBeLessThanOrEqual(costs[1]);
  });
  it("stops when it is told to, with the best so far", () => {
    let told = 0;
    const plan = makePlan(problem, { iterations: 1000, onBetter: () => ++told < 2 });
    expect(told).toBeLessThanOrEqual(2);
    expect(checkPlan(problem, readPlan(plan))).toEqual([]);
  });
  it("gives each start its reasons, the binding one letting go last", () => {
    const plan = makePlan(problem, { iterations: 0 });
    for (const j of plan.jobs) expect(j.why?.length, j.id).toBeGreaterThan(0);
  });
  it("keeps a published plan as it is when nothing has changed", () => {
    const first = makePlan(problem, { iterations: 12 });
    const again = makePlan(asPublished(problem, first), { iterations: 50, local: true });
    expect(again.iterations).toBe(0);
    expect(diffPlans(zoneOf(problem.zone), first, again, new Set()).moves).toEqual([]);
  });
  it("moves few jobs when one part slips, and says that it waits for the part", () => {
    let moved = 0;
    let all = 0;
    for (let seed = 1; seed <= 6; seed++) {
      const p = readProblem(workshop({ seed, builds: 3, jobsPerBuild: 16, fitters: 6, bays: 4 }));
      const first = makePlan(p, { iterations: 12 });
      const next = structuredClone(asPublished(p, first));
      const last = first.jobs.filter((j) => j.id.startsWith("k3.")).sort((a, b) => b.start.localeCompare(a.start))[0];
      const job = next.builds[2].jobs.find((j) => j.id === last.id)!;
      job.partsFrom = `${new Date(Date.parse(`${last.start}Z`) + 3 * 86_400_000).toISOString().slice(0, 10)}T10:00`;
      const plan = makePlan(next, { iterations: 20, local: true });
      expect(checkPlan(next, readPlan(plan))).toEqual([]);
      expect(plan.jobs.find((j) => j.id === last.id)!.why!.map((w) => w.kind)).toContain("part");
      moved += diffPlans(zoneOf(p.zone), first, plan, new Set()).moves.length;
      all += first.jobs.length;
    }
    expect(moved / all).toBeLessThan(0.1);
  });
  it("names what nobody can do and plans the rest", () => {
    const p = structuredClone(problem);
    p.builds[0].jobs.at(-1)!.crew = [{ skill: "glassblowing", level: 3 }];
    const plan = makePlan(readProblem(p), { iterations: 0 });
    expect(plan.unplaced.map((u) => u.reason)).toEqual([expect.stringContaining("nobody has glassblowing at level 3")]);
    expect(plan.jobs.length).toBe(p.builds.flatMap((b) => b.jobs).length - 1);
  });
});

describe("readProblem", () => {
  const good = () => workshop({ seed: 2, builds: 2, jobsPerBuild: 6 });
  const faults = (change: (p: ReturnType<typeof good>) => void): string[] => {
    const p = good();
    change(p);
    try {
      readProblem(p);
      return [];
    } catch (e) {
      if (!(e instanceof InputError)) throw e;
      return e.faults.map((f) => `${f.path}: ${f.message}`);
    }
  };
  it("names the field of what is missing, unknown or of the wrong kind", () => {
    expect(faults((p) => Object.assign(p, { colour: "red" }))).toEqual(["colour: is not a known field"]);
    expect(faults((p) => Object.assign(p.builds[0].jobs[0], { place: "roof" }))).toEqual([
      "builds[0].jobs[0].place: expected one of van, bench",
    ]);
    expect(faults((p) => Object.assign(p, { now: "yesterday" }))).toEqual(["now: expected a local time YYYY-MM-DDTHH:MM"]);
  });
  it("refuses what contradicts itself, with the ids", () => {
    expect(faults((p) => p.builds[0].jobs[0].after!.push({ job: p.builds[0].jobs[5].id }))[0]).toContain("in a circle");
    expect(faults((p) => Object.assign(p, { calendars: p.calendars.slice(1) }))[0]).toContain('"shop" must exist');
    expect(
      faults((p) => {
        p.builds[0].at = "b1";
        p.builds[1].at = "b1";
      })[0],
    ).toContain("both stand in b1");
    expect(
      faults((p) =>
        Object.assign(p.builds[0].jobs[0], {
          state: { done: { start: "2027-02-01T08:00", end: "2030-01-01T08:00", bay: "bench", fitters: [] } },
        }),
      )[0],
    ).toContain("done after now");
  });
  it("takes null for what is left out", () =>
    expect(faults((p) => Object.assign(p.builds[0].jobs[0], { pin: null, notBefore: null }))).toEqual([]));
});
