// Optimistic edits: a row is changed only if it is still the version the editor saw.

import { type Conn, rows, run } from "./pool";

type Value = string | number | boolean | null;

const TABLES = new Set([
  "workshop",
  "calendar",
  "bay",
  "fitter",
  "supplier",
  "build",
  "job",
  "part_line",
  "proof_shot",
  "user",
  "record",
  "tool",
  "template",
]);

/**
 * Sets columns of one row and raises its version. Returns undefined when done, else the values that
 * stand there now (the row was changed by somebody else), or null when there is no such row.
 */
export async function edit(
  c: Conn,
  table: string,
  id: string,
  version: number,
  set: Record<string, Value>,
): Promise<undefined | null | { current: Record<string, Value>; version: number }> {
  if (!TABLES.has(table)) throw new Error(`no edits of ${table}`);
  const columns = Object.keys(set);
  const sql = `UPDATE ${table} SET ${[...columns.map((k) => `${k} = ?`), "version = version + 1"].join(", ")} WHERE id = ? AND version = ?`;
  if ((await run(c, sql, [...columns.map((k) => set[k]), id, version])) === 1) return undefined;
  const [row] = await rows<Record<string, Value>>(c, `SELECT * FROM ${table} WHERE id = ?`, [id]);
  if (!row) return null;
  return { current: Object.fromEntries(columns.map((k) => [k, row[k]])), version: row.version as number };
}
