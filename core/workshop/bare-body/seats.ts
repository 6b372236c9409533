// Travel seats that were loose: a mount is altered by one route only, and the van is not handed over before the proof is signed.

import { hasRole } from "../../library/roles";
import { entriesOf } from "../records/kinds/of";
import { seatOpen } from "../records/kinds/seat";
import type { BuildRow, JobRow } from "../state/model";

/** What keeps a van from being handed over on account of its seats. */
export function seatsOpen(build: Pick<BuildRow, "records" | "jobs" | "figures">): string[] {
  const loose = build.jobs.some((j) => hasRole(j, "seats") && j.state === "done");
  const seats = entriesOf(build.records, "seat");
  if (loose && !seats.length) return ["no travel seat is written down, though their bases were loose"];
  return seats.flatMap((r) => {
    if (!r.data.signedBy) return [`${r.title} is not signed: ${seatOpen(build, r.data)[0] ?? "the ticket holder's to sign"}`];
    return r.data.retorqued ? [] : [`${r.title} is not torqued again after the first drive`];
  });
}

/** What a job on the seats has to know. */
export const seatWords = (build: Pick<BuildRow, "records" | "figures">, job: Pick<JobRow, "roles" | "state">): string[] =>
  !hasRole(job, "seats") || job.state === "done"
    ? []
    : entriesOf(build.records, "seat")
        .filter((r) => !r.data.signedBy)
        .map((r) => `${r.title}: ${seatOpen(build, r.data).join("; ") || "waits for the ticket holder's signature"}`);
