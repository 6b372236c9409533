// Where one job could go that no longer holds: with somebody else, later, sooner, or in the place of another job, which then
// needs another place itself.

import type { Minute } from "../../time/zone";
import type { Board, Placed, Stay } from "../board";
import type { Job } from "../compile";
import { benchFrame, earliest, earliestWith, type Fit, type Frame, probe } from "../fit";
import { earliestByLinks } from "../generate";
import { holdEnd } from "../hold-end";
import { isFree, tooEarly } from "../moves";
import { ticketGone } from "../tickets";
import { crewsOf } from "./by-hand";
import { type Change, growth } from "./grow";

export interface Spot {
  placed: Placed;
  /** How vans stand otherwise for it. */
  changes: readonly Change[];
  /** Jobs that have to go elsewhere for it. */
  ejects: number[];
  cost: number;
}

export interface Terms {
  /** Its build is not handed over later than this. */
  limit: Minute;
  /** Its work is over by then, so that the jobs after it can be in time. */
  over: Minute;
  /** Nothing that is published to begin before this makes way. */
  frozen: Minute;
  /** Jobs that stay where they are. */
  fixed: (job: number) => boolean;
  cost: (p: Placed, ejects: readonly number[]) => number;
}

type Add = (fit: Fit | undefined, ejects: readonly number[]) => void;

/** At most so many jobs make way for one. */
const MAKE_WAY = 5;
/** So many starts are looked at for each crew, each behind what stood in the way of the one before. */
const STARTS = 5;
/** A van may stand so much longer where it is, in minutes, if those that come after it may come later. */
const LONGER = 5 * 1440;
/** At most so many are pushed on behind one. */
const PUSHED = 40;

/** The spots of a job that is not placed now, cheapest first. Its van stands where it is published to; longer, if need be. */
export function spotsFor(b: Board, job: Job, terms: Terms): Spot[] {
  const spots = new Map<string, Spot>();
  const lower = earliestByLinks(b, job);
  const wanted = Math.max(lower, job.published!.start);
  for (const { frame, stay } of framesOf(b, job)) {
    const add = (fit: Fit | undefined, ejects: readonly number[] = []): void => {
      const spot = fit && asSpot(b, job, frame, stay, fit, ejects, terms);
      if (spot) spots.set(`${spot.placed.start} ${spot.placed.place} ${spot.placed.crew} ${spot.ejects}`, spot);
    };
    const must = job.pin?.fitters;
    add(earliest(b, job, frame, wanted, undefined, must));
    if (lower < wanted) add(earliest(b, job, frame, lower, wanted, must));
    for (const crew of crewsOf(job)) {
      add(earliestWith(b, job, frame, crew, wanted));
      const begin = b.hours(job, frame.place, crew).next(Math.max(wanted, frame.from));
      if (!Number.isFinite(begin)) continue;
      inTheWay(b, job, frame, crew, begin, terms, add);
    }
  }
  return [...spots.values()].sort((x, y) => x.cost - y.cost || x.placed.start - y.placed.start);
}

/** Where its van stands, and for how long it may. */
function framesOf(b: Board, job: Job): { frame: Frame; stay?: Stay }[] {
  if (!job.van) return job.pin?.place === undefined || job.pin.place === benchFrame.place ? [{ frame: benchFrame }] : [];
  const stays = b.stays[job.build];
  return stays
    .filter((s) => job.places.includes(s.place) && (job.pin?.place === undefined || job.pin.place === s.place))
    .map((stay) => ({ stay, frame: { place: stay.place, from: stay.from, to: stay.to + LONGER } }));
}

/**
 * With this crew; jobs behind it are pushed on where they would begin too early: as soon as they are free, and at `begin`
 * with those who stand in the way put elsewhere.
 */
function inTheWay(b: Board, job: Job, frame: Frame, crew: readonly number[], begin: Minute, terms: Terms, add: Add): void {
  const out: [number, Placed][] = [];
  const jobs = () => out.map(([k]) => k);
  const take = (k: number): boolean => {
    if (!mayMove(b, k, terms)) return false;
    out.push([k, b.placed[k]!]);
    b.unbook(k);
    return true;
  };
  const end = b.hours(job, frame.place, crew).after(begin, job.minutes) + job.hold;
  const pushed = (of: Job): boolean =>
    of.followers.every((k) => {
      const p = b.placed[k];
      return !p || p.start >= end || (out.length < PUSHED && take(k) && pushed(b.c.jobs[k]));
    });
  if (pushed(job)) {
    const lifted = out.length;
    if (lifted) add(earliestWith(b, job, frame, crew, begin), jobs());
    let next = begin;
    for (let k = 0; k < STARTS && Number.isFinite(next); k++) {
      const start = next;
      for (let n = 0; ; n++) {
        const r = probe(b, job, frame, crew, start);
        if ("fit" in r) {
          if (out.length) add(r.fit, jobs());
          break;
        }
        if (n === 0) next = Math.max(r.conflict.until, start + 1);
        if (n === MAKE_WAY || r.conflict.job === undefined || !take(r.conflict.job)) break;
      }
      for (const [j, p] of out.splice(lifted)) b.book(b.c.jobs[j], p);
      if (next === start) break;
    }
  }
  for (const [k, p] of out) b.book(b.c.jobs[k], p);
}

const mayMove = (b: Board, k: number, terms: Terms): boolean =>
  isFree(b.c.jobs[k]) &&
  b.c.jobs[k].published !== undefined &&
  b.placed[k] !== undefined &&
  b.c.jobs[k].published!.start >= terms.frozen &&
  !terms.fixed(k);

function asSpot(
  b: Board,
  job: Job,
  frame: Frame,
  stay: Stay | undefined,
  fit: Fit,
  ejects: readonly number[],
  terms: Terms,
): Spot | undefined {
  if (ticketGone(b.c, job, fit)) return undefined;
  const placed: Placed = {
    start: fit.start,
    end: fit.end,
    from: fit.start,
    work: fit.work,
    place: frame.place,
    crew: fit.crew,
    holdUntil: holdEnd(b.c, fit.end, job.hold),
  };
  if (placed.holdUntil > terms.limit || placed.end > terms.over) return undefined;
  const may = (k: number) => ejects.includes(k) || mayMove(b, k, terms);
  const grown = stay ? growth(b, stay, b.stillUntil(job, placed), may) : { changes: [], ejects: [] };
  if (!grown) return undefined;
  // What would now begin before this is over goes elsewhere as well.
  const all = [...new Set([...ejects, ...grown.ejects, ...tooEarly(b, job, placed)])];
  if (!all.every(may)) return undefined;
  return { placed, changes: grown.changes, ejects: all, cost: terms.cost(placed, all) + behind(b, job, placed, all) };
}

/** Jobs further behind that would begin before this is over: they will have to go as well. */
function behind(b: Board, job: Job, placed: Placed, known: readonly number[]): number {
  const seen = new Set<number>(known);
  const queue = [...job.followers];
  let n = 0;
  for (let k = queue.pop(); k !== undefined; k = queue.pop()) {
    const p = b.placed[k];
    if (!p || p.start >= placed.holdUntil) continue;
    if (!seen.has(k)) {
      seen.add(k);
      n++;
    } else if (!known.includes(k)) continue;
    queue.push(...b.c.jobs[k].followers);
  }
  return n;
}
