// Work that somebody else did: accepted, not believed; and what nobody can look at any more.

import type { Area } from "../records/kinds/client";
import { entriesOf } from "../records/kinds/of";
import type { Kept } from "../records/records";
import type { BuildRow, JobRow } from "../state/model";

/** Stages whose work covers a thing, by what the thing is part of. */
const COVERED_BY: Record<Area, readonly string[]> = {
  floor: ["framing", "panels", "furniture"],
  roofUnits: ["insulation", "panels"],
  windows: ["insulation", "panels"],
  rack: ["insulation", "panels"],
  insulation: ["framing", "panels"],
  linings: ["furniture"],
  furniture: [],
  wiring: ["insulation", "panels"],
  pipes: ["insulation", "panels", "furniture"],
  gas: ["panels", "furniture"],
};

/** Where a thing lies, by what it is part of: zones of the jobs that would cover it. */
const LIES: Record<Area, readonly string[] | "all"> = {
  floor: ["floor"],
  roofUnits: ["roof", "ceiling"],
  windows: ["left", "right", "rear"],
  rack: ["roof", "ceiling"],
  insulation: "all",
  linings: "all",
  furniture: "all",
  wiring: "all",
  pipes: "all",
  gas: "all",
};

/** Whether a job would cover it. */
export const coversWork = (r: Kept<"others">, job: Pick<JobRow, "stage" | "zones" | "place">): boolean => {
  const lies = LIES[r.data.area];
  return (
    job.place === "van" &&
    COVERED_BY[r.data.area].includes(job.stage) &&
    (lies === "all" || lies.some((z) => job.zones.includes(z) || job.zones.includes("all")))
  );
};

/** Done or in part, can still be seen, and not accepted yet. */
const waits = (r: Kept<"others">): boolean => r.data.state !== "missing" && r.data.covered !== "covered" && r.data.result !== "accepted";

/** Said to be done, to be seen, and nobody has tried it. */
export const isBelieved = (r: Kept<"others">): boolean => waits(r) && r.data.result === undefined;

/** What has to be looked at, or done again, before a job covers it. */
export const othersBefore = (build: Pick<BuildRow, "records">, job: Pick<JobRow, "stage" | "zones" | "place">): string[] =>
  entriesOf(build.records, "others")
    .filter((r) => waits(r) && coversWork(r, job))
    .map((r) =>
      r.data.result === "refused"
        ? `${r.title} of ${r.data.who} was refused and is not done again`
        : `${r.title}, done by ${r.data.who}, is not accepted yet: look at it before it is covered`,
    );

/** What nobody can look at any more and no photo shows: named at handover as not ours. */
export const notOurs = (records: BuildRow["records"]): string[] =>
  entriesOf(records, "others")
    .filter((r) => r.data.state !== "missing" && r.data.covered === "covered" && !r.photos.length)
    .map((r) => `${r.title}, by ${r.data.who}: covered when the van came, no photo of it`);

/** What was refused, as hours of work and a price to the client. */
export function refusedWork(records: BuildRow["records"]): { lines: string[]; hours: number; price: number } {
  const list = entriesOf(records, "others").filter((r) => r.data.result === "refused");
  return {
    lines: list.map((r) => r.title),
    hours: list.reduce((n, r) => n + (r.data.hours ?? 0), 0),
    price: list.reduce((n, r) => n + (r.data.price ?? 0), 0),
  };
}

/** The first stage with work of ours left in it. */
export const firstStage = (build: Pick<BuildRow, "jobs">): string | undefined => build.jobs.find((j) => j.state !== "done")?.stage;
