// Where a proof shot and a job's proof stand.

import type { JobRow, PhotoRow, ShotRow } from "../state/model";

export type ShotState = "missing" | "waiting" | "again" | "approved";

/** A shot is approved when any of its photos is; else the newest photo decides. */
export function shotState(shot: Pick<ShotRow, "photos">): ShotState {
  if (shot.photos.some((p) => p.verdict === "approved")) return "approved";
  const last: PhotoRow | undefined = shot.photos.at(-1);
  if (!last) return "missing";
  return last.verdict === "again" ? "again" : "waiting";
}

/** What others had done before the van came is theirs to prove. */
type WithProof = Pick<JobRow, "shots"> & Partial<Pick<JobRow, "byOthers">>;

/** Proof that a close-up waits for: undefined when none is asked, else whether every required shot is approved. */
export function proofApproved(job: WithProof): boolean | undefined {
  if (job.byOthers) return undefined;
  const asked = job.shots.filter((s) => s.beforeCloseUp);
  return asked.length ? asked.every((s) => shotState(s) === "approved") : undefined;
}

/** Required shots that are not approved yet. */
export const openShots = (job: WithProof): ShotRow[] =>
  job.byOthers ? [] : job.shots.filter((s) => s.beforeCloseUp && shotState(s) !== "approved");
