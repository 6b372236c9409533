// What a change does when nobody plans: what it hits, and what then overlaps, is pushed on, each job with its published crew at
// its published place, in the published order. Where that reaches few jobs it is the least that can be done.

import { BayOrder } from "./bay-order";
import { Board } from "./board";
import type { Compiled, Job } from "./compile";
import { buildResult } from "./cost";
import { canFill } from "./crew";
import { benchFrame, earliestWith } from "./fit";
import { earliestByLinks, type Rule } from "./generate";
import { holdEnd } from "./hold-end";

export interface Pushed {
  /** Start of each job still to begin, as pushed. */
  starts: Float64Array;
  /** When each build is done then, its last hold with it; minus infinity for one without work. */
  finishes: Float64Array;
  /** Share of the published work that begins at another minute. */
  share: number;
}

/**
 * Pushes the published plan on. Undefined: some of the work can't be done like that at all (its crew has lost a ticket, a pin
 * does not fit), some was never published and so has no place to be pushed from, or more than `most` of it would move.
 */
export function pushOn(c: Compiled, most = 1, cache?: Board["cache"]): Pushed | undefined {
  const b = new Board(c, cache);
  const todo = c.jobs.filter((j) => !j.done);
  if (todo.some((j) => !j.published || (j.pin?.fitters && !j.pin.fitters.every((f) => j.published!.fitters.includes(f))))) return undefined;
  const starts = Float64Array.from(c.jobs, (j) => j.published?.start ?? 0);
  const bays = new BayOrder(c);
  let moved = 0;
  for (const j of todo.sort((x, y) => turn(x) - turn(y) || x.index - y.index)) {
    const { start, fitters } = j.published!;
    const place = j.pin?.place ?? j.published!.place;
    const frame = j.van ? { place, from: Number.NEGATIVE_INFINITY, to: Number.POSITIVE_INFINITY } : benchFrame;
    const lower = j.started ? c.now : Math.max(j.pin?.start ?? start, bays.entry(j, place), earliestByLinks(b, j));
    const crew = j.started?.fitters ?? fitters;
    const fit =
      (j.started || canFill(j, crew)) && (!j.van || j.started || j.places.includes(place)) && earliestWith(b, j, frame, crew, lower);
    if (!fit || (j.pin?.start !== undefined && !j.started && fit.start !== j.pin.start)) return undefined;
    b.book(j, { ...fit, start: j.started?.start ?? fit.start, from: fit.start, place, holdUntil: holdEnd(c, fit.end, j.hold) });
    starts[j.index] = fit.start;
    if (!j.started && fit.start !== start && ++moved > most * todo.length) return undefined;
    bays.laid(j, place, fit);
  }
  const finishes = Float64Array.from(c.builds, (_, i) => buildResult(b, i).finish ?? Number.NEGATIVE_INFINITY);
  return { starts, finishes, share: moved / Math.max(1, todo.length) };
}

const turn = (j: Job): number => (j.started ? Number.NEGATIVE_INFINITY : (j.pin?.start ?? j.published!.start));

/** The rule `kept` with the starts as pushed. */
export const pushedRule = (kept: Rule, pushed: Pushed): Rule => ({
  ...kept,
  name: "as published, pushed on",
  priority: pushed.starts,
  keep: kept.keep!.map((k, i) => k && { ...k, start: pushed.starts[i] }),
});
