// Work that takes longer for whoever is new to its kind.

import type { Job } from "./compile";

/**
 * Minutes of a job with this crew, seated: as many times its own as the least new of those needs who are there for all of it.
 * Rounded up to a whole minute.
 */
export function minutesWith(job: Job, crew: readonly number[]): number {
  const { slow } = job;
  if (!slow || !crew.length) return job.minutes;
  let least = Number.POSITIVE_INFINITY;
  for (let k = 0; k < crew.length; k++) {
    if (job.partial && job.demands[k]?.part) continue;
    const factor = slow.get(crew[k]) ?? 1;
    if (factor < least) least = factor;
  }
  if (least === Number.POSITIVE_INFINITY) return job.minutes;
  return Math.ceil(job.minutes * least - 1e-9);
}

/** Those who know the kind first, all else in its order. */
export function knowingFirst(job: Job, fitters: number[]): void {
  const { slow } = job;
  if (slow) fitters.sort((a, b) => (slow.get(a) ?? 1) - (slow.get(b) ?? 1));
}
