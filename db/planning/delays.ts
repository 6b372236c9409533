// Slips of jobs from one published plan to the next.

import type { Pool } from "mysql2/promise";
import type { Delay } from "@/core/workshop/planning/delays";
import { type Conn, rows } from "../pool";

/** By job, of starts put off by so many minutes at least: only of active builds, and only jobs that are not begun. */
export async function loadDelays(c: Conn | Pool, from: number): Promise<Map<string, Delay>> {
  const list = await rows<{ job_id: string; n: number; minutes: number }>(
    c,
    `SELECT job_id, COUNT(*) AS n, CAST(SUM(later) AS SIGNED) AS minutes FROM (
       SELECT x.job_id, TIMESTAMPDIFF(MINUTE, LAG(x.starts) OVER (PARTITION BY x.job_id ORDER BY p.number), x.starts) AS later
       FROM plan_job x JOIN plan p ON p.id = x.plan_id AND p.kind = 'published'
       JOIN job j ON j.id = x.job_id AND j.state = 'todo' JOIN build b ON b.id = j.build_id AND b.state = 'active'
     ) y WHERE later >= ? GROUP BY job_id`,
    [from],
  );
  return new Map(list.map((r) => [r.job_id, { count: Number(r.n), minutes: Number(r.minutes) }]));
}
