// When to set a bond: a hold that falls into closed hours costs nobody anything. Holds are elapsed time, what they keep
// others from is working time.

import type { OpenSet } from "../../time/openset";
import type { Minute } from "../../time/zone";

/** Working minutes that a hold from `end` on keeps its zones off: open minutes in [end, end + hold). */
export const blockedMinutes = (open: OpenSet, end: Minute, hold: number): number => open.minutes(end, end + hold);

export interface BondPlace {
  /** End of the work, so of the bond being set. */
  end: Minute;
  /** Start of the work that ends then, in open hours. */
  start: Minute;
  /** Working minutes that are blocked. */
  blocked: number;
}

/** Looks at the ends of so many open days: longer a bond is not put off. */
const DAYS = 2;

/** The latest end whose hold is over when the shop next opens after closing at `closes`; undefined when it never does. */
export function latestFreeEnd(open: OpenSet, closes: Minute, hold: number): Minute | undefined {
  const opens = open.next(closes);
  return Number.isFinite(opens) ? Math.min(closes, opens - hold) : undefined;
}

/**
 * Where a bond of `work` open minutes and `hold` elapsed minutes costs least from `earliest` on: the latest end on each
 * of the next open days that blocks nothing (next opening − hold, or the day's end where that is sooner), else the
 * end that blocks least. The first of equals. Undefined when there are no open hours.
 */
export function bestBond(open: OpenSet, earliest: Minute, work: number, hold: number): BondPlace | undefined {
  let best: BondPlace | undefined;
  const consider = (end: Minute): void => {
    const start = open.startFor(end, work);
    if (!Number.isFinite(start) || start < earliest) return;
    // An end that stands for the same work: never inside closed hours.
    const real = open.after(start, work);
    const blocked = blockedMinutes(open, real, hold);
    if (!best || blocked < best.blocked) best = { end: real, start, blocked };
  };
  const first = open.after(open.next(earliest), work);
  if (!Number.isFinite(first)) return undefined;
  consider(first);
  let days = 0;
  for (let i = open.indexAt(first - 1); i < open.size && days < DAYS; i++) {
    // A stretch that ends a day: the next one begins more than two hours later.
    const closes = open.to[i];
    const opens = i + 1 < open.size ? open.from[i + 1] : Number.POSITIVE_INFINITY;
    if (opens - closes < 120) continue;
    days++;
    consider(latestFreeEnd(open, closes, hold) ?? closes);
    consider(closes);
  }
  return best;
}
