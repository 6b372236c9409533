// The state of a plan while it is built: who is busy when, where each van stands, what is placed.

import { OpenSet, type Stretch } from "../time/openset";
import type { Minute } from "../time/zone";
import { BENCH, type Compiled, type Job } from "./compile";
import { holdEnd } from "./hold-end";
import { cutWork, lengthOf, stretched } from "./part";
import { addUse, keptUntil, type ToolUse } from "./tools";

/** A van's time at one place. Until a later stay closes it, `to` is open and only [from, firm) is really needed. */
export interface Stay {
  build: number;
  place: number;
  from: Minute;
  /** End; Infinity while nobody else asks for the place and nothing follows. */
  to: Minute;
  /** Last minute that work or a hold needs the van here. */
  firm: Minute;
}

export interface Placed {
  start: Minute;
  end: Minute;
  /** For started work: from when it goes on. */
  from: Minute;
  work: Stretch[];
  place: number;
  crew: number[];
  holdUntil: Minute;
  /** What it books, by crew member; made once and shared by all boards that hold this very placement. */
  booked?: Busy[][];
}

export interface Busy {
  from: Minute;
  to: Minute;
  job: number;
  /** Minutes of the fitter's own hours before `from` and before `to`: gaps between two are measured without a search. */
  openFrom: number;
  openTo: number;
}

/** What of a job's work its k-th crew member is there for: all of it, or a helper's part. */
export function workOf(job: Job, k: number, work: readonly Stretch[]): readonly Stretch[] {
  const part = job.partial ? job.demands[k]?.part : undefined;
  if (!part) return work;
  return cutWork(work, job.slow ? stretched(part, job.minutes, lengthOf(work)) : part);
}

export class Board {
  readonly c: Compiled;
  readonly placed: (Placed | undefined)[];
  readonly busy: Busy[][];
  /** Who has which tool when, by its beginning. */
  readonly tools: ToolUse[][];
  readonly stays: Stay[][];
  /** All stays at a place, by start; the yard's hold also the places kept for vans that must leave a bay. */
  readonly atPlace: Stay[][];
  /** The yard place kept for a van that was asked out of its bay, should it not move on before. */
  readonly kept: (Stay | undefined)[];
  /** Van jobs of a build still to be placed. */
  readonly left: number[];
  /** Until when a van that stands in the workshop now can't move, by what is done already. */
  readonly firstFirm: Minute[];
  private readonly sets: Map<string, OpenSet>;
  /** Opening hours of crews with the same hours throughout, by place and condition. */
  private readonly plain: OpenSet[] = [];
  /** The same of crews of two kinds of hours. */
  private readonly mixed = new Map<number, OpenSet>();

  constructor(c: Compiled, sets?: Map<string, OpenSet>) {
    this.c = c;
    this.placed = new Array(c.jobs.length);
    this.busy = c.fitters.map(() => []);
    this.tools = c.tools.map(() => []);
    this.stays = c.builds.map(() => []);
    this.atPlace = c.places.map(() => []);
    this.kept = new Array(c.builds.length);
    this.left = c.builds.map((b) => b.jobs.filter((j) => c.jobs[j].van && !c.jobs[j].done).length);
    this.firstFirm = c.builds.map(() => c.now);
    this.sets = sets ?? new Map();
    this.settleFacts();
  }

  /** The cache of opening hours, to be shared by the boards of one search. */
  get cache(): Map<string, OpenSet> {
    return this.sets;
  }

  private settleFacts(): void {
    const { c } = this;
    for (const j of c.jobs)
      for (const ask of j.done ? j.tools : [])
        if (ask.held) addUse(this.tools[ask.tool], { from: j.done!.end, to: j.done!.end + j.hold, job: j.index, count: ask.count });
    for (const j of c.jobs)
      if (j.done)
        this.placed[j.index] = {
          start: j.done.start,
          end: j.done.end,
          from: j.done.start,
          work: [],
          place: j.done.place,
          crew: j.done.fitters,
          holdUntil: holdEnd(c, j.done.end, j.hold),
        };
    for (const b of c.builds) {
      if (b.at === undefined) continue;
      let firm = c.now;
      for (const i of b.jobs) {
        const j = c.jobs[i];
        if (j.done && j.van && (j.still || j.holdTempC !== undefined)) firm = Math.max(firm, j.done.end + j.hold);
      }
      this.firstFirm[b.index] = firm;
      const running = b.jobs.some((i) => c.jobs[i].done && c.jobs[i].van && c.jobs[i].done!.end + c.jobs[i].hold > c.now);
      if (this.left[b.index] === 0 && !running) continue;
      this.addStay({ build: b.index, place: b.at, from: c.now, to: Number.POSITIVE_INFINITY, firm });
      if (this.left[b.index] === 0) {
        const end = Math.max(...b.jobs.map((i) => (c.jobs[i].done && c.jobs[i].van ? c.jobs[i].done!.end + c.jobs[i].hold : c.now)));
        this.stays[b.index][0].firm = Math.max(firm, end);
        this.close(b.index);
      }
    }
  }

  addStay(stay: Stay): void {
    this.stays[stay.build].push(stay);
    this.insertAtPlace(stay);
  }

  insertAtPlace(stay: Stay): void {
    const list = this.atPlace[stay.place];
    let i = list.length;
    // Ties by build, so that the order does not depend on what was tried before.
    while (i > 0 && (list[i - 1].from > stay.from || (list[i - 1].from === stay.from && list[i - 1].build > stay.build))) i--;
    list.splice(i, 0, stay);
  }

  dropAtPlace(stay: Stay): void {
    const list = this.atPlace[stay.place];
    const i = list.indexOf(stay);
    if (i >= 0) list.splice(i, 1);
  }

  /** Ends a build's last stay when nothing more will be done on the van. */
  close(build: number): void {
    const last = this.stays[build][this.stays[build].length - 1];
    if (last) last.to = last.firm;
    const kept = this.kept[build];
    if (kept) this.dropAtPlace(kept);
    this.kept[build] = undefined;
  }

  /** How much of a stay others must respect: all of it once closed, only what is needed while open. */
  hardEnd(stay: Stay): Minute {
    const last = this.stays[stay.build][this.stays[stay.build].length - 1];
    return stay === last ? stay.firm : stay.to;
  }

  /**
   * Opening hours of a crew at a place under a job's conditions: the minutes in which the job would work.
   * They depend on the hours of place and people alone, so that alike crews in alike places share one set.
   */
  hours(job: Job, place: number, crew: readonly number[]): OpenSet {
    const { fitters } = this.c;
    const cond = this.conditions(job, place);
    const base = (place === BENCH ? 0 : this.c.places[place].openClass) * 8 * this.c.gates.length + cond;
    let people = -1;
    let more: number[] | undefined;
    for (const f of crew) {
      const k = fitters[f].openClass;
      if (people === -1) people = k;
      else if (k !== people && !more?.includes(k)) more = [...(more ?? [people]), k];
    }
    if (!more) {
      const at = base * (fitters.length + 1) + people + 1;
      this.plain[at] ??= this.set(`${base}/${people}`, place, cond, crew);
      return this.plain[at];
    }
    const crews = fitters.length + 1;
    const pair = more.length === 2 ? (base * crews + Math.min(more[0], more[1])) * crews + Math.max(more[0], more[1]) : -1;
    const known = this.mixed.get(pair);
    if (known) return known;
    const set = this.set(`${base}/${more.sort((a, b) => a - b).join(",")}`, place, cond, crew);
    if (pair >= 0) this.mixed.set(pair, set);
    return set;
  }

  /** The same for one fitter alone. */
  hoursOf(job: Job, place: number, fitter: number): OpenSet {
    const { fitters, places } = this.c;
    const base = (place === BENCH ? 0 : places[place].openClass) * 8 * this.c.gates.length + this.conditions(job, place);
    return this.plain[base * (fitters.length + 1) + fitters[fitter].openClass + 1] ?? this.hours(job, place, [fitter]);
  }

  /** Which windows of the day and the weather bind a job at a place: dry 1, light 2, noise 4; above that, its machines. */
  private conditions(job: Job, place: number): number {
    const own = (job.noisy ? 4 : 0) | (job.gate << 3);
    if (place === BENCH) return own;
    const p = this.c.places[place];
    return (job.dry && !p.indoor ? 1 : 0) | (job.daylight && !p.lit ? 2 : 0) | own;
  }

  private set(key: string, place: number, cond: number, crew: readonly number[]): OpenSet {
    let set = this.sets.get(key);
    if (!set) {
      set = this.makeHours(place, cond, crew);
      this.sets.set(key, set);
    }
    return set;
  }

  private makeHours(place: number, cond: number, crew: readonly number[]): OpenSet {
    const { c } = this;
    let set = crew.length ? c.fitters[crew[0]].open : c.shop;
    const seen = new Set([crew.length ? c.fitters[crew[0]].openClass : -1]);
    for (const f of crew) {
      if (seen.has(c.fitters[f].openClass)) continue;
      seen.add(c.fitters[f].openClass);
      set = set.and(c.fitters[f].open);
    }
    if (place !== BENCH && c.places[place].openClass !== 0) set = set.and(c.places[place].open);
    if (cond & 1) set = set.and(c.dry);
    if (cond & 2) set = set.and(c.light);
    if (cond & 4 && c.noise) set = set.and(c.noise);
    const gate = c.gates[cond >> 3];
    if (gate) set = set.and(gate);
    return set.and(new OpenSet([[c.now, c.horizon]]));
  }

  /** The first busy stretch of a fitter that touches the work; undefined when they are free for all of it. */
  clash(fitter: number, work: readonly Stretch[]): Busy | undefined {
    const list = this.busy[fitter];
    if (!list.length || !work.length) return undefined;
    let lo = 0;
    let hi = list.length;
    const from = work[0][0];
    while (lo < hi) {
      const mid = (lo + hi) >>> 1;
      if (list[mid].to > from) hi = mid;
      else lo = mid + 1;
    }
    let w = 0;
    for (let i = lo; i < list.length && w < work.length; ) {
      if (work[w][1] <= list[i].from) w++;
      else if (list[i].to <= work[w][0]) i++;
      else return list[i];
    }
    return undefined;
  }

  /** Books a job: crew and record. Stays are the business of `stays.ts`. */
  book(job: Job, p: Placed): void {
    this.placed[job.index] = p;
    for (const ask of job.tools)
      addUse(this.tools[ask.tool], {
        from: job.started ? this.c.now : p.start,
        to: keptUntil(ask, p.end, job.hold),
        job: job.index,
        count: ask.count,
      });
    p.booked ??= p.crew.map((f, k) => {
      const { open } = this.c.fitters[f];
      return workOf(job, k, p.work).map(([from, to]) => ({ from, to, job: job.index, openFrom: open.upTo(from), openTo: open.upTo(to) }));
    });
    for (let k = 0; k < p.crew.length; k++) {
      const list = this.busy[p.crew[k]];
      for (const busy of p.booked[k]) {
        if (!list.length || list[list.length - 1].from <= busy.from) {
          list.push(busy);
          continue;
        }
        let lo = 0;
        let hi = list.length;
        while (lo < hi) {
          const mid = (lo + hi) >>> 1;
          if (list[mid].from > busy.from) hi = mid;
          else lo = mid + 1;
        }
        list.splice(lo, 0, busy);
      }
    }
  }

  /** Takes a job's crew booking back (its stay remains). */
  unbook(job: number): void {
    const p = this.placed[job];
    if (!p) return;
    // What it booked stands together in each list as far as the job is not paused: from the first to the last of it.
    for (let k = 0; k < p.crew.length; k++) {
      const own = p.booked![k];
      if (!own.length) continue;
      const list = this.busy[p.crew[k]];
      let lo = 0;
      let hi = list.length;
      while (lo < hi) {
        const mid = (lo + hi) >>> 1;
        if (list[mid].from < own[0].from) lo = mid + 1;
        else hi = mid;
      }
      let keep = lo;
      let left = own.length;
      let i = lo;
      for (; i < list.length && left > 0; i++) {
        if (list[i].job === job) left--;
        else list[keep++] = list[i];
      }
      if (keep < i) list.splice(keep, i - keep);
    }
    for (const { tool } of this.c.jobs[job].tools) {
      const list = this.tools[tool];
      const i = list.findIndex((u) => u.job === job);
      if (i >= 0) list.splice(i, 1);
    }
    this.placed[job] = undefined;
  }

  /** Until when the van must stay where it is because of this job. */
  stillUntil(job: Job, p: { end: Minute; holdUntil: Minute }): Minute {
    return job.still || job.holdTempC !== undefined ? p.holdUntil : p.end;
  }
}
