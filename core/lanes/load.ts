// How full people and bays are, week by week: booked against open hours.

import type { OpenSet } from "../time/openset";
import type { Minute } from "../time/zone";

export interface WeekLoad {
  /** Local Monday 00:00 and the next. */
  from: Minute;
  to: Minute;
  /** Minutes that are open, and of those the booked ones. */
  open: number;
  booked: number;
}

/**
 * Load by week. `weeks` are the Mondays, the last one being the end. A stretch counts with its open minutes only, since
 * nobody works in closed hours; stretches that overlap (two jobs in one bay) count once.
 */
export function weekLoad(weeks: readonly Minute[], open: OpenSet, stretches: readonly (readonly [Minute, Minute])[]): WeekLoad[] {
  const merged: [Minute, Minute][] = [];
  for (const [a, b] of [...stretches].sort((x, y) => x[0] - y[0])) {
    const last = merged[merged.length - 1];
    if (last && a <= last[1]) last[1] = Math.max(last[1], b);
    else merged.push([a, b]);
  }
  return weeks.slice(0, -1).map((from, i) => {
    const to = weeks[i + 1];
    let booked = 0;
    for (const [a, b] of merged) if (a < to && b > from) booked += open.minutes(Math.max(a, from), Math.min(b, to));
    return { from, to, open: open.minutes(from, to), booked };
  });
}

/** Share of the open hours that is booked, in per cent; undefined in a week without open hours. */
export const loadPercent = (w: WeekLoad): number | undefined => (w.open > 0 ? Math.round((100 * w.booked) / w.open) : undefined);
