// The workshops that plans are measured on, and the changes of one thing that are replanned there.

import { type Plan, type Problem, plannedMinutes } from "../../core/plan/model";
import { readProblem } from "../../core/plan/read";
import { workshop } from "../../core/plan/testing/workshop";

const date = (now: string, days: number) =>
  new Date(Date.parse(`${now.slice(0, 10)}T00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

/** Changes of one thing, as a workshop knows them; the n-th of its kind, from 0. */
export const CHANGES: [string, (p: Problem, plan: Plan, n: number) => void][] = [
  [
    "a part slips two days",
    (p, plan, n) => {
      const job = nth(p, plan, 0.05 + 0.09 * n, (j) => j.place === "van");
      job.partsFrom = `${date(plan.jobs.find((j) => j.id === job.id)!.start, 2)}T10:00`;
    },
  ],
  [
    "a job takes twice as long",
    (p, plan, n) => {
      const job = nth(p, plan, 0.02 + 0.09 * n, () => true);
      job.minutes = plannedMinutes(job.minutes) * 2;
    },
  ],
  [
    "a fitter is ill for two days",
    (p, _plan, n) => p.fitters[n % p.fitters.length].away!.push([`${date(p.now, 1 + n)}T07:00`, `${date(p.now, 2 + n)}T18:00`]),
  ],
  [
    "a bay is shut for a day",
    (p, _plan, n) => {
      const bay = p.bays[n % p.bays.length];
      bay.closed = [...(bay.closed ?? []), [`${date(p.now, 2 + n)}T07:00`, `${date(p.now, 2 + n)}T18:00`]];
    },
  ],
  ["a day turns wet", (p, _plan, n) => void (p.weather!.days![1 + n].dry = [])],
  ["a new van comes in", another],
];

/** A job still to do, that share of the way through the plan. */
function nth(p: Problem, plan: Plan, share: number, test: (j: Problem["builds"][number]["jobs"][number]) => boolean) {
  const jobs = new Map(p.builds.flatMap((b) => b.jobs.map((j) => [j.id, j] as const)));
  const list = plan.jobs
    .filter((j) => jobs.get(j.id)!.state === "todo" && test(jobs.get(j.id)!))
    .sort((a, b) => a.start.localeCompare(b.start));
  return jobs.get(list[Math.floor(list.length * share)].id)!;
}

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
