// Replanning around a change: all that still holds of the published plan stays; what does not is laid again around it.

import type { Minute } from "../time/zone";
import type { Board } from "./board";
import type { Compiled } from "./compile";
import { costOf } from "./cost";
import { type Generated, layKept } from "./generate";
import { layAside } from "./moves";
import { repairRule } from "./rules";

const DAY = 1440;

/** How long displaced work waits for what begins later before it takes its place. First: for ever. */
const PATIENCE = [Number.POSITIVE_INFINITY, 2 * DAY, DAY / 4];

/**
 * The published plan with as little moved as this finds: the cheapest of some ways to lay what was displaced. Undefined
 * where none goes.
 */
export function repair(c: Compiled, cache?: Board["cache"]): Generated | undefined {
  const pinned = c.jobs.some((j) => j.pin?.start !== undefined);
  // In its turn a pin disturbs least; one that finds its time taken goes first of all instead.
  return (pinned ? repairBy(c, true, cache) : undefined) ?? repairBy(c, false, cache);
}

function repairBy(c: Compiled, pinsInTurn: boolean, cache?: Board["cache"]): Generated | undefined {
  const rule = repairRule(c, pinsInTurn);
  const { board, aside, pinFailed, finish } = layKept(c, rule, cache);
  if (pinsInTurn && pinFailed) return undefined;
  const lay = (patience: number) => layAside(board, aside, (j) => rule.priority[j], rule.costs, patience);
  let best: { patience: number; cost: number } | undefined;
  let laid: number | undefined;
  let back: (() => void) | undefined;
  for (const patience of aside.length ? PATIENCE : PATIENCE.slice(0, 1)) {
    back?.();
    back = lay(patience);
    laid = back ? patience : undefined;
    if (!back) continue;
    const cost = costOf(board, new Map()).total;
    if (!best || cost < best.cost) best = { patience, cost };
  }
  if (!best) return undefined;
  if (laid !== best.patience) {
    back?.();
    lay(best.patience);
  }
  return finish();
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
  const ends = new Map((c.problem.published?.jobs ?? []).map((j) => [j.id, c.zone.parse(j.holdUntil ?? j.end)]));
  return datesCost(c, (k) => Math.max(...c.builds[k].jobs.map((j) => ends.get(c.jobs[j].id) ?? Number.NEGATIVE_INFINITY)));
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
