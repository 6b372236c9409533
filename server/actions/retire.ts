// Retiring something of the workshop, and bringing it back.

import type { User } from "@/db/users";
import { action, body, type Change, change, is } from "../action";
import { editRow } from "../edits";

/** A retired row stays for what it did; it just is not planned with any more. */
export function retire(path: string, table: string, what: string, check?: (x: Change, id: string, user: User) => Promise<void>) {
  return action<{ version: number; retired: boolean }>(
    { method: "POST", path: `${path}/*/retire`, role: "lead" },
    body({ version: is.version, retired: is.bool }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        if (b.retired) await check?.(x, ids[0], user);
        await editRow(x.c, table, what, ids[0], b.version, {
          retired: { column: "retired", value: b.retired, show: (v) => v === 1 || v === true },
        });
        const text = `${what} ${ids[0]} ${b.retired ? "retired" : "brought back"}`;
        await x.event({ kind: `${table}.${b.retired ? "retired" : "restored"}`, entity: table, entityId: ids[0], text });
        await x.stale(text);
      }),
  );
}
