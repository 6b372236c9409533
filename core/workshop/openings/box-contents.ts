// No unit, no hole: a cut waits until the box of each of its units was looked at, line by line, and is complete.

import type { Van } from "../../van/model";
import { type Contents, shortItems } from "../records/kinds/goods";
import { entriesOf } from "../records/kinds/of";
import type { Kept } from "../records/records";
import type { BuildRow, JobRow, PartRow } from "../state/model";
import { alike, isUnit } from "../stores/parts";
import { unitExtras } from "./unit-extras";

type Items = NonNullable<Contents["items"]>;
type Line = Items[number];

/** Records of a unit's box: those of the job, else those of the whole build; the newest rules. */
export function contentsOf(
  build: Pick<BuildRow, "records">,
  job: Pick<JobRow, "id">,
  part: Pick<PartRow, "name">,
): Kept<"contents"> | undefined {
  const of = (jobId: string | null) =>
    entriesOf(build.records, "contents")
      .filter((r) => r.jobId === jobId && isUnit(part.name) && alike(part.name, r.title))
      .at(-1);
  return of(job.id) ?? of(null);
}

/** The list of a box to be counted: each expected line, and no answer yet. What was counted before stays as it was. */
export function toCount(part: Pick<PartRow, "contents">, was?: Contents): Items {
  const known = was?.items ?? [];
  const missing = part.contents.filter((name) => !known.some((i) => i.name === name)).map((name): Line => ({ name, state: "missing" }));
  return [...known, ...missing];
}

/** A part with what this van asks for on top of its own list. */
const withExtras = <P extends PartRow>(
  build: Pick<BuildRow, "options" | "figures">,
  van: Pick<Van, "geometry"> | undefined,
  job: JobRow,
  part: P,
): P => {
  const extras = unitExtras(build, van, job, part);
  return extras.length ? { ...part, contents: [...part.contents, ...extras] } : part;
};

/** What is still open of a unit's box, in words; empty where it is complete, or nothing is expected in it. */
export function boxOpen(part: Pick<PartRow, "name" | "contents">, record: { data: Contents } | undefined): string[] {
  if (!record) return part.contents.length ? [`nobody has looked into its box: ${part.contents.length} lines`] : [];
  const unseen = part.contents.filter((name) => !(record.data.items ?? []).some((i) => i.name === name));
  return [...shortItems(record.data), ...unseen.map((name) => `${name} not looked at`)];
}

/** What is short of the units that a cut is for. A unit that is not here, or not checked, is told by its part line. */
export const contentsBefore = (
  build: Pick<BuildRow, "records" | "options" | "figures">,
  job: JobRow,
  van?: Pick<Van, "geometry">,
): string[] =>
  job.irreversible !== "cut"
    ? []
    : job.parts.flatMap((line) => {
        const p = withExtras(build, van, job, line);
        const record = contentsOf(build, job, p);
        const open = boxOpen(p, record);
        if (!open.length || (!record && p.state !== "checked")) return [];
        const claimed = record?.data.claimedFor ? `, claimed for ${record.data.claimedFor}` : "";
        return [record ? `locked: ${record.title} came short, ${open.join(", ")}${claimed}` : `locked: ${p.name}, ${open.join(", ")}`];
      });

/** Units of a build whose boxes wait to be counted, or came short: the unit, its job, and the list to count by. */
export function boxesToCount(
  build: Pick<BuildRow, "records" | "jobs" | "options" | "figures">,
  van?: Pick<Van, "geometry">,
): { part: PartRow; jobId: string; items: Items; open: string[] }[] {
  return build.jobs.flatMap((j) =>
    j.state === "todo" && j.irreversible === "cut"
      ? j.parts.flatMap((line) => {
          const part = withExtras(build, van, j, line);
          const record = contentsOf(build, j, part);
          const open = boxOpen(part, record);
          const here = part.state === "arrived" || part.state === "checked";
          return here && open.length ? [{ part, jobId: j.id, items: toCount(part, record?.data), open }] : [];
        })
      : [],
  );
}
