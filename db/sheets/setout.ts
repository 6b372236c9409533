// Set-out sheets of builds and their versions; what a locked sheet changes in its job.

import type { Pool } from "mysql2/promise";
import type { SheetRow } from "@/core/workshop/state/model";
import { type Conn, fromSql, fromSqlOrNull, insert, rows, run, toSql } from "../pool";

type Raw = Record<string, string | number | null>;

const sheetOf = (r: Raw): SheetRow => ({
  id: r.id as string,
  buildId: r.build_id as string,
  jobId: r.job_id as string | null,
  calculator: r.calculator as SheetRow["calculator"],
  draft: JSON.parse(r.draft as string),
  input: JSON.parse(r.input as string),
  basis: JSON.parse(r.basis as string),
  worst: r.worst as SheetRow["worst"],
  massKg: r.mass_kg as number | null,
  savedBy: r.saved_by as string,
  savedAt: fromSql(r.saved_at as string),
  second: r.second === null ? null : JSON.parse(r.second as string),
  secondBy: r.second_by as string | null,
  lockedAt: fromSqlOrNull(r.locked_at as string | null),
  takes: r.takes === null ? null : JSON.parse(r.takes as string),
  version: r.version as number,
});

/** Sheets of all active builds. */
export async function loadSheets(c: Conn | Pool): Promise<SheetRow[]> {
  return (
    await rows<Raw>(
      c,
      "SELECT x.* FROM setout_sheet x JOIN build b ON b.id = x.build_id AND b.state = 'active' ORDER BY x.calculator, x.id",
    )
  ).map(sheetOf);
}

export async function findSheet(c: Conn, id: string): Promise<SheetRow | undefined> {
  const [r] = await rows<Raw>(c, "SELECT * FROM setout_sheet WHERE id = ? FOR UPDATE", [id]);
  return r && sheetOf(r);
}

export interface SheetInput {
  id: string;
  buildId: string;
  jobId: string | null;
  calculator: string;
  draft: unknown;
  input: unknown;
  basis: unknown;
  worst: SheetRow["worst"];
  massKg: number | null;
  by: string;
  at: number;
}

/** Puts a sheet in, or writes it anew as its next version; what was measured a second time before counts no more. */
export async function writeSheet(c: Conn, s: SheetInput, version: number | null): Promise<void> {
  const columns = {
    draft: JSON.stringify(s.draft),
    input: JSON.stringify(s.input),
    basis: JSON.stringify(s.basis),
    worst: s.worst,
    mass_kg: s.massKg,
    saved_by: s.by,
    saved_at: toSql(s.at),
  };
  if (version === null)
    await insert(c, "setout_sheet", [{ id: s.id, build_id: s.buildId, job_id: s.jobId, calculator: s.calculator, ...columns }]);
  else
    await run(
      c,
      `UPDATE setout_sheet SET ${Object.keys(columns)
        .map((k) => `${k} = ?`)
        .join(", ")}, second = NULL, second_by = NULL, second_at = NULL, version = version + 1 WHERE id = ?`,
      [...Object.values(columns), s.id],
    );
  await insert(c, "setout_input", [{ sheet_id: s.id, n: (version ?? 0) + 1, input: s.input, saved_by: s.by, saved_at: toSql(s.at) }]);
}

/** Keeps the second measuring; `locks` when it agrees. */
export const writeSecond = (c: Conn, id: string, second: Record<string, number>, by: string, at: number, locks: boolean): Promise<number> =>
  run(c, "UPDATE setout_sheet SET second = ?, second_by = ?, second_at = ?, locked_at = ?, version = version + 1 WHERE id = ?", [
    JSON.stringify(second),
    by,
    toSql(at),
    locks ? toSql(at) : null,
    id,
  ]);

export const unlockSheet = (c: Conn, id: string): Promise<number> =>
  run(c, "UPDATE setout_sheet SET locked_at = NULL, version = version + 1 WHERE id = ?", [id]);

export const deleteSheet = (c: Conn, id: string): Promise<number> => run(c, "DELETE FROM setout_sheet WHERE id = ?", [id]);

export interface SheetVersion {
  n: number;
  by: string;
  at: number;
  input: unknown;
}

/** Every input a sheet has had, newest first, with who and when. */
export async function sheetVersions(c: Conn | Pool, id: string): Promise<SheetVersion[]> {
  const list = await rows<Raw>(
    c,
    "SELECT i.n, i.input, i.saved_at, u.name FROM setout_input i LEFT JOIN user u ON u.id = i.saved_by WHERE i.sheet_id = ? ORDER BY i.n DESC",
    [id],
  );
  return list.map((r) => ({
    n: r.n as number,
    by: (r.name as string) ?? "somebody",
    at: fromSql(r.saved_at as string),
    input: JSON.parse(r.input as string),
  }));
}
