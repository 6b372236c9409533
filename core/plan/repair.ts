// Replanning around a change: all that still holds of the published plan stays; what does not is laid again around it.

import type { Minute } from "../time/zone";
import type { Board } from "./board";
import type { Compiled } from "./compile";
import { type Generated, layKept, type Rule } from "./generate";
import { layAside } from "./moves";
import { repairRule } from "./rules";

/** The published plan with what was displaced laid into its gaps: nothing else moves but what follows. Undefined: it can't be. */
export function repair(c: Compiled, kept: Rule, cache?: Board["cache"]): Generated | undefined {
  const pinned = c.jobs.some((j) => j.pin?.start !== undefined);
  // In its turn a pin disturbs least; one that finds its time taken goes first of all instead.
  return (pinned ? repairBy(c, kept, true, cache) : undefined) ?? repairBy(c, kept, false, cache);
}

function repairBy(c: Compiled, kept: Rule, pinsInTurn: boolean, cache?: Board["cache"]): Generated | undefined {
  const rule = repairRule(c, kept, pinsInTurn);
  const { board, aside, pinFailed, finish } = layKept(c, rule, cache);
  if (pinsInTurn && pinFailed) return undefined;
  return layAside(board, aside, (j) => rule.priority[j], rule.costs) ? finish() : undefined;
}

/** What dates cost: lateness and flow of every build by its finish; jobs without a place are left out of it. */
function datesCost(c: Compiled, finishOf: (build: number) => Minute): number {
  let sum = 0;
  c.builds.forEach((build, k) => {
    const finish = finishOf(k);
    if (!Number.isFinite(finish)) return;
    const days = c.shop.minutes(build.due, finish) / c.dayMinutes;
    sum += build.weight * (c.weights.late * days ** 1.5 + (c.weights.flow * c.shop.minutes(c.now, finish)) / c.dayMinutes);
  });
  return sum;
}

/** What the dates of the published plan cost, as they were meant. */
export function publishedCost(c: Compiled): number {
  return datesCost(c, (k) => Math.max(...c.builds[k].jobs.map((j) => c.jobs[j].published?.holdUntil ?? Number.NEGATIVE_INFINITY)));
}

/** What the dates of a plan cost. */
export const plannedCost = (b: Board): number =>
  datesCost(b.c, (k) => Math.max(...b.c.builds[k].jobs.map((j) => b.placed[j]?.holdUntil ?? Number.NEGATIVE_INFINITY)));

/** Share of the jobs to do that do not stand as published: start, crew and place. */
export function movedShare(b: Board): number {
  let all = 0;
  let moved = 0;
  for (const j of b.c.jobs) {
    const p = b.placed[j.index];
    if (!j.published || j.done || j.started) continue;
    all++;
    const { start, place, fitters } = j.published;
    if (!p || p.start !== start || p.place !== place || fitters.some((f) => !p.crew.includes(f))) moved++;
  }
  return all ? moved / all : 0;
}
