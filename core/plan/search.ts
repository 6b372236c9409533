// Large-neighbourhood search: frees some jobs of the plan at hand, keeps all others where they are, and lays the freed
// ones anew. Most jobs of a step are only checked at the start, place and crew they have, so a step costs little more
// than what it touches. Every step goes through the same schedule generation, so no step can break a rule.

import type { Random } from "../rng";
import type { Minute } from "../time/zone";
import type { Placed } from "./board";
import type { Compiled } from "./compile";
import { BEHIND, type Keep, type Rule } from "./generate";
import { isFree } from "./moves";

const DAY = 1440;
const ALL = Number.POSITIVE_INFINITY;

/** What a step looks at: the plan at hand, and how late each build is (working days). */
export interface Incumbent {
  placed: readonly (Placed | undefined)[];
  lateDays: readonly number[];
}

type Times = Pick<Placed, "start" | "end" | "holdUntil">;

/** When each job is done, where that is known. */
interface Standing {
  readonly placed: readonly (Times | undefined)[];
}

type Choice = (c: Compiled, at: Incumbent, r: Random) => Set<number>;

const movable = (c: Compiled, i: number) => !c.jobs[i].done && !c.jobs[i].started;

/** A build by chance, late ones sooner. */
function someBuild(c: Compiled, at: Incumbent, r: Random): number {
  const weights = c.builds.map((b, i) => (b.jobs.some((j) => movable(c, j)) ? 1 + at.lateDays[i] * b.weight : 0));
  let left = r() * weights.reduce((a, b) => a + b, 0);
  for (let i = 0; i < weights.length; i++) {
    left -= weights[i];
    if (left <= 0 && weights[i] > 0) return i;
  }
  return Math.floor(r() * c.builds.length);
}

function span(c: Compiled, at: Incumbent): [Minute, Minute] {
  let from = Number.POSITIVE_INFINITY;
  let to = c.now;
  at.placed.forEach((p, i) => {
    if (!p || !movable(c, i)) return;
    from = Math.min(from, p.start);
    to = Math.max(to, p.end);
  });
  return Number.isFinite(from) ? [from, to] : [c.now, c.now];
}

const within = (c: Compiled, at: Incumbent, test: (p: Placed, i: number) => boolean): Set<number> => {
  const out = new Set<number>();
  at.placed.forEach((p, i) => {
    if (p && movable(c, i) && test(p, i)) out.add(i);
  });
  return out;
};

const byBuild: Choice = (c, at, r) => {
  const k = someBuild(c, at, r);
  const own = new Set(c.builds[k].jobs);
  return within(c, at, (_p, i) => own.has(i));
};

/** A build from some moment on: its tail is where its date is made. */
const byTail: Choice = (c, at, r) => {
  const k = someBuild(c, at, r);
  const own = new Set(c.builds[k].jobs);
  const [from, to] = span(c, at);
  const cut = from + r() * (to - from);
  return within(c, at, (p, i) => own.has(i) && p.start >= cut);
};

const byWindow: Choice = (c, at, r) => {
  const [from, to] = span(c, at);
  const length = Math.max(2 * DAY, (0.05 + r() * 0.15) * (to - from));
  const t = from + r() * Math.max(1, to - from - length / 2);
  return within(c, at, (p) => p.start < t + length && p.end > t);
};

/** All work of one fitter, or in one bay, within a window. */
const byResource: Choice = (c, at, r) => {
  const [from, to] = span(c, at);
  const length = (0.15 + r() * 0.35) * (to - from);
  const t = from + r() * Math.max(1, to - from - length / 2);
  const inTime = (p: Placed) => p.start < t + length && p.end > t;
  if (r() < 0.6) {
    const f = Math.floor(r() * c.fitters.length);
    return within(c, at, (p) => inTime(p) && p.crew.includes(f));
  }
  const place = Math.floor(r() * c.places.length);
  return within(c, at, (p) => inTime(p) && p.place === place);
};

/** What stands directly before a late build's last work, and what others do at those times with the same people. */
const byChain: Choice = (c, at, r) => {
  const k = someBuild(c, at, r);
  const own = within(c, at, (_p, i) => c.jobs[i].build === k);
  const chain = new Set<number>();
  let here = [...own].sort((a, b) => at.placed[b]!.holdUntil - at.placed[a]!.holdUntil)[0];
  while (here !== undefined && !chain.has(here)) {
    chain.add(here);
    here = c.jobs[here].before
      .map((l) => l.job)
      .filter((j) => at.placed[j] && movable(c, j))
      .sort((a, b) => at.placed[b]!.holdUntil - at.placed[a]!.holdUntil)[0];
  }
  const rivals = within(c, at, (p, i) => {
    if (chain.has(i)) return false;
    for (const j of chain) {
      const q = at.placed[j]!;
      if (p.start < q.start && p.end > q.start - DAY && p.crew.some((f) => q.crew.includes(f))) return r() < 0.7;
    }
    return false;
  });
  return new Set([...chain, ...rivals]);
};

const byChance: Choice = (c, at, r) => {
  const share = 0.03 + r() * 0.12;
  return within(c, at, () => r() < share);
};

const PICKS: readonly [Choice, number][] = [
  [byBuild, 0.22],
  [byTail, 0.2],
  [byWindow, 0.2],
  [byResource, 0.14],
  [byChain, 0.16],
  [byChance, 0.08],
];

function pick(r: Random): Choice {
  let left = r();
  for (const [p, share] of PICKS) {
    left -= share;
    if (left <= 0) return p;
  }
  return byChance;
}

/** Work that does not stand where the published plan has it, or that it does not have. */
export const displaced = (c: Compiled, at: Incumbent): Set<number> =>
  within(c, at, (p, i) => c.jobs[i].published === undefined || p.start !== c.jobs[i].published!.start);

/** What the change touches: the displaced work, and by chance what shares its people, its van or its place at the time. */
function around(c: Compiled, at: Incumbent, r: Random): Set<number> {
  const moved = displaced(c, at);
  const list = [...moved].map((i) => at.placed[i]!);
  const share = r() * 0.7;
  const near = within(c, at, (p, i) => {
    if (moved.has(i) || r() > share) return false;
    return list.some((q) => p.start < q.end + 2 * DAY && p.end > q.start - 2 * DAY && p.crew.some((f) => q.crew.includes(f)));
  });
  const own = new Set([...moved].filter(() => r() < 0.8));
  return new Set([...own, ...near]);
}

/** Share of the steps that keep nothing. */
const ALL_ANEW = 0.2;

/** At most so many jobs are laid again with the stays as they are. */
const MOST = 60;

/** The order of a small step: by the starts there are, shaken by chance, or one build's pulled forward. */
function shaken(c: Compiled, at: Incumbent, r: Random, target: number): (job: number) => number {
  const known = new Map<number, number>();
  const pull = r() * r() * 12 * DAY;
  const mode = r();
  return (j) => {
    let p = known.get(j);
    if (p === undefined) {
      p = at.placed[j]?.start ?? 0;
      if (mode < 0.5) p += (r() - 0.5) * pull;
      else if (mode < 0.8) p -= c.jobs[j].build === target ? pull : 0;
      known.set(j, p);
    }
    return p;
  };
}

/** A build whose work kept one of this build's people, or its bay, busy just before one of its jobs. */
function rival(c: Compiled, at: Incumbent, r: Random, build: number): number {
  const own = c.builds[build].jobs.filter((j) => at.placed[j] && movable(c, j));
  if (!own.length) return build;
  const p = at.placed[own[Math.floor(r() * own.length)]]!;
  if (!p.crew.length) return build;
  const f = p.crew[Math.floor(r() * p.crew.length)];
  let last: number | undefined;
  let end = Number.NEGATIVE_INFINITY;
  for (let i = 0; i < at.placed.length; i++) {
    const q = at.placed[i];
    if (q && q.end <= p.start && q.end > end && c.jobs[i].build !== build && q.crew.includes(f)) {
      end = q.end;
      last = c.jobs[i].build;
    }
  }
  return last ?? build;
}

/** A small step that lays a build or two, from some moment on, with their stays: what `reopen` takes. */
export function reopening(c: Compiled, at: Incumbent, r: Random, local = false) {
  const cut = (k: number): Minute => {
    if (r() < 0.35) return Number.NEGATIVE_INFINITY;
    const own = c.builds[k].jobs.filter((j) => at.placed[j] && movable(c, j));
    return own.length ? at.placed[own[Math.floor(r() * own.length)]]!.start : c.now;
  };
  const moved = local ? [...displaced(c, at)] : [];
  const target = moved.length ? c.jobs[moved[Math.floor(r() * moved.length)]].build : someBuild(c, at, r);
  const from = new Map<number, Minute>([[target, cut(target)]]);
  for (let more = r(); c.builds.length > 1 && more < 0.45; more += 0.2 + r()) {
    const other = r() < 0.7 ? rival(c, at, r, target) : Math.floor(r() * c.builds.length);
    if (!from.has(other)) from.set(other, cut(other));
  }
  const costs = r() < 0.6 ? { move: 90, evict: 240 } : { move: 30 + r() * 600, evict: 60 + r() * 1200 };
  return [from, shaken(c, at, r, target), costs] as const;
}

/** A small step within the stays that there are: what `relay` takes. */
export function relaying(c: Compiled, at: Incumbent, r: Random, local = false) {
  const freed = [...(local ? around(c, at, r) : pick(r)(c, at, r))].filter((j) => isFree(c.jobs[j]));
  while (freed.length > MOST) {
    const k = Math.floor(r() * freed.length);
    freed[k] = freed[freed.length - 1];
    freed.pop();
  }
  return [freed, shaken(c, at, r, someBuild(c, at, r)), { move: 90, evict: 240 }] as const;
}

/**
 * Elapsed minutes by which each job could start later, all others as they are, before its build ends later than it does
 * (`byDue`: or than it is due, where that is later): the backward pass over a plan.
 */
export function slackOf(c: Compiled, at: Standing, byDue: boolean): Float64Array {
  const slack = new Float64Array(c.jobs.length);
  const ends = c.builds.map((b) => Math.max(byDue ? b.due : 0, ...b.jobs.map((j) => at.placed[j]?.holdUntil ?? c.now)));
  const backwards = c.jobs.filter((j) => at.placed[j.index]).sort((x, y) => at.placed[y.index]!.start - at.placed[x.index]!.start);
  for (const j of backwards) {
    const p = at.placed[j.index]!;
    let least = ends[j.build] - p.holdUntil;
    for (const f of j.followers) {
      const q = at.placed[f];
      const link = c.jobs[f].before.find((l) => l.job === j.index);
      if (q && link) least = Math.min(least, slack[f] + Math.max(0, q.start - (link.ignoreHold ? p.end : p.holdUntil) - link.lag));
    }
    slack[j.index] = least;
  }
  return slack;
}

/**
 * A forward pass behind the backward one: all work laid anew in the order of its latest starts. What can wait lets go
 * first what a date hangs on; by far the best single step of a workshop with more work than people, as measured.
 */
export function latestFirst(c: Compiled, at: Standing, byDue: boolean, costs: Rule["costs"], noise?: { r: Random; days: number }): Rule {
  const slack = slackOf(c, at, byDue);
  const priority = Float64Array.from(c.jobs, (_, i) => (at.placed[i]?.start ?? 0) + slack[i]);
  if (noise) for (let i = 0; i < priority.length; i++) priority[i] += (noise.r() - 0.5) * DAY * noise.days;
  return { name: "by the latest start", priority, window: ALL, costs };
}

/**
 * The rule of one step that lays all anew. Kept jobs queue at the start they have; freed ones at theirs, pulled forward or
 * shaken by chance, so that they may overtake. Now and then nothing is kept: all work is laid anew in the order it has, which
 * closes the gaps that earlier steps left, or in that of its latest starts. A local step frees only what is
 * displaced against the published plan and what stands around that.
 */
export function stepRule(c: Compiled, at: Incumbent, r: Random, local = false): Rule {
  const priority = Float64Array.from(c.jobs, (_, i) => at.placed[i]?.start ?? 0);
  const costs = r() < 0.6 ? { move: 90, evict: 240 } : { move: 30 + r() * 600, evict: 60 + r() * 1200 };
  if (!local && r() < ALL_ANEW) {
    if (r() < 0.5) return { name: "closing gaps", priority, window: ALL, costs };
    return latestFirst(c, at, r() < 0.5, costs, r() < 0.3 ? undefined : { r, days: r() * 4 });
  }
  const freed = local ? around(c, at, r) : pick(r)(c, at, r);
  if (!local && r() < 0.25) for (const i of pick(r)(c, at, r)) freed.add(i);
  const mode = r();
  const pull = r() * r() * 12 * DAY;
  const target = someBuild(c, at, r);
  // Behind all that is kept: the freed work has to find its places in the gaps, and moves nobody.
  const behind = r() < 0.5 ? BEHIND : 0;
  for (const i of freed) {
    priority[i] += behind;
    if (mode < 0.45) priority[i] += (r() - 0.5) * pull;
    else if (mode < 0.8) priority[i] -= c.jobs[i].build === target ? pull : 0;
    else priority[i] += (c.jobs[i].build === target ? -pull : pull) * r();
  }
  const keep: (Keep | undefined)[] = c.jobs.map((_, i) => {
    const p = at.placed[i];
    return p && movable(c, i) && !freed.has(i) ? { start: p.start, place: p.place, crew: p.crew, placed: p } : undefined;
  });
  return { name: "large neighbourhood", priority, window: ALL, costs, keep };
}
