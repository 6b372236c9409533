// What the papers of a build change beside themselves: jobs that others had done.

import { type Conn, run, toSql } from "../pool";

export async function deleteRecord(c: Conn, id: string): Promise<void> {
  await run(c, "DELETE FROM record WHERE id = ?", [id]);
}

/** Done before the van came: no minutes of ours, its open steps left out with whose they were. */
export async function setByOthers(c: Conn, id: string, who: string, at: number, said: { by: string; at: number }): Promise<void> {
  await run(
    c,
    "UPDATE job SET state = 'done', started_at = ?, ended_at = ?, worked_minutes = 0, by_others = ?, version = version + 1 WHERE id = ?",
    [toSql(at), toSql(at), who, id],
  );
  await run(c, "UPDATE job_step SET done_at = ?, done_by = ?, waived_why = ? WHERE job_id = ? AND done_at IS NULL", [
    toSql(said.at),
    said.by,
    `done by ${who} before the van came`.slice(0, 300),
    id,
  ]);
}

export async function setOurs(c: Conn, id: string): Promise<void> {
  await run(c, "UPDATE job SET state = 'todo', started_at = NULL, ended_at = NULL, by_others = NULL, version = version + 1 WHERE id = ?", [
    id,
  ]);
  await run(c, "UPDATE job_step SET done_at = NULL, done_by = NULL, waived_why = NULL WHERE job_id = ?", [id]);
}
