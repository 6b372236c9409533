// Tails of powered units: their way is kept before anything is shut in, and open ones stay on the list to the handover.

import { behindHole, penetrationsIn } from "../openings/holes";
import type { BuildRow, JobRow } from "../state/model";
import { tailMm } from "./kinds/cable-end";
import { entriesOf } from "./kinds/of";

/** Units that need a cable, by the title of their hole. */
const POWERED = /\bfan\b|heater|(shore|mains) inlet|solar|\b(lamp|light|aerial|camera)s?\b/i;
const SHUTS = new Set(["insulation", "panels"]);

/** Holes whose unit needs a cable and has no tail written down. */
export function cableEndsAsked(build: Pick<BuildRow, "records">): { hole: number; title: string }[] {
  const have = new Set(entriesOf(build.records, "tail").map((r) => r.data.hole));
  return penetrationsIn(build.records)
    .filter((h) => POWERED.test(h.title) && !have.has(h.no))
    .map((h) => ({ hole: h.no, title: h.title }));
}

/** Tails whose way a job would shut in: it waits until it is kept free. */
export function cableEndsBefore(build: Pick<BuildRow, "records">, job: Pick<JobRow, "stage" | "zones" | "place">): string[] {
  if (!SHUTS.has(job.stage) || job.place !== "van") return [];
  const holes = penetrationsIn(build.records);
  return entriesOf(build.records, "tail").flatMap((r) => {
    const hole = holes.find((h) => h.no === r.data.hole);
    const behind = hole && behindHole(hole.data.side).some((z) => job.zones.includes(z));
    return behind && !r.data.routed ? [`the tail of ${r.title}, hole ${hole.no}, has no way kept free: ${tailMm(r.data)} mm`] : [];
  });
}

/** Cable ends that nobody has connected. */
export const cableEndsOpen = (records: BuildRow["records"]): string[] =>
  entriesOf(records, "tail")
    .filter((r) => !r.data.connected)
    .map((r) => `${r.title}, hole ${r.data.hole}${r.data.trigger ? `, connected when ${r.data.trigger}` : ""}`);

/** What connects the services has to know of them. */
export const cableEndWords = (build: Pick<BuildRow, "records">, job: Pick<JobRow, "stage" | "state">): string[] =>
  job.stage === "services" && job.state !== "done" ? cableEndsOpen(build.records).map((t) => `Tail to connect: ${t}`) : [];
