// What a job is pinned to.

import { type Conn, run } from "../pool";

/** Sets them as a whole. */
export async function setPinFitters(c: Conn, job: string, fitters: readonly string[]): Promise<void> {
  await run(c, "DELETE FROM job_pin_fitter WHERE job_id = ?", [job]);
  for (const f of fitters) await run(c, "INSERT INTO job_pin_fitter (job_id, fitter_id) VALUES (?, ?)", [job, f]);
}

/** Pins the start of a job that is not begun, or sets it free; who and where stay as they are. */
export const setPinStart = (c: Conn, job: string, start: string | null): Promise<number> =>
  run(c, "UPDATE job SET pin_start = ?, version = version + 1 WHERE id = ? AND state = 'todo'", [start, job]);
