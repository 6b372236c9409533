// What is finished where a dusty, hot or wet job comes: a job that covers it before, and one that cleans up behind.

import { type AskedJob, around } from "../builds/extra-work";
import { entriesOf } from "../records/kinds/of";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow } from "../state/model";

/** Work of these stages leaves faces that are seen. */
const SEEN = new Set(["panels", "furniture"]);
/** Hot work and swarf fly from these. */
const HOT = new Set(["grinder"]);
type Dirt = "dust" | "sparks" | "water";

const COVERS: Readonly<Record<Dirt, readonly string[]>> = {
  dust: ["Sheet from edge to edge, on low-tack tape", "Extraction ready; drawers and vents shut"],
  sparks: [
    "Wool blanket over all within two metres, nothing that melts",
    "What burns is out of the way; extinguisher at hand, somebody looks again after half an hour",
  ],
  water: ["Sheet under the joints, edges turned up; cloths and a bucket at hand", "Shut-off known and within reach"],
};
const CLEANS: Readonly<Record<Dirt, readonly string[]>> = {
  dust: ["Vacuum from the top down, sheets rolled inwards", "Wipe; look along the faces against the light"],
  sparks: ["Swarf off with magnet and brush before anything is wiped", "Blankets off; look for burnt places and rust seeds"],
  water: ["All dry, corners by hand; sheets out", "Look again for drops after an hour"],
};

/** What a job leaves on what is near it; undefined: nothing to speak of. */
export function dirtOf(job: Pick<JobRow, "place" | "tags" | "tools">): Dirt | undefined {
  if (job.place !== "van") return undefined;
  if (job.tools.some((t) => HOT.has(t))) return "sparks";
  return job.tags.includes("dust") ? "dust" : job.tags.includes("water") ? "water" : undefined;
}

const meets = (a: readonly string[], b: readonly string[]): boolean =>
  a.includes("all") || b.includes("all") || a.some((z) => b.includes(z));

/** Finished faces where a job works: done in the van, in its zones. */
export const finishedAround = (build: Pick<BuildRow, "jobs">, job: Pick<JobRow, "id" | "zones">): JobRow[] =>
  build.jobs.filter((j) => j.id !== job.id && j.state === "done" && j.place === "van" && SEEN.has(j.stage) && meets(j.zones, job.zones));

/** Whether a sheet or a film already lies there. */
const isCovered = (build: Pick<BuildRow, "records">, job: Pick<JobRow, "zones">): boolean =>
  entriesOf(build.records, "temporary").some((r) => r.closedAt === null && meets([r.data.zone], job.zones));

/**
 * Covering and cleaning up for dirty work that is next, covering aside all it waits for is done or under way; cleaning also while it is
 * under way, or a sheet lies there already. An order that needs neither has the dirty work first: what is not finished yet is not asked for.
 */
export function protection(build: Pick<BuildRow, "jobs" | "records" | "figures">): AskedJob[] {
  const byId = new Map(build.jobs.map((j) => [j.id, j]));
  return build.jobs.flatMap((job): AskedJob[] => {
    const dirt = dirtOf(job);
    const cover = `protect:${job.id}`;
    const waits = job.after.some((a) => byId.get(a.job)?.state === "todo" && byId.get(a.job)?.extra !== cover);
    if (!dirt || job.state === "done" || waits) return [];
    const finished = finishedAround(build, job);
    if (!finished.length) return [];
    const names = finished.map((j) => j.name);
    const common = { stage: job.stage, zones: job.zones, skill: "any", level: 1, yardOk: job.yardOk };
    const covering: AskedJob = {
      ...common,
      key: cover,
      name: `Cover what is finished: ${job.name}`,
      why: `${job.name} makes ${dirt === "water" ? "wet" : dirt} where ${names.join(", ")} ${names.length > 1 ? "are" : "is"} finished`,
      minutes: around(Math.max(figure(build, "coverLeast"), figure(build, "coverEach") * finished.length)),
      steps: [...names.map((n) => `Cover: ${n}`), ...COVERS[dirt], "On the list of temporary things, with who takes it off"],
      shots: ["all of it covered"],
      after: [],
      before: [job.id],
    };
    const cleaning: AskedJob = {
      ...common,
      key: `clean:${job.id}`,
      name: `Clean up behind: ${job.name}`,
      why: `what it leaves on ${names.join(", ")}`,
      minutes: around(figure(build, "cleanUp")),
      steps: [...CLEANS[dirt], "Off the list of temporary things"],
      shots: ["clean, nothing left under an edge"],
      after: [job.id],
      before: build.jobs.filter((j) => j.state === "todo" && j.after.some((a) => a.job === job.id)).map((j) => j.id),
    };
    return [...(job.state === "todo" && !isCovered(build, job) ? [covering] : []), cleaning];
  });
}
