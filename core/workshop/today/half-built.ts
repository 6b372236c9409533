// What may stay half-built over a break or a night, what packing it up takes, and what is carried over.

import { leftMinutes } from "../builds/left";
import { isOpen, penetrationsIn } from "../openings/holes";
import { opensSkin } from "../openings/skin";
import { entriesOf } from "../records/kinds/of";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow, Shop } from "../state/model";

export interface HalfBuilt {
  jobId: string;
  name: string;
  /** Why it may not be left as it stands; empty: it may. */
  stops: string[];
  /** Minutes to pack it up, and of work that is carried over. */
  packUp: number;
  carried: number;
}

/** Short clocks that end before a night does: what they run on is finished, or undone. */
const WET: ReadonlySet<string> = new Set(["open time", "correction", "second bead", "pot life", "flash-off"]);

/**
 * A job under way, stopped now. It may stay unless a hole of it has no cover, it opens the skin under conditions of its own and is not
 * shut yet, an adhesive of it is wet, or it has to be done in a day. Packing up: a figure of the house, twice that on the roof.
 * Source: PL-n34.
 */
export function halfBuilt(shop: Shop, build: BuildRow, job: JobRow, now: number): HalfBuilt | undefined {
  if (job.state !== "started" && job.state !== "paused") return undefined;
  const bare = penetrationsIn(build.records).filter((h) => h.jobId === job.id && isOpen(h.data) && !h.data.cover);
  const wet = entriesOf(build.records, "clock").filter((c) => c.jobId === job.id && c.closedAt === null && WET.has(c.data.what));
  const packUp = figure(shop, "packUp") * (job.zones.includes("roof") ? 2 : 1);
  return {
    jobId: job.id,
    name: job.name,
    stops: [
      ...bare.map((h) => `hole ${h.no}, ${h.title}, has no cover`),
      ...(bare.length === 0 && opensSkin(job) && penetrationsIn(build.records).some((h) => h.jobId === job.id && h.data.state === "cut")
        ? ["its cut edge is not safe yet: prime it, then cover"]
        : []),
      ...wet.map((c) => `${c.data.what} of ${c.title} runs: finish it, or take it off`),
      ...(job.needs.sameDay && !opensSkin(job) ? ["it has to be done in one day"] : []),
    ],
    packUp,
    carried: leftMinutes(shop, job, now),
  };
}

/** In a line: "may stay as it is: 15 min to pack up, 95 min are carried over", or why not. */
export const sayHalfBuilt = (h: HalfBuilt): string =>
  h.stops.length
    ? `${h.name} may not stay as it is: ${h.stops.join("; ")}. ${h.packUp} min to pack up`
    : `${h.name} may stay as it is: ${h.packUp} min to pack up, ${h.carried} min are carried over`;
