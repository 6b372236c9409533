// What a lead does by hand, with a wall and a pencil. All that still holds stays. What does not is handed over to somebody who is free at
// that time; where nobody is, it waits for its people, and what overlaps then is pushed on behind it, in the published order.
// Every replan is measured by it: no more may move, and nothing may be handed over later.

import { BayOrder } from "../bay-order";
import { Board } from "../board";
import type { Compiled, Job } from "../compile";
import { canFill, seated } from "../crew";
import { benchFrame, earliestWith, type Frame, probe } from "../fit";
import { earliestByLinks, type Keep, layKept, type Rule } from "../generate";
import { holdEnd } from "../hold-end";
import { repairRule } from "../rules";
import { ticketGone } from "../tickets";

/**
 * The plan made by hand, as a rule that lays it down. Undefined: some of the work can't be done like that at all (its place is not
 * there any more, a pin does not fit), or it has no published place to begin with.
 *
 * Example: Rosa is ill for two days. Nils is free for one of her two jobs and takes it; the other waits until she is back.
 */
export function byHand(c: Compiled, kept: Rule, cache?: Board["cache"]): Rule | undefined {
  const todo = c.jobs.filter((j) => !j.done);
  if (todo.some((j) => !j.published)) return undefined;
  const crews = handedOver(c, kept, cache);
  const keep = pushedOn(
    c,
    todo.sort((x, y) => turn(x) - turn(y) || x.index - y.index),
    crews,
    cache,
  );
  return (
    keep && {
      ...kept,
      name: "as published, handed over and pushed on by hand",
      priority: Float64Array.from(c.jobs, (j) => keep[j.index]?.start ?? kept.priority[j.index]),
      keep,
      waits: undefined,
      most: undefined,
    }
  );
}

const turn = (j: Job): number => (j.started ? Number.NEGATIVE_INFINITY : (j.pin?.start ?? j.published!.start));

/** Who does the jobs that their own people can't do at their time; of those only for whom somebody is free. */
function handedOver(c: Compiled, kept: Rule, cache?: Board["cache"]): Map<number, number[]> {
  const { board, aside } = layKept(c, { ...repairRule(c, kept, true), holdsPlace: true }, cache);
  const crews = new Map<number, number[]>();
  for (const i of aside) {
    const j = c.jobs[i];
    if (!j.published) continue;
    const { start, place } = j.published;
    const stay = board.stays[j.build].find((s) => s.place === place && s.from <= start && start < s.to);
    if (start < earliestByLinks(board, j) || (j.van && !stay)) continue;
    const frame = stay && j.van ? { place, from: stay.from, to: stay.to } : benchFrame;
    for (const crew of crewsOf(j)) {
      if (board.hours(j, place, crew).next(start) !== start) continue;
      const r = probe(board, j, frame, crew, start);
      if (!("fit" in r) || ticketGone(c, j, r.fit)) continue;
      crews.set(i, crew);
      board.book(j, { ...r.fit, from: start, place, holdUntil: holdEnd(c, r.fit.end, j.hold) });
      break;
    }
  }
  return crews;
}

/** The published crew, and the same with one of them replaced. */
export function crewsOf(job: Job): number[][] {
  const { fitters } = job.published!;
  const out: number[][] = [];
  const offer = (crew: number[]) => {
    if (canFill(job, crew) && (job.pin?.fitters ?? []).every((f) => crew.includes(f))) out.push([...seated(job, crew)]);
  };
  offer([...fitters]);
  for (let k = 0; k < fitters.length; k++)
    for (const f of job.candidates) if (!fitters.includes(f)) offer(fitters.map((was, i) => (i === k ? f : was)));
  return out;
}

/** Each job in its turn at its published time, or as soon after it as its people and its bay are free. */
function pushedOn(
  c: Compiled,
  turns: readonly Job[],
  crews: ReadonlyMap<number, number[]>,
  cache?: Board["cache"],
): (Keep | undefined)[] | undefined {
  const b = new Board(c, cache);
  const keep: (Keep | undefined)[] = new Array(c.jobs.length);
  const bays = new BayOrder(c);
  for (const j of turns) {
    const { start } = j.published!;
    const place = j.pin?.place ?? j.published!.place;
    const frame: Frame = j.van ? { place, from: Number.NEGATIVE_INFINITY, to: Number.POSITIVE_INFINITY } : benchFrame;
    if (j.van && !j.started && !j.places.includes(place)) return undefined;
    const lower = j.started ? c.now : Math.max(j.pin?.start ?? start, bays.entry(j, place), earliestByLinks(b, j));
    const fit = soonest(b, j, frame, lower, crews.get(j.index));
    if (!fit || (j.pin?.start !== undefined && !j.started && fit.start !== j.pin.start)) return undefined;
    b.book(j, { ...fit, start: j.started?.start ?? fit.start, from: fit.start, place, holdUntil: holdEnd(c, fit.end, j.hold) });
    keep[j.index] = { start: fit.start, place, crew: fit.crew };
    bays.laid(j, place, fit);
  }
  return keep;
}

/** With its own people or with those it was handed to; where they can't do it any more, with whoever can the soonest. */
function soonest(b: Board, j: Job, frame: Frame, lower: number, handed: number[] | undefined) {
  if (j.started) return earliestWith(b, j, frame, j.started.fitters, lower);
  const own = handed ?? j.published!.fitters;
  const pinned = j.pin?.fitters ?? [];
  const fit = canFill(j, own) && pinned.every((f) => own.includes(f)) ? earliestWith(b, j, frame, [...seated(j, own)], lower) : undefined;
  if (fit && !ticketGone(b.c, j, fit)) return fit;
  return crewsOf(j)
    .flatMap((crew) => earliestWith(b, j, frame, crew, lower) ?? [])
    .filter((f) => !ticketGone(b.c, j, f))
    .sort((x, y) => x.start - y.start)[0];
}
