// A helper who is there for a part of a job only: which of its minutes, and what of its work that is.

import type { Stretch } from "../time/openset";

/** Minutes of a job's work, from its beginning: [from, to). */
export type Part = readonly [from: number, to: number];

/** The part as it is in a job of so many minutes: within it, and of one minute at least. */
export function clampPart(part: { from: number; to: number }, minutes: number): Part {
  const from = Math.min(part.from, minutes - 1);
  return [from, Math.max(from + 1, Math.min(part.to, minutes))];
}

/**
 * The part of work that takes `planned` minutes in place of its `usual` ones, as it does for people new to it: moved and stretched in
 * proportion, to whole minutes. Parts that touch go on touching. Example: minutes 60 to 90 of 120, planned as 180, are 90 to 135.
 */
export function stretched([from, to]: Part, usual: number, planned: number): Part {
  return usual === planned ? [from, to] : [Math.round((from * planned) / usual), Math.round((to * planned) / usual)];
}

/** How many of a crew are there at once at the most: all who stay, and the helpers whose parts overlap. */
export function mostAtOnce(seats: readonly { part?: Part }[]): number {
  const parts = seats.flatMap((s) => (s.part ? [s.part] : []));
  const helping = parts.map(([at]) => parts.filter(([from, to]) => from <= at && at < to).length);
  return seats.length - parts.length + Math.max(0, ...helping);
}

/** The stretches of work in which those minutes lie. */
export function cutWork(work: readonly Stretch[], [from, to]: Part): Stretch[] {
  const out: Stretch[] = [];
  let done = 0;
  for (const [a, z] of work) {
    const x = Math.max(a, a + from - done);
    const y = Math.min(z, a + to - done);
    if (x < y) out.push([x, y]);
    done += z - a;
    if (done >= to) break;
  }
  return out;
}

/** Minutes of some stretches of work. */
export const lengthOf = (work: readonly Stretch[]): number => work.reduce((n, [a, z]) => n + z - a, 0);
