// Time that was booked as lost: absences with a cause.

import type { Pool } from "mysql2/promise";
import type { LostTo } from "@/core/workshop/planning/lost-time";
import { type Conn, insert, rows } from "../pool";

export const addLostTime = (
  c: Conn,
  row: { id: string; fitter: string; starts: string; ends: string; reason: string; cause: LostTo; minutes: number },
) =>
  insert(c, "absence", [
    {
      id: row.id,
      fitter_id: row.fitter,
      starts: row.starts,
      ends: row.ends,
      reason: row.reason,
      lost_to: row.cause,
      lost_minutes: row.minutes,
    },
  ]);

/** Minutes lost since a moment, by cause. */
export async function lostSince(c: Conn | Pool, since: string): Promise<{ cause: LostTo; minutes: number }[]> {
  const list = await rows<{ cause: LostTo; minutes: number }>(
    c,
    `SELECT lost_to AS cause, CAST(SUM(lost_minutes) AS SIGNED) AS minutes FROM absence
     WHERE lost_to IS NOT NULL AND starts >= ? GROUP BY lost_to`,
    [since],
  );
  return list.map((r) => ({ cause: r.cause, minutes: Number(r.minutes) }));
}
