// Turns the outcome of an optimistic edit into what the page is told.

import { edit } from "@/db/edit";
import type { Conn } from "@/db/pool";
import { Refusal, Stale } from "./refusal";

type Value = string | number | boolean | null;

/**
 * Edits a row or refuses: 404 when it is gone, 409 with both values when somebody else was faster.
 * `fields` maps form fields to columns with their stored value; `show` turns a stored value back
 * into what the form shows.
 */
export async function editRow(
  c: Conn,
  table: string,
  what: string,
  id: string,
  version: number,
  fields: Record<string, { column: string; value: Value; mine?: unknown; show?: (v: Value) => unknown }>,
): Promise<void> {
  const set = Object.fromEntries(Object.values(fields).map((f) => [f.column, f.value]));
  const result = await edit(c, table, id, version, set);
  if (result === undefined) return;
  if (result === null) throw new Refusal(404, `${what} is not there any more.`);
  const mine: Record<string, unknown> = {};
  const theirs: Record<string, unknown> = {};
  for (const [name, f] of Object.entries(fields)) {
    const show = f.show ?? ((v: Value) => v);
    const now = show(result.current[f.column]);
    const my = f.mine ?? show(f.value);
    if (JSON.stringify(now) === JSON.stringify(my)) continue;
    mine[name] = my;
    theirs[name] = now;
  }
  throw new Stale(what, mine, theirs, result.version);
}

/** The columns of a row as fields of the form that it came from. */
export const byField = (row: Record<string, Value>): Record<string, { column: string; value: Value }> =>
  Object.fromEntries(
    Object.entries(row).map(([column, value]) => [column.replace(/_(.)/g, (_m, l: string) => l.toUpperCase()), { column, value }]),
  );
