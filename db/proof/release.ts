// Who released what can't be undone, and who signed the first piece of a batch.

import { type Conn, run, toSql } from "../pool";

/** Writes the release of a job down, or takes it back. */
export const releaseJob = (c: Conn, jobId: string, release: { by: string; at: number } | null): Promise<unknown> =>
  run(c, "UPDATE job SET released_by = ?, released_at = ? WHERE id = ?", [release?.by ?? null, release ? toSql(release.at) : null, jobId]);

/** Writes down who signed the first piece of a job and what was read off it, or takes that back. */
export const signFirstPiece = (c: Conn, jobId: string, sign: { by: string; at: number; read: string } | null): Promise<unknown> =>
  run(c, "UPDATE job SET first_piece_by = ?, first_piece_at = ?, first_piece_read = ?, version = version + 1 WHERE id = ?", [
    sign?.by ?? null,
    sign ? toSql(sign.at) : null,
    sign?.read ?? null,
    jobId,
  ]);
