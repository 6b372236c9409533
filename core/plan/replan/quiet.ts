// The quiet answer to a change: the fewest jobs move that must. All else stays where it was published, to the minute.
// Everybody's first questions: somebody else, another hour, a swap; then what that in turn hits.

import { random } from "../../rng";
import type { Board } from "../board";
import type { Compiled } from "../compile";
import { BEHIND, type Keep, layKept, type Rule } from "../generate";
import { repairRule } from "../rules";
import { fewestMoves } from "./complete";
import { type PushTerms, pushAbout } from "./push-about";
import { noise } from "./upheaval";
import { handoverLimits } from "./weight";

/** Beyond so many jobs hit at once, there is nothing small to search. */
const HIT = 40;
/** Ways of pushing about, tried in turn: by what costs least now or with more chance in it; every date kept or, where it must be, some lost. */
const WAYS: Omit<PushTerms, "most" | "steps" | "frozen">[] = [
  { noise: 0.6, days: 0, worn: 3, asked: 3 },
  { noise: 0.3, days: 40, worn: 2, asked: 1 },
  { noise: 1.2, days: 0, worn: 3, asked: 3 },
  { noise: 0.1, days: 40, worn: 1, asked: 0 },
  { noise: 2.5, days: 0, worn: 3, asked: 3 },
  { noise: 0.6, days: 40, worn: 2, asked: 1 },
];
/** What is found is found soon: a way is given up after so many looks, and all of them once one has led somewhere so often. */
const STEPS = 120;
/** So many ways leave the frozen days alone; the others take them in. */
const FROZEN_WAYS = 6;
const ENOUGH = 5;
/** Jobs put elsewhere, as a share of all, beyond which it is no quiet answer; so many at least, besides those that are hit. */
const SHARE = 0.3;
const SOME = 8;

/**
 * The published plan with the fewest jobs moved that the change leaves no choice about, none handed over later than must be.
 * `effort`: looks at a job at most. Undefined: more is hit than a small search can settle, or it found no way; then other means have to be tried.
 *
 * Example: Rosa is ill for two days and two of her jobs have slack: both come after her return, nothing else moves.
 */
export function quietRule(c: Compiled, kept: Rule, effort: number, cache?: Board["cache"], stopped = () => false): Rule | undefined {
  const { board, aside } = layKept(c, { ...repairRule(c, kept, true), holdsPlace: true }, cache);
  const hit = aside.filter((j) => c.jobs[j].published);
  const known = c.builds.map((b) => b.jobs.some((j) => c.jobs[j].published && !c.jobs[j].done));
  // New work on a van that was planned already may ask it to stand elsewhere: that is not for here.
  if (hit.length > HIT || aside.some((j) => !c.jobs[j].published && known[c.jobs[j].build])) return undefined;
  if (board.left.some((n, k) => n > 0 && known[k])) return undefined;
  if (!hit.length) return aside.length ? ruleWith(c, kept, new Map()) : undefined;
  const limits = handoverLimits(c, 0);
  // The days that are to be left alone are touched only where nothing else helps.
  const all = Number.NEGATIVE_INFINITY;
  const keep =
    fewestMoves(board, limits, hit, c.frozen) ??
    (c.frozen > all ? fewestMoves(board, limits, hit, all) : undefined) ??
    byChance(board, hit, effort, stopped);
  return keep && ruleWith(c, kept, keep);
}

/** The best of some tries, as long as `effort` lasts: the fewest moves, and days later. */
function byChance(b: Board, hit: readonly number[], effort: number, stopped: () => boolean): Map<number, Keep> | undefined {
  const all = Math.max(1, b.c.jobs.filter((j) => j.published && !j.done && !j.started).length);
  const loud = (moved: number, days: number) => noise({ lost: 0, pins: 0, moved, frozen: 0, days, all });
  const most = Math.round(SHARE * all) + SOME + hit.length;
  let best: { keep: Map<number, Keep>; loud: number } | undefined;
  for (let n = 0, found = 0, left = effort; left > 0 && found < ENOUGH && !stopped(); n++) {
    const way = WAYS[n % WAYS.length];
    // What can't be quieter than the best so far is given up.
    const quieter = best ? Math.floor((best.loud * all) / 100) : most;
    const next = pushAbout(b, hit, random(n + 1), {
      ...way,
      most: Math.min(most, quieter),
      steps: STEPS,
      frozen: n < FROZEN_WAYS ? b.c.frozen : Number.NEGATIVE_INFINITY,
    });
    left -= next.steps + 1;
    if (!next.keep) continue;
    found++;
    const is = loud(next.keep.size, next.days);
    if (!best || is < best.loud) best = { keep: next.keep, loud: is };
  }
  return best?.keep;
}

/** The rule that lays the published plan down with these jobs elsewhere. */
function ruleWith(c: Compiled, kept: Rule, found: ReadonlyMap<number, Keep>): Rule {
  const keep = c.jobs.map((j) => found.get(j.index) ?? kept.keep![j.index]);
  return {
    ...kept,
    name: "as published, the least moved",
    // What is new comes behind all that is kept: it finds its places in the gaps.
    priority: Float64Array.from(c.jobs, (j) => keep[j.index]?.start ?? BEHIND + kept.priority[j.index]),
    keep,
    waits: undefined,
    most: undefined,
  };
}
