// What later work would trap: told while stripping, and once more, as a last chance, before the job that covers it.

import { hasRole } from "../../library/roles";
import { entriesOf } from "../records/kinds/of";
import type { Trap } from "../records/kinds/strip";
import type { Kept } from "../records/records";
import type { BuildRow, JobRow } from "../state/model";

/** Stage that covers a thing which lies there. */
const STAGE_OF: Record<Trap["under"], string> = { cut: "openings", flange: "openings", batten: "framing", lining: "panels" };

const covers = (r: Kept<"trap">, job: Pick<JobRow, "stage" | "zones" | "place" | "irreversible">): boolean =>
  job.place === "van" &&
  job.stage === STAGE_OF[r.data.under] &&
  (job.stage !== "openings" || job.irreversible !== null) &&
  (job.zones.includes(r.data.zone) || job.zones.includes("all") || (r.data.zone === "ceiling" && job.zones.includes("roof")));

const say = (r: Kept<"trap">): string => `${r.title}${r.data.rib ? `, rib ${r.data.rib}` : ""}: ${r.data.step}`;

/** Open things that a job would cover: it waits for them. */
export const trapsBefore = (build: Pick<BuildRow, "records">, job: Pick<JobRow, "stage" | "zones" | "place" | "irreversible">): string[] =>
  entriesOf(build.records, "trap")
    .filter((r) => r.closedAt === null && covers(r, job))
    .map((r) => `it would trap ${say(r)}`);

/** What a job's fitter has to know: stripping takes them off; whoever screws near one that stays keeps clear of it. */
export function trapWords(
  build: Pick<BuildRow, "records">,
  job: Pick<JobRow, "roles" | "stage" | "zones" | "place" | "irreversible" | "state">,
): string[] {
  if (job.state === "done") return [];
  const all = entriesOf(build.records, "trap");
  if (hasRole(job, "strip-out")) return all.filter((r) => r.closedAt === null).map((r) => `While the lining is off: ${say(r)}`);
  return all
    .filter((r) => r.data.noScrew && covers(r, job))
    .map((r) => `No screw here: ${r.title}${r.data.rib ? `, rib ${r.data.rib}` : ""}`);
}
