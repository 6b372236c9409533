// Who is on a job, and who for a part of it only. `running` marks those at work right now: nobody can be at two jobs.

import { type Conn, insert, run } from "../pool";

/** Puts the people of a job down anew as it is begun or gone on with; who was let go before stays so, unless named again. */
export async function setCrew(c: Conn, job: string, crew: readonly string[], helper: string | null): Promise<void> {
  await run(c, "DELETE FROM job_fitter WHERE job_id = ? AND freed_at IS NULL", [job]);
  for (const f of crew) await run(c, "DELETE FROM job_fitter WHERE job_id = ? AND fitter_id = ?", [job, f]);
  await insert(
    c,
    "job_fitter",
    crew.map((fitter_id) => ({ job_id: job, fitter_id, helper: fitter_id === helper ? 1 : 0, running: 1 })),
  );
}

/** They come to help; whoever was let go before is no longer taken to be all the help there was. */
export async function joinJob(c: Conn, job: string, fitter: string): Promise<void> {
  await run(c, "DELETE FROM job_fitter WHERE job_id = ? AND helper = 1 AND freed_at IS NOT NULL", [job]);
  await insert(c, "job_fitter", [{ job_id: job, fitter_id: fitter, helper: 1, running: 1 }]);
}

/** As if they had not come. */
export const takeBackHelp = (c: Conn, job: string, fitter: string): Promise<number> =>
  run(c, "DELETE FROM job_fitter WHERE job_id = ? AND fitter_id = ? AND helper = 1 AND freed_at IS NULL", [job, fitter]);

/** Whoever edits the job meanwhile is told that it is another now. */
export const helpChanged = (c: Conn, job: string): Promise<number> => run(c, "UPDATE job SET version = version + 1 WHERE id = ?", [job]);

/** Nobody works on it any more: it is paused or done. */
export const stopCrew = (c: Conn, job: string): Promise<number> => run(c, "UPDATE job_fitter SET running = NULL WHERE job_id = ?", [job]);

/** They are free again. */
export const freeFromJob = (c: Conn, job: string, fitter: string, at: string): Promise<number> =>
  run(c, "UPDATE job_fitter SET freed_at = ?, running = NULL WHERE job_id = ? AND fitter_id = ? AND helper = 1 AND freed_at IS NULL", [
    at,
    job,
    fitter,
  ]);
