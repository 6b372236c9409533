// Retiring something of the workshop, and bringing it back. What hangs on it is said first.

import type { Plan } from "@/core/plan/model";
import type { Shop } from "@/core/workshop/state/model";
import type { User } from "@/db/access/users";
import { loadPlan } from "@/db/planning/plans";
import { loadShop } from "@/db/shop";
import { action, body, type Change, change, is } from "../action";
import { editRow } from "../edits";
import { Refusal } from "../refusal";

/** What hangs on a thing, in words, by the shop and the plan that is worked to. */
type Hangs = (x: Change, id: string, shop: Shop, plan: Plan | undefined) => Promise<string[]> | string[];

interface Retiring {
  /** Refuses what can't be, whatever anybody says. */
  check?: (x: Change, id: string, user: User) => Promise<void>;
  hangs?: Hangs;
}

async function refuseHanging(x: Change, id: string, what: string, hangs: Hangs): Promise<void> {
  const shop = await loadShop(x.c);
  const plan = (await loadPlan(x.c, "published", x.zone)) ?? (await loadPlan(x.c, "working", x.zone));
  const list = await hangs(x, id, shop, plan?.plan);
  if (list.length) throw new Refusal(409, `${what} is still needed: ${list.join("; ")}.`, { hangs: list });
}

/** A retired row stays for what it did; it just is not planned with any more. `anyway`: whoever asks has read what hangs on it. */
export function retire(path: string, table: string, what: string, { check, hangs }: Retiring = {}) {
  return action<{ version: number; retired: boolean; anyway?: boolean }>(
    { method: "POST", path: `${path}/*/retire`, role: "lead" },
    body({ version: is.version, retired: is.bool }, { anyway: is.bool }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        if (b.retired) await check?.(x, ids[0], user);
        if (b.retired && hangs && !b.anyway) await refuseHanging(x, ids[0], what, hangs);
        await editRow(x.c, table, what, ids[0], b.version, {
          retired: { column: "retired", value: b.retired, show: (v) => v === 1 || v === true },
        });
        const text = `${what} ${ids[0]} ${b.retired ? "retired" : "brought back"}`;
        await x.event({ kind: `${table}.${b.retired ? "retired" : "restored"}`, entity: table, entityId: ids[0], text });
        await x.stale(text);
      }),
  );
}
