// A set of minutes kept as sorted, separate stretches [from, to): opening hours, and all arithmetic on them.

import type { Minute } from "./zone";

const DAY = 1440;
/** So many stretches are looked at one after another before the rest is halved. */
const NEAR = 6;

export type Stretch = [Minute, Minute];

/** Begins and ends of stretches, in two lists. */
interface Ends {
  from: Float64Array;
  to: Float64Array;
}

/** Sorted, disjoint, non-touching stretches with running totals; immutable. */
export class OpenSet {
  readonly from: Float64Array;
  readonly to: Float64Array;
  /** Open minutes before stretch i. */
  readonly before: Float64Array;
  readonly size: number;
  /** By day from the first begin: index of the first stretch that ends after the day has begun. Made when it is first asked for. */
  private days: Int32Array | undefined;

  constructor(stretches: readonly Stretch[] | Ends) {
    const { from, to } = "from" in stretches ? stretches : endsOf(stretches);
    const n = from.length;
    const before = new Float64Array(n + 1);
    let sum = 0;
    for (let i = 0; i < n; i++) {
      sum += to[i] - from[i];
      before[i + 1] = sum;
    }
    this.size = n;
    this.from = from;
    this.to = to;
    this.before = before;
  }

  /** Unites any stretches, in any order, overlapping or empty. */
  static of(stretches: readonly Stretch[]): OpenSet {
    const sorted = stretches.filter(([a, b]) => b > a).sort((x, y) => x[0] - y[0]);
    const out: Stretch[] = [];
    for (const [a, b] of sorted) {
      const last = out[out.length - 1];
      if (last && a <= last[1]) last[1] = Math.max(last[1], b);
      else out.push([a, b]);
    }
    return new OpenSet(out);
  }

  stretches(): Stretch[] {
    return Array.from({ length: this.size }, (_, i) => [this.from[i], this.to[i]] as Stretch);
  }

  /** Index of the first stretch that ends after t (size when none does). Opening hours are a few stretches a day: found by the day. */
  indexAt(t: Minute): number {
    const { to, size } = this;
    if (size === 0 || t < to[0]) return 0;
    if (t >= to[size - 1]) return size;
    const days = this.days ?? this.byDay();
    let i = days[Math.floor((t - this.from[0]) / DAY)];
    while (to[i] <= t) i++;
    return i;
  }

  private byDay(): Int32Array {
    const { from, to, size } = this;
    const days = new Int32Array(Math.floor((to[size - 1] - from[0]) / DAY) + 1);
    for (let d = 0, i = 0; d < days.length; d++) {
      while (to[i] <= from[0] + d * DAY) i++;
      days[d] = i;
    }
    this.days = days;
    return days;
  }

  /** First open minute at or after t; Infinity when there is none. */
  next(t: Minute): Minute {
    const i = this.indexAt(t);
    return i === this.size ? Number.POSITIVE_INFINITY : Math.max(t, this.from[i]);
  }

  has(t: Minute): boolean {
    const i = this.indexAt(t);
    return i < this.size && this.from[i] <= t;
  }

  /** Open minutes in [a, b). */
  minutes(a: Minute, b: Minute): number {
    return b > a ? this.upTo(b) - this.upTo(a) : 0;
  }

  /** Open minutes before t. */
  upTo(t: Minute): number {
    const i = this.indexAt(t);
    return this.before[i] + (i < this.size && this.from[i] < t ? t - this.from[i] : 0);
  }

  /** The instant at which `work` open minutes after t have passed; Infinity when they never do. t itself for 0. */
  after(t: Minute, work: number): Minute {
    if (work <= 0) return t;
    const { before, from, size } = this;
    const i = this.indexAt(t);
    if (i === size) return Number.POSITIVE_INFINITY;
    const target = before[i] + (from[i] < t ? t - from[i] : 0) + work;
    if (target > before[size]) return Number.POSITIVE_INFINITY;
    // Mostly over within a few stretches.
    let lo = i;
    for (let steps = 0; steps < NEAR; steps++, lo++) if (before[lo + 1] >= target) return from[lo] + target - before[lo];
    let hi = size;
    while (lo < hi) {
      const mid = (lo + hi) >>> 1;
      if (before[mid + 1] >= target) hi = mid;
      else lo = mid + 1;
    }
    return from[lo] + target - before[lo];
  }

  /** The latest start from which `work` open minutes are over at `end`; -Infinity when there are too few. */
  startFor(end: Minute, work: number): Minute {
    const target = this.upTo(end) - work;
    if (target < 0) return Number.NEGATIVE_INFINITY;
    let lo = 0;
    let hi = this.size;
    while (lo < hi) {
      const mid = (lo + hi) >>> 1;
      if (this.before[mid + 1] > target) hi = mid;
      else lo = mid + 1;
    }
    return lo === this.size ? end : this.from[lo] + target - this.before[lo];
  }

  /** The open stretches inside [a, b). */
  within(a: Minute, b: Minute): Stretch[] {
    const out: Stretch[] = [];
    for (let i = this.indexAt(a); i < this.size && this.from[i] < b; i++) out.push([Math.max(a, this.from[i]), Math.min(b, this.to[i])]);
    return out;
  }

  and(other: OpenSet): OpenSet {
    const { from, to, size } = this;
    const { from: otherFrom, to: otherTo, size: otherSize } = other;
    const outFrom = new Float64Array(size + otherSize);
    const outTo = new Float64Array(size + otherSize);
    let n = 0;
    let i = 0;
    let j = 0;
    while (i < size && j < otherSize) {
      const a = Math.max(from[i], otherFrom[j]);
      const b = Math.min(to[i], otherTo[j]);
      if (b > a) {
        outFrom[n] = a;
        outTo[n++] = b;
      }
      if (to[i] < otherTo[j]) i++;
      else j++;
    }
    return new OpenSet({ from: outFrom.slice(0, n), to: outTo.slice(0, n) });
  }

  equals(other: OpenSet): boolean {
    if (this === other) return true;
    if (this.size !== other.size) return false;
    for (let i = 0; i < this.size; i++) if (this.from[i] !== other.from[i] || this.to[i] !== other.to[i]) return false;
    return true;
  }

  /** This set without the stretches given. */
  without(cut: readonly Stretch[]): OpenSet {
    if (cut.length === 0 || this.size === 0) return this;
    const holes = OpenSet.of(cut);
    const lo = this.from[0];
    const hi = this.to[this.size - 1];
    const keep: Stretch[] = [];
    let at = lo;
    for (let i = 0; i < holes.size; i++) {
      if (holes.from[i] > at) keep.push([at, Math.min(hi, holes.from[i])]);
      at = Math.max(at, holes.to[i]);
    }
    if (at < hi) keep.push([at, hi]);
    return this.and(OpenSet.of(keep));
  }
}

function endsOf(stretches: readonly Stretch[]): Ends {
  const from = new Float64Array(stretches.length);
  const to = new Float64Array(stretches.length);
  for (let i = 0; i < stretches.length; i++) {
    from[i] = stretches[i][0];
    to[i] = stretches[i][1];
  }
  return { from, to };
}
