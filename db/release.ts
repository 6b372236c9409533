// Who released what can't be undone.

import { type Conn, run, toSql } from "./pool";

/** Writes the release of a job down, or takes it back. */
export const releaseJob = (c: Conn, jobId: string, release: { by: string; at: number } | null): Promise<unknown> =>
  run(c, "UPDATE job SET released_by = ?, released_at = ? WHERE id = ?", [release?.by ?? null, release ? toSql(release.at) : null, jobId]);
