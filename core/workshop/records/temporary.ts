// Temporary things hold up what would shut them in, and the handover.

import type { BuildRow, JobRow } from "../state/model";
import { entriesOf } from "./kinds/of";
import type { Kept } from "./records";

const open = (records: BuildRow["records"]): Kept<"temporary">[] => entriesOf(records, "temporary").filter((r) => r.closedAt === null);

/** What has to come off before this job is begun: its stage is the one before which it has to be gone, its zone the one it is in. */
export const temporaryBefore = (build: Pick<BuildRow, "records">, job: Pick<JobRow, "stage" | "zones" | "place">): string[] =>
  job.place !== "van"
    ? []
    : open(build.records)
        .filter((r) => r.data.before === job.stage && (job.zones.includes(r.data.zone) || job.zones.includes("all")))
        .map((r) => `${r.title} is still there: ${r.data.owner} takes it off first`);

/** Whatever is still on the van when it is handed over. */
export const temporaryLeft = (records: BuildRow["records"]): string[] => open(records).map((r) => `${r.title} (${r.data.owner})`);
