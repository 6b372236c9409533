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

/** `at`: minute of the workshop's clock (fixed in tests and pictures); `act`: the number of the change it belongs to. */
export async function addEvent(c: Conn | Pool, at: number, e: EventInput, act = 0): Promise<void> {
  await insert(c, "event", [
    {
      id: v7(),
      act,
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
     WHERE e.build_id = ? ORDER BY e.at DESC, e.act DESC, e.id DESC LIMIT ?`,
    [buildId, limit],
  );
  return list.map((r) => ({ id: r.id, at: fromSql(r.at), who: r.who ?? "Wide Lane", text: r.text }));
}
