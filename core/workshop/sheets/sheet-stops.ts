// A set-out sheet kept with a job that says stop keeps the job from being begun.

import { findCalculator, titleOf } from "../../setout/calculators";
import type { BuildRow, JobRow } from "../state/model";

/**
 * Sheets that hold are those of places, sizes and products, and the dew point, which holds until a new measurement says otherwise; go or
 * no-go and cure don't: they are calculated again at each look.
 */
export const sheetStops = (build: Pick<BuildRow, "sheets">, job: Pick<JobRow, "id">): string[] =>
  build.sheets
    .filter((s) => s.jobId === job.id && s.worst === "stop" && findCalculator(s.calculator)?.holds)
    .map((s) => `its set-out "${titleOf(s.calculator)}" says stop`);
