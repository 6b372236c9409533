// What the bench does to a job: begin, stop, go back, tick, answer, say that something is wrong, leave something behind.

import { type Conn, insert, rows, run, toSql } from "../pool";

/** Under way from a minute on, at a place; when it first began stays. */
export const beginJob = (c: Conn, id: string, at: number, place: string): Promise<number> =>
  run(
    c,
    "UPDATE job SET state = 'started', started_at = COALESCE(started_at, ?), running_since = ?, actual_place = ?, version = version + 1 WHERE id = ?",
    [toSql(at), toSql(at), place, id],
  );

/** Paused, or done at a minute, after so many minutes of work. */
export const stopJob = (c: Conn, id: string, to: "paused" | "done", worked: number, at: number): Promise<number> =>
  run(c, "UPDATE job SET state = ?, running_since = NULL, worked_minutes = ?, ended_at = ?, version = version + 1 WHERE id = ?", [
    to,
    worked,
    to === "done" ? toSql(at) : null,
    id,
  ]);

export const reopenJob = (c: Conn, id: string): Promise<number> =>
  run(c, "UPDATE job SET state = 'paused', ended_at = NULL, version = version + 1 WHERE id = ?", [id]);

/** As if nobody had begun it: nobody is on it any more. */
export async function unbeginJob(c: Conn, id: string): Promise<void> {
  await run(
    c,
    "UPDATE job SET state = 'todo', started_at = NULL, running_since = NULL, actual_place = NULL, version = version + 1 WHERE id = ?",
    [id],
  );
  await run(c, "DELETE FROM job_fitter WHERE job_id = ?", [id]);
}

export const setPieces = (c: Conn, id: string, done: number): Promise<number> =>
  run(c, "UPDATE job SET pieces_done = ?, version = version + 1 WHERE id = ?", [done, id]);

/** A step done by somebody, or open again. */
export const tickStep = (c: Conn, job: string, n: number, done: { by: string; at: number } | null): Promise<number> =>
  run(c, "UPDATE job_step SET done_at = ?, done_by = ? WHERE job_id = ? AND n = ?", [done && toSql(done.at), done?.by ?? null, job, n]);

/** A step that somebody leaves out, and why. */
export const waiveStep = (c: Conn, job: string, n: number, by: string, at: number, why: string): Promise<number> =>
  run(c, "UPDATE job_step SET done_at = ?, done_by = ?, waived_why = ? WHERE job_id = ? AND n = ?", [
    toSql(at),
    by,
    why.slice(0, 300),
    job,
    n,
  ]);

/** A question answered by somebody, or open; and who is not sure of it. */
export const answerQuestion = (
  c: Conn,
  job: string,
  n: number,
  answered: { by: string; at: number } | null,
  unsureBy: string | null,
): Promise<number> =>
  run(c, "UPDATE job_question SET answered_at = ?, answered_by = ?, unsure_by = ? WHERE job_id = ? AND n = ?", [
    answered && toSql(answered.at),
    answered?.by ?? null,
    unsureBy,
    job,
    n,
  ]);

export interface NewRemark {
  id: string;
  jobId: string;
  kind: string;
  text: string;
  stopsWork: boolean;
  by: string;
  at: number;
}

export const addRemark = (c: Conn, r: NewRemark): Promise<void> =>
  insert(c, "remark", [
    { id: r.id, job_id: r.jobId, kind: r.kind, text: r.text, stops_work: r.stopsWork, said_by: r.by, said_at: toSql(r.at) },
  ]);

/** Whether it was open until now. */
export const settleRemark = async (c: Conn, id: string, by: string, at: number): Promise<boolean> =>
  (await run(c, "UPDATE remark SET settled_at = ?, settled_by = ? WHERE id = ? AND settled_at IS NULL", [toSql(at), by, id])) > 0;

export interface NewRemainder {
  id: string;
  jobId: string;
  text: string;
  before: string | null;
  owner: string | null;
  by: string;
  at: number;
}

export const addRemainder = (c: Conn, r: NewRemainder): Promise<void> =>
  insert(c, "remainder", [
    {
      id: r.id,
      job_id: r.jobId,
      text: r.text.slice(0, 300),
      before_job_id: r.before,
      owner_id: r.owner,
      said_by: r.by,
      said_at: toSql(r.at),
    },
  ]);

/** Whether it was open until now. */
export const closeRemainder = async (c: Conn, id: string, by: string, at: number): Promise<boolean> =>
  (await run(c, "UPDATE remainder SET closed_at = ?, closed_by = ? WHERE id = ? AND closed_at IS NULL", [toSql(at), by, id])) > 0;

export const isOnJob = async (c: Conn, job: string, fitter: string): Promise<boolean> =>
  (await rows(c, "SELECT 1 FROM job_fitter WHERE job_id = ? AND fitter_id = ?", [job, fitter])).length > 0;

/** A job under way with a fitter; undefined where there is none. */
export async function underWayWith(c: Conn, fitter: string): Promise<string | undefined> {
  const [j] = await rows<{ name: string }>(
    c,
    "SELECT j.name FROM job_fitter f JOIN job j ON j.id = f.job_id WHERE f.fitter_id = ? AND f.freed_at IS NULL AND j.state = 'started'",
    [fitter],
  );
  return j?.name;
}
