// Backups that were made, and trials of restoring one: written by the launcher, shown in the workshop.

import type { Pool } from "mysql2/promise";
import { v7 } from "uuid";
import { type Conn, rows, run } from "../pool";

export interface Safekeeping {
  id: string;
  /** UTC. */
  at: string;
  kind: "backup" | "trial";
  ok: boolean;
  file: string;
  bytes: number;
  seconds: number;
  text: string;
  ageSeconds: number;
}

export async function addSafekeeping(c: Conn | Pool, s: Omit<Safekeeping, "id" | "at" | "ageSeconds">): Promise<void> {
  await run(c, "INSERT INTO safekeeping (id, at, kind, ok, file, bytes, seconds, text) VALUES (?, UTC_TIMESTAMP(3), ?, ?, ?, ?, ?, ?)", [
    v7(),
    s.kind,
    s.ok,
    s.file.slice(0, 300),
    s.bytes,
    s.seconds,
    s.text.slice(0, 500),
  ]);
}

const COLUMNS = "id, at, kind, ok, file, bytes, seconds, text, TIMESTAMPDIFF(SECOND, at, UTC_TIMESTAMP(3)) AS ageSeconds";
const clean = (s: Safekeeping): Safekeeping => ({ ...s, ok: Boolean(s.ok) });

export const safekeepingLog = async (c: Conn | Pool, limit = 30): Promise<Safekeeping[]> =>
  (await rows<Safekeeping>(c, `SELECT ${COLUMNS} FROM safekeeping ORDER BY at DESC, id DESC LIMIT ?`, [limit])).map(clean);

/** The newest that went well. */
export async function newestSafekeeping(c: Conn | Pool, kind: Safekeeping["kind"]): Promise<Safekeeping | undefined> {
  const [s] = await rows<Safekeeping>(c, `SELECT ${COLUMNS} FROM safekeeping WHERE kind = ? AND ok ORDER BY at DESC LIMIT 1`, [kind]);
  return s && clean(s);
}
