// A job that a part was split off, or that got it back.

import type { JobRow } from "@/core/workshop/state/model";
import { type Conn, run } from "../pool";

/** What its locked sheets said is in the shares from then on: opening one of them again gives nothing back. */
export async function setShare(c: Conn, j: Pick<JobRow, "id" | "minutes" | "zones">): Promise<number> {
  const set = await run(
    c,
    `UPDATE job SET best_minutes = ?, likely_minutes = ?, worst_minutes = ?, zones = ?,
       own_best = NULL, own_likely = NULL, own_worst = NULL, own_hold = NULL, version = version + 1 WHERE id = ? AND state = 'todo'`,
    [j.minutes.best, j.minutes.likely, j.minutes.worst, JSON.stringify(j.zones), j.id],
  );
  if (set) await run(c, "UPDATE setout_sheet SET takes = NULL WHERE job_id = ?", [j.id]);
  return set;
}
