// Writes a change of options in mid-build: jobs added, dropped, changed; order and covers anew; facts untouched.

import type { OptionKey, Options } from "@/core/library/options";
import type { OptionChange } from "@/core/workshop/builds/change-options";
import type { BuildRow, JobRow } from "@/core/workshop/state/model";
import { type Conn, insert, run } from "../pool";
import { insertCrew, insertJobs, insertLinks, insertPartLines, insertSteps, jobColumns } from "./build-network";

const marks = (n: number) => Array.from({ length: n }, () => "?").join(", ");

/** Deletes rows of jobs in one table. */
async function clear(c: Conn, table: "job_crew" | "job_step" | "job_question", jobs: readonly JobRow[]): Promise<void> {
  if (jobs.length)
    await run(
      c,
      `DELETE FROM ${table} WHERE job_id IN (${marks(jobs.length)})`,
      jobs.map((j) => j.id),
    );
}

/** Sets the columns that a job's library entry fills. */
async function writeJob(c: Conn, j: JobRow): Promise<void> {
  const set = jobColumns(j);
  const keys = Object.keys(set) as (keyof typeof set)[];
  const value = (v: unknown) => (v !== null && typeof v === "object" ? JSON.stringify(v) : (v as string | number | boolean | null));
  await run(c, `UPDATE job SET ${keys.map((k) => `${k} = ?`).join(", ")}, version = version + 1 WHERE id = ?`, [
    ...keys.map((k) => value(set[k])),
    j.id,
  ]);
}

/** Applies what changeOptions worked out, and stores the choices with the build. */
export async function writeOptionChange(
  c: Conn,
  build: BuildRow,
  options: Options,
  openChoices: readonly OptionKey[],
  change: OptionChange,
  suppliers: readonly string[],
): Promise<void> {
  await run(c, "UPDATE build SET options = ?, open_choices = ?, version = version + 1 WHERE id = ?", [
    JSON.stringify(options),
    JSON.stringify(openChoices),
    build.id,
  ]);
  const ids = build.jobs.map((j) => j.id);
  if (ids.length) {
    await run(c, `DELETE FROM job_precedence WHERE job_id IN (${marks(ids.length)})`, ids);
    await run(c, `DELETE FROM job_cover WHERE job_id IN (${marks(ids.length)})`, ids);
  }
  for (const j of change.dropped) await run(c, "DELETE FROM job WHERE id = ?", [j.id]);

  const twins = change.reopened.map((r) => r.again);
  const fresh = [...change.added, ...twins].map((j) => change.jobs.find((x) => x.id === j.id)!);
  await insertJobs(
    c,
    fresh.map((j) => ({ ...j, after: [], covers: [] })),
    suppliers,
  );

  const changed = change.changed.map((x) => x.next);
  const before = new Map(build.jobs.map((j) => [j.id, j]));
  for (const j of changed) await writeJob(c, j);
  await clear(c, "job_crew", changed);
  await clear(c, "job_step", changed);
  await clear(c, "job_question", changed);
  await insertCrew(c, changed);
  await insertSteps(c, changed);
  for (const j of changed) {
    for (const q of j.questions)
      if (q.answeredAt !== null)
        await run(c, "UPDATE job_question SET answered_at = UTC_TIMESTAMP(), answered_by = ? WHERE job_id = ? AND n = ?", [
          q.answeredBy,
          j.id,
          q.n,
        ]);
    await writeParts(c, before.get(j.id)!, j, suppliers);
    await writeShots(c, before.get(j.id)!, j);
  }
  await insertLinks(c, change.jobs);
}

async function writeParts(c: Conn, was: JobRow, j: JobRow, suppliers: readonly string[]): Promise<void> {
  const kept = new Set(j.parts.map((p) => p.id));
  for (const p of was.parts) if (!kept.has(p.id)) await run(c, "DELETE FROM part_line WHERE id = ?", [p.id]);
  const old = new Map(was.parts.map((p) => [p.id, p]));
  for (const p of j.parts) {
    const o = old.get(p.id);
    if (o && o.quantity !== p.quantity)
      await run(c, "UPDATE part_line SET quantity = ?, version = version + 1 WHERE id = ?", [p.quantity, p.id]);
  }
  await insertPartLines(
    c,
    j.parts.filter((p) => !old.has(p.id)),
    suppliers,
  );
}

/** Shots with photos stay; those without make room for the ones now asked. */
async function writeShots(c: Conn, was: JobRow, j: JobRow): Promise<void> {
  const wanted = new Set(j.shots.map((s) => s.text));
  const stay = was.shots.filter((s) => s.photos.length > 0 || wanted.has(s.text));
  for (const s of was.shots) if (!stay.includes(s)) await run(c, "DELETE FROM proof_shot WHERE id = ?", [s.id]);
  const have = new Set(stay.map((s) => s.text));
  let n = Math.max(0, ...was.shots.map((s) => s.n));
  await insert(
    c,
    "proof_shot",
    j.shots
      .filter((s) => !have.has(s.text))
      .map((s) => {
        n++;
        return { id: `${j.id}.shot${n}`, job_id: j.id, n, text: s.text, before_close_up: s.beforeCloseUp };
      }),
  );
}

/** Which open choices each job hangs on now. */
export async function writeUndecided(c: Conn, jobs: readonly { id: string; undecided: readonly OptionKey[] }[]): Promise<void> {
  for (const j of jobs) await run(c, "UPDATE job SET undecided = ? WHERE id = ?", [JSON.stringify(j.undecided), j.id]);
}
