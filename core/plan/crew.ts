// Who does a job: a one-to-one assignment of free fitters to its demands that wastes the least skill.

import type { Job } from "./compile";
import { knowingFirst } from "./slow";

/**
 * A crew from the candidates that `available` lets through, or undefined. Prefers those of the
 * published plan, then the one whose skills would be wasted least. `must` have to be in it; `barred` are places that a fitter can't
 * fill, though skilled enough.
 * Augmenting paths (Kuhn), demands being sorted from the pickiest.
 */
export function matchCrew(
  job: Job,
  available: (fitter: number, candidate: number) => boolean,
  must: readonly number[] = [],
  barred: readonly (readonly [fitter: number, place: number])[] = [],
): number[] | undefined {
  // Candidates stand in the order of what using them wastes; those who have to be in it, then the published crew, go first.
  const usable: number[] = [];
  for (let i = 0; i < job.candidates.length; i++) if (available(job.candidates[i], i)) usable.push(job.candidates[i]);
  if (usable.length < job.demands.length) return undefined;
  for (const m of must) if (!usable.includes(m)) return undefined;
  knowingFirst(job, usable);
  const published = job.published?.fitters;
  if (published) forward(usable, published);
  if (must.length) forward(usable, must);
  if (job.demands.length === 1 && !barred.length) return must.length > 1 ? undefined : [usable[0]];
  const crew = assign(job, usable, [], barred);
  if (!crew || !must.length || must.every((m) => crew.includes(m))) return crew;
  // The plain matching left a required fitter out: seat the required ones first, then fill up.
  return assign(job, usable, must, barred);
}

/** Moves some to the front, all else in its order. */
function forward(list: number[], first: readonly number[]): void {
  let at = 0;
  for (let i = 0; i < list.length; i++) {
    if (!first.includes(list[i])) continue;
    const [f] = list.splice(i, 1);
    list.splice(at++, 0, f);
  }
}

function assign(
  job: Job,
  usable: readonly number[],
  first: readonly number[] = [],
  barred: readonly (readonly [fitter: number, place: number])[] = [],
): number[] | undefined {
  const seat: number[] = new Array(job.demands.length).fill(-1);
  const { demands } = job;
  const fills = (f: number, d: number): boolean =>
    demands[d].fitters.includes(f) && !(barred.length && barred.some(([x, k]) => x === f && k === d));
  // Seats that were looked at in one search, then fitters: lists, as there are only a few.
  const byFitter = (f: number, seen: number[]): boolean => {
    for (let d = 0; d < seat.length; d++) {
      if (seen.includes(d) || !fills(f, d)) continue;
      seen.push(d);
      if (seat[d] === -1 || byFitter(seat[d], seen)) {
        seat[d] = f;
        return true;
      }
    }
    return false;
  };
  for (const f of first) if (!byFitter(f, [])) return undefined;
  const byDemand = (d: number, seen: number[]): boolean => {
    for (const f of usable) {
      if (seen.includes(f) || !fills(f, d)) continue;
      seen.push(f);
      const holder = seat.indexOf(f);
      if (holder === -1 || byDemand(holder, seen)) {
        seat[d] = f;
        if (holder !== -1 && holder !== d && seat[holder] === f) seat[holder] = -1;
        return true;
      }
    }
    return false;
  };
  for (let d = 0; d < seat.length; d++) if (seat[d] === -1 && !byDemand(d, [])) return undefined;
  return seat;
}

/**
 * The crew in the order of the demands it fills, as far as it can fill them. One that stands so already stays so: who helps
 * and who is there for all of it is not to be changed by asking.
 */
export function seated(job: Job, crew: readonly number[]): readonly number[] {
  if (!job.partial || crew.length !== job.demands.length) return crew;
  if (job.demands.every((d, k) => d.fitters.includes(crew[k]))) return crew;
  return assign(job, crew) ?? crew;
}

/** Whether exactly these fitters can fill the demands one to one, none of them in a place that is barred to them. */
export function canFill(job: Job, crew: readonly number[], barred: readonly (readonly [fitter: number, place: number])[] = []): boolean {
  return crew.length === job.demands.length && assign(job, crew, [], barred) !== undefined;
}
