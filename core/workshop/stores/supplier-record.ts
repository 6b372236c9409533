// What a supplier's deliveries were like: promised against arrived, complete or not. It fills itself from the part lines.

import type { BuildRecord } from "../records/records";
import type { PartRow } from "../state/model";
import { count } from "../state/say";

export interface SupplierRecord {
  /** Lines still to be ordered or on the way, and lines that came. */
  open: number;
  came: number;
  /** Of those with a promise: how many came by the first one, and the middle slip in days (0 when early). */
  promised: number;
  inTime: number;
  slipDays: number | null;
  /** Of those opened: how many were complete and right. */
  opened: number;
  complete: number;
  /** Faults that lay at a part of theirs. */
  faults: number;
}

const DAY = 1440;
const CAME = new Set<PartRow["state"]>(["arrived", "checked", "wrong"]);

/** By the first promise, as a later one only says that it slipped; a line counts as in time on the day that was said. */
export function supplierRecord(parts: readonly PartRow[], supplierId: string, records: readonly BuildRecord[] = []): SupplierRecord {
  const mine = parts.filter((p) => p.supplierId === supplierId);
  const came = mine.filter((p) => CAME.has(p.state));
  const slips = came
    .filter((p) => p.firstPromisedAt !== null && p.arrivedAt !== null)
    .map((p) => Math.max(0, Math.ceil((p.arrivedAt! - p.firstPromisedAt!) / DAY)))
    .sort((a, b) => a - b);
  const opened = came.filter((p) => p.state !== "arrived");
  return {
    open: mine.length - came.length,
    came: came.length,
    promised: slips.length,
    inTime: slips.filter((d) => d === 0).length,
    slipDays: slips.length ? slips[Math.floor((slips.length - 1) / 2)] : null,
    opened: opened.length,
    complete: opened.filter((p) => p.state === "checked").length,
    faults: records.filter((r) => r.kind === "fault" && r.closedAt !== null && mine.some((p) => p.id === r.data.partId)).length,
  };
}

/** "12 of 14 in time, 13 of 14 complete"; nothing before anything came. */
export function saySupplier(r: SupplierRecord): string {
  if (!r.came) return "nothing has come from them yet";
  return [
    `${r.came} ${r.came === 1 ? "line" : "lines"} came`,
    ...(r.promised
      ? [`${r.inTime} of ${r.promised} by the first promise${r.slipDays ? `, ${r.slipDays} days late in the middle` : ""}`]
      : []),
    ...(r.opened ? [`${r.complete} of ${r.opened} complete and right`] : []),
    ...(r.faults ? [`${count(r.faults, "fault")} lay at a part of theirs`] : []),
  ].join(", ");
}
