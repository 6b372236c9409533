// Stretches of time in which somebody is away, or a bay is closed or heated.

import { type Conn, insert, rows, run } from "../pool";

export type SpanTable = "absence" | "bay_closure" | "bay_heat";

const OWNER = { absence: "fitter", bay_closure: "bay", bay_heat: "bay" } as const;
export const ownerOf = (table: SpanTable): "fitter" | "bay" => OWNER[table];

/** Name of whose stretch it is; undefined: not known. For heat also what the bay may be heated to. */
export async function spanOwner(c: Conn, table: SpanTable, id: string): Promise<{ name: string; heatTempC: number | null } | undefined> {
  const heat = OWNER[table] === "bay" ? "heat_temp_c" : "NULL";
  const [row] = await rows<{ name: string; heat: number | null }>(c, `SELECT name, ${heat} AS heat FROM ${OWNER[table]} WHERE id = ?`, [
    id,
  ]);
  return row && { name: row.name, heatTempC: row.heat };
}

export const addSpanRow = (c: Conn, table: SpanTable, row: { id: string; owner: string; starts: string; ends: string; reason: string }) =>
  insert(c, table, [{ id: row.id, [`${OWNER[table]}_id`]: row.owner, starts: row.starts, ends: row.ends, reason: row.reason }]);

/** The row, locked until the transaction ends. */
export async function lockSpan(c: Conn, table: SpanTable, id: string): Promise<{ starts: string; ends: string } | undefined> {
  const [row] = await rows<{ starts: string; ends: string }>(c, `SELECT starts, ends FROM ${table} WHERE id = ? FOR UPDATE`, [id]);
  return row;
}

export const moveSpan = (c: Conn, table: SpanTable, id: string, starts: string, ends: string, reason: string): Promise<number> =>
  run(c, `UPDATE ${table} SET starts = ?, ends = ?, reason = ? WHERE id = ?`, [starts, ends, reason, id]);

/** Also a special day of a calendar: gone, or it was gone already (0). */
export const dropRow = (c: Conn, table: SpanTable | "calendar_day", id: string): Promise<number> =>
  run(c, `DELETE FROM ${table} WHERE id = ?`, [id]);
