// Work that takes longer for whoever is new to its kind.

import type { Job } from "./compile";

/** Minutes of a job with this crew: as many times its own as the least new of them needs. Helpers for a part do not count. */
export function minutesWith(job: Job, crew: readonly number[]): number {
  const { slow } = job;
  if (!slow || !crew.length) return job.minutes;
  let least = Number.POSITIVE_INFINITY;
  for (const f of crew) {
    const factor = slow.get(f) ?? 1;
    if (factor < least) least = factor;
  }
  return Math.ceil(job.minutes * least - 1e-9);
}

/** Those who know the kind first, all else in its order. */
export function knowingFirst(job: Job, fitters: number[]): void {
  const { slow } = job;
  if (slow) fitters.sort((a, b) => (slow.get(a) ?? 1) - (slow.get(b) ?? 1));
}
