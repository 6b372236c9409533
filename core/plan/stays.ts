// Where vans stand: the places a job could use, the moves that takes, and the booking of both.
//
// A van's last stay stays open behind its last work: it may remain, but another van may ask for the
// bay. It then has to be out by that moment and a yard place is kept for it, in case it does not move
// on before. Nothing of this is written down before it is needed.

import type { Minute } from "../time/zone";
import type { Board, Placed, Stay } from "./board";
import type { Job } from "./compile";
import type { Fit, Frame } from "./fit";

const NEVER = Number.POSITIVE_INFINITY;

export interface Option {
  frame: Frame;
  /** The stay that already covers it; undefined: the van has to come or move. */
  stay?: Stay;
}

const lastStay = (b: Board, build: number): Stay | undefined => b.stays[build][b.stays[build].length - 1];

/** For how long at least the van has to stand where the job is done. */
export const standsFor = (job: Job): Minute => job.minutes + (job.still || job.holdTempC !== undefined ? job.hold : 0);

/**
 * Every place where a van job could be done: inside the stays the van has, or after a move behind them. Not those that end before
 * the job could be over that begins at `lower` at the soonest.
 */
export function optionsFor(b: Board, job: Job, only?: number, lower = Number.NEGATIVE_INFINITY): Option[] {
  return [...staysFor(b, job, only, lower), ...entriesFor(b, job, only, lower, NEVER)];
}

/** Those of them inside the stays that the van has. */
export function staysFor(b: Board, job: Job, only: number | undefined, lower: Minute): Option[] {
  const out: Option[] = [];
  const stands = standsFor(job);
  for (const stay of b.stays[job.build])
    if ((only === undefined || only === stay.place) && job.places.includes(stay.place) && stay.to - Math.max(stay.from, lower) >= stands)
      out.push({ frame: { place: stay.place, from: stay.from, to: stay.to }, stay });
  return out;
}

/** Those of them for which the van has to come or to move, if it could be there by `until`. */
export function entriesFor(b: Board, job: Job, only: number | undefined, lower: Minute, until: Minute): Option[] {
  const out: Option[] = [];
  const last = lastStay(b, job.build);
  for (const place of job.places) {
    if (only !== undefined && only !== place) continue;
    if (last && place === last.place && (place === b.c.yard || last.to === NEVER)) continue;
    const entry = last ? earliestEntry(b, last, place) : Number.NEGATIVE_INFINITY;
    if (entry > until) continue;
    if (place === b.c.yard) out.push({ frame: { place, from: entry, to: NEVER } });
    else addGaps(b, place, entry, Math.max(entry, lower), until, standsFor(job), out);
  }
  return out;
}

/** The options in the order in which work could begin there: what is found early spares looks at what can only be later. */
export function soonestFirst(options: Option[], lower: Minute): Option[] {
  const begin = (o: Option) => Math.max(o.frame.from, lower);
  return options.sort((x, y) => begin(x) - begin(y));
}

/** Stretches in which a bay is not firmly taken, that begin by `until` and are long enough for work from `begin` on. */
function addGaps(b: Board, place: number, entry: Minute, begin: Minute, until: Minute, minutes: number, out: Option[]): void {
  let free = Number.NEGATIVE_INFINITY;
  const gap = (to: Minute) => {
    if (to > entry && to - Math.max(free, begin) >= minutes) out.push({ frame: { place, from: Math.max(free, entry), to } });
  };
  for (const s of b.atPlace[place]) {
    if (s.from > free) gap(s.from);
    free = Math.max(free, b.hardEnd(s));
    if (free > until) return;
  }
  gap(NEVER);
}

function earliestEntry(b: Board, last: Stay, place: number): Minute {
  const direct = last.firm + b.c.shunt;
  if (place !== last.place) return direct;
  // Back into the bay it was asked out of: only by way of the yard.
  return Math.max(last.to, last.firm) + 2 * b.c.shunt + 1;
}

/** Where the van goes between its last stay and an entry at `at`: straight on, or through the yard. */
function passage(b: Board, last: Stay, place: number, at: Minute): { leave: Minute; yard?: [Minute, Minute] } | undefined {
  const { shunt, yard } = b.c;
  const direct = at - shunt;
  if (place !== last.place && direct >= last.firm && direct <= last.to) return { leave: direct };
  if (last.place === yard) return undefined;
  if (place === yard) return { leave: last.to };
  const leave = Math.min(last.to, at - 2 * shunt - 1);
  if (leave < last.firm) return undefined;
  return { leave, yard: [leave + shunt, at - shunt] };
}

/** Whether a yard place is free throughout [from, to), not counting the builds named. */
export function yardFree(b: Board, from: Minute, to: Minute, without: readonly number[]): boolean {
  if (to <= from) return true;
  // The stays lie in the order of their begin: at each, those that have ended by then are dropped.
  const ends: Minute[] = [];
  let count = 0;
  for (const s of b.atPlace[b.c.yard]) {
    if (s.from >= to) break;
    if (s.to <= from || s.to <= s.from || without.includes(s.build)) continue;
    let n = 0;
    for (let k = 0; k < count; k++) if (ends[k] > s.from) ends[n++] = ends[k];
    ends[n] = s.to;
    count = n + 1;
    if (count >= b.c.yardPlaces) return false;
  }
  return true;
}

/** The van of another build that would have to leave a bay for an entry at this moment. */
function toEvict(b: Board, place: number, at: Minute, build: number): Stay | undefined {
  if (place === b.c.yard) return undefined;
  return b.atPlace[place].find((s) => s.build !== build && s.from <= at && s.to > at && b.hardEnd(s) <= at);
}

/** Extra costs of an option in minutes, or undefined when vans could not make way for it. */
export function moveCost(b: Board, job: Job, option: Option, fit: Fit, costs: { move: number; evict: number }): number | undefined {
  if (option.stay) return 0;
  const { place, to } = option.frame;
  const last = lastStay(b, job.build);
  const { shunt } = b.c;
  const staysOn = b.left[job.build] > 1;
  const at = fit.start;
  const evicted = toEvict(b, place, at, job.build);
  const leaves: number[] = [job.build];
  if (last) {
    const way = passage(b, last, place, at);
    if (!way) return undefined;
    if (way.yard && !yardFree(b, way.yard[0], way.yard[1], leaves)) return undefined;
    if (last.place === b.c.yard && evicted) {
      // The place it leaves is free from `leave` on; until then it still counts.
      if (!yardFreeWith(b, at + shunt, last, way.leave, evicted.build)) return undefined;
    } else if (evicted && !yardFree(b, at + shunt, b.kept[evicted.build]?.from ?? NEVER, [evicted.build])) return undefined;
  } else if (evicted && !yardFree(b, at + shunt, b.kept[evicted.build]?.from ?? NEVER, [evicted.build])) return undefined;
  if (place === b.c.yard) {
    const from = last && at > last.to + shunt ? last.to + shunt : at;
    if (!yardFree(b, from, NEVER, leaves)) return undefined;
  } else if (to !== NEVER && staysOn && !yardFree(b, to + shunt, NEVER, evicted ? [...leaves] : leaves)) return undefined;
  return (last ? costs.move : 0) + (evicted ? costs.evict : 0);
}

/** Yard check for an evicted van when the van that takes its bay comes out of the yard itself. */
function yardFreeWith(b: Board, from: Minute, leaving: Stay, leave: Minute, evicted: number): boolean {
  const was = leaving.to;
  leaving.to = leave;
  const ok = yardFree(b, from, b.kept[evicted]?.from ?? NEVER, [evicted]);
  leaving.to = was;
  return ok;
}

/** Books the stay that a van job needs. Call before `board.book`. */
export function bookStay(b: Board, job: Job, option: Option, p: Placed): void {
  const until = b.stillUntil(job, p);
  if (option.stay) option.stay.firm = Math.max(option.stay.firm, until);
  else enter(b, job, option, p.start, until);
  b.left[job.build]--;
  if (b.left[job.build] === 0) b.close(job.build);
}

function enter(b: Board, job: Job, option: Option, at: Minute, until: Minute): void {
  const { shunt, yard } = b.c;
  const { place, to } = option.frame;
  const build = job.build;
  const last = lastStay(b, build);
  let from = at;
  if (last) {
    const way = passage(b, last, place, at)!;
    const kept = b.kept[build];
    if (kept) b.dropAtPlace(kept);
    b.kept[build] = undefined;
    last.to = way.leave;
    last.firm = Math.min(last.firm, way.leave);
    if (way.yard) b.addStay({ build, place: yard, from: way.yard[0], to: way.yard[1], firm: way.yard[0] });
    if (place === yard) from = way.leave + shunt;
  }
  const evicted = toEvict(b, place, at, build);
  if (evicted) makeWay(b, evicted, at);
  const stay: Stay = { build, place, from, to, firm: until };
  b.addStay(stay);
  if (to !== NEVER && b.left[build] > 1) keepYard(b, build, to + shunt);
}

function makeWay(b: Board, stay: Stay, at: Minute): void {
  stay.to = at;
  keepYard(b, stay.build, at + b.c.shunt);
}

function keepYard(b: Board, build: number, from: Minute): void {
  const old = b.kept[build];
  if (old) b.dropAtPlace(old);
  const kept: Stay = { build, place: b.c.yard, from, to: NEVER, firm: from };
  b.kept[build] = kept;
  b.insertAtPlace(kept);
}
