// The earliest start of one job at one place, with the crew that can do it; and what stands in the way before.

import type { OpenSet, Stretch } from "../time/openset";
import type { Minute } from "../time/zone";
import { type Board, workOf } from "./board";
import { clearFrom } from "./clear";
import { BENCH, type Job } from "./compile";
import { matchCrew, seated } from "./crew";
import { holdEnd } from "./hold-end";
import type { WhyKind } from "./model";
import { cutWork, lengthOf, type Part, stretched } from "./part";
import { minutesWith } from "./slow";
import { ticketLasts } from "./tickets";
import { toolConflict } from "./tools";
import { coldAt, hotAt } from "./warm";

export interface Conflict {
  kind: WhyKind;
  /** Index of the job that stands in the way, where one does. */
  job?: number;
  fitter?: number;
  tool?: number;
  /** No start before this can do away with the conflict. */
  until: Minute;
}

export interface Fit {
  start: Minute;
  end: Minute;
  work: Stretch[];
  crew: number[];
}

export interface Frame {
  place: number;
  /** The van stands at the place from … */
  from: Minute;
  /** … to; the job, and a hold that binds the van, end by then. */
  to: Minute;
}

const NEVER = Number.POSITIVE_INFINITY;

/** The conflict of a job at a start with everything but its crew's other work; undefined when there is none. */
export function jobConflict(
  b: Board,
  job: Job,
  frame: Frame,
  hours: OpenSet,
  start: Minute,
  end: Minute,
  work: readonly Stretch[],
): Conflict | undefined {
  const { c } = b;
  if (end > c.horizon) return { kind: "calendar", until: NEVER };
  if (job.sameDay) {
    const day = c.zone.dayOf(job.started ? work[0][0] : start);
    if (c.zone.dayOf(end - 1) !== day) return { kind: "same-day", until: c.zone.dayStart(day + 1) };
  }
  const parts = job.partial ? job.demands.flatMap((d, k) => (d.part ? workOf(job, k, work) : [])) : [];
  for (const [from, to] of c.repeated)
    for (const [a, z] of parts.length ? [...work, ...parts] : work) {
      const edge = a >= from && a < to ? a : z >= from && z < to ? z : undefined;
      if (edge !== undefined) return { kind: "calendar", until: edge === a ? to : start + 1 };
    }
  if (job.tools.length) {
    const busy = toolConflict(b.tools, (t) => c.tools[t].pieces, job, start, end);
    if (busy) return { kind: "tool", ...busy };
  }
  return job.van ? vanConflict(b, job, frame, hours, start, end, work) : undefined;
}

function vanConflict(
  b: Board,
  job: Job,
  frame: Frame,
  hours: OpenSet,
  start: Minute,
  end: Minute,
  work: readonly Stretch[],
): Conflict | undefined {
  const { c } = b;
  const build = c.builds[job.build];
  const place = c.places[frame.place];
  const holdOver = holdEnd(c, end, job.hold);
  if (Math.max(end, job.still || job.holdTempC !== undefined ? holdOver : end) > frame.to) return { kind: "bay", until: NEVER };
  if (place.tempC === undefined) {
    const cold = job.minTempC === undefined ? undefined : firstTouch(coldAt(c, place, "mean", job.minTempC + job.lagC), work);
    if (cold !== undefined) return { kind: "temperature", until: cold };
    const hot = job.maxTempC === undefined ? undefined : firstTouch(hotAt(c, place, job.maxTempC), work);
    if (hot !== undefined) return { kind: "temperature", until: hot };
    if (job.holdTempC !== undefined && job.hold > 0) {
      const low = firstTouch(coldAt(c, place, "low", job.holdTempC + job.lagC), [[end, holdOver]]);
      if (low !== undefined) return { kind: "temperature", until: Math.max(start + 1, hours.startFor(low, hours.minutes(start, end))) };
    }
  }
  if (job.maxWindMs !== undefined && !place.indoor) {
    const windy = firstTouch(c.windy(job.maxWindMs), work);
    if (windy !== undefined) return { kind: "wind", until: windy };
  }
  // Work that opens the skin is sealed within one dry stretch: rain in between would find it open.
  if (job.sameDay && job.dry && !place.indoor && !job.started) {
    const i = c.dry.indexAt(start);
    if (i < c.dry.size && c.dry.from[i] <= start && c.dry.to[i] < end)
      return { kind: "dry", until: i + 1 < c.dry.size ? c.dry.from[i + 1] : NEVER };
  }
  const spanFrom = job.started ? c.now : start;
  for (const row of build.near[job.row]) {
    const k = build.jobs[row];
    const p = b.placed[k];
    if (!p) continue;
    // What is over, holds and all, before this begins, and what begins after all of this, is no matter.
    if (p.holdUntil <= spanFrom || p.start >= Math.max(end, holdOver)) continue;
    const other = c.jobs[k];
    const otherFrom = other.started ? c.now : p.start;
    if (!other.done && build.meets[job.row * build.n + other.row] && otherFrom < end && p.end > spanFrom)
      return { kind: "zone", job: k, until: p.end };
    if (other.hold > 0 && build.keepsOff[other.row * build.n + job.row] && p.end < end && p.holdUntil > spanFrom)
      return { kind: "hold", job: k, until: p.holdUntil };
    if (job.hold > 0 && !other.done && build.keepsOff[job.row * build.n + other.row] && otherFrom < holdOver && p.end > end)
      return { kind: "hold", job: k, until: Math.max(start + 1, hours.startFor(p.end, hours.minutes(start, end))) };
  }
  return job.inside ? insideConflict(b, job, hours, start, work) : undefined;
}

/** End of the first stretch of the set that the work touches. */
function firstTouch(set: OpenSet, work: readonly Stretch[]): Minute | undefined {
  for (const [a, z] of work) {
    const i = set.indexAt(a);
    if (i < set.size && set.from[i] < z) return set.to[i];
  }
  return undefined;
}

interface Aboard {
  from: Minute;
  to: Minute;
  n: number;
  job: number;
}

/** Who of a job is inside when: everybody in their own stretches, so that a helper counts only while there. */
function aboard(job: Job, seats: number, work: readonly Stretch[]): Aboard[] {
  if (!job.partial) return work.map(([from, to]) => ({ from, to, n: seats, job: job.index }));
  const out: Aboard[] = [];
  for (let k = 0; k < seats; k++) for (const [from, to] of workOf(job, k, work)) out.push({ from, to, n: 1, job: job.index });
  return out;
}

const manyAt = (list: readonly Aboard[], t: Minute): number => list.reduce((n, x) => (x.from <= t && t < x.to ? n + x.n : n), 0);

/** From when a job can begin so that those of its crew who are inside at `t` come in once there is room. */
function roomFrom(job: Job, hours: OpenSet, work: readonly Stretch[], t: Minute, room: Minute): Minute {
  if (!job.partial) return room;
  const coming = job.demands.flatMap((d, k) => (d.part && workOf(job, k, work).some(([a, z]) => a <= t && t < z) ? [k] : []));
  // Whoever of them comes in last lets it begin first.
  const [first] = coming.map((k) => freeFrom(job, k, hours, work[0][0], room, lengthOf(work))).sort((x, y) => x - y);
  return first ?? room;
}

function insideConflict(b: Board, job: Job, hours: OpenSet, start: Minute, work: readonly Stretch[]): Conflict | undefined {
  const { c } = b;
  const build = c.builds[job.build];
  if (job.aboard > build.insideCrew) return { kind: "inside-crew", until: NEVER };
  const others: Aboard[] = [];
  const end = work.length ? work[work.length - 1][1] : start;
  const beside: number[] = [];
  let most = job.aboard;
  for (const k of build.inside) {
    const p = b.placed[k];
    if (!p || p.end <= start || p.start >= end || k === job.index) continue;
    beside.push(k);
    most += p.crew.length;
  }
  // All of them at once would still have room.
  if (most <= build.insideCrew) return undefined;
  for (const k of beside) {
    const p = b.placed[k]!;
    for (const o of aboard(c.jobs[k], p.crew.length, p.work)) if (work.some(([a, z]) => a < o.to && z > o.from)) others.push(o);
  }
  if (others.length === 0) return undefined;
  const own = aboard(job, job.demands.length, work);
  // How many are inside only rises where somebody comes in.
  for (const { from: t } of [...others, ...own]) {
    const mine = manyAt(own, t);
    if (!mine || mine + manyAt(others, t) <= build.insideCrew) continue;
    const here = others.filter((o) => o.from <= t && t < o.to);
    if (!here.length) continue;
    const first = here.reduce((x, o) => (o.to < x.to ? o : x));
    return { kind: "inside-crew", job: first.job, until: Math.max(start + 1, roomFrom(job, hours, work, t, first.to)) };
  }
  return undefined;
}

/** From when a job can begin so that its k-th crew member, busy until then, is there when needed: a helper comes later. */
function freeFrom(job: Job, k: number, hours: OpenSet, start: Minute, until: Minute, minutes: number): Minute {
  const part = job.partial ? job.demands[k]?.part : undefined;
  if (!part || part[0] === 0) return until;
  return Math.max(start + 1, hours.startFor(hours.next(until), stretched(part, job.minutes, minutes)[0]));
}

type Probed = { conflict: Conflict } | { fit: Fit };

/**
 * The conflict of a crew at exactly this start (other work, ticket, rules of the job), or the fit.
 * `start` must be an open minute of the crew's hours.
 */
export function probe(b: Board, job: Job, frame: Frame, crew: readonly number[], start: Minute): Probed {
  const hours = b.hours(job, frame.place, crew);
  const begin = hours.next(start);
  if (begin === NEVER) return { conflict: { kind: "calendar", until: NEVER } };
  if (begin !== start) return { conflict: { kind: "calendar", until: begin } };
  const seats = seated(job, crew);
  const minutes = minutesWith(job, seats);
  const end = hours.after(start, minutes);
  if (end === NEVER) return { conflict: { kind: "calendar", until: NEVER } };
  const work = hours.within(start, end);
  for (let k = 0; k < seats.length; k++) {
    const busy = b.clash(seats[k], workOf(job, k, work));
    if (busy)
      return { conflict: { kind: "fitter", fitter: seats[k], job: busy.job, until: freeFrom(job, k, hours, start, busy.to, minutes) } };
  }
  const conflict = jobConflict(b, job, frame, hours, start, end, work);
  if (conflict) return { conflict };
  return { fit: { start, end, work, crew: [...seats] } };
}

/** The earliest fit of a given crew, at or after `lower`; undefined when there is none. */
export function earliestWith(
  b: Board,
  job: Job,
  frame: Frame,
  crew: readonly number[],
  lower: Minute,
  seen?: (c: Conflict) => void,
): Fit | undefined {
  let t = Math.max(lower, frame.from);
  while (t < NEVER) {
    const r = probe(b, job, frame, crew, t);
    if ("fit" in r) return r.fit;
    seen?.(r.conflict);
    t = Math.max(r.conflict.until, t + 1);
  }
  return undefined;
}

/**
 * What is known of one job by what was asked for other places: when each candidate could do it alone, by the hours there, and from
 * when other work on the van lets it begin. Good for one look at one job, as long as nothing is booked.
 */
export class Alone {
  readonly by = new Map<OpenSet, AloneAt>();
  private from = NEVER;
  private to = -1;

  /** As `clearFrom`. */
  clear(b: Board, job: Job, t: Minute): Minute {
    if (t < this.from || t > this.to) {
      this.to = clearFrom(b, job, t);
      this.from = t;
    }
    return this.to;
  }
}

interface AloneAt {
  free: number[];
  asked: number[];
  /** From the moment `since` on, a crew is together at `crew` at the soonest. */
  since: Minute;
  crew: Minute;
}

/** No crew of a job can start at a place before this, as far as earlier looks tell. */
export function soonestCrew(b: Board, job: Job, frame: Frame, lower: Minute, known: Alone): Minute {
  const from = Math.max(lower, frame.from);
  if (!job.candidates.length) return from;
  const m = known.by.get(b.hoursOf(job, frame.place, job.candidates[0]));
  return m && m.since <= from ? Math.max(from, m.crew) : from;
}

/** Before any minute; a fraction, so that the list is one of doubles from the beginning. */
const NOT_YET = -0.5;

/** Plain lists: thousands of short typed ones would each have memory of their own to be given back. */
function filled(n: number, value: number): number[] {
  const out: number[] = [];
  for (let i = 0; i < n; i++) out.push(value);
  return out;
}

function remembered(known: Alone, hours: OpenSet, n: number): AloneAt {
  let m = known.by.get(hours);
  if (!m) {
    m = { free: filled(n, NOT_YET), asked: filled(n, NEVER), since: NEVER, crew: 0 };
    known.by.set(hours, m);
  }
  return m;
}

/** The earliest fit of any crew that the job's demands allow; `must` are fitters that have to be in it. */
export function earliest(
  b: Board,
  job: Job,
  frame: Frame,
  lower: Minute,
  latest: Minute = NEVER,
  must: readonly number[] = [],
  known: Alone = new Alone(),
): Fit | undefined {
  if (job.demands.length === 0) {
    const fit = earliestWith(b, job, frame, [], lower);
    return fit && fit.start <= latest ? fit : undefined;
  }
  const n = job.candidates.length;
  const memory = n ? remembered(known, b.hoursOf(job, frame.place, job.candidates[0]), n) : { free: [], asked: [], since: NEVER, crew: 0 };
  const { free, asked } = memory;
  const ticketed = job.demands.some((d) => d.ticket);
  // Where one person is enough and any will do, the first who is free is tried before the others are looked at.
  const plain = job.demands.length === 1 && !must.length && !job.slow && !job.published;
  // All that is found out holds for every start from the first one asked for.
  const first = Math.max(lower, frame.from);
  let t = known.clear(b, job, first);
  while (t <= latest && t < frame.to) {
    // When each candidate, taken alone, could do it from t on.
    let soonest = NEVER;
    let tried: Probed | undefined;
    for (let i = 0; i < n; i++) {
      if (free[i] < t || asked[i] > t) {
        const part = job.parts[i];
        free[i] = part ? helperFrom(b, job, frame, job.candidates[i], t, part) : aloneFrom(b, job, frame, job.candidates[i], t);
        asked[i] = t;
      }
      if (free[i] < soonest) soonest = free[i];
      if (!plain || tried || free[i] !== t) continue;
      tried = probe(b, job, frame, [job.candidates[i]], t);
      if (!("fit" in tried) || !ticketLasts(b.c, job, 0, job.candidates[i], tried.fit.end)) continue;
      if (first < memory.since) {
        memory.since = first;
        memory.crew = t;
      }
      return tried.fit;
    }
    if (soonest === NEVER) return undefined;
    if (first < memory.since) {
      memory.since = first;
      memory.crew = crewTime(job, free);
    }
    if (soonest > t) {
      const later = crewTime(job, free);
      if (later === NEVER) return undefined;
      t = known.clear(b, job, later);
      continue;
    }
    const banned: number[] = [];
    // Places that a fitter, good for others of them, can't fill: the ticket asked there runs out too soon.
    const barred: [fitter: number, place: number][] = [];
    let next = NEVER;
    for (;;) {
      const crew = matchCrew(job, (f, i) => free[i] === t && !banned.includes(f), must, barred);
      if (!crew) break;
      const r: Probed = tried ?? probe(b, job, frame, crew, t);
      tried = undefined;
      if ("fit" in r) {
        const late = ticketed ? r.fit.crew.findIndex((f, k) => !ticketLasts(b.c, job, k, f, r.fit.end)) : -1;
        if (late < 0) return r.fit.start <= latest ? r.fit : undefined;
        barred.push([r.fit.crew[late], late]);
        continue;
      }
      if (r.conflict.kind === "fitter") {
        banned.push(r.conflict.fitter!);
        next = Math.min(next, r.conflict.until);
        continue;
      }
      if (r.conflict.kind === "bay") return undefined;
      next = Math.min(next, r.conflict.until);
      if (r.conflict.until === NEVER && job.candidates.length > job.demands.length && r.conflict.kind === "calendar") {
        banned.push(crew[0]);
        continue;
      }
      break;
    }
    for (let i = 0; i < n; i++) {
      if (free[i] > t && free[i] < next) next = free[i];
    }
    if (next === NEVER) return undefined;
    t = known.clear(b, job, Math.max(next, t + 1));
  }
  return undefined;
}

/** Smallest time by which as many candidates as the job has demands have come free, each demand having one at least. */
function crewTime(job: Job, free: readonly number[]): Minute {
  // The k-th smallest, k being the number of demands: few, so each is looked for in turn.
  let t = Number.NEGATIVE_INFINITY;
  let taken = 0;
  for (let need = Math.min(job.demands.length, free.length); taken < need; ) {
    let next = NEVER;
    let same = 0;
    for (let i = 0; i < free.length; i++) {
      if (free[i] <= t && taken > 0) continue;
      if (free[i] < next) {
        next = free[i];
        same = 1;
      } else if (free[i] === next) same++;
    }
    t = next;
    taken += same;
    if (next === NEVER) need = 0;
  }
  if (job.demands.length > free.length) return NEVER;
  for (const d of job.demands) {
    let first = NEVER;
    for (const i of d.candidates) if (free[i] < first) first = free[i];
    t = Math.max(t, first);
  }
  return t;
}

/**
 * When a fitter, taken alone, could do the job from `lower` on. Walks the gaps between what they are
 * booked for; a gap that is too short by the fitter's own hours is passed over without a look at the place's.
 */
function aloneFrom(b: Board, job: Job, frame: Frame, fitter: number, lower: Minute): Minute {
  const hours = b.hoursOf(job, frame.place, fitter);
  const list = b.busy[fitter];
  const open = b.c.fitters[fitter].open;
  let lo = 0;
  let hi = list.length;
  while (lo < hi) {
    const mid = (lo + hi) >>> 1;
    if (list[mid].to > lower) hi = mid;
    else lo = mid + 1;
  }
  let t = lower;
  let openT = -1;
  for (let i = lo; ; i++) {
    const next = i < list.length ? list[i] : undefined;
    if (next && next.from <= t) {
      t = next.to;
      openT = next.openTo;
      continue;
    }
    if (next && openT < 0) openT = open.upTo(t);
    if (!next || next.openFrom - openT >= job.minutes) {
      const at = hours.next(t);
      if (at === NEVER) return NEVER;
      if (!next) return hours.after(at, job.minutes) === NEVER ? NEVER : at;
      if (at < next.from) {
        const end = hours.after(at, job.minutes);
        if (end === NEVER) return NEVER;
        // Booked time that the job would have to work through: not when the place is closed then.
        if (end <= next.from || !b.clash(fitter, hours.within(at, end))) return at;
      }
    }
    t = next.to;
    openT = next.openTo;
  }
}

/** When a fitter who can only help with a part of the job could be there for it: the job begins as long before as it takes. */
function helperFrom(b: Board, job: Job, frame: Frame, fitter: number, lower: Minute, part: Part): Minute {
  const hours = b.hoursOf(job, frame.place, fitter);
  let t = hours.next(lower);
  // Where the others may be slow, the part comes as late as they are: asked of whole crews only.
  if (job.slow) return t;
  while (t !== NEVER) {
    const end = hours.after(t, job.minutes);
    if (end === NEVER) return NEVER;
    const busy = b.clash(fitter, cutWork(hours.within(t, end), part));
    if (!busy) return t;
    const next = part[0] === 0 ? busy.to : hours.startFor(hours.next(busy.to), part[0]);
    t = hours.next(Math.max(next, t + 1));
  }
  return NEVER;
}

export const benchFrame: Frame = { place: BENCH, from: Number.NEGATIVE_INFINITY, to: NEVER };
