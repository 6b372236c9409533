// Who does a job: a one-to-one assignment of free fitters to its demands that wastes the least skill.

import type { Board } from "./board";
import type { Job } from "./compile";

/**
 * A crew from the candidates that `available` lets through, or undefined. Prefers those of the
 * published plan, then the one whose skills would be wasted least. `must` have to be in it.
 * Augmenting paths (Kuhn), demands being sorted from the pickiest.
 */
export function matchCrew(
  b: Board,
  job: Job,
  available: (fitter: number, candidate: number) => boolean,
  must: readonly number[] = [],
): number[] | undefined {
  const usable = job.candidates.filter((f, i) => available(f, i));
  if (usable.length < job.demands.length || must.some((m) => !usable.includes(m))) return undefined;
  const published = job.published?.fitters;
  const rank = (f: number) => (must.includes(f) ? -1000 : 0) + (published?.includes(f) ? -100 : 0) + b.c.fitters[f].breadth;
  usable.sort((x, y) => rank(x) - rank(y) || x - y);
  const crew = assign(job, usable);
  if (!crew || !must.length || must.every((m) => crew.includes(m))) return crew;
  // The plain matching left a required fitter out: seat the required ones first, then fill up.
  return assign(job, usable, must);
}

function assign(job: Job, usable: readonly number[], first: readonly number[] = []): number[] | undefined {
  const seat: number[] = new Array(job.demands.length).fill(-1);
  const fits = job.demands.map((d) => new Set(d.fitters));
  const byFitter = (f: number, seen: Set<number>): boolean => {
    for (let d = 0; d < seat.length; d++) {
      if (seen.has(d) || !fits[d].has(f)) continue;
      seen.add(d);
      if (seat[d] === -1 || byFitter(seat[d], seen)) {
        seat[d] = f;
        return true;
      }
    }
    return false;
  };
  for (const f of first) if (!byFitter(f, new Set())) return undefined;
  const byDemand = (d: number, seen: Set<number>): boolean => {
    for (const f of usable) {
      if (seen.has(f) || !fits[d].has(f)) continue;
      seen.add(f);
      const holder = seat.indexOf(f);
      if (holder === -1 || byDemand(holder, seen)) {
        seat[d] = f;
        if (holder !== -1 && holder !== d && seat[holder] === f) seat[holder] = -1;
        return true;
      }
    }
    return false;
  };
  for (let d = 0; d < seat.length; d++) if (seat[d] === -1 && !byDemand(d, new Set())) return undefined;
  return seat;
}

/** Whether exactly these fitters can fill the demands one to one. */
export function canFill(job: Job, crew: readonly number[]): boolean {
  return crew.length === job.demands.length && assign(job, crew) !== undefined;
}
