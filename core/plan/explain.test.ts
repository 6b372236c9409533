// Reasons are true: take the binding one away, and the job starts earlier or another reason shows.

import { describe, expect, it } from "vitest";
import type { Plan, Problem, ProblemJob } from "./model";
import { makePlan } from "./planner";
import { readProblem } from "./read";
import { workshop } from "./testing/workshop";

const jobIn = (p: Problem, id: string): ProblemJob => p.builds.flatMap((b) => b.jobs).find((j) => j.id === id)!;
const start = (plan: Plan, id: string): string => plan.jobs.find((j) => j.id === id)!.start;

/** Takes a reason of the problem's own data away; undefined where it lies in other work. */
function without(problem: Problem, id: string, kind: string): Problem | undefined {
  const p = structuredClone(problem);
  const j = jobIn(p, id);
  switch (kind) {
    case "part":
      delete j.partsFrom;
      return p;
    case "not-before":
      delete j.notBefore;
      return p;
    case "pin":
      delete j.pin;
      return p;
    case "tool":
      delete j.tools;
      return p;
    case "noise":
      delete p.noiseHours;
      return p;
    case "dry":
    case "daylight":
    case "temperature":
      delete p.weather;
      return p;
    default:
      return undefined;
  }
}

describe("why", () => {
  it("shows reasons that hold: without the first, the job starts earlier or has another first reason", () => {
    let tried = 0;
    for (let seed = 40; seed < 70; seed++) {
      const problem = readProblem(workshop({ seed, builds: 2, jobsPerBuild: 12, wild: seed % 2 === 0, tools: seed % 3 === 0 }));
      const plan = makePlan(problem, { iterations: 0 });
      for (const j of plan.jobs) {
        const why = j.why?.[0];
        if (!why || jobIn(problem, j.id).state !== "todo") continue;
        const less = without(problem, j.id, why.kind);
        if (!less) continue;
        tried++;
        const next = makePlan(readProblem(less), {
          iterations: 0,
          start: { ...plan, jobs: plan.jobs.filter((x) => x.id !== j.id).map(({ why: _w, ...x }) => x) },
        });
        const after = next.jobs.find((x) => x.id === j.id)!;
        expect(
          after.start < j.start || after.why?.[0]?.kind !== why.kind || after.why?.[0]?.text !== why.text,
          `seed ${seed}, ${j.id}: ${why.text}`,
        ).toBe(true);
      }
    }
    expect(tried).toBeGreaterThan(15);
  });

  it("never names a reason that lets go after the start, and always one", () => {
    for (let seed = 80; seed < 100; seed++) {
      const problem = readProblem(workshop({ seed, builds: 3, jobsPerBuild: 12, wild: true, tools: seed % 2 === 0 }));
      const plan = makePlan(problem, { iterations: 3 });
      for (const j of plan.jobs) {
        if (jobIn(problem, j.id).state !== "todo") continue;
        expect(j.why!.length, j.id).toBeGreaterThan(0);
        for (const w of j.why!) if (w.until) expect(w.until <= j.start, `${j.id}: ${w.text}`).toBe(true);
      }
    }
  });

  it("gives each build a chain that adds up from now or arrival to its finish", () => {
    const problem = readProblem(workshop({ seed: 9, builds: 4, jobsPerBuild: 15 }));
    const plan = makePlan(problem, { iterations: 5 });
    for (const b of plan.builds) {
      const build = problem.builds.find((x) => x.id === b.id)!;
      const from = [build.arrives, problem.now].sort()[1];
      const minutes = (Date.parse(`${b.finish}Z`) - Date.parse(`${from}Z`)) / 60_000;
      const sum = b.chain!.reduce((n, l) => n + l.minutes, 0);
      // A clock change lies between: an hour more or less of wall time.
      expect(Math.abs(sum - minutes)).toBeLessThanOrEqual(60);
    }
  });

  it("says what a pin that can't be kept runs into", () => {
    const p = workshop({ seed: 12, builds: 1, jobsPerBuild: 6 });
    const last = p.builds[0].jobs.at(-1)!;
    last.pin = { start: p.now };
    last.after = [{ job: p.builds[0].jobs[0].id }];
    const plan = makePlan(readProblem(p), { iterations: 0 });
    expect(plan.pinsBroken).toEqual([{ job: last.id, reason: expect.stringContaining("can't start at the pinned time") }]);
    expect(start(plan, last.id) > p.now).toBe(true);
  });
});
