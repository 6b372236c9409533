// Which jobs cut the body of the van: not every cut does, a worktop is cut too.

import type { JobRow } from "../state/model";

/** Stages that go through skin and floor. */
const THROUGH: ReadonlySet<string> = new Set(["openings", "services"]);

export type CutJob = Pick<JobRow, "irreversible" | "place" | "stage">;

export const cutsBody = (job: CutJob): boolean => job.irreversible === "cut" && job.place === "van" && THROUGH.has(job.stage);
