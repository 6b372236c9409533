// Shared tools of the workshop: which of them a job books, and which are with other work now.

import type { ProblemJob } from "../../plan/model";
import type { JobRow, Shop, ToolRow } from "../state/model";

/** In a new workshop these stay with the work until the bond lets go; there is more than one set of them. */
export const HELD = ["clamps", "weights", "straps", "props", "drying place"] as const;
/** Where pieces lie between two coats: of the house, though no job of the library names it. */
export const DRYING_PLACE: (typeof HELD)[number] = "drying place";
export const HELD_PIECES = 4;

/** What of the shared tools a job books, for the planner; names that no tool of the house has are nobody's business here. */
export function toolsAsked(tools: readonly ToolRow[], job: Pick<JobRow, "tools" | "hold">): Pick<ProblemJob, "tools"> {
  const asked = tools
    .filter((t) => job.tools.includes(t.name))
    .map((t) => ({ id: t.id, ...(t.held && job.hold.minutes > 0 ? { held: true } : {}) }));
  return asked.length ? { tools: asked } : {};
}

/** Jobs that have a tool now: under way, or done with the bond still setting, where the tool stays with it. */
export const usersOf = (tool: ToolRow, jobs: Iterable<JobRow>, now: number): JobRow[] =>
  [...jobs].filter(
    (j) =>
      j.tools.includes(tool.name) &&
      (j.state === "started" || (tool.held && j.state === "done" && j.endedAt !== null && j.endedAt + j.hold.minutes > now)),
  );

/** What has each tool now, by the tool's id. */
export function inUse(shop: Pick<Shop, "tools" | "builds">, now: number): Map<string, JobRow[]> {
  const jobs = shop.builds.flatMap((b) => b.jobs).filter((j) => j.state !== "todo" && j.tools.length);
  return new Map(shop.tools.map((t) => [t.id, usersOf(t, jobs, now)]));
}
