// Travel seats that were loose: a mount is altered by one route only, and the van is not handed over before the proof is signed.

import { hasRole } from "../../library/roles";
import { entriesOf } from "../records/kinds/of";
import { looseBolts, seatOpen } from "../records/kinds/seat";
import type { BuildRow, JobRow, Shop } from "../state/model";

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

/**
 * Why a step on seat, belt and anchor may not be left out by this person, in words; undefined where it may. The maker's steps are
 * compulsory: one is left out only with the release of somebody with the job's ticket, a photo, and every bolt read by torque. A lead
 * without the ticket may not. Source: ST-n20; the maker's sheet and local rules come first.
 */
export function seatWaiveFault(
  shop: Pick<Shop, "fitters">,
  build: Pick<BuildRow, "records" | "figures">,
  job: Pick<JobRow, "roles" | "crew" | "name">,
  fitterId: string | null,
  today: string,
): string | undefined {
  if (!hasRole(job, "seats")) return undefined;
  const asked = [...new Set(job.crew.flatMap((c) => c.ticket ?? []))];
  // A library whose job asks for no ticket opens nothing: somebody has to hold the one for seats.
  const tickets = asked.length ? asked : ["seats"];
  const holds = shop.fitters.find((f) => f.id === fitterId && !f.retired)?.tickets ?? [];
  const lacking = tickets.filter((t) => !holds.some((h) => h.id === t && (!h.until || h.until >= today)));
  if (lacking.length) return `A step of ${job.name} is left out only by somebody with a valid ${lacking.join(" and ")} ticket.`;
  const seats = entriesOf(build.records, "seat");
  if (!seats.some((r) => r.photos.length)) return "Take a photo of the seat's mount first, under Owner and others, Travel seats.";
  const loose = seats.flatMap((r) => (r.data.bolts?.length ? looseBolts(build, r.data) : [`no bolt of ${r.title} is listed`]));
  return loose.length ? `First the torque of every bolt: ${loose.join("; ")}.` : undefined;
}

/** What a job on the seats has to know. */
export const seatWords = (build: Pick<BuildRow, "records" | "figures">, job: Pick<JobRow, "roles" | "state">): string[] =>
  !hasRole(job, "seats") || job.state === "done"
    ? []
    : entriesOf(build.records, "seat")
        .filter((r) => !r.data.signedBy)
        .map((r) => `${r.title}: ${seatOpen(build, r.data).join("; ") || "waits for the ticket holder's signature"}`);
