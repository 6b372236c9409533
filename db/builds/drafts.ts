// Drafts of builds that are being added; each belongs to the user who writes it.

import type { Pool } from "mysql2/promise";
import { type Conn, fromSql, insert, rows, run, toSql } from "../pool";

export interface Draft {
  id: string;
  data: Record<string, unknown>;
  updatedAt: number;
}

/** Puts a draft in or writes it anew; nobody writes into another's. */
export async function saveDraft(c: Conn, id: string, user: string, data: Record<string, unknown>, at: number): Promise<void> {
  const n = await run(c, "UPDATE build_draft SET data = ?, updated_at = ? WHERE id = ? AND user_id = ?", [
    JSON.stringify(data),
    toSql(at),
    id,
    user,
  ]);
  if (n) return;
  const [there] = await rows(c, "SELECT id FROM build_draft WHERE id = ?", [id]);
  // The same content again touches no row; another's draft is left alone.
  if (!there) await insert(c, "build_draft", [{ id, user_id: user, data, updated_at: toSql(at) }]);
}

export const deleteDraft = (c: Conn, id: string, user: string): Promise<number> =>
  run(c, "DELETE FROM build_draft WHERE id = ? AND user_id = ?", [id, user]);

/** A user's drafts, newest first. */
export async function draftsOf(c: Conn | Pool, user: string): Promise<Draft[]> {
  const list = await rows<{ id: string; data: string; updated_at: string }>(
    c,
    "SELECT id, data, updated_at FROM build_draft WHERE user_id = ? ORDER BY updated_at DESC",
    [user],
  );
  return list.map((r) => ({ id: r.id, data: JSON.parse(r.data), updatedAt: fromSql(r.updated_at) }));
}
