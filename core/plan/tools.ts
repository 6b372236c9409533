// Tools that jobs share: so many pieces of each, in use from a job's start to its end, or until what it bonds lets go.

import type { OpenSet } from "../time/openset";
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

/**
 * Finds the gate of a job by the tools it works with: the hours that all of them share. Work with the same machines has the same
 * gate, so that its hours are worked out once; 0 where none of them has hours of its own.
 */
export function gateFinder(c: {
  tools: readonly { open?: OpenSet }[];
  gates: (OpenSet | undefined)[];
}): (tools: readonly number[]) => number {
  const known = new Map<string, number>();
  return (tools) => {
    const bound = tools.filter((t) => c.tools[t].open).sort((x, y) => x - y);
    if (!bound.length) return 0;
    const key = bound.join();
    let gate = known.get(key);
    if (gate === undefined) {
      gate = c.gates.push(bound.map((t) => c.tools[t].open!).reduce((x, y) => x.and(y))) - 1;
      known.set(key, gate);
    }
    return gate;
  };
}

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
