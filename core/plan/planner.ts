// Problem in, plan out: the best of several rules, then a large-neighbourhood search for as long as the budget lasts.

import { random } from "../rng";
import type { Minute } from "../time/zone";
import { type Board, type Placed, workOf } from "./board";
import { BENCH, type Compiled, compile, type Job } from "./compile";
import { buildResults, costOf, costOfFinish } from "./cost";
import { asWhy, type Reason, reasonsFor } from "./explain";
import { benchFrame, earliestWith } from "./fit";
import { BEHIND, brokenPins, earliestByLinks, type Generated, generate, type Rule } from "./generate";
import { holdEnd } from "./hold-end";
import { type Candidate, improve } from "./improve";
import type { Cost, Plan, Problem } from "./model";
import { asItIs, firstOrders, searchOrders } from "./order";
import { latestFinish } from "./passes";
import { ruleOf } from "./plain/lay";
import { plainOf } from "./plain/model";
import { solvePlain } from "./plain/solve";
import { replan } from "./replan/replan";
import { nothingToKeep } from "./replan/upheaval";
import { SAME_START } from "./replan/weight";
import { fromPlan, rules } from "./rules";

export interface PlanOptions {
  seed?: number;
  /** Search steps after the rules; the output is then the same on every run. */
  iterations?: number;
  /** Time to search in milliseconds; needs `clock`. */
  ms?: number;
  /** Milliseconds from any origin. */
  clock?: () => number;
  /** Without the rules that look weeks ahead, nor plans by chance: as a house plans by hand. */
  near?: boolean;
  /** Told of every better plan; return false to stop with the best so far. */
  onBetter?: (cost: Cost, iterations: number) => boolean | undefined;
  /** Asked before every step; true stops with the best so far. */
  stopped?: () => boolean;
  /**
   * Replan around a change: from the published plan, moving only what does not hold any more and what
   * stands in its way. Without a published plan it counts for nothing.
   */
  local?: boolean;
  /** A plan of this problem, or of one much like it, to go on from. */
  start?: Plan;
}

/** The rules get so much of the time; the search, which starts from the best of them, the rest. */
const RULES = 0.2;
/** Around a change the search for the fewest moves may look so often at a job, and so much more for each step of the search after it. */
const QUIET_LOOKS = 120;
const QUIET_MORE = 15;
/** Where the budget is one of time, it is taken for so many steps. */
const TIMED_AS = 60;
/** Up to here the order of builds is searched: worth more than steps from job to job, as measured. */
const ORDERS = 0.85;

/** Plans a problem (as `readProblem` returns it). Never breaks a hard rule: what can't be placed is in `unplaced`. */
export function makePlan(problem: Problem, options: PlanOptions = {}): Plan {
  const seed = options.seed ?? 1;
  const began = options.clock?.() ?? 0;
  const c = compile(problem);
  const r = random(seed);
  const local = options.local === true && !nothingToKeep(c);
  let cache: Board["cache"] | undefined;
  const weighed = (g: Generated): Candidate => {
    cache = g.board.cache;
    return { ...g, cost: costOf(g.board, g.unplaced) };
  };
  const attempt = (rule: Rule): Candidate => weighed(generate(c, rule, cache));
  let best: Candidate | undefined;
  let stop = false;
  const consider = (next: Candidate, n: number): Candidate => {
    if (best && !isBetter(next, best)) return best;
    best = next;
    stop ||= options.onBetter?.(next.cost, n) === false;
    return next;
  };
  let done = 0;
  const finish = (result: Candidate): Plan => {
    // What moves forward may let others follow: on until nothing moves.
    let moved = false;
    for (let round = 0, touched: Touched | undefined; round < 50; round++) {
      touched = shiftLeft(result.board, local, touched);
      if (!touched) break;
      moved = true;
    }
    if (moved) {
      result.cost = costOf(result.board, result.unplaced);
      // What went forward may have come to its pinned time after all.
      result.pinsBroken = brokenPins(result.board, result.unplaced);
    }
    const ms = options.iterations === undefined && options.clock ? Math.round(options.clock() - began) : 0;
    return write(c, result, { seed, iterations: done, ms });
  };
  /** How much of the budget is used, 0 to 1. */
  const used = () =>
    options.iterations !== undefined
      ? options.iterations > 0
        ? done / options.iterations
        : 1
      : options.ms !== undefined && options.clock !== undefined
        ? (options.clock() - began) / Math.max(1, options.ms)
        : 1;
  const plain = options.start ? undefined : plainOf(c);
  if (plain) {
    const solved = solvePlain(plain, r, {
      stop: (steps) => {
        done = steps;
        return stop || used() >= 1 || options.stopped?.() === true;
      },
      onBetter: (found, steps) => {
        stop = options.onBetter?.(costOfFinish(c, c.now + found.length * plain.unit), steps) === false;
      },
    });
    return finish(attempt(ruleOf(c, plain, solved.starts)));
  }
  if (local)
    return finish(
      replan(c, problem, {
        used: (steps) => {
          done = steps;
          return used();
        },
        timed: options.iterations === undefined,
        effort: QUIET_LOOKS + QUIET_MORE * (options.iterations ?? TIMED_AS),
        stopped: () => stop || options.stopped?.() === true,
        onBetter: (cost, steps) => options.onBetter?.(cost, steps) !== false,
        random: r,
      }),
    );
  if (options.start) consider(attempt(fromPlan(c, options.start)), 0);
  rules(c, options.near).forEach((rule, k) => {
    // One of them at least, however short the time.
    if (stop || (best && k > 0 && options.iterations === undefined && used() >= RULES)) return;
    consider(attempt(rule), 0);
  });
  // Where nothing is kept, which build goes before which comes first: a search ends where it began near.
  if (!options.near) {
    const lay = (rule: Rule): Candidate => {
      const next = attempt(rule);
      consider(next, 0);
      return next;
    };
    const most = Math.floor((options.iterations ?? 0) / 10);
    const until = (share: number, least: number) => (laid: number) =>
      !stop && options.stopped?.() !== true && (options.iterations === undefined ? used() < share : laid < least + most);
    if (options.start) {
      const { placed } = best!.board;
      const times = Float64Array.from(c.jobs, (j) => placed[j.index]?.start ?? BEHIND);
      searchOrders(c, r, times, [asItIs(c)], lay, until(RULES, 0));
    } else {
      const times = latestFinish(c);
      const first = firstOrders(c, times);
      searchOrders(c, r, times, first, lay, until(ORDERS, first.length));
    }
  }
  if (!stop && used() < 1) {
    const next = improve(c, best!, r, {
      local: false,
      used: (steps) => {
        done = steps;
        return used();
      },
      stopped: () => options.stopped?.() === true,
      onBetter: (cost, steps) => options.onBetter?.(cost(), steps) !== false,
    });
    best = next;
  }
  return finish(best!);
}

/** A pin that is kept comes before all that costs: who set it has seen the cost. */
function isBetter(x: Candidate, y: Candidate): boolean {
  if (x.pinsBroken.size !== y.pinsBroken.size) return x.pinsBroken.size < y.pinsBroken.size;
  return x.cost.total < y.cost.total;
}

/** What a round has given more room: only work of these builds, people and tools could go forward in the next one. */
interface Touched {
  builds: Set<number>;
  fitters: Set<number>;
  tools: Set<number>;
}

/**
 * Moves jobs to the earliest start they could have with the same crew and stay, so that every start is explained. `near`: what the
 * round before has touched; undefined: all is looked at. Undefined: none moved.
 */
function shiftLeft(b: Board, local: boolean, near: Touched | undefined): Touched | undefined {
  const touched: Touched = { builds: new Set(), fitters: new Set(), tools: new Set() };
  let moved = false;
  const could = (j: Job): boolean =>
    !near ||
    near.builds.has(j.build) ||
    b.placed[j.index]!.crew.some((f) => near.fitters.has(f)) ||
    j.tools.some((t) => near.tools.has(t.tool));
  const order = b.c.jobs
    .filter((j) => b.placed[j.index] && !j.done && !j.started && b.placed[j.index]!.start !== j.pin?.start && could(j))
    .sort((x, y) => b.placed[x.index]!.start - b.placed[y.index]!.start);
  for (const j of order) {
    const p = b.placed[j.index]!;
    // A replan around a change moves nothing forward that stands as published, nor what stands sooner, nor further than to there.
    const own = local && j.pin?.start === undefined ? j.published?.start : undefined;
    if (own !== undefined && p.start <= own + SAME_START) continue;
    const stay = j.van ? b.stays[j.build].find((s) => s.place === p.place && s.from <= p.start && p.end <= s.to) : undefined;
    if (j.van && !stay) continue;
    const frame = stay ? { place: stay.place, from: stay.from, to: stay.to } : benchFrame;
    b.unbook(j.index);
    const fit = earliestWith(b, j, frame, p.crew, Math.max(earliestByLinks(b, j), j.pin?.start ?? own ?? j.release));
    const sooner = fit !== undefined && fit.start < p.start;
    if (sooner) {
      moved = true;
      touched.builds.add(j.build);
      for (const f of j.followers) touched.builds.add(b.c.jobs[f].build);
      for (const f of p.crew) touched.fitters.add(f);
      for (const t of j.tools) touched.tools.add(t.tool);
    }
    b.book(
      j,
      sooner
        ? {
            ...p,
            booked: undefined,
            start: fit.start,
            from: fit.start,
            end: fit.end,
            work: fit.work,
            holdUntil: holdEnd(b.c, fit.end, j.hold),
          }
        : p,
    );
  }
  return moved ? touched : undefined;
}

function write(c: Compiled, best: Candidate, meta: { seed: number; iterations: number; ms: number }): Plan {
  const b = best.board;
  const show = (t: Minute) => c.zone.show(t);
  const placeId = (p: number) => (p === BENCH ? "bench" : c.places[p].id);
  const reasons = new Map<number, Reason[]>();
  const results = buildResults(b);
  const jobs: Plan["jobs"] = [];
  for (const j of c.jobs) {
    const p = b.placed[j.index];
    if (!p) continue;
    reasons.set(j.index, reasonsFor(b, j));
    jobs.push({
      id: j.id,
      start: show(p.start),
      end: show(p.end),
      ...(j.done ? {} : { work: p.work.map(([x, y]) => [show(x), show(y)]) }),
      place: placeId(p.place),
      fitters: p.crew.map((f) => c.fitters[f].id),
      ...(j.partial && !j.done ? { helpers: helpersOf(c, j, p, show) } : {}),
      ...(j.hold > 0 ? { holdUntil: show(p.holdUntil) } : {}),
      why: asWhy(b, reasons.get(j.index)!),
    });
  }
  const stays: Plan["stays"] = [];
  c.builds.forEach((build, i) => {
    for (const s of b.stays[i])
      if (s.to > s.from) stays.push({ build: build.id, place: placeId(s.place), from: show(s.from), to: show(s.to) });
  });
  const remarks = (m: Map<number, string>) => [...m].map(([j, reason]) => ({ job: c.jobs[j].id, reason }));
  return {
    format: "wide-lane/plan@1",
    ...meta,
    jobs,
    stays,
    builds: c.builds.map((build, i) => ({
      id: build.id,
      ...(results[i].finish === undefined ? {} : { finish: show(results[i].finish!) }),
      due: show(build.due),
      lateWorkingMinutes: results[i].lateMinutes,
      chain: chainOf(b, i, results[i].finish, reasons),
    })),
    unplaced: remarks(best.unplaced),
    pinsBroken: remarks(best.pinsBroken),
    cost: best.cost,
  };
}

/** Who of a planned job is there for a part of it only, and when. */
const helpersOf = (c: Compiled, j: Compiled["jobs"][number], p: Placed, show: (t: Minute) => string) =>
  p.crew.flatMap((f, k) =>
    j.demands[k]?.part
      ? [{ fitter: c.fitters[f].id, work: workOf(j, k, p.work).map(([x, y]): [string, string] => [show(x), show(y)]) }]
      : [],
  );

type Link = NonNullable<Plan["builds"][number]["chain"]>[number];

/** The chain of binding reasons from arrival (or now) to the finish; elapsed minutes that add up. */
function chainOf(b: Board, build: number, finish: Minute | undefined, reasons: Map<number, Reason[]>): Link[] {
  const { c } = b;
  if (finish === undefined) return [];
  const base = Math.max(c.builds[build].arrives, c.now);
  let job = c.builds[build].jobs
    .filter((j) => b.placed[j] && !c.jobs[j].done)
    .sort((x, y) => b.placed[y]!.holdUntil - b.placed[x]!.holdUntil)[0];
  if (job === undefined) return [];
  const chain: Link[] = [];
  let at = finish;
  const link = (j: number, kind: string, from: Minute) => {
    const minutes = at - Math.max(base, from);
    if (minutes > 0) chain.push({ job: c.jobs[j].id, kind, minutes });
    at = Math.min(at, Math.max(base, from));
  };
  for (let steps = 0; at > base && steps < 500; steps++) {
    const p = b.placed[job]!;
    link(job, "hold", p.end);
    link(job, "work", c.jobs[job].started ? c.now : p.start);
    if (at <= base) break;
    const list = reasons.get(job) ?? [];
    const why = list[0];
    if (!why) {
      link(job, "now", base);
      break;
    }
    const next = list.find((x) => x.job !== undefined && b.placed[x.job] && !c.jobs[x.job].done && b.placed[x.job]!.start < p.start);
    if (next === undefined) {
      link(job, why.kind, base);
      break;
    }
    const other = b.placed[next.job!]!;
    link(job, why.kind, Math.min(at, why === next ? Math.min(other.holdUntil, at) : other.holdUntil));
    job = next.job!;
  }
  return chain.reverse();
}
