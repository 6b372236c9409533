// Serial schedule generation on bare numbers: jobs in the order of a list, each at its earliest start. The free members of
// all groups at one moment are packed into a few 32-bit words, a field a group with a guard bit on top, so that "enough of
// each" is one subtraction and one mask a word.

import { mirror, type Plain, simpleBound } from "./model";

interface Packed {
  words: number;
  /** demand[w · n + j] */
  demand: Int32Array;
  /** All members free, guard bits set. */
  full: Int32Array;
  guard: Int32Array;
}

function pack(p: Plain): Packed {
  const fields: { word: number; shift: number; bits: number }[] = [];
  let word = 0;
  let used = 0;
  for (const size of p.sizes) {
    const bits = Math.ceil(Math.log2(size + 1)) + 1;
    if (used + bits > 32) {
      word++;
      used = 0;
    }
    fields.push({ word, shift: used, bits });
    used += bits;
  }
  const words = word + 1;
  const demand = new Int32Array(words * p.n);
  const full = new Int32Array(words);
  const guard = new Int32Array(words);
  fields.forEach((f, g) => {
    full[f.word] |= p.sizes[g] << f.shift;
    full[f.word] |= 1 << (f.shift + f.bits - 1);
    guard[f.word] |= 1 << (f.shift + f.bits - 1);
    for (let j = 0; j < p.n; j++) demand[f.word * p.n + j] |= p.demands[g][j] << f.shift;
  });
  return { words, demand, full, guard };
}

/** Lays lists down, forward and backward. Reuses its memory: results are overwritten by the next call. */
export class Scheduler {
  readonly plain: Plain;
  readonly bound: number;
  /** Starts of the last list laid. */
  readonly starts: Int32Array;
  /** Lists laid so far. */
  laid = 0;
  private readonly back: Plain;
  private readonly packed: Packed;
  private readonly free: Int32Array[];
  private readonly ends: Int32Array;
  private readonly backEnds: Int32Array;
  private readonly backStarts: Int32Array;
  private readonly order: Int32Array;
  private readonly bucket: Int32Array;
  private dirty = 0;

  constructor(p: Plain) {
    this.plain = p;
    this.back = mirror(p);
    this.packed = pack(p);
    this.bound = simpleBound(p);
    this.starts = new Int32Array(p.n);
    this.ends = new Int32Array(p.n);
    this.backEnds = new Int32Array(p.n);
    this.backStarts = new Int32Array(p.n);
    this.order = new Int32Array(p.n);
    let sum = 0;
    for (let j = 0; j < p.n; j++) sum += p.durations[j];
    const most = (a: Int32Array) => a.reduce((x, y) => Math.max(x, y), 0);
    const horizon = sum + most(p.heads) + most(p.tails) + p.n * most(p.lags) + 2;
    this.free = Array.from(this.packed.full, (f) => new Int32Array(horizon).fill(f));
    this.bucket = new Int32Array(horizon);
  }

  /** Lays a list (every predecessor before its followers) forward; the length of the schedule in units. */
  lay(list: Int32Array): number {
    return this.pass(this.plain, list, this.starts, this.ends);
  }

  /**
   * Moves all as late as it goes, latest end first, then all as early as it goes, earliest start first, as long as that
   * shortens. Starts from the schedule of the last `lay`; the length after it.
   */
  justify(length: number): number {
    let best = length;
    for (;;) {
      this.byFalling(this.ends);
      const backLength = this.pass(this.back, this.order, this.backStarts, this.backEnds);
      this.byFalling(this.backEnds);
      const next = this.pass(this.plain, this.order, this.starts, this.ends);
      if (next >= best || backLength < 0) return Math.min(best, next);
      best = next;
      if (best <= this.bound) return best;
    }
  }

  private pass(p: Plain, list: Int32Array, starts: Int32Array, ends: Int32Array): number {
    this.laid++;
    const { n, durations, heads, tails, beforeAt, before, lags } = p;
    const { words, demand, full, guard } = this.packed;
    for (let w = 0; w < words; w++) this.free[w].fill(full[w], 0, this.dirty);
    const free0 = this.free[0];
    const guard0 = guard[0];
    let end = 0;
    let length = 0;
    for (let i = 0; i < n; i++) {
      const j = list[i];
      let t = heads[j];
      for (let k = beforeAt[j]; k < beforeAt[j + 1]; k++) {
        const from = ends[before[k]] + lags[k];
        if (from > t) t = from;
      }
      const d = durations[j];
      const need = demand[j];
      // From the end of the stretch back: the last clash lets the start jump furthest.
      let u = t + d - 1;
      if (words === 1) {
        while (u >= t) {
          if (((free0[u] - need) & guard0) === guard0) u--;
          else {
            t = u + 1;
            u = t + d - 1;
          }
        }
        for (u = t; u < t + d; u++) free0[u] -= need;
      } else {
        while (u >= t) {
          let fits = true;
          for (let w = 0; w < words && fits; w++) fits = ((this.free[w][u] - demand[w * n + j]) & guard[w]) === guard[w];
          if (fits) u--;
          else {
            t = u + 1;
            u = t + d - 1;
          }
        }
        for (let w = 0; w < words; w++) {
          const need2 = demand[w * n + j];
          if (need2) for (u = t; u < t + d; u++) this.free[w][u] -= need2;
        }
      }
      starts[j] = t;
      ends[j] = t + d;
      if (t + d > end) end = t + d;
      if (t + d + tails[j] > length) length = t + d + tails[j];
    }
    this.dirty = end;
    return length;
  }

  /** `order`: jobs by falling value (counting sort, ties by index). */
  private byFalling(values: Int32Array): void {
    const { bucket, order } = this;
    let top = 0;
    for (let j = 0; j < values.length; j++) if (values[j] > top) top = values[j];
    bucket.fill(0, 0, top + 1);
    for (let j = 0; j < values.length; j++) bucket[values[j]]++;
    let at = 0;
    for (let v = top; v >= 0; v--) {
      const here = bucket[v];
      bucket[v] = at;
      at += here;
    }
    for (let j = 0; j < values.length; j++) order[bucket[values[j]]++] = j;
  }
}

/** Jobs by rising start: a list that lays the same schedule, or a shorter one, again. */
export function listOf(starts: Int32Array, into: Int32Array): void {
  for (let i = 0; i < starts.length; i++) {
    const s = starts[i];
    let k = i;
    while (k > 0 && starts[into[k - 1]] > s) {
      into[k] = into[k - 1];
      k--;
    }
    into[k] = i;
  }
}
