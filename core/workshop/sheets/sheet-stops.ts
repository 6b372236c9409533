// A set-out sheet kept with a job that says stop keeps the job from being begun.

import { findCalculator } from "../../setout/calculators";
import { calculators } from "../../setout/names";
import type { BuildRow, JobRow } from "../state/model";

/**
 * Sheets of places, sizes and products, and the dew point, which holds until a new measurement says otherwise. Go or no-go and cure
 * are left out: they are calculated again at each look.
 */
const HOLDS = calculators(
  "bed-across",
  "board-match",
  "bolt-pattern",
  "corners",
  "dew-point",
  "edge-support",
  "flange-screw",
  "hole-range",
  "in-line",
  "inlet",
  "land-product",
  "opening",
  "roof-plan",
  "set-unit",
  "solar-feet",
  "support-frame",
  "swivel",
  "under-floor",
  "unit-run",
);

export const sheetStops = (build: Pick<BuildRow, "sheets">, job: Pick<JobRow, "id">): string[] =>
  build.sheets
    .filter((s) => s.jobId === job.id && s.worst === "stop" && HOLDS.has(s.calculator))
    .map((s) => `its set-out "${findCalculator(s.calculator)?.title ?? s.calculator}" says stop`);
