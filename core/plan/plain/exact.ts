// Proof of optimality on plain problems: is there a schedule shorter than this one? A complete search over bounds of
// starts that learns from every dead end. A literal says "job j starts at t or before" or "after t"; precedence and the
// time-table of each group narrow the bounds and can name the literals that made them; each dead end is boiled down to
// one clause that is never run into again (Schutt, Feydy, Stuckey, Wallace 2011: explained cumulative propagation).
// Nothing of the search by breeding is used here, so that a proof does not lean on it.

import { Heap } from "./heap";
import { cableEndsFromStart, earliestStarts, mirror, type Plain } from "./model";

export interface Proof {
  /** optimal: nothing shorter exists. shorter: a shorter schedule was found. open: the budget ran out. */
  verdict: "optimal" | "shorter" | "open";
  /** The shorter schedule (units). */
  starts?: Int32Array;
  length?: number;
  deadEnds: number;
}

interface Clause {
  /** Literals, the two watched ones first. */
  lits: Int32Array;
  weight: number;
  /** Decision levels it spans when learnt: few are worth keeping. */
  spread: number;
  dropped: boolean;
}

const LOW = 0;
const HIGH = 1;

/**
 * Looks for a schedule of fewer than `length` units. `stop` is asked at every dead end. Deterministic apart from that.
 */
export function prove(p: Plain, length: number, stop: (deadEnds: number) => boolean): Proof {
  return new Prover(p, length).run(stop);
}

/** A proof that can be gone on with, and told of shorter schedules found elsewhere. */
export class Prover {
  private readonly p: Plain;
  private readonly back: Plain;
  private readonly n: number;
  private readonly lo: Int32Array;
  private readonly hi: Int32Array;
  /** First literal pair of each job; the pair base + t - lo stands for "starts at t or before" (even) and "after t" (odd). */
  private readonly base: Int32Array;
  private readonly jobOf: Int32Array;
  private readonly timeOf: Int32Array;
  private readonly lb: Int32Array;
  private readonly ub: Int32Array;
  /** Last trail entry of a job's lower (2j) and upper (2j + 1) bound; -1: as at the root. */
  private readonly last: Int32Array;
  private readonly watches: Clause[][];
  private readonly trail: Entry[] = [];
  private readonly levels: number[] = [];
  private head = 0;
  private clauses: Clause[] = [];
  private readonly activity: Float64Array;
  private bump = 1;
  private weightBump = 1;
  private readonly heap: Heap;
  private readonly phase: Uint8Array;
  private readonly usage: Int32Array[];
  private readonly horizon: number;
  private conflict: number[] | undefined;
  private infeasible = false;
  private deadEnds = 0;

  private restart = 100;
  private since = 0;
  private room = 2000;
  private limit: number;

  /** Seeks schedules of fewer than `length` units. */
  constructor(p: Plain, length: number) {
    const limit = length - 1;
    this.limit = limit;
    this.p = p;
    this.back = mirror(p);
    this.n = p.n;
    this.lo = earliestStarts(p);
    const rest = cableEndsFromStart(p);
    this.hi = Int32Array.from(rest, (x) => limit - x);
    this.horizon = limit + 1;
    this.lb = Int32Array.from(this.lo);
    this.ub = Int32Array.from(this.hi);
    this.base = new Int32Array(p.n);
    let pairs = 0;
    for (let j = 0; j < p.n; j++) {
      this.base[j] = pairs;
      if (this.hi[j] < this.lo[j]) this.infeasible = true;
      pairs += Math.max(0, this.hi[j] - this.lo[j]);
    }
    this.jobOf = new Int32Array(pairs);
    this.timeOf = new Int32Array(pairs);
    for (let j = 0; j < p.n; j++)
      for (let t = this.lo[j]; t < this.hi[j]; t++) {
        this.jobOf[this.base[j] + t - this.lo[j]] = j;
        this.timeOf[this.base[j] + t - this.lo[j]] = t;
      }
    this.last = new Int32Array(2 * p.n).fill(-1);
    this.watches = Array.from({ length: 2 * pairs }, () => []);
    this.activity = new Float64Array(pairs);
    this.heap = new Heap(this.activity);
    this.phase = new Uint8Array(pairs);
    this.usage = p.sizes.map(() => new Int32Array(this.horizon + 1));
    for (let v = 0; v < pairs; v++) this.heap.push(v);
  }

  /** Goes on until there is an answer, or `stop` says so. */
  run(stop: (deadEnds: number) => boolean): Proof {
    if (this.infeasible || (this.deadEnds === 0 && !this.propagateAll(true))) return this.none();
    for (;;) {
      if (!this.propagateAll(false)) {
        if (this.levels.length === 0) return this.none();
        this.deadEnds++;
        this.since++;
        this.learn();
        if (this.infeasible) return this.none();
        if (stop(this.deadEnds)) return { verdict: "open", deadEnds: this.deadEnds };
        continue;
      }
      if (this.since >= this.restart) {
        this.since = 0;
        this.restart = Math.min(5000, this.restart * 1.15);
        this.undo(0);
        if (this.clauses.length > this.room) {
          this.forget();
          this.room += 200;
        }
        continue;
      }
      const lit = this.decide();
      if (lit === -1) {
        const starts = Int32Array.from(this.lb);
        let end = 0;
        for (let j = 0; j < this.n; j++) end = Math.max(end, starts[j] + this.p.durations[j] + this.p.tails[j]);
        return { verdict: "shorter", starts, length: end, deadEnds: this.deadEnds };
      }
      this.levels.push(this.trail.length);
      this.set(lit, undefined, -1, 0);
    }
  }

  /** From now on only schedules of fewer than `length` units count; the search stays near the one given. */
  tighten(length: number, starts: Int32Array): void {
    this.undo(0);
    for (let j = 0; j < this.n; j++)
      for (let t = this.lo[j]; t < this.hi[j]; t++) this.phase[this.base[j] + t - this.lo[j]] = starts[j] <= t ? HIGH : LOW;
    if (length - 1 >= this.limit) return;
    this.limit = length - 1;
    const less = this.horizon - 1 - this.limit;
    for (let j = 0; j < this.n && !this.infeasible; j++) {
      const t = this.hi[j] - less;
      if (t < this.lo[j]) this.infeasible = true;
      else if (t < this.ub[j] && !this.set(this.le(j, t), undefined, -1, 0)) this.infeasible = true;
    }
  }

  private none(): Proof {
    this.infeasible = true;
    return { verdict: "optimal", deadEnds: this.deadEnds };
  }

  // ---- literals

  private le(j: number, t: number): number {
    return 2 * (this.base[j] + t - this.lo[j]);
  }

  private ge(j: number, t: number): number {
    return 2 * (this.base[j] + t - 1 - this.lo[j]) + 1;
  }

  /** 1 true, -1 false, 0 open. */
  private value(lit: number): number {
    const v = lit >> 1;
    const j = this.jobOf[v];
    const t = this.timeOf[v];
    const is = this.ub[j] <= t ? 1 : this.lb[j] > t ? -1 : 0;
    return lit & 1 ? -is : is;
  }

  /** Makes a literal true because of others (true literals), a clause, or a precedence. False: it is a dead end. */
  private set(lit: number, why: number[] | Clause | undefined, other: number, gap: number): boolean {
    const v = lit >> 1;
    const j = this.jobOf[v];
    const t = this.timeOf[v];
    if (lit & 1) {
      if (this.lb[j] > t) return true;
      if (this.ub[j] <= t) return this.fail(lit, why, other, gap);
      this.trail.push(new Entry(j, LOW, this.lb[j], t + 1, this.levels.length, this.last[2 * j], why, other, gap));
      this.last[2 * j] = this.trail.length - 1;
      this.lb[j] = t + 1;
    } else {
      if (this.ub[j] <= t) return true;
      if (this.lb[j] > t) return this.fail(lit, why, other, gap);
      this.trail.push(new Entry(j, HIGH, this.ub[j], t, this.levels.length, this.last[2 * j + 1], why, other, gap));
      this.last[2 * j + 1] = this.trail.length - 1;
      this.ub[j] = t;
    }
    return true;
  }

  private fail(lit: number, why: number[] | Clause | undefined, other: number, gap: number): boolean {
    const v = lit >> 1;
    const reasons = this.reasons(lit & 1 ? LOW : HIGH, this.timeOf[v] + (lit & 1), why, other, gap, lit);
    this.conflict = [...reasons, lit ^ 1];
    return false;
  }

  /** The true literals behind a bound; `bound` may be weaker than what was set. */
  private reasons(side: number, bound: number, why: number[] | Clause | undefined, other: number, gap: number, self: number): number[] {
    if (other >= 0) {
      if (side === LOW) {
        const t = bound - gap;
        return t > this.lo[other] ? [this.ge(other, t)] : [];
      }
      const t = bound + gap;
      return t < this.hi[other] ? [this.le(other, t)] : [];
    }
    if (!why) return [];
    if (Array.isArray(why)) return why;
    const out: number[] = [];
    for (const l of why.lits) if (l !== self) out.push(l ^ 1);
    return out;
  }

  // ---- propagation

  private propagateAll(root: boolean): boolean {
    this.conflict = undefined;
    if (root) for (let j = 0; j < this.n; j++) if (!this.precedence(j, LOW) || !this.precedence(j, HIGH)) return false;
    for (;;) {
      while (this.head < this.trail.length) {
        const e = this.trail[this.head++];
        if (!this.precedence(e.job, e.side)) return false;
        if (!this.visit(e)) return false;
      }
      const before = this.trail.length;
      if (!this.timeTable()) return false;
      if (this.trail.length === before) return true;
    }
  }

  private precedence(j: number, side: number): boolean {
    const p = side === LOW ? this.back : this.p;
    for (let k = p.beforeAt[j]; k < p.beforeAt[j + 1]; k++) {
      const i = p.before[k];
      if (side === LOW) {
        const gap = p.lags[k] + this.p.durations[j];
        const t = this.lb[j] + gap;
        if (t > this.lb[i]) {
          if (t > this.hi[i]) return this.beyond(i, gap, j);
          if (!this.set(this.ge(i, t), undefined, j, gap)) return false;
        }
      } else {
        const gap = p.lags[k] + this.p.durations[i];
        const t = this.ub[j] - gap;
        if (t < this.ub[i]) {
          if (t < this.lo[i]) {
            this.conflict = [this.le(j, this.lo[i] + gap - 1)];
            return false;
          }
          if (!this.set(this.le(i, t), undefined, j, gap)) return false;
        }
      }
    }
    return true;
  }

  /** A follower would have to start later than it ever may. */
  private beyond(i: number, gap: number, j: number): boolean {
    this.conflict = [this.ge(j, this.hi[i] + 1 - gap)];
    return false;
  }

  private visit(e: Entry): boolean {
    const { job: j } = e;
    const [from, to] = e.side === LOW ? [e.old, e.now] : [e.now, e.old];
    for (let t = from; t < to; t++) {
      // What has just become false.
      const lit = e.side === LOW ? this.le(j, t) : this.le(j, t) + 1;
      const list = this.watches[lit];
      let keep = 0;
      for (let i = 0; i < list.length; i++) {
        const c = list[i];
        if (c.dropped) continue;
        const { lits } = c;
        if (lits[0] === lit) {
          lits[0] = lits[1];
          lits[1] = lit;
        }
        if (this.value(lits[0]) === 1) {
          list[keep++] = c;
          continue;
        }
        let moved = false;
        for (let k = 2; k < lits.length; k++) {
          if (this.value(lits[k]) === -1) continue;
          lits[1] = lits[k];
          lits[k] = lit;
          this.watches[lits[1]].push(c);
          moved = true;
          break;
        }
        if (moved) continue;
        list[keep++] = c;
        if (!this.set(lits[0], c, -1, 0)) {
          this.weigh(c);
          for (let k = i + 1; k < list.length; k++) list[keep++] = list[k];
          list.length = keep;
          return false;
        }
      }
      list.length = keep;
    }
    return true;
  }

  /** Time-table of each group: what surely runs at each moment, and whom that keeps off. */
  private timeTable(): boolean {
    const { n, p, lb, ub } = this;
    const { durations } = p;
    for (let g = 0; g < p.sizes.length; g++) {
      const size = p.sizes[g];
      const demand = p.demands[g];
      const use = this.usage[g];
      use.fill(0);
      for (let j = 0; j < n; j++) {
        if (!demand[j]) continue;
        for (let t = ub[j]; t < lb[j] + durations[j]; t++) {
          use[t] += demand[j];
          if (use[t] > size) {
            this.conflict = this.explain(g, t, size, -1);
            return false;
          }
        }
      }
      for (let j = 0; j < n; j++) {
        const need = demand[j];
        if (!need || lb[j] === ub[j]) continue;
        const d = durations[j];
        const room = size - need;
        // Its own sure part stands in the table from `own` on.
        const own = ub[j];
        const ownEnd = lb[j] + d;
        let t = lb[j] + d - 1;
        while (t >= lb[j]) {
          const mine = t >= own && t < ownEnd ? need : 0;
          if (use[t] - mine <= room) {
            t--;
            continue;
          }
          const why = this.explain(g, t, room, j);
          if (t + 1 - d > this.lo[j]) why.push(this.ge(j, t + 1 - d));
          if (t + 1 > this.hi[j]) {
            this.conflict = why;
            return false;
          }
          if (!this.set(this.ge(j, t + 1), why, -1, 0)) return false;
          t = lb[j] + d - 1;
        }
        t = ub[j];
        while (t < ub[j] + d) {
          const mine = t >= own && t < ownEnd ? need : 0;
          if (t >= this.horizon || use[t] - mine <= room) {
            t++;
            continue;
          }
          const why = this.explain(g, t, room, j);
          if (t < this.hi[j]) why.push(this.le(j, t));
          if (t - d < this.lo[j]) {
            this.conflict = why;
            return false;
          }
          if (!this.set(this.le(j, t - d), why, -1, 0)) return false;
          t = ub[j];
        }
      }
    }
    return true;
  }

  /** Literals by which jobs other than `j` surely use more than `room` of a group at t: as few and as old as it goes. */
  private explain(g: number, t: number, room: number, j: number): number[] {
    const { durations } = this.p;
    const demand = this.p.demands[g];
    const here: { i: number; age: number }[] = [];
    let sum = 0;
    for (let i = 0; i < this.n; i++) {
      if (i === j || !demand[i] || this.ub[i] > t || this.lb[i] + durations[i] <= t) continue;
      here.push({ i, age: Math.max(this.last[2 * i], this.last[2 * i + 1]) });
      sum += demand[i];
    }
    // The latest decided are left out where the rest is enough.
    here.sort((a, b) => b.age - a.age || demand[a.i] - demand[b.i]);
    const out: number[] = [];
    for (const { i } of here) {
      if (sum - demand[i] > room) {
        sum -= demand[i];
        continue;
      }
      if (t < this.hi[i]) out.push(this.le(i, t));
      if (t - durations[i] + 1 > this.lo[i]) out.push(this.ge(i, t - durations[i] + 1));
    }
    return out;
  }

  // ---- learning

  private readonly marks: number[] = [];

  private learn(): void {
    const level = this.levels.length;
    const marks = this.marks;
    const seen: number[] = [];
    let open = 0;
    const add = (lit: number) => {
      const v = lit >> 1;
      const j = this.jobOf[v];
      const side = lit & 1 ? LOW : HIGH;
      const bound = this.timeOf[v] + (lit & 1);
      const e = this.madeTrue(j, side, bound);
      if (e < 0 || this.trail[e].level === 0) return;
      this.raise(v);
      if (marks[e] === undefined || marks[e] === NONE) {
        marks[e] = bound;
        seen.push(e);
        if (this.trail[e].level === level) open++;
      } else if (side === LOW ? bound > marks[e] : bound < marks[e]) marks[e] = bound;
    };
    for (const lit of this.conflict!) add(lit);
    // A dead end that says nothing about this level (found late): go back to where it does.
    if (open === 0) {
      const top = Math.max(0, ...seen.map((e) => this.trail[e].level));
      for (const e of seen) marks[e] = NONE;
      const again = this.conflict!;
      this.undo(top);
      if (top === 0) {
        this.conflict = again;
        this.addClause([], 0);
        return;
      }
      this.conflict = again;
      this.learn();
      return;
    }
    let at = this.trail.length - 1;
    for (; ; at--) {
      if (marks[at] === undefined || marks[at] === NONE) continue;
      if (open === 1) break;
      const e = this.trail[at];
      const bound = marks[at];
      marks[at] = NONE;
      open--;
      if (e.why && !Array.isArray(e.why)) this.weigh(e.why);
      const self = e.side === LOW ? this.ge(e.job, e.now) : this.le(e.job, e.now);
      for (const lit of this.reasons(e.side, bound, e.why, e.other, e.gap, self)) add(lit);
    }
    // One literal a bound of a job: the strongest.
    const strongest = new Map<number, number>();
    for (const e of seen) {
      if (marks[e] === NONE || e === at) continue;
      const key = 2 * this.trail[e].job + this.trail[e].side;
      const known = strongest.get(key);
      if (known === undefined || known < e) strongest.set(key, e);
    }
    const litOf = (e: number) => {
      const { job, side } = this.trail[e];
      return side === LOW ? this.ge(job, marks[e]) ^ 1 : this.le(job, marks[e]) ^ 1;
    };
    const lits = [litOf(at)];
    let back = 0;
    const spread = new Set<number>();
    for (const e of strongest.values()) {
      // The asserting literal on the same bound is stronger still.
      if (2 * this.trail[e].job + this.trail[e].side === 2 * this.trail[at].job + this.trail[at].side) continue;
      if (this.implied(e)) continue;
      lits.push(litOf(e));
      spread.add(this.trail[e].level);
      if (this.trail[e].level > back) {
        back = this.trail[e].level;
        [lits[1], lits[lits.length - 1]] = [lits[lits.length - 1], lits[1]];
      }
    }
    for (const e of seen) marks[e] = NONE;
    this.undo(back);
    this.addClause(lits, spread.size + 1);
    this.bump /= 0.95;
    this.weightBump /= 0.999;
    if (this.bump > 1e100) {
      for (let v = 0; v < this.activity.length; v++) this.activity[v] *= 1e-100;
      this.bump *= 1e-100;
    }
    if (this.weightBump > 1e50) {
      for (const c of this.clauses) c.weight *= 1e-50;
      this.weightBump *= 1e-50;
    }
  }

  /** The trail entry that first made a bound true; -1: it was so from the start. */
  private madeTrue(j: number, side: number, bound: number): number {
    let e = this.last[2 * j + side];
    if (side === LOW) while (e >= 0 && this.trail[e].old >= bound) e = this.trail[e].previous;
    else while (e >= 0 && this.trail[e].old <= bound) e = this.trail[e].previous;
    return e;
  }

  /** Whether what set a marked bound is itself among the marked ones: the clause can do without it. */
  private implied(e: number): boolean {
    const entry = this.trail[e];
    if (!entry.why && entry.other < 0) return false;
    const self = entry.side === LOW ? this.ge(entry.job, entry.now) : this.le(entry.job, entry.now);
    for (const lit of this.reasons(entry.side, this.marks[e], entry.why, entry.other, entry.gap, self)) {
      const v = lit >> 1;
      const j = this.jobOf[v];
      const side = lit & 1 ? LOW : HIGH;
      const bound = this.timeOf[v] + (lit & 1);
      const x = this.madeTrue(j, side, bound);
      if (x < 0 || this.trail[x].level === 0) continue;
      const m = this.marks[x];
      if (m === undefined || m === NONE) return false;
      if (side === LOW ? m < bound : m > bound) return false;
    }
    return true;
  }

  private addClause(lits: number[], spread: number): void {
    if (lits.length === 0) {
      this.infeasible = true;
      return;
    }
    if (lits.length === 1) {
      this.set(lits[0], undefined, -1, 0);
      return;
    }
    const c: Clause = { lits: Int32Array.from(lits), weight: this.weightBump, spread, dropped: false };
    this.clauses.push(c);
    this.watches[lits[0]].push(c);
    this.watches[lits[1]].push(c);
    this.set(lits[0], c, -1, 0);
  }

  private weigh(c: Clause): void {
    c.weight += this.weightBump;
  }

  /** Drops the half of the wide clauses that helped least. At the root only. */
  private forget(): void {
    const wide = this.clauses.filter((c) => c.spread > 3).sort((a, b) => a.weight - b.weight);
    for (const c of wide.slice(0, wide.length >> 1)) c.dropped = true;
    this.clauses = this.clauses.filter((c) => !c.dropped);
  }

  private undo(level: number): void {
    if (this.levels.length <= level) return;
    const to = this.levels[level];
    for (let i = this.trail.length - 1; i >= to; i--) {
      const e = this.trail[i];
      const [from, until] = e.side === LOW ? [e.old, e.now] : [e.now, e.old];
      for (let t = from; t < until; t++) {
        const v = this.base[e.job] + t - this.lo[e.job];
        this.phase[v] = e.side;
        if (!this.heap.has(v)) this.heap.push(v);
      }
      if (e.side === LOW) this.lb[e.job] = e.old;
      else this.ub[e.job] = e.old;
      this.last[2 * e.job + e.side] = e.previous;
    }
    this.trail.length = to;
    this.levels.length = level;
    this.head = to;
  }

  // ---- deciding

  /** The open literal that mattered most of late, as it last was; before anything was learnt: the earliest start first. */
  private decide(): number {
    if (this.deadEnds < 100) {
      let best = -1;
      for (let j = 0; j < this.n; j++)
        if (
          this.lb[j] < this.ub[j] &&
          (best < 0 || this.lb[j] < this.lb[best] || (this.lb[j] === this.lb[best] && this.ub[j] < this.ub[best]))
        )
          best = j;
      return best < 0 ? -1 : this.le(best, this.lb[best]);
    }
    for (;;) {
      const v = this.heap.pop();
      if (v < 0) return -1;
      const j = this.jobOf[v];
      const t = this.timeOf[v];
      if (this.lb[j] > t || this.ub[j] <= t) continue;
      return 2 * v + (this.phase[v] === LOW ? 1 : 0);
    }
  }

  private raise(v: number): void {
    this.activity[v] += this.bump;
    this.heap.grown(v);
  }
}

const NONE = -1_000_000;

class Entry {
  constructor(
    readonly job: number,
    readonly side: number,
    readonly old: number,
    readonly now: number,
    readonly level: number,
    readonly previous: number,
    readonly why: number[] | Clause | undefined,
    readonly other: number,
    readonly gap: number,
  ) {}
}
