import { describe, expect, it } from "vitest";
import { zoneOf } from "../time/zone";
import { checkPlan } from "./check/check";
import { compile } from "./compile";
import { diffPlans } from "./diff";
import { type Plan, type Problem, plannedMinutes } from "./model";
import { makePlan } from "./planner";
import { readPlan, readProblem } from "./read";
import { movedShare, repair } from "./repair";
import { keptRules } from "./rules";
import { workshop } from "./testing/workshop";

const publish = (p: Problem, plan: Plan): Problem => ({ ...structuredClone(p), published: structuredClone(plan) });
const moves = (p: Problem, a: Plan, b: Plan) => diffPlans(zoneOf(p.zone), a, b, new Set()).moves;

const calm = (seed: number, builds = 5) => {
  const p = readProblem(workshop({ seed, builds, jobsPerBuild: 24, calm: true, fitters: 6, bays: 4 }));
  return { p, plan: makePlan(p, { iterations: 60, seed }) };
};

describe("repair", () => {
  it("moves nothing when nothing has changed", () => {
    for (const seed of [1, 2, 3]) {
      const { p, plan } = calm(seed);
      const c = compile(readProblem(publish(p, plan)));
      const g = repair(c, keptRules(c)[0])!;
      expect(movedShare(g.board)).toBe(0);
      expect(moves(p, plan, makePlan(readProblem(publish(p, plan)), { iterations: 40, local: true }))).toEqual([]);
    }
  });

  it("keeps a slip of the last part of a build among that build's work", () => {
    const { p, plan } = calm(4);
    const next = publish(p, plan);
    const build = next.builds[1];
    const last = plan.jobs.filter((j) => j.id.startsWith(`${build.id}.`)).sort((a, b) => b.start.localeCompare(a.start))[0];
    const job = build.jobs.find((j) => j.id === last.id)!;
    job.partsFrom = `${new Date(Date.parse(`${last.start.slice(0, 10)}T00:00Z`) + 86_400_000).toISOString().slice(0, 10)}T10:00`;
    const replan = makePlan(readProblem(next), { iterations: 0, local: true });
    expect(checkPlan(next, readPlan(replan))).toEqual([]);
    const moved = moves(p, plan, replan);
    expect(moved.map((m) => m.job)).toContain(job.id);
    expect(moved.length / plan.jobs.length).toBeLessThan(0.1);
    const after = replan.jobs.find((j) => j.id === job.id)!;
    expect(after.start >= job.partsFrom).toBe(true);
    expect(after.why!.map((w) => w.kind)).toContain("part");
  });

  it("gives valid plans after any one change", () => {
    for (const seed of [5, 6, 7, 8]) {
      const { p, plan } = calm(seed);
      const changes: ((q: Problem) => void)[] = [
        (q) => void q.fitters[1].away!.push(["2027-03-02T07:00", "2027-03-03T18:00"]),
        (q) => void (q.bays[0].closed = [["2027-03-03T07:00", "2027-03-03T18:00"]]),
        (q) => void (q.builds[0].jobs[5].minutes = plannedMinutes(q.builds[0].jobs[5].minutes) * 2),
        (q) => void (q.builds[0].jobs[7].pin = { start: "2027-03-08T09:00" }),
        (q) =>
          void q.builds.push({
            ...structuredClone(q.builds[2]),
            id: "new",
            at: undefined,
            jobs: q.builds[2].jobs.map((j) => ({
              ...structuredClone(j),
              id: `new${j.id}`,
              covers: j.covers?.map((x) => `new${x}`),
              after: j.after?.map((a) => ({ ...a, job: `new${a.job}` })),
            })),
          }),
      ];
      for (const change of changes) {
        const next = publish(p, plan);
        change(next);
        const read = readProblem(next);
        const replan = makePlan(read, { iterations: 10, local: true });
        expect(checkPlan(read, readPlan(replan))).toEqual([]);
      }
    }
  });
});
