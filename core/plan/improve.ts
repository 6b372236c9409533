// The search: steps that touch little, taken when they gain or, less and less so, by chance when they don't; now and then
// all is laid anew around what is kept. Always holds a whole plan that keeps every rule, and the best one so far.

import type { Random } from "../rng";
import { At } from "./at";
import { Board, type Placed, type Stay } from "./board";
import type { Compiled } from "./compile";
import { costOf } from "./cost";
import { type Generated, generate } from "./generate";
import type { Cost } from "./model";
import { isFree, putBack, relay, reopen } from "./moves";
import { placedRule } from "./rules";
import { displaced, latestFirst, relaying, reopening, stepRule } from "./search";

export interface Candidate extends Generated {
  cost: Cost;
}

/** A plan to come back to: placements are never changed, stays are. */
interface Snapshot {
  total: number;
  placed: (Placed | undefined)[];
  stays: Stay[][];
  generated: Generated;
}

const snapshot = (at: At): Snapshot => ({
  total: at.total,
  placed: [...at.board.placed],
  stays: at.board.stays.map((list) => list.map((s) => ({ ...s }))),
  generated: at.generated,
});

function restore(c: Compiled, s: Snapshot, cache: Board["cache"]): Generated {
  const board = new Board(c, cache);
  for (const list of board.atPlace) list.length = 0;
  s.stays.forEach((list, k) => {
    board.stays[k].length = 0;
    board.left[k] = 0;
    for (const stay of list) board.addStay({ ...stay });
  });
  for (const j of c.jobs) if (!j.done && s.placed[j.index]) board.book(j, s.placed[j.index]!);
  return { ...s.generated, board };
}

export interface ImproveOptions {
  local: boolean;
  /** How much of the budget is used, 0 to 1; told how many steps are done. */
  used(steps: number): number;
  stopped(): boolean;
  /** False ends the search. */
  onBetter(cost: () => Cost, steps: number): boolean;
}

/**
 * What the ways of stepping have gained for their effort (jobs laid), of late. Effort goes where it pays; every way keeps
 * a part of it, since what pays changes as a plan gets better.
 */
class Ways {
  private readonly gain: number[];
  private readonly effort: number[];
  private readonly steps: number[];

  /** The first guess of what a step of each way costs, in jobs laid. */
  constructor(guesses: readonly number[]) {
    this.effort = [...guesses];
    this.steps = guesses.map(() => 1);
    this.gain = guesses.map(() => 0);
  }

  pick(r: Random): number {
    const rates = this.gain.map((g, k) => g / this.effort[k]);
    const sum = rates.reduce((x, y) => x + y, 0);
    const n = rates.length;
    const shares = rates.map((x) => 0.5 / n + (sum > 0 ? (0.5 * x) / sum : 0.5 / n));
    const chances = shares.map((x, k) => (x * this.steps[k]) / this.effort[k]);
    let left = r() * chances.reduce((x, y) => x + y, 0);
    for (let k = 0; k < n; k++) {
      left -= chances[k];
      if (left <= 0) return k;
    }
    return n - 1;
  }

  tell(way: number, effort: number, gain: number): void {
    this.effort[way] = this.effort[way] * 0.995 + effort;
    this.steps[way] = this.steps[way] * 0.995 + 1;
    this.gain[way] = this.gain[way] * 0.995 + Math.max(0, gain);
  }
}

/**
 * A job that is only checked where it was, against one that is laid again: about so much of the work. Taken for less where
 * there are many: there laying all anew gains more for its time, as measured.
 */
const checked = (jobs: number): number => (jobs > 1000 ? 0.12 : 0.3);
/** Heat at the start, against the cost of a build on average. */
const HEAT = 0.01;
/** So many passes at most before the search. */
const PASSES = 12;
/** A step is some work before a job is laid. */
const STEP = 3;

/** Goes on from a plan as long as the budget lasts. Deterministic for one random source and number of steps. */
export function improve(c: Compiled, start: Candidate, r: Random, options: ImproveOptions): Candidate & { steps: number } {
  const cache = start.board.cache;
  let at = new At(start);
  let best = snapshot(at);
  const free = c.jobs.filter((j) => isFree(j)).length;
  const anew = checked(c.jobs.length) * c.jobs.length;
  const ways = new Ways([anew, 40, 20]);
  let steps = 0;
  let share = options.used(0);
  let go = free > 0;
  const better = (): void => {
    if (at.total >= best.total - 1e-6) return;
    best = snapshot(at);
    const { board, generated } = at;
    go = options.onBetter(() => costOf(board, generated.unplaced), steps);
  };
  // Backward and forward passes first, until neither kind gains any more.
  for (let idle = 0, n = 0; !options.local && go && share < 1 && idle < 2 && n < PASSES && !options.stopped(); n++) {
    steps++;
    const next = new At(generate(c, latestFirst(c, at, n % 2 === 1, { move: 90, evict: 240 }), cache));
    idle = next.total < at.total ? 0 : idle + 1;
    if (!idle) at = next;
    better();
    share = options.used(steps);
  }
  while (go && share < 1 && !options.stopped()) {
    // The plan on the wall still holds: nothing to look for.
    if (options.local && displaced(c, at).size === 0 && at.generated.unplaced.size === 0) break;
    steps++;
    // Worse plans are gone on from by chance, less and less so: the way out of a dead end.
    const heat = ((HEAT * best.total) / c.builds.length) * (1 - share) ** 2;
    const limit = at.total + heat * -Math.log(1 - r());
    const before = at.total;
    const way = ways.pick(r);
    let effort = STEP;
    let gain = 0;
    if (way === 0) {
      const next = new At(generate(c, stepRule(c, at, r, options.local), cache));
      effort += anew;
      gain = best.total - next.total;
      // No gain is worth a pin that was kept.
      if (next.total < limit && next.generated.pinsBroken.size <= at.generated.pinsBroken.size) at = next;
    } else {
      const undo =
        way === 1 ? reopen(at.board, ...reopening(c, at, r, options.local)) : relay(at.board, ...relaying(c, at, r, options.local));
      effort += undo ? undo.jobs.size : 10;
      if (undo) {
        at.refresh(undo);
        gain = best.total - at.total;
        if (at.total > limit) {
          putBack(at.board, undo);
          at.refresh(undo);
          at.total = before;
        }
      }
    }
    ways.tell(way, effort, gain);
    better();
    if (at.total > best.total * 1.02 && r() < 0.02) at = new At(restore(c, best, cache));
    share = options.used(steps);
  }
  const generated = settled(c, restore(c, best, cache), cache);
  return { ...generated, cost: costOf(generated.board, generated.unplaced), steps };
}

/**
 * The same starts and crews with the van's stays as schedule generation makes them, when that is no worse: so a plan that
 * is published and laid down again stays the same to the minute.
 */
function settled(c: Compiled, g: Generated, cache: Board["cache"]): Generated {
  const again = generate(c, placedRule(g.board), cache);
  return costOf(again.board, again.unplaced).total <= costOf(g.board, g.unplaced).total ? again : g;
}
