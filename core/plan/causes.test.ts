import { describe, expect, it } from "vitest";
import { zoneOf } from "../time/zone";
import { causes } from "./causes";
import { diffPlans, type Move } from "./diff";
import type { Plan, PlanJob, Problem } from "./model";
import { makePlan } from "./planner";
import { readProblem } from "./read";
import { workshop } from "./testing/workshop";

const job = (id: string, start: string, end: string, more: Partial<PlanJob> = {}): PlanJob => ({
  id,
  start,
  end,
  place: "bench",
  fitters: [],
  ...more,
});
const plan = (jobs: PlanJob[]): Plan =>
  ({ format: "wide-lane/plan@1", jobs, stays: [], builds: [], unplaced: [], pinsBroken: [] }) as unknown as Plan;
const move = (id: string): Move => ({ job: id, from: 0, to: 1, oldFitters: [], newFitters: [], oldPlace: null, newPlace: null, why: "" });
const why = (kind: "part" | "predecessor" | "fitter" | "bay", ref?: string) => [{ kind, ...(ref && { ref }), text: kind }];

describe("causes", () => {
  it("follows predecessors and people back to what moved first", () => {
    const p = plan([
      job("a", "2027-03-01T08:00", "2027-03-01T10:00", { fitters: ["f1"], why: why("part") }),
      job("b", "2027-03-01T10:00", "2027-03-01T12:00", { fitters: ["f2"], why: why("predecessor", "a") }),
      job("c", "2027-03-01T12:00", "2027-03-01T13:00", { fitters: ["f2"], why: why("fitter", "f2") }),
      job("d", "2027-03-01T12:00", "2027-03-01T13:00", { fitters: ["f3"], why: why("part") }),
    ]);
    const roots = causes(p, ["a", "b", "c", "d"].map(move));
    expect(Object.fromEntries(roots)).toEqual({ a: "a", b: "a", c: "a", d: "d" });
  });

  it("stops at what did not move, and does not go in circles", () => {
    const p = plan([
      job("a", "2027-03-01T08:00", "2027-03-01T10:00", { place: "b1", why: why("predecessor", "b") }),
      job("b", "2027-03-01T08:00", "2027-03-01T10:00", { place: "b1", why: why("predecessor", "a") }),
      job("x", "2027-03-01T08:00", "2027-03-01T10:00", { place: "b2" }),
      job("c", "2027-03-01T10:00", "2027-03-01T12:00", { place: "b2", why: why("bay", "k2") }),
    ]);
    expect(causes(p, [move("c")]).get("c")).toBe("c");
    const round = causes(p, [move("a"), move("b")]);
    expect(["a", "b"]).toContain(round.get("a"));
  });

  it("traces the moves that a slipped part brings back to the job that waits for it", () => {
    const problem: Problem = readProblem(workshop({ seed: 12, builds: 2, jobsPerBuild: 20, calm: true, fitters: 4, bays: 2 }));
    const before = makePlan(problem, { iterations: 30 });
    const next = structuredClone(problem) as Problem;
    next.published = before;
    // The first from the fourth on that another one follows: that has to move with it.
    const first = before.jobs
      .filter((j) => j.id.startsWith("k1."))
      .sort((a, b) => a.start.localeCompare(b.start))
      .slice(4)
      .find((j) => problem.builds[0].jobs.some((k) => k.after?.some((a) => a.job === j.id)))!;
    next.builds[0].jobs.find((j) => j.id === first.id)!.partsFrom = "2027-03-22T10:00";
    const after = makePlan(readProblem(next), { iterations: 0, local: true });
    const { moves } = diffPlans(zoneOf(problem.zone), before, after, new Set());
    const roots = causes(after, moves);
    expect(roots.get(first.id)).toBe(first.id);
    expect([...roots.values()].filter((r) => r === first.id).length).toBeGreaterThan(1);
  });
});
