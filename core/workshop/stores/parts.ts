// When a job's parts can be used: arrival or promise, plus the goods-in check.

import type { PartRow, SupplierRow } from "../state/model";

const DAY = 1440;
/** Where a supplier is not known. */
export const LEAD_DAYS = 5;

export interface Available {
  /** Minute from which the part can be used. */
  from: number;
  /** In the trade's words, e.g. "promised Tue 9 Mar"; the caller adds the name. */
  kind: "here" | "to-check" | "promised" | "overdue" | "ordered" | "not-ordered" | "wrong";
}

/**
 * When one part line is available. Checked: now. Arrived: now plus the goods-in time. Promised: the
 * promise (never before now; an overdue one is taken to come a day from now) plus goods-in. Without
 * a promise the supplier's likely lead time from now counts, after a wrong delivery the worst.
 */
export function availableFrom(part: PartRow, supplier: SupplierRow | undefined, now: number, goodsIn: number): Available {
  switch (part.state) {
    case "checked":
      return { from: now, kind: "here" };
    case "arrived":
      return { from: now + goodsIn, kind: "to-check" };
    case "promised": {
      const promised = part.promisedAt ?? now;
      return promised < now ? { from: now + DAY + goodsIn, kind: "overdue" } : { from: promised + goodsIn, kind: "promised" };
    }
    case "wrong":
      return { from: now + (supplier?.leadWorstDays ?? 10) * DAY + goodsIn, kind: "wrong" };
    case "ordered":
      return { from: now + (supplier?.leadLikelyDays ?? LEAD_DAYS) * DAY + goodsIn, kind: "ordered" };
    case "needed":
      return { from: now + ((supplier?.leadLikelyDays ?? LEAD_DAYS) + 1) * DAY + goodsIn, kind: "not-ordered" };
  }
}

/** The part a job waits longest for; undefined when all are here. */
export function lastPart(
  parts: readonly PartRow[],
  suppliers: readonly SupplierRow[],
  now: number,
  goodsIn: number,
): { part: PartRow; available: Available } | undefined {
  let last: { part: PartRow; available: Available } | undefined;
  for (const part of parts) {
    const available = availableFrom(
      part,
      suppliers.find((s) => s.id === part.supplierId),
      now,
      goodsIn,
    );
    if (available.kind !== "here" && (!last || available.from > last.available.from)) last = { part, available };
  }
  return last;
}

/** What fills a hole, beside what is used up in setting it. */
export const isUnit = (name: string): boolean => !/sealant|adhesive|primer|tape|glue|degreaser/i.test(name);

/** Whether two names are of the same unit: one is part of the other. */
export const alike = (a: string, b: string): boolean => {
  const [x, y] = [a.trim().toLowerCase(), b.trim().toLowerCase()];
  return x.includes(y) || y.includes(x);
};
