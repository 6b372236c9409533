// A small complete search: the fewest moves by which the jobs that no longer hold, and those that make way for them, find a place.

import type { Minute } from "../../time/zone";
import type { Board, Placed } from "../board";
import type { Keep } from "../generate";
import { latestFinish } from "../passes";
import { grow } from "./grow";
import { nextOf } from "./push-about";
import { spotsFor } from "./spots";
import { moveWeight, nearness } from "./weight";

/** So many looks at a job in all. */
const LOOKS = 160;
/** Spots tried at each look, the best first. */
const WIDE = 6;

/** Where the jobs that are hit go, and those that make way for them. Undefined: no way was found by `limits` and `frozen`. */
export const fewestMoves = (b: Board, limits: readonly Minute[], hit: readonly number[], frozen: Minute): Map<number, Keep> | undefined =>
  new Search(b, limits, frozen).run(hit);

class Search {
  private readonly b: Board;
  private readonly limits: readonly Minute[];
  private readonly frozen: Minute;
  private readonly over: Float64Array;
  private readonly open = new Set<number>();
  /** Placed in this branch: not to be put elsewhere a second time. */
  private readonly laid = new Map<number, Placed>();
  private cost = 0;
  private least = Number.POSITIVE_INFINITY;
  private best: Map<number, Keep> | undefined;
  private looks = 0;

  constructor(b: Board, limits: readonly Minute[], frozen: Minute) {
    this.frozen = frozen;
    this.b = b;
    this.limits = limits;
    this.over = latestFinish(b.c, limits);
  }

  run(hit: readonly number[]): Map<number, Keep> | undefined {
    for (const j of hit) this.open.add(j);
    this.look();
    return this.best;
  }

  private look(): void {
    const { b } = this;
    const { jobs } = b.c;
    let atLeast = this.cost;
    for (const j of this.open) atLeast += nearness(b.c, jobs[j]);
    if (!this.open.size) {
      if (this.cost < this.least) {
        this.least = this.cost;
        this.best = new Map([...this.laid].map(([j, p]) => [j, { start: p.start, place: p.place, crew: p.crew }]));
      }
      return;
    }
    if (atLeast >= this.least || ++this.looks > LOOKS) return;
    const j = nextOf(b, this.open);
    if (j === undefined) return;
    const job = jobs[j];
    this.open.delete(j);
    const spots = spotsFor(b, job, {
      limit: this.limits[job.build],
      over: this.over[j],
      frozen: this.frozen,
      fixed: (k) => this.laid.has(k) || this.open.has(k),
      cost: (p, ejects) => moveWeight(b.c, job, p) + ejects.reduce((sum, k) => sum + nearness(b.c, jobs[k]), 0),
    });
    for (const spot of spots.slice(0, WIDE)) {
      const ejected = spot.ejects.map((k) => [k, b.placed[k]!] as const);
      for (const [k] of ejected) {
        b.unbook(k);
        this.open.add(k);
      }
      const back = grow(b, spot.changes);
      b.book(job, spot.placed);
      this.laid.set(j, spot.placed);
      const own = moveWeight(b.c, job, spot.placed);
      this.cost += own;
      this.look();
      this.cost -= own;
      this.laid.delete(j);
      b.unbook(j);
      back();
      for (const [k, p] of ejected) {
        this.open.delete(k);
        b.book(jobs[k], p);
      }
    }
    this.open.add(j);
  }
}
