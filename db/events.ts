// The append-only record of who did what when.

import type { Pool } from "mysql2/promise";
import { v7 } from "uuid";
import { type Conn, fromSql, insert, rows } from "./pool";

export interface EventInput {
  userId: string | null;
  kind: string;
  entity: string;
  entityId: string;
  buildId?: string | null;
  /** In words, past tense, as the log shows it. */
  text: string;
  data?: Record<string, unknown>;
}

/** Minute of the workshop's clock (fixed in tests and pictures), to the millisecond where it runs. */
export async function addEvent(c: Conn | Pool, at: number, e: EventInput): Promise<void> {
  await insert(c, "event", [
    {
      id: v7(),
      at: new Date(at * 60_000).toISOString().slice(0, 23).replace("T", " "),
      user_id: e.userId,
      kind: e.kind,
      entity: e.entity,
      entity_id: e.entityId,
      build_id: e.buildId ?? null,
      text: e.text.slice(0, 500),
      data: e.data ?? {},
    },
  ]);
}

export interface LogLine {
  id: string;
  at: number;
  who: string;
  text: string;
}

export async function buildLog(c: Conn | Pool, buildId: string, limit = 40): Promise<LogLine[]> {
  const list = await rows<{ id: string; at: string; who: string | null; text: string }>(
    c,
    `SELECT e.id, e.at, u.name AS who, e.text FROM event e LEFT JOIN user u ON u.id = e.user_id
     WHERE e.build_id = ? ORDER BY e.at DESC, e.id DESC LIMIT ?`,
    [buildId, limit],
  );
  return list.map((r) => ({ id: r.id, at: fromSql(r.at), who: r.who ?? "Wide Lane", text: r.text }));
}

/** Id of the newest event: pages ask for it to see whether something changed. */
export async function lastEvent(c: Conn | Pool): Promise<string> {
  const [r] = await rows<{ id: string }>(c, "SELECT id FROM event ORDER BY id DESC LIMIT 1");
  return r?.id ?? "";
}
