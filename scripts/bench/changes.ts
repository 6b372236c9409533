// The workshops that plans are measured on, and a change that is replanned there.

import type { Plan, Problem } from "../../core/plan/model";
import { readProblem } from "../../core/plan/read";
import { workshop } from "../../core/plan/testing/workshop";

const date = (now: string, days: number) =>
  new Date(Date.parse(`${now.slice(0, 10)}T00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

export const published = (p: Problem, plan: Plan): Problem => ({
  ...structuredClone(p),
  published: { ...plan, jobs: plan.jobs.map(({ why: _why, ...j }) => j), stays: [], builds: [], unplaced: [], pinsBroken: [] },
});

/** A van that nobody knew of comes in next week or later, with the work of one of the others. */
export function another(p: Problem, _plan: Plan, n: number): void {
  const model = p.builds[p.builds.length - 1 - (n % p.builds.length)];
  const own = new Set(model.jobs.map((j) => j.id));
  const id = (x: string) => x.replace(`${model.id}.`, "new.");
  p.builds.push({
    ...structuredClone(model),
    id: "new",
    name: "New build",
    at: undefined,
    arrives: `${date(p.now, 7 + 2 * n)}T08:00`,
    due: `${date(p.now, 70 + 2 * n)}T17:00`,
    jobs: model.jobs.map((j) => ({
      ...structuredClone(j),
      id: id(j.id),
      covers: j.covers?.map(id),
      after: j.after?.filter((a) => own.has(a.job)).map((a) => ({ ...a, job: id(a.job) })),
      pin: undefined,
      state: "todo" as const,
    })),
  });
}

export interface Workshop {
  name: string;
  builds: number;
  jobsPerBuild: number;
  calm: boolean;
}

export const problemOf = (s: Workshop): Problem =>
  readProblem(
    workshop({
      seed: 11,
      builds: s.builds,
      jobsPerBuild: s.jobsPerBuild,
      calm: s.calm,
      fitters: Math.max(4, Math.round(s.builds * 0.65)),
      bays: Math.max(2, Math.round(s.builds * 0.4)),
    }),
  );
