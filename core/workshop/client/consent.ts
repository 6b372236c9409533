// Consents for what can't be undone: the registered owner's to sign, whoever pays.

import { hasRole } from "../../library/roles";
import { cutsBody } from "../openings/cuts";
import { TOUCH_WORDS, type Touches } from "../records/kinds/client";
import { entriesOf } from "../records/kinds/of";
import type { BuildRow, JobRow } from "../state/model";

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** What a job changes for good that needs the owner's consent; undefined where it needs none. */
export function touchOf(job: Pick<JobRow, "roles" | "irreversible" | "place" | "stage">): Touches | undefined {
  if (hasRole(job, "seats")) return "seat";
  if (hasRole(job, "lettering")) return "lettering";
  if (hasRole(job, "rack")) return "rack";
  return cutsBody(job) ? "skin" : undefined;
}

/** Kinds of change for which this build's registered owner has signed. */
export function consented(records: BuildRow["records"]): Set<Touches> {
  const owner = entriesOf(records, "owner")[0]?.title;
  return new Set(
    entriesOf(records, "consent")
      .filter((r) => r.data.signedBy && (!owner || same(r.data.signedBy, owner)))
      .map((r) => r.data.touches),
  );
}

/** The consent that a job waits for, in words: first of all it has to be written down whose it is. */
export function consentBefore(build: Pick<BuildRow, "records">, job: Pick<JobRow, "roles" | "irreversible" | "place" | "stage">): string[] {
  const touch = touchOf(job);
  const owner = entriesOf(build.records, "owner")[0];
  if (!touch) return [];
  const words = TOUCH_WORDS[touch];
  if (!owner) return [`Nobody has written down who owns this van, so nobody can consent to ${words}`];
  if (consented(build.records).has(touch)) return [];
  const other = entriesOf(build.records, "consent").find((r) => r.data.touches === touch && r.data.signedBy);
  return [
    other
      ? `${words}: ${other.data.signedBy} signed, but ${owner.title} is the registered owner`
      : `${owner.title}'s consent to ${words} is not signed`,
  ];
}

/** Consents that jobs of this build still need, each with the first job that waits for it. */
export function consentsOpen(build: Pick<BuildRow, "records" | "jobs">): { touches: Touches; job: JobRow }[] {
  const has = consented(build.records);
  const out = new Map<Touches, JobRow>();
  for (const job of build.jobs) {
    const t = touchOf(job);
    if (t && job.state === "todo" && !has.has(t) && !out.has(t)) out.set(t, job);
  }
  return [...out].map(([touches, job]) => ({ touches, job }));
}
