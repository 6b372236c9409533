// Steps of the search that cost what they touch: some jobs are taken out of the plan at hand and laid again among all that
// stays, and put back as they were when that gains nothing. Two kinds: with the van's stays as they are, or with the
// stays of a build or two opened from some moment on and decided anew with its jobs.

import type { Minute } from "../time/zone";
import type { Board, Placed, Stay } from "./board";
import type { Compiled, Job } from "./compile";
import { Alone, benchFrame, earliest, type Fit, soonestCrew } from "./fit";
import { earliestByLinks } from "./generate";
import { holdEnd } from "./hold-end";
import { bookStay, entriesFor, moveCost, type Option, soonestFirst, standsFor, staysFor, yardFree } from "./stays";
import { ticketGone } from "./tickets";

const NEVER = Number.POSITIVE_INFINITY;

export interface Costs {
  move: number;
  evict: number;
}

/** What it takes to put a board back. */
export interface Undo {
  jobs: Map<number, Placed>;
  /** By build: its stays with their times as they were. */
  builds: [number, { stay: Stay; from: Minute; to: Minute; firm: Minute }[]][];
}

/** Followers that are placed and, by this placement, start too early. */
export function tooEarly(b: Board, job: Job, p: { end: Minute; holdUntil: Minute }): number[] {
  const { jobs, shop } = b.c;
  const out: number[] = [];
  for (const f of job.followers) {
    const q = b.placed[f];
    if (!q || jobs[f].done || jobs[f].started || out.includes(f)) continue;
    for (const l of jobs[f].before) {
      if (l.job !== job.index) continue;
      const from = l.ignoreHold ? p.end : p.holdUntil;
      if (q.start < (l.working && l.lag > 0 ? shop.after(from, l.lag) : from + l.lag)) {
        out.push(f);
        break;
      }
    }
  }
  return out;
}

/** Takes jobs and the stays of `open` builds out; what has to be known to put them back. */
class Change {
  readonly undo: Undo = { jobs: new Map(), builds: [] };
  private readonly seen = new Set<number>();
  private readonly kept = new Map<number, Stay | undefined>();
  private readonly b: Board;

  constructor(b: Board) {
    this.b = b;
  }

  take(job: number): void {
    // A job may be laid and pushed again: it goes back to where it first was.
    const { b } = this;
    if (!this.undo.jobs.has(job)) this.undo.jobs.set(job, b.placed[job]!);
    b.unbook(job);
    // While its van's stays are open, all its van work is laid with them.
    const { van, build } = b.c.jobs[job];
    if (van && b.left[build] > 0) b.left[build]++;
  }

  remember(build: number): void {
    if (this.seen.has(build)) return;
    this.seen.add(build);
    this.kept.set(build, this.b.kept[build]);
    this.undo.builds.push([build, this.b.stays[build].map((stay) => ({ stay, from: stay.from, to: stay.to, firm: stay.firm }))]);
  }

  /** Keeps the yard place again that was kept for a van with open stays. */
  keptBack(build: number): void {
    const stay = this.kept.get(build);
    this.b.kept[build] = stay;
    if (stay) this.b.insertAtPlace(stay);
  }

  /** As it was. */
  back(): void {
    putBack(this.b, this.undo);
  }
}

/** Puts a board back to where it was before a step. */
export function putBack(b: Board, undo: Undo): void {
  for (const job of undo.jobs.keys()) b.unbook(job);
  for (const [build, stays] of undo.builds) {
    for (const s of b.stays[build]) b.dropAtPlace(s);
    const kept = b.kept[build];
    if (kept) b.dropAtPlace(kept);
    b.kept[build] = undefined;
    b.stays[build].length = 0;
    b.left[build] = 0;
    for (const { stay, from, to, firm } of stays) {
      stay.from = from;
      stay.to = to;
      stay.firm = firm;
      b.addStay(stay);
    }
  }
  for (const [job, p] of undo.jobs) b.book(b.c.jobs[job], p);
}

/** So many jobs may be pushed on behind those that a step is about. */
const PUSHED = 150;

/** Where a job would go; `book` puts it there. */
interface Found {
  fit: Fit;
  place: number;
  book: () => Placed;
}

/**
 * Lays the jobs taken out, by priority, each after those of them that it follows. Followers that now would start too
 * early are taken out too and laid behind. False: one can't be laid, or too many are pushed.
 */
function layAll(b: Board, change: Change, freed: Iterable<number>, priority: (job: number) => number, costs: Costs): boolean {
  const { jobs } = b.c;
  const open = new Map<number, number>();
  for (const j of freed) open.set(j, priority(j));
  let pushed = 0;
  while (open.size) {
    let next = -1;
    let least = Number.POSITIVE_INFINITY;
    for (const [j, p] of open)
      if ((p < least || (p === least && j < next)) && !jobs[j].before.some((l) => open.has(l.job))) [next, least] = [j, p];
    if (next < 0) return false;
    open.delete(next);
    const found = somewhere(b, jobs[next], change, costs);
    const job = jobs[next];
    if (!found && job.van && b.left[job.build] === 0) {
      // No room where its van stands: the van's further stays are decided anew.
      const own = b.c.builds[job.build].jobs.filter((j) => b.placed[j] && isFree(jobs[j]) && b.placed[j]!.end > earliestByLinks(b, job));
      pushed += own.length;
      for (const j of own) {
        open.set(j, b.placed[j]!.start);
        change.take(j);
      }
      change.remember(job.build);
      const left = [next, ...open.keys()].filter((j) => jobs[j].van && jobs[j].build === job.build).length;
      if (!openStays(b, job.build, left)) return false;
      // What was taken out may have to come first.
      open.set(next, Math.max(priority(next), earliestByLinks(b, job)));
      continue;
    }
    if (!found || pushed > PUSHED) return false;
    const p = found.book();
    for (const f of tooEarly(b, jobs[next], p)) {
      if (!isFree(jobs[f]) || ++pushed > PUSHED) return false;
      open.set(f, b.placed[f]!.start);
      change.take(f);
    }
  }
  return true;
}

const record = (c: Compiled, job: Job, fit: Fit, place: number): Placed => ({
  start: fit.start,
  end: fit.end,
  from: fit.start,
  work: fit.work,
  place,
  crew: fit.crew,
  holdUntil: holdEnd(c, fit.end, job.hold),
});

function bench(b: Board, job: Job): Found | undefined {
  if (job.pin?.place !== undefined && job.pin.place !== benchFrame.place) return undefined;
  const fit = earliest(b, job, benchFrame, earliestByLinks(b, job), NEVER, job.pin?.fitters);
  if (!fit || ticketGone(b.c, job, fit)) return undefined;
  return { fit, place: benchFrame.place, book: () => bookBench(b, job, fit) };
}

function bookBench(b: Board, job: Job, fit: Fit): Placed {
  const p = record(b.c, job, fit, benchFrame.place);
  b.book(job, p);
  return p;
}

/** Lays jobs again inside the stays that their vans have; the last stay may grow into free time. Undefined: it can't be done. */
export function relay(b: Board, freed: readonly number[], priority: (job: number) => number, costs: Costs): Undo | undefined {
  const change = new Change(b);
  for (const j of freed) change.take(j);
  if (layAll(b, change, freed, priority, costs)) return change.undo;
  change.back();
  return undefined;
}

function inStays(b: Board, job: Job, change: Change): Found | undefined {
  const stays = b.stays[job.build];
  const lower = earliestByLinks(b, job);
  let best: { fit: Fit; stay: Stay } | undefined;
  const known = new Alone();
  for (const stay of stays) {
    if (!job.places.includes(stay.place) || (job.pin?.place !== undefined && job.pin.place !== stay.place)) continue;
    const last = stay === stays[stays.length - 1];
    const frame = { place: stay.place, from: stay.from, to: last ? Math.max(stay.to, nextEntry(b, stay)) : stay.to };
    if (best && soonestCrew(b, job, frame, lower, known) + job.minutes > best.fit.end) continue;
    const fit = earliest(b, job, frame, lower, NEVER, job.pin?.fitters, known);
    if (!fit || ticketGone(b.c, job, fit)) continue;
    const until = b.stillUntil(job, { end: fit.end, holdUntil: holdEnd(b.c, fit.end, job.hold) });
    if (stay.place === b.c.yard && until > stay.to && !yardFree(b, stay.to, until, [job.build])) continue;
    if (!best || fit.end < best.fit.end) best = { fit, stay };
  }
  if (!best) return undefined;
  const { fit, stay } = best;
  return { fit, place: stay.place, book: () => bookInside(b, job, stay, fit, change) };
}

/** Books a job in a stay that the van has; a last stay grows where it must. */
function bookInside(b: Board, job: Job, stay: Stay, fit: Fit, change: Change): Placed {
  const p = record(b.c, job, fit, stay.place);
  const until = b.stillUntil(job, p);
  change.remember(job.build);
  if (b.left[job.build] > 0) bookStay(b, job, { frame: { place: stay.place, from: stay.from, to: stay.to }, stay }, p);
  else if (until > stay.to) {
    stay.to = until;
    stay.firm = until;
  }
  b.book(job, p);
  return p;
}

/** When the next van comes to the place of a stay; a yard place is asked for otherwise. */
function nextEntry(b: Board, stay: Stay): Minute {
  if (stay.place === b.c.yard) return NEVER;
  for (const s of b.atPlace[stay.place]) if (s.build !== stay.build && s.from >= stay.to) return s.from;
  return NEVER;
}

/**
 * Lays whole builds, or all of a build from its moment on, again: jobs and stays. `from` by build; work under way and
 * pinned starts stay. Undefined: it can't be done.
 */
export function reopen(b: Board, from: ReadonlyMap<number, Minute>, priority: (job: number) => number, costs: Costs): Undo | undefined {
  const change = new Change(b);
  const freed: number[] = [];
  for (const [build, at] of from) {
    const mine = b.c.builds[build].jobs.filter((j) => b.placed[j] && isFree(b.c.jobs[j]) && b.placed[j]!.start >= at);
    freed.push(...mine);
  }
  for (const j of freed) change.take(j);
  let possible = true;
  for (const build of from.keys()) {
    change.remember(build);
    possible &&= openStays(b, build, freed.filter((j) => b.c.jobs[j].van && b.c.jobs[j].build === build).length);
  }
  if (possible && layAll(b, change, freed, priority, costs)) return change.undo;
  change.back();
  return undefined;
}

/** With the van's stays where they are open, else inside them. */
const somewhere = (b: Board, job: Job, change: Change, costs: Costs): Found | undefined =>
  !job.van ? bench(b, job) : b.left[job.build] > 0 ? withStays(b, job, change, costs) : inStays(b, job, change);

/**
 * Lays jobs that were left out (`layKept`) around all that was kept. Followers that would start too early are pushed on.
 * Undefined: one can't be laid like this, and the board is as it was.
 */
export function layAside(b: Board, aside: readonly number[], priority: (job: number) => number, costs: Costs): (() => void) | undefined {
  const change = new Change(b);
  const left = [...b.left];
  for (const j of aside) change.remember(b.c.jobs[j].build);
  const back = () => {
    for (const j of aside) b.unbook(j);
    change.back();
    // One that was laid and pushed on again is known to the change, too: it was not there before.
    for (const j of aside) b.unbook(j);
    left.forEach((n, k) => {
      b.left[k] = n;
    });
    for (const [k] of change.undo.builds) change.keptBack(k);
  };
  if (layAll(b, change, aside, priority, costs)) return back;
  back();
  return undefined;
}

export const isFree = (job: Job): boolean => !job.done && !job.started && job.pin?.start === undefined;

/**
 * Drops the stays behind the last one that is still of use, and opens that one's end, for `left` van jobs to come. False:
 * no place to put the van.
 */
function openStays(b: Board, build: number, left: number): boolean {
  const { c } = b;
  const stays = b.stays[build];
  const own = c.builds[build].jobs;
  const van = own.filter((j) => c.jobs[j].van && b.placed[j] && !c.jobs[j].done);
  b.left[build] = left;
  if (b.left[build] === 0 || stays.length === 0) return true;
  let last = c.builds[build].at !== undefined ? 0 : -1;
  let firm = last === 0 ? b.firstFirm[build] : 0;
  stays.forEach((s, k) => {
    for (const j of van) {
      const p = b.placed[j]!;
      const begin = c.jobs[j].started ? c.now : p.start;
      if (p.place !== s.place || begin < s.from || p.end > s.to) continue;
      if (k > last) {
        last = k;
        firm = s.from;
      }
      if (k === last) firm = Math.max(firm, b.stillUntil(c.jobs[j], p));
    }
  });
  while (stays.length > last + 1) b.dropAtPlace(stays.pop()!);
  if (last < 0) return true;
  const stay = stays[last];
  stay.firm = firm;
  stay.to = NEVER;
  if (stay.place === c.yard) return yardFree(b, firm, NEVER, [build]);
  for (const s of b.atPlace[stay.place])
    if (s.build !== build && s.from >= firm) {
      stay.to = Math.min(stay.to, s.from);
      break;
    }
  if (stay.to === NEVER) return true;
  if (!yardFree(b, stay.to + c.shunt, NEVER, [build])) return false;
  const kept: Stay = { build, place: c.yard, from: stay.to + c.shunt, to: NEVER, firm: stay.to + c.shunt };
  b.kept[build] = kept;
  b.insertAtPlace(kept);
  return true;
}

function withStays(b: Board, job: Job, change: Change, costs: Costs): Found | undefined {
  const lower = earliestByLinks(b, job);
  let best: { fit: Fit; option: Option; score: number } | undefined;
  const known = new Alone();
  const place = job.pin?.place;
  const stands = standsFor(job);
  const look = (option: Option): void => {
    const until = best ? best.score - job.minutes : NEVER;
    if (soonestCrew(b, job, option.frame, lower, known) > Math.min(until, option.frame.to - stands)) return;
    const fit = earliest(b, job, option.frame, lower, until, job.pin?.fitters, known);
    if (!fit || ticketGone(b.c, job, fit)) return;
    const extra = moveCost(b, job, option, fit, costs);
    if (extra === undefined) return;
    const score = fit.end + extra;
    if (!best || score < best.score) best = { fit, option, score };
  };
  soonestFirst(staysFor(b, job, place, lower), lower).forEach(look);
  const inStay = best as { score: number } | undefined;
  soonestFirst(entriesFor(b, job, place, lower, inStay ? inStay.score - job.minutes : NEVER), lower).forEach(look);
  if (!best) return undefined;
  const { fit, option } = best;
  return {
    fit,
    place: option.frame.place,
    book: () => {
      const p = record(b.c, job, fit, option.frame.place);
      change.remember(job.build);
      bookStay(b, job, option, p);
      b.book(job, p);
      return p;
    },
  };
}
