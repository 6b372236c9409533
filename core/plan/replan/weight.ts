// What it counts for that a job is moved, and until when each build may be handed over.

import type { Minute } from "../../time/zone";
import type { Compiled, Job } from "../compile";

/** A start within so many minutes of the published one is no move. */
export const SAME_START = 15;
const DAY = 1440;

/** What it costs to move a job: nearest days weigh most. `p`: where it would go. */
export function moveWeight(c: Compiled, j: Job, p: { start: Minute; crew: readonly number[] }): number {
  const { start, fitters } = j.published!;
  const off = Math.abs(p.start - start);
  const handed = fitters.some((f) => !p.crew.includes(f));
  if (off <= SAME_START && !handed) return off === 0 ? 0 : 0.05;
  // The distance only tells apart what else is alike.
  return nearness(c, j) * (1 + (off > SAME_START && handed ? 0.25 : 0) + Math.min(0.2, off / (100 * DAY)));
}

export function nearness(c: Compiled, j: Job): number {
  const days = c.shop.minutes(c.now, Math.max(c.now, j.published!.start)) / c.dayMinutes;
  return days < 3 ? 2 : days < 8 ? 1.25 : 1;
}

/** The last minute at which each build may be handed over: that of its published day, and so many days more. */
export function handoverLimits(c: Compiled, days: number): Minute[] {
  return c.builds.map((build) => {
    const end = Math.max(...build.jobs.map((j) => c.jobs[j].published?.holdUntil ?? Number.NEGATIVE_INFINITY));
    return Number.isFinite(end) ? c.zone.dayStart(c.zone.dayOf(end - 1) + 1 + days) : Number.POSITIVE_INFINITY;
  });
}
