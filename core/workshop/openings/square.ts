// An opening whose set-out is kept is cut once its outline was read for square.

import type { BuildRow, JobRow } from "../state/model";

/** A cut whose kept sheet has no diagonals, and was not measured twice, waits for them. */
export const squareBefore = (build: Pick<BuildRow, "sheets">, job: Pick<JobRow, "id" | "irreversible">): string[] =>
  job.irreversible === "cut" &&
  build.sheets.some(
    (s) => s.calculator === "opening" && s.jobId === job.id && s.lockedAt === null && s.input.measuredDiagonals === undefined,
  )
    ? ["the diagonals of its outline are not read: measure both, and the sides, once it is marked"]
    : [];
