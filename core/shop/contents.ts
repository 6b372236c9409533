// No unit, no hole: a cut waits until the box of its unit is complete.

import { shortItems } from "./docket/goods";
import { entriesOf } from "./docket/of";
import type { BuildRow, JobRow } from "./model";
import { alike, isUnit } from "./parts";

/** What is short of the units that a cut is for. */
export const contentsBefore = (build: Pick<BuildRow, "records">, job: Pick<JobRow, "irreversible" | "parts">): string[] =>
  job.irreversible !== "cut"
    ? []
    : entriesOf(build.records, "contents")
        .filter((r) => shortItems(r.data).length > 0 && job.parts.some((p) => isUnit(p.name) && alike(p.name, r.title)))
        .map(
          (r) =>
            `locked: ${r.title} came short, ${shortItems(r.data).join(", ")}${r.data.claimedFor ? `, claimed for ${r.data.claimedFor}` : ""}`,
        );
