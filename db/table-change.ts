// Notes with every change which tables it wrote to.

import type { Pool, RowDataPacket } from "mysql2/promise";
import type { Conn } from "./pool";
import { EVERY_TABLE, tablesWritten } from "./tables-of";

interface Written {
  tables: Set<string>;
  /** Those from which rows were deleted: rows of others may have gone with them. */
  deleted: Set<string>;
}

const written = new WeakMap<object, Written>();

/** A transaction begins on this connection. */
export const nothingWritten = (c: Conn): void => void written.delete(c);

/** Notes what a statement writes; whether that is any of the workshop's state. */
export function noteWritten(c: Conn | Pool, sql: string): boolean {
  const { tables, deletes } = tablesWritten(sql);
  if (!tables.length) return false;
  let w = written.get(c);
  if (!w) written.set(c, (w = { tables: new Set(), deleted: new Set() }));
  for (const t of tables) {
    w.tables.add(t);
    if (deletes) w.deleted.add(t);
  }
  return true;
}

/** Writes the note, as the last thing of a change: it becomes true with the change itself. */
export async function noteTables(c: Conn): Promise<void> {
  const w = written.get(c);
  if (!w) return;
  const tables = w.deleted.size ? withFollowers(w, await followers(c)) : w.tables;
  const list = tables.has(EVERY_TABLE) ? [EVERY_TABLE] : [...tables];
  const acts = "(SELECT COALESCE(MAX(acts), 0) FROM workshop)";
  await c.query(
    `INSERT INTO table_change (name, acts) VALUES ${list.map(() => `(?, ${acts})`).join(", ")} ON DUPLICATE KEY UPDATE acts = VALUES(acts)`,
    list,
  );
}

const shared = globalThis as { wideLaneFollowers?: Promise<ReadonlyMap<string, readonly string[]>> };

/** For each table those whose rows are deleted or emptied by the database itself when a row of it goes. */
function followers(c: Conn): Promise<ReadonlyMap<string, readonly string[]>> {
  const reading = (shared.wideLaneFollowers ??= readFollowers(c));
  reading.catch(() => {
    shared.wideLaneFollowers = undefined;
  });
  return reading;
}

async function readFollowers(c: Conn): Promise<ReadonlyMap<string, readonly string[]>> {
  const [list] = await c.query<({ parent: string; child: string } & RowDataPacket)[]>(
    `SELECT REFERENCED_TABLE_NAME AS parent, TABLE_NAME AS child FROM information_schema.REFERENTIAL_CONSTRAINTS
     WHERE CONSTRAINT_SCHEMA = DATABASE() AND DELETE_RULE IN ('CASCADE', 'SET NULL', 'SET DEFAULT')`,
  );
  const map = new Map<string, string[]>();
  for (const r of list) map.set(r.parent, [...(map.get(r.parent) ?? []), r.child]);
  return map;
}

function withFollowers(w: Written, of: ReadonlyMap<string, readonly string[]>): Set<string> {
  const all = new Set(w.tables);
  const open = [...w.deleted];
  for (let t = open.pop(); t !== undefined; t = open.pop())
    for (const child of of.get(t) ?? [])
      if (!all.has(child) || !w.deleted.has(child)) {
        all.add(child);
        w.deleted.add(child);
        open.push(child);
      }
  return all;
}
