// What was found and measured on a van and is still open, for the card.

import type { Van } from "@/core/van/model";
import type { BuildRecord } from "@/core/workshop/records/records";
import type { BuildRow } from "@/core/workshop/state/model";
import type { CardFound } from "@/ui/card/view";
import { boxesView } from "./papers";

const SHOWN: ReadonlySet<BuildRecord["kind"]> = new Set(["mark", "circuit", "seat", "round", "trap", "fixing", "gear"]);

export const foundOn = (
  build: Pick<BuildRow, "records" | "jobs" | "options" | "figures">,
  van: Van,
  who: (user: string) => string,
): CardFound => ({
  van,
  boxes: boxesView(build, van),
  records: build.records
    .filter((r) => SHOWN.has(r.kind) && r.closedAt === null)
    .sort((a, b) => b.saidAt - a.saidAt || a.id.localeCompare(b.id))
    .map((r) => ({ ...r, by: who(r.saidBy) })),
});
