// A plain problem: one build, all on the bench, hours that never close, and fitters that come in groups of equals. Then a
// schedule is nothing but starts that keep precedence and the size of each group, and can be sought with bare numbers.

import type { Compiled } from "../compile";

/** Starts in units of `unit` minutes from `now`; jobs by their index in the compiled problem. */
export interface Plain {
  n: number;
  /** Minutes of one unit of time. */
  unit: number;
  durations: Int32Array;
  /** No start before this (units). */
  heads: Int32Array;
  /** What must still pass after a job's end (units): its hold. */
  tails: Int32Array;
  /** Arcs by follower: job j waits for `before[k]` plus `lags[k]`, k from beforeAt[j] to beforeAt[j + 1]. */
  beforeAt: Int32Array;
  before: Int32Array;
  lags: Int32Array;
  /** demands[g][j]: members of group g that job j keeps busy. */
  demands: Int32Array[];
  /** Members of each group. */
  sizes: number[];
  /** The fitters of each group. */
  groups: number[][];
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/**
 * The plain problem behind a compiled one, or undefined when anything in it asks for more: vans, conditions, hours that
 * close, fitters of unlike use, facts, pins, a published plan. `open` is how long hours must stay open for it (minutes
 * from now): the sum of all work, which no sensible plan passes.
 */
export function plainOf(c: Compiled): Plain | undefined {
  if (c.builds.length !== 1 || c.jobs.length < 2 || c.noise) return undefined;
  const sum = c.jobs.reduce((t, j) => t + j.minutes + j.hold + Math.max(0, ...j.before.map((l) => l.lag)), 0);
  const latest = Math.max(...c.jobs.map((j) => j.release));
  const end = latest + sum;
  if (end > c.horizon || c.repeated.some(([from]) => from < end)) return undefined;
  for (const j of c.jobs)
    if (j.van || j.sameDay || j.done || j.started || j.pin || j.published || j.partial || !j.demands.length) return undefined;
  const covers = (set: { has(t: number): boolean; minutes(a: number, b: number): number }) => set.minutes(c.now, end) === end - c.now;
  if (c.jobs.some((j) => j.before.some((l) => l.working && l.lag > 0)) && !covers(c.shop)) return undefined;
  const groups = groupsOf(c);
  if (!groups) return undefined;
  for (const g of groups)
    for (const f of g)
      if (!covers(c.fitters[f].open) || c.overtimeOf[f].size || [...c.fitters[f].tickets.values()].some((t) => t < end)) return undefined;

  const n = c.jobs.length;
  const arcs = c.jobs.map((j) => j.before.map((l) => ({ job: l.job, lag: l.lag + (l.ignoreHold ? 0 : c.jobs[l.job].hold) })));
  let unit = 0;
  for (const j of c.jobs) unit = gcd(gcd(gcd(unit, j.minutes), j.hold), j.release - c.now);
  for (const a of arcs) for (const l of a) unit = gcd(unit, l.lag);
  const beforeAt = new Int32Array(n + 1);
  arcs.forEach((a, j) => {
    beforeAt[j + 1] = beforeAt[j] + a.length;
  });
  const groupOf = new Map(groups.flatMap((g, i) => g.map((f) => [f, i] as const)));
  const demands = groups.map(() => new Int32Array(n));
  for (const j of c.jobs) for (const d of j.demands) if (d.fitters.length) demands[groupOf.get(d.fitters[0])!][j.index]++;
  const sizes = groups.map((g) => g.length);
  if (demands.some((d, g) => d.some((x) => x > sizes[g])) || c.jobs.some((j) => j.demands.some((d) => !d.fitters.length))) return undefined;
  return {
    n,
    unit,
    durations: Int32Array.from(c.jobs, (j) => j.minutes / unit),
    heads: Int32Array.from(c.jobs, (j) => (j.release - c.now) / unit),
    tails: Int32Array.from(c.jobs, (j) => j.hold / unit),
    beforeAt,
    before: Int32Array.from(arcs.flat(), (l) => l.job),
    lags: Int32Array.from(arcs.flat(), (l) => l.lag / unit),
    demands,
    sizes,
    groups,
  };
}

/** Groups of fitters that every demand asks for as a whole or not at all; undefined when some overlap in part. */
function groupsOf(c: Compiled): number[][] | undefined {
  const groups = new Map<string, number[]>();
  const member = new Map<number, string>();
  for (const j of c.jobs)
    for (const d of j.demands) {
      const key = d.fitters.join();
      if (groups.has(key)) continue;
      for (const f of d.fitters) {
        if (member.has(f)) return undefined;
        member.set(f, key);
      }
      groups.set(key, d.fitters);
    }
  return [...groups.values()];
}

/** The same problem with time running backward: followers become predecessors, tails become heads. */
export function mirror(p: Plain): Plain {
  const counts = new Int32Array(p.n + 1);
  for (const b of p.before) counts[b + 1]++;
  for (let j = 0; j < p.n; j++) counts[j + 1] += counts[j];
  const beforeAt = counts.slice();
  const at = counts.slice();
  const before = new Int32Array(p.before.length);
  const lags = new Int32Array(p.before.length);
  for (let j = 0; j < p.n; j++)
    for (let k = p.beforeAt[j]; k < p.beforeAt[j + 1]; k++) {
      const slot = at[p.before[k]]++;
      before[slot] = j;
      lags[slot] = p.lags[k];
    }
  return { ...p, heads: p.tails, tails: p.heads, beforeAt, before, lags };
}

/** Jobs with every predecessor before its followers. */
export function inOrder(p: Plain): Int32Array {
  const out = new Int32Array(p.n);
  const waiting = new Int32Array(p.n);
  const back = mirror(p);
  let size = 0;
  for (let j = 0; j < p.n; j++) {
    waiting[j] = p.beforeAt[j + 1] - p.beforeAt[j];
    if (!waiting[j]) out[size++] = j;
  }
  for (let i = 0; i < size; i++)
    for (let k = back.beforeAt[out[i]]; k < back.beforeAt[out[i] + 1]; k++)
      if (--waiting[back.before[k]] === 0) out[size++] = back.before[k];
  return out;
}

/** Earliest starts by precedence alone (units). */
export function earliestStarts(p: Plain): Int32Array {
  const s = Int32Array.from(p.heads);
  for (const j of inOrder(p))
    for (let k = p.beforeAt[j]; k < p.beforeAt[j + 1]; k++) s[j] = Math.max(s[j], s[p.before[k]] + p.durations[p.before[k]] + p.lags[k]);
  return s;
}

/** What passes at least from a job's start to the end of all (units), by precedence alone; its own duration included. */
export function cableEndsFromStart(p: Plain): Int32Array {
  return earliestStarts(mirror(p)).map((s, j) => s + p.durations[j]);
}

/** The larger of the critical path and each group's work shared out evenly (units): no schedule is shorter. */
export function simpleBound(p: Plain): number {
  const heads = earliestStarts(p);
  const tails = cableEndsFromStart(p);
  let bound = 0;
  for (let j = 0; j < p.n; j++) bound = Math.max(bound, heads[j] + tails[j]);
  p.demands.forEach((d, g) => {
    let work = 0;
    let head = Number.POSITIVE_INFINITY;
    let tail = Number.POSITIVE_INFINITY;
    for (let j = 0; j < p.n; j++) {
      if (!d[j]) continue;
      work += d[j] * p.durations[j];
      head = Math.min(head, heads[j]);
      tail = Math.min(tail, tails[j] - p.durations[j]);
    }
    if (work) bound = Math.max(bound, head + tail + Math.ceil(work / p.sizes[g]));
  });
  return bound;
}
