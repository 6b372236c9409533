// What locked sheets bring to their jobs in the database: minutes, hold, part lines. Each can be taken back.

import { holdWith, type Minutes, minutesWith, sameMaterial, type Takes } from "@/core/workshop/sheets/sheet-takes";
import { type Conn, insert, rows, run } from "../pool";

interface Line {
  id: string;
  name: string;
  unit: string;
  quantity: number;
  own_quantity: number | null;
  state: string;
  setout_sheet_id: string | null;
}

/** A part that a sheet asks for. */
export interface Asked {
  name: string;
  quantity: number;
  unit: string;
}

const linesOf = (c: Conn, jobId: string): Promise<Line[]> =>
  rows<Line>(c, "SELECT id, name, unit, quantity, own_quantity, state, setout_sheet_id FROM part_line WHERE job_id = ? ORDER BY id", [
    jobId,
  ]);

/** Brings what a locked sheet says to its job, in place of what it said before. Only of a job that is not begun. */
export async function bringSheet(c: Conn, sheetId: string, jobId: string, takes: Takes | null, parts: readonly Asked[], supplier: string) {
  await run(c, "UPDATE setout_sheet SET takes = ? WHERE id = ?", [takes && JSON.stringify(takes), sheetId]);
  await ruleLines(c, sheetId, jobId, parts, supplier);
  await settleJob(c, jobId);
}

/** Takes all of it back: the job has its own minutes, hold and quantities again. What is ordered by then stays ordered. */
export async function liftSheet(c: Conn, sheetId: string, jobId: string): Promise<void> {
  await run(c, "UPDATE setout_sheet SET takes = NULL WHERE id = ?", [sheetId]);
  await giveBack(
    c,
    (await linesOf(c, jobId)).filter((l) => l.setout_sheet_id === sheetId),
  );
  await settleJob(c, jobId);
}

/** Lines that nobody has ordered go back to what the library asked for; those that only the sheet asked for go. */
async function giveBack(c: Conn, lines: readonly Line[]): Promise<void> {
  for (const l of lines) {
    if (l.state !== "needed") continue;
    if (l.own_quantity === null) await run(c, "DELETE FROM part_line WHERE id = ?", [l.id]);
    else
      await run(
        c,
        "UPDATE part_line SET quantity = own_quantity, own_quantity = NULL, setout_sheet_id = NULL, version = version + 1 WHERE id = ?",
        [l.id],
      );
  }
}

/**
 * A sheet's figure rules the line of the same material, wherever it came from; of what is ordered already only the difference is
 * asked for. A material that the job has no line of gets one.
 */
async function ruleLines(c: Conn, sheetId: string, jobId: string, parts: readonly Asked[], supplier: string): Promise<void> {
  const lines = await linesOf(c, jobId);
  const ruled = new Set<string>();
  for (const [i, p] of parts.entries()) {
    const same = lines.filter((l) => sameMaterial(l, p) && (l.setout_sheet_id === null || l.setout_sheet_id === sheetId));
    const out = same.filter((l) => l.state !== "needed");
    for (const l of out) ruled.add(l.id);
    const rest = p.quantity - out.reduce((sum, l) => sum + l.quantity, 0);
    const open = same.find((l) => l.state === "needed");
    if (rest <= 0) continue;
    if (open) {
      ruled.add(open.id);
      if (open.quantity === rest && open.setout_sheet_id === sheetId) continue;
      await run(
        c,
        "UPDATE part_line SET own_quantity = IF(setout_sheet_id IS NULL, quantity, own_quantity), quantity = ?, setout_sheet_id = ?, version = version + 1 WHERE id = ?",
        [rest, sheetId, open.id],
      );
    } else
      await insert(c, "part_line", [
        {
          id: `${jobId}.so${sheetId.slice(-6)}${i}`.slice(0, 100),
          job_id: jobId,
          name: p.name.slice(0, 160),
          quantity: rest,
          unit: p.unit,
          supplier_id: supplier,
          setout_sheet_id: sheetId,
        },
      ]);
  }
  await giveBack(
    c,
    lines.filter((l) => l.setout_sheet_id === sheetId && !ruled.has(l.id)),
  );
}

interface JobMinutes {
  state: string;
  best_minutes: number;
  likely_minutes: number;
  worst_minutes: number;
  hold_minutes: number;
  own_best: number | null;
  own_likely: number;
  own_worst: number;
  own_hold: number;
}

/** Recalculates a job's minutes and hold from its own and from what its locked sheets say. Only for a job that is not begun. */
export async function settleJob(c: Conn, jobId: string): Promise<void> {
  const [j] = await rows<JobMinutes>(
    c,
    `SELECT state, best_minutes, likely_minutes, worst_minutes, hold_minutes, own_best, own_likely, own_worst, own_hold
     FROM job WHERE id = ? FOR UPDATE`,
    [jobId],
  );
  if (j?.state !== "todo") return;
  const takes = (
    await rows<{ takes: string }>(c, "SELECT takes FROM setout_sheet WHERE job_id = ? AND locked_at IS NOT NULL AND takes IS NOT NULL", [
      jobId,
    ])
  ).map((r) => JSON.parse(r.takes) as Takes);
  const ruled = j.own_best !== null;
  if (!takes.length && !ruled) return;
  const own: Minutes = ruled
    ? { best: j.own_best!, likely: j.own_likely, worst: j.own_worst }
    : { best: j.best_minutes, likely: j.likely_minutes, worst: j.worst_minutes };
  const ownHold = ruled ? j.own_hold : j.hold_minutes;
  const now = takes.length ? minutesWith(own, takes) : own;
  const kept = takes.length ? [own.best, own.likely, own.worst, ownHold] : [null, null, null, null];
  await run(
    c,
    `UPDATE job SET best_minutes = ?, likely_minutes = ?, worst_minutes = ?, hold_minutes = ?,
       own_best = ?, own_likely = ?, own_worst = ?, own_hold = ?, version = version + 1 WHERE id = ?`,
    [now.best, now.likely, now.worst, holdWith(ownHold, takes), ...kept, jobId],
  );
}

/** The job's own minutes become others; its sheets speak on top of them as before. Only of a job that is not begun. */
export async function setOwnMinutes(c: Conn, jobId: string, m: Minutes): Promise<void> {
  await run(
    c,
    `UPDATE job SET hold_minutes = COALESCE(own_hold, hold_minutes), best_minutes = ?, likely_minutes = ?, worst_minutes = ?,
       own_best = NULL, own_likely = NULL, own_worst = NULL, own_hold = NULL, version = version + 1 WHERE id = ? AND state = 'todo'`,
    [m.best, m.likely, m.worst, jobId],
  );
  await settleJob(c, jobId);
}
