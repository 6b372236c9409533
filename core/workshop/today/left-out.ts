// Steps that were left out today, by whom and why: none passes in silence.

import type { Minute, Zone } from "../../time/zone";
import type { BuildRow, JobRow } from "../state/model";

export interface LeftOut {
  job: Pick<JobRow, "id" | "name">;
  step: string;
  why: string;
  /** Who left it out: the id of a user, as it is kept. */
  by: string | null;
}

/** Steps of a build's jobs that were left out on the day of `now`, in the jobs' order. What others did before the van came is left out. */
export function leftOutToday(build: Pick<BuildRow, "jobs">, now: Minute, zone: Zone): LeftOut[] {
  const today = zone.dayOf(now);
  return build.jobs
    .filter((j) => !j.byOthers)
    .flatMap((job) =>
      job.steps
        .filter((s) => s.waivedWhy !== null && s.doneAt !== null && zone.dayOf(s.doneAt) === today)
        .map((s) => ({ job: { id: job.id, name: job.name }, step: s.text, why: s.waivedWhy!, by: s.doneBy })),
    );
}
