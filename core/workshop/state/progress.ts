// How far a build is: by stage, and in hours of likely work.

import { STAGES } from "../../library/schema";
import type { BuildRow } from "./model";

export interface StageProgress {
  stage: string;
  done: number;
  running: number;
  all: number;
  /** Likely minutes, done and in all. */
  minutesDone: number;
  minutes: number;
}

/** One row a stage that the build has jobs in, in the order of the stages. */
export function stageProgress(b: Pick<BuildRow, "jobs">): StageProgress[] {
  return STAGES.flatMap((stage) => {
    const jobs = b.jobs.filter((j) => j.stage === stage);
    if (!jobs.length) return [];
    const done = jobs.filter((j) => j.state === "done");
    const sum = (list: typeof jobs) => list.reduce((n, j) => n + j.minutes.likely, 0);
    return [
      {
        stage,
        done: done.length,
        running: jobs.filter((j) => j.state === "started" || j.state === "paused").length,
        all: jobs.length,
        minutesDone: sum(done),
        minutes: sum(jobs),
      },
    ];
  });
}
