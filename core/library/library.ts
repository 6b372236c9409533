// The job library, read and validated once from its data files.

import { type Fault, InputError, reader } from "../plan/fault";
import { type LibraryJob, type Stage, type StageFile, stageSchema } from "./schema";
import framing from "./stages/framing.json";
import furniture from "./stages/furniture.json";
import insulation from "./stages/insulation.json";
import openings from "./stages/openings.json";
import panels from "./stages/panels.json";
import services from "./stages/services.json";
import strip from "./stages/strip.json";

export interface Entry extends LibraryJob {
  stage: Stage;
}

/** First-fix services are worked among the framing, so their file is framing; by what they are they stay services. */
const STAGE_OF: Record<string, Stage> = {
  ST: "strip",
  OP: "openings",
  IN: "insulation",
  FR: "framing",
  PA: "panels",
  FU: "furniture",
  SV: "services",
};

const readStage = reader<StageFile>(stageSchema);

/** All jobs in stage order. Throws InputError when a file or a reference in it is wrong. */
export function readLibrary(files: readonly unknown[]): Entry[] {
  const jobs = files.map(readStage).flatMap((f) => f.jobs.map((j) => ({ ...j, stage: STAGE_OF[j.code.slice(0, 2)] ?? f.stage })));
  const codes = new Set<string>();
  const faults: Fault[] = [];
  for (const j of jobs) {
    if (codes.has(j.code)) faults.push({ path: j.code, message: "stands twice" });
    codes.add(j.code);
  }
  for (const j of jobs) {
    const named = [...j.after.map((a) => a.job), ...(j.covers ?? []), ...Object.values(j.coversBySchool ?? {}).flat()];
    for (const n of named) if (!codes.has(n)) faults.push({ path: j.code, message: `names ${n}, which is no job` });
    const { best, likely, worst } = j.minutes;
    if (best > likely || likely > worst) faults.push({ path: `${j.code}.minutes`, message: "best, likely, worst do not rise" });
  }
  const byCode = new Map(jobs.map((j) => [j.code, j]));
  for (const j of jobs)
    for (const n of j.covers ?? [])
      if (!byCode.get(n)?.proof?.some((p) => p.beforeCloseUp))
        faults.push({ path: `${j.code}.covers`, message: `covers ${n}, which has no photo to be taken before` });
  if (faults.length) throw new InputError(faults);
  return jobs;
}

export const library: readonly Entry[] = readLibrary([strip, openings, insulation, framing, panels, furniture, services]);
