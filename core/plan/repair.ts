// Replanning around a change: all that still holds of the published plan stays; what does not is laid again around it.

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
