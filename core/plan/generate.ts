// Serial schedule generation: jobs one after another, each at its earliest feasible start, in the order a priority rule gives.

import type { Minute } from "../time/zone";
import { Board, type Placed } from "./board";
import type { Compiled, Job } from "./compile";
import { Alone, benchFrame, earliest, earliestWith, type Fit, probe, soonestCrew } from "./fit";
import { holdEnd } from "./hold-end";
import { Queue, Sighted } from "./queue";
import { bookStay, entriesFor, moveCost, type Option, optionsFor, soonestFirst, standsFor, staysFor } from "./stays";
import { ticketGone } from "./tickets";

const NEVER = Number.POSITIVE_INFINITY;
/** Later than any start: a priority with this on top comes last. */
export const BEHIND = 1e10;

/** Minutes of delay that the published place is worth. */
const WANTED = 30;

export interface Rule {
  name: string;
  /** Lower is planned first, among the jobs that could start soonest. */
  priority: Float64Array;
  /** How far (minutes) beyond the soonest possible start a job may still compete. */
  window: number;
  /** Minutes of delay that a move, or asking another van out of a bay, is worth. */
  costs: { move: number; evict: number };
  /** By job: the start, place and crew that it tries first. */
  keep?: readonly (Keep | undefined)[];
  /**
   * What can't start as kept lets others go first, and makes do with the gaps, for this share of the time that is left to
   * its latest start.
   */
  waits?: { share: number; latest: Float64Array };
  /** Where that crew or place can't be had: hold on to the start before looking anywhere. */
  keepStart?: boolean;
  /** What can't be kept as it is stays out for the time being: all else is laid as if it were not there. */
  aside?: boolean;
  /** The van of what stays out stands where it would have stood, so that its stays are as they were kept. */
  holdsPlace?: boolean;
  /** Work pinned to a time is laid in its turn, by the time it is pinned to; else first of all, with what it waits for. */
  pinsInTurn?: boolean;
  /** Given up as soon as so many jobs do not stand as kept. */
  most?: number;
  /** A plan by a rule that differs in nothing but some priorities: taken over unseen for as long as the order is the same. */
  follow?: Laid;
}

/** What was laid, in which order. */
export interface Laid {
  order: readonly number[];
  placed: readonly (Placed | undefined)[];
}

export interface Keep {
  start: Minute;
  place: number;
  crew: readonly number[];
  /** The placement itself, out of a plan of this very order: taken over unseen while nothing else was placed before it. */
  placed?: Placed;
}

export interface Generated {
  board: Board;
  unplaced: Map<number, string>;
  pinsBroken: Map<number, string>;
  laid: Laid;
}

/** Builds a plan by one priority rule. Keeps every hard rule; what cannot be placed is returned with its reason. */
export function generate(c: Compiled, rule: Rule, cache?: Board["cache"]): Generated {
  return generateWithin(c, { ...rule, most: undefined }, cache)!;
}

/** The same; undefined where it moves more jobs than the rule allows. */
export function generateWithin(c: Compiled, rule: Rule, cache?: Board["cache"]): Generated | undefined {
  const run = new Run(c, new Board(c, cache), rule);
  run.all();
  return run.gaveUp ? undefined : run.finish();
}

/** Lays what can be kept by a rule with `aside`; the jobs left out, to be laid by the caller before `finish`. */
export function layKept(
  c: Compiled,
  rule: Rule,
  cache?: Board["cache"],
): { board: Board; aside: number[]; pinFailed: boolean; finish: () => Generated } {
  const board = new Board(c, cache);
  const run = new Run(c, board, rule);
  run.all();
  return { board, aside: run.aside, pinFailed: run.pinFailed, finish: () => run.finish() };
}

class Run {
  readonly unplaced = new Map<number, string>();
  readonly aside: number[] = [];
  /** What was laid so far, in its order. */
  private readonly order: number[] = [];
  pinFailed = false;
  /** So many jobs do not stand as kept. */
  private moved = 0;
  private readonly waiting: Int32Array;
  private readonly lower: Float64Array;
  private readonly urgent: Uint8Array;
  /** What has to be over, so that a pinned start behind it can be kept. */
  private readonly dueForPins: Float64Array;
  private readonly c: Compiled;
  private readonly b: Board;
  private readonly rule: Rule;
  /** So far only placements taken over: what follows in the same order still fits unseen. */
  private trusted = true;
  /** As long as the order is that of the plan it follows. */
  private following: boolean;

  constructor(c: Compiled, b: Board, rule: Rule) {
    this.c = c;
    this.b = b;
    this.rule = rule;
    this.waiting = new Int32Array(c.jobs.length);
    this.lower = new Float64Array(c.jobs.length);
    this.urgent = new Uint8Array(c.jobs.length);
    this.dueForPins = dueForPins(c);
    this.following = rule.follow !== undefined;
  }

  all(): void {
    const { c } = this;
    for (const j of c.jobs) this.waiting[j.index] = j.done || j.started ? 0 : j.before.length;
    this.placeStarted();
    // Work pinned to a time comes first, with all it waits for: else others would take its place.
    const mark = (i: number): void => {
      if (this.urgent[i]) return;
      this.urgent[i] = 1;
      for (const l of c.jobs[i].before) mark(l.job);
    };
    if (!this.rule.pinsInTurn) for (const j of c.jobs) if (j.pin?.start !== undefined && !j.done && !j.started) mark(j.index);

    // Where all that is ready is looked at, however late it could begin, its order is settled when it comes in.
    const far = this.rule.window === Number.POSITIVE_INFINITY;
    const urgent = new Queue();
    const all = new Queue();
    const near = new Sighted();
    const enter = (i: number) => {
      if (this.urgent[i]) urgent.push(i, this.key(i));
      else if (far) all.push(i, this.key(i));
      else near.push(i, this.key(i), this.lower[i]);
    };
    const ready = (i: number) => {
      this.lower[i] = earliestByLinks(this.b, c.jobs[i]);
      enter(i);
    };
    const waiting = () => urgent.size + all.size + near.size > 0;
    const settle = (i: number) => {
      for (const f of c.jobs[i].followers) {
        const job = c.jobs[f];
        if (job.done || job.started) continue;
        if (--this.waiting[f] === 0) ready(f);
      }
    };
    for (const j of c.jobs) {
      if (j.done || (j.started && this.b.placed[j.index])) settle(j.index);
      else if (!j.started && j.before.length === 0) ready(j.index);
    }
    let deferred: number[] = [];
    let progress = true;
    while (!this.gaveUp && (waiting() || (deferred.length && progress))) {
      if (!waiting()) {
        deferred.forEach(enter);
        deferred = [];
        progress = false;
      }
      const i = urgent.pop() ?? (far ? all.pop()! : near.pop(this.rule.window)!);
      if (this.follow(i) || this.place(c.jobs[i])) {
        this.order.push(i);
        progress = true;
        settle(i);
      } else deferred.push(i);
    }
  }

  /** What can't keep its place queues where it now could begin: else it would take the place of work that can. */
  private key(i: number): number {
    const p = this.rule.priority[i];
    // Set aside when its published start comes up: the jobs after it then keep their turn, and the vans stay where they were.
    if (!this.rule.keep || this.rule.holdsPlace || p >= this.lower[i]) return p;
    const { waits } = this.rule;
    return this.lower[i] + (waits ? waits.share * Math.max(0, waits.latest[i] - this.lower[i]) : 0);
  }

  private placeStarted(): void {
    const { c, b } = this;
    // Those that are still short of a helper come last: he is not to be one who is at work on something himself.
    const under = c.jobs.filter((j) => j.started).sort((x, y) => Number(x.started!.seeks) - Number(y.started!.seeks) || x.index - y.index);
    for (const j of under) {
      if (!j.started) continue;
      const stay = b.stays[j.build][0];
      const frame = j.van ? { place: j.started.place, from: c.now, to: NEVER } : benchFrame;
      const here = !j.van || stay?.place === j.started.place;
      const goesOn = () => (j.started!.seeks ? earliest(b, j, frame, c.now) : earliestWith(b, j, frame, j.started!.fitters, c.now));
      const fit = here ? goesOn() : undefined;
      const expired = fit && ticketGone(c, j, fit);
      if (!fit || expired) {
        this.unplaced.set(
          j.index,
          expired ? `the ${expired} ticket runs out before ${j.name} is over` : `${j.name} is under way but can't go on`,
        );
        if (j.van) this.drop(j.build);
        continue;
      }
      this.commit(j, { ...fit, start: j.started.start }, fit.start, j.van ? { frame, stay } : undefined);
    }
  }

  private drop(build: number): void {
    if (--this.b.left[build] === 0) this.b.close(build);
  }

  private commit(j: Job, fit: Fit, from: Minute, option: Option | undefined): void {
    const p: Placed = {
      start: fit.start,
      end: fit.end,
      from,
      work: fit.work,
      place: option ? option.frame.place : benchFrame.place,
      crew: fit.crew,
      holdUntil: holdEnd(this.b.c, fit.end, j.hold),
    };
    if (option) bookStay(this.b, j, option, p);
    this.b.book(j, p);
  }

  get gaveUp(): boolean {
    return this.rule.most !== undefined && this.moved > this.rule.most;
  }

  /** The same job at the same turn finds the same place. */
  private follow(i: number): boolean {
    if (!this.following) return false;
    const { order, placed } = this.rule.follow!;
    const p = order[this.order.length] === i ? placed[i] : undefined;
    this.following = p !== undefined && this.replay(this.c.jobs[i], p);
    return this.following;
  }

  private place(j: Job): boolean {
    const kept = this.rule.keep?.[j.index];
    const tooLate = kept && endOf(j, kept) > this.dueForPins[j.index];
    if (kept && !tooLate && j.pin?.start === undefined && this.tryKept(j, kept)) return true;
    this.trusted = false;
    this.moved++;
    // What would be too late for a pin is laid at once where pins come first: its pin is next.
    if (this.rule.aside && j.pin?.start === undefined && (!tooLate || this.rule.pinsInTurn)) {
      if (hopeless(this.c, j)) return false;
      this.aside.push(j.index);
      if (this.rule.holdsPlace && kept && j.van) this.standAsKept(j, kept);
      return true;
    }
    if (!j.pin) return this.tryPlace(j);
    const { start, place, fitters } = j.pin;
    if (this.tryPlace(j, start, place, fitters)) return true;
    this.pinFailed = true;
    const tries: [number | undefined, number | undefined, number[] | undefined][] = [
      [undefined, place, fitters],
      [start, undefined, fitters],
      [start, place, undefined],
      [undefined, undefined, fitters],
      [undefined, place, undefined],
      [undefined, undefined, undefined],
    ];
    // As near behind the time meant as can be; before it only where nothing else is left.
    const early = this.lower[j.index];
    this.lower[j.index] = Math.max(early, start ?? early);
    for (const t of tries) if (this.tryPlace(j, ...t)) return true;
    this.lower[j.index] = early;
    return this.tryPlace(j);
  }

  /** Exactly as kept; with `keepStart` else at least at that start, with another crew or elsewhere. */
  private tryKept(j: Job, k: Keep): boolean {
    if (k.start < this.lower[j.index]) return false;
    if (j.pin) {
      this.trusted = false;
      const fits = k.crew.length === j.demands.length && !j.pin.fitters?.some((f) => !k.crew.includes(f));
      return this.tryPlace(j, k.start, j.pin.place ?? (j.van ? k.place : undefined), fits ? [...k.crew] : j.pin.fitters);
    }
    if (this.trusted && k.placed && this.replay(j, k.placed)) return true;
    if (this.exactly(j, k)) return true;
    if (!this.rule.keepStart) return false;
    return this.tryPlace(j, k.start, undefined, [...k.crew]) || this.tryPlace(j, k.start);
  }

  /** Takes a placement over as it is. False when the van can't be there the same way. */
  private replay(j: Job, p: Placed): boolean {
    if (j.van) {
      const until = this.b.stillUntil(j, p);
      const stay = this.b.stays[j.build].find((s) => s.place === p.place && s.from <= p.start && until <= s.to);
      const option: Option | undefined = stay
        ? { frame: { place: p.place, from: stay.from, to: stay.to }, stay }
        : optionsFor(this.b, j, p.place).find((o) => !o.stay && o.frame.from <= p.start && p.start < o.frame.to);
      if (!option || moveCost(this.b, j, option, p, this.rule.costs) === undefined) return false;
      bookStay(this.b, j, option, p);
    }
    this.b.book(j, p);
    return true;
  }

  /** The van is there as if the job were done as kept. */
  private standAsKept(j: Job, k: Keep): void {
    const end = endOf(j, k);
    const as: Placed = { start: k.start, end, from: k.start, work: [], place: k.place, crew: [], holdUntil: holdEnd(this.c, end, j.hold) };
    const stands = (o: Option) =>
      o.frame.from <= k.start && k.start < o.frame.to && moveCost(this.b, j, o, as, this.rule.costs) !== undefined;
    const option = optionsFor(this.b, j, k.place, k.start).find(stands);
    if (option) bookStay(this.b, j, option, as);
    else this.drop(j.build);
  }

  /** One look at one start, place and crew. */
  private exactly(j: Job, k: Keep): boolean {
    if (k.crew.length !== j.demands.length) return false;
    const check = (r: ReturnType<typeof probe>): Fit | undefined => ("fit" in r && !ticketGone(this.c, j, r.fit) ? r.fit : undefined);
    if (!j.van) {
      const fit = check(probe(this.b, j, benchFrame, k.crew, k.start));
      if (fit) this.commit(j, fit, fit.start, undefined);
      return !!fit;
    }
    for (const option of optionsFor(this.b, j, k.place, k.start)) {
      if (option.frame.from > k.start || option.frame.to <= k.start) continue;
      const fit = check(probe(this.b, j, option.frame, k.crew, k.start));
      if (!fit || moveCost(this.b, j, option, fit, this.rule.costs) === undefined) continue;
      this.commit(j, fit, fit.start, option);
      return true;
    }
    return false;
  }

  private tryPlace(j: Job, pinStart?: Minute, pinPlace?: number, must?: number[]): boolean {
    const lower = pinStart === undefined ? this.lower[j.index] : pinStart;
    if (pinStart !== undefined && pinStart < this.lower[j.index]) return false;
    const latest = pinStart ?? NEVER;
    if (!j.van) {
      if (pinPlace !== undefined && pinPlace !== benchFrame.place) return false;
      const fit = earliest(this.b, j, benchFrame, lower, latest, must);
      if (!fit) return false;
      this.commit(j, fit, fit.start, undefined);
      return true;
    }
    let best: { fit: Fit; option: Option; score: number } | undefined;
    const known = new Alone();
    const moved = this.b.stays[j.build].length > 0 ? this.rule.costs.move : 0;
    const stands = standsFor(j);
    const look = (option: Option): void => {
      const wanted = j.published?.place === option.frame.place ? -WANTED : 0;
      const surcharge = wanted + scarcity(this.c, option.frame.place);
      // No fit can beat the best one when place and people come together too late, or the van has to move for it.
      const until = best ? Math.min(latest, best.score - j.minutes - surcharge - (option.stay ? 0 : moved) - 1) : latest;
      // Nor is there one where they come together too late for the van to be out again.
      if (soonestCrew(this.b, j, option.frame, lower, known) > Math.min(until, option.frame.to - stands)) return;
      const fit = earliest(this.b, j, option.frame, lower, until, must, known);
      if (!fit || (best && fit.end + surcharge >= best.score)) return;
      const extra = moveCost(this.b, j, option, fit, this.rule.costs);
      if (extra === undefined) return;
      const score = fit.end + extra + surcharge;
      if (!best || score < best.score) best = { fit, option, score };
    };
    soonestFirst(staysFor(this.b, j, pinPlace, lower), lower).forEach(look);
    const inStay = best as { score: number } | undefined;
    const until = inStay ? inStay.score - j.minutes - moved + (j.published ? WANTED : 0) : NEVER;
    soonestFirst(entriesFor(this.b, j, pinPlace, lower, until), lower).forEach(look);
    if (!best) return false;
    this.commit(j, best.fit, best.fit.start, best.option);
    return true;
  }

  /** Names the reasons of what is left, and takes out what hangs on it. */
  finish(): Generated {
    const { c, b } = this;
    for (const j of c.jobs)
      if (!b.placed[j.index] && !this.unplaced.has(j.index) && this.waiting[j.index] === 0)
        this.unplaced.set(j.index, whyUnplaced(b, j, this.lower[j.index]));
    let changed = this.unplaced.size > 0;
    while (changed) {
      changed = false;
      for (const j of c.jobs) {
        if (this.unplaced.has(j.index) || j.done || j.started) continue;
        const missing = [...j.before.map((l) => l.job), ...j.covers].find((x) => this.unplaced.has(x));
        if (missing === undefined) continue;
        this.unplaced.set(j.index, `follows ${c.jobs[missing].name}, which can't be placed`);
        b.unbook(j.index);
        changed = true;
      }
    }
    for (const build of c.builds)
      if (b.left[build.index] > 0) {
        b.left[build.index] = 0;
        b.close(build.index);
      }
    return {
      board: b,
      unplaced: this.unplaced,
      pinsBroken: brokenPins(b, this.unplaced),
      laid: { order: this.order, placed: b.placed },
    };
  }
}

/** The pins that a plan does not keep, each in words. */
export function brokenPins(b: Board, unplaced: ReadonlyMap<number, string>): Map<number, string> {
  const { c } = b;
  const out = new Map<number, string>();
  for (const j of c.jobs) {
    if (!j.pin || j.done || j.started) continue;
    const p = b.placed[j.index];
    if (!p) {
      out.set(j.index, `${j.name} can't be placed at all: ${unplaced.get(j.index)}`);
      continue;
    }
    const broken: string[] = [];
    if (j.pin.start !== undefined && p.start !== j.pin.start)
      broken.push(`can't start at the pinned time; starts ${c.zone.show(p.start).replace("T", " ")}`);
    if (j.pin.place !== undefined && p.place !== j.pin.place) broken.push("can't be done at the pinned place");
    if (j.pin.fitters?.some((f) => !p.crew.includes(f))) broken.push("can't have the pinned crew");
    if (broken.length) out.set(j.index, `${j.name} ${broken.join(" and ")}`);
  }
  return out;
}

/** When a job is over as kept. */
const endOf = (j: Job, k: Keep): Minute =>
  k.placed?.end ?? (j.published && k.start === j.published.start ? j.published.end : k.start + j.minutes);

/** When each job must be over at the latest for the pinned starts that wait for it; no sooner than that could be shown to fail. */
function dueForPins(c: Compiled): Float64Array {
  const due = new Float64Array(c.jobs.length).fill(NEVER);
  const pinned = c.jobs.filter((j) => j.pin?.start !== undefined && !j.done && !j.started);
  const queue = pinned.map((j) => ({ job: j, start: j.pin!.start! }));
  for (let next = queue.pop(); next; next = queue.pop())
    for (const l of next.job.before) {
      const other = c.jobs[l.job];
      const end = next.start - l.lag - (l.ignoreHold ? 0 : other.hold);
      if (end >= due[l.job] || other.done || other.started) continue;
      due[l.job] = end;
      queue.push({ job: other, start: end - other.minutes });
    }
  return due;
}

/** Fewer talents first: a plain job should not sit in the only bay with a lift. In minutes of delay. */
function scarcity(c: Compiled, place: number): number {
  return place === c.yard ? 0 : (c.problem.bays[place].has.length ?? 0) * 3;
}

/** The earliest start by release and by all that stands before it (every predecessor being placed). */
export function earliestByLinks(b: Board, j: Job): Minute {
  let t = j.release;
  for (const l of j.before) {
    const p = b.placed[l.job];
    if (!p) continue;
    const from = l.ignoreHold ? p.end : p.holdUntil;
    t = Math.max(t, l.working && l.lag > 0 ? b.c.shop.after(from, l.lag) : from + l.lag);
  }
  return t;
}

function whyUnplaced(b: Board, j: Job, lower: Minute): string {
  const { c } = b;
  for (const d of j.demands)
    if (d.fitters.length === 0)
      return `nobody has ${d.skill === "any" ? "hands" : d.skill} at level ${d.level}${d.ticket ? ` and a valid ${d.ticket} ticket` : ""}`;
  if (j.candidates.length < j.demands.length || !canCrew(j)) return `needs ${j.demands.length} people who can do it at once`;
  if (j.inside && j.aboard > c.builds[j.build].insideCrew)
    return `needs ${j.aboard} people inside, where ${c.builds[j.build].insideCrew} fit`;
  const short = shortOf(c, j);
  if (short)
    return `needs ${short.count} of the ${c.tools[short.tool].name}, of which there ${c.tools[short.tool].pieces === 1 ? "is" : "are"} ${c.tools[short.tool].pieces}`;
  if (j.van && j.places.length === 0) return "no bay is high, long, warm and equipped enough for it";
  const alone = new Board({ ...c, jobs: [], builds: c.builds.map((x) => ({ ...x, jobs: [], at: undefined })) }, b.cache);
  const spots = j.van ? j.places.map((place) => ({ place, from: c.now, to: NEVER })) : [benchFrame];
  if (!spots.some((frame) => earliest(alone, { ...j, inside: false }, frame, lower)))
    return "never meets its people, hours and conditions before the plan's horizon";
  return j.van ? "no bay or yard place comes free for the van" : "its people are booked to the plan's horizon";
}

/** Whether a job can't be placed whatever else is planned. */
const hopeless = (c: Compiled, j: Job): boolean =>
  (j.van && j.places.length === 0) || !canCrew(j) || shortOf(c, j) !== undefined || (j.inside && j.aboard > c.builds[j.build].insideCrew);

/** The tool of which a job asks more than there are. */
const shortOf = (c: Compiled, j: Job) => j.tools.find((t) => t.count > c.tools[t.tool].pieces);

function canCrew(j: Job): boolean {
  const used = new Set<number>();
  return j.demands.every((d) => {
    const f = d.fitters.find((x) => !used.has(x));
    if (f !== undefined) used.add(f);
    return f !== undefined;
  });
}
