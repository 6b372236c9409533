// A helper who is there for a part of a job only: which of its minutes, and what of its work that is.

import type { Stretch } from "../time/openset";

/** Minutes of a job's work, from its beginning: [from, to). */
export type Part = readonly [from: number, to: number];

/** The part as it is in a job of so many minutes: within it, and of one minute at least. */
export function clampPart(part: { from: number; to: number }, minutes: number): Part {
  const from = Math.min(part.from, minutes - 1);
  return [from, Math.max(from + 1, Math.min(part.to, minutes))];
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
