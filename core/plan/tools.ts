// Tools that jobs share: so many pieces of each, in use from a job's start to its end, or until what it bonds lets go.

import type { Minute } from "../time/zone";
import type { Job } from "./compile";

export interface ToolAsk {
  tool: number;
  count: number;
  /** Stays with the work until the hold is over: clamps, props, weights. */
  held: boolean;
}

export interface ToolUse {
  from: Minute;
  to: Minute;
  job: number;
  count: number;
}

/** Until when a job keeps a tool. */
export const keptUntil = (ask: ToolAsk, end: Minute, hold: Minute): Minute => (ask.held ? end + hold : end);

/** Puts a use into a tool's list, by its beginning. */
export function addUse(list: ToolUse[], use: ToolUse): void {
  let i = list.length;
  while (i > 0 && list[i - 1].from > use.from) i--;
  list.splice(i, 0, use);
}

/**
 * Why a job can't have its tools from `start` on: the tool, who has it, and from when on at the soonest so many are free as were
 * missing at the first moment of need. What is under way has its tools: that is a fact.
 */
export function toolConflict(
  uses: readonly (readonly ToolUse[])[],
  pieces: (tool: number) => number,
  job: Job,
  start: Minute,
  end: Minute,
): { tool: number; job: number; until: Minute } | undefined {
  if (job.started) return undefined;
  for (const ask of job.tools) {
    const until = keptUntil(ask, end, job.hold);
    const free = pieces(ask.tool) - ask.count;
    if (free < 0) return { tool: ask.tool, job: job.index, until: Number.POSITIVE_INFINITY };
    const others = uses[ask.tool].filter((u) => u.from < until && u.to > start && u.job !== job.index);
    // Use only rises where one begins: look at the start, and there.
    for (const t of [start, ...others.map((u) => u.from).filter((x) => x > start)]) {
      const here = others.filter((u) => u.from <= t && t < u.to).sort((a, b) => a.to - b.to);
      let over = here.reduce((n, u) => n + u.count, 0) - free;
      if (over <= 0) continue;
      for (const u of here) {
        over -= u.count;
        if (over <= 0) return { tool: ask.tool, job: u.job, until: Math.max(u.to, start + 1) };
      }
    }
  }
  return undefined;
}
