// What a fitter is not to do, whatever the skills: on the roof, on ladders, cutting metal, handling glass; and who is new at cutting.

import { cutsBody } from "../openings/cuts";
import type { FitterRow, JobRow } from "../state/model";

export const NOTS = ["roof work", "ladders", "metal cutting", "glass"] as const;
export type Not = (typeof NOTS)[number];
/** Not barred, but never alone at a cut. */
export const NEW = "new at cutting";
/** At a cut, somebody of this level goes with whoever is new. */
const RELEASES = 3;

/** What a job asks that a fitter can be barred from. */
export function asks(job: Pick<JobRow, "zones" | "place" | "irreversible" | "parts" | "stage">): Not[] {
  if (job.place !== "van") return [];
  const roof = job.zones.includes("roof");
  return [
    ...(roof ? (["roof work", "ladders"] as const) : []),
    ...(cutsBody(job) ? (["metal cutting"] as const) : []),
    ...(job.parts.some((p) => /\b(window|windows|glass|skylight)\b/i.test(p.name)) ? (["glass"] as const) : []),
  ];
}

type Asked = Parameters<typeof asks>[0];
type Person = Pick<FitterRow, "name" | "nots" | "skills">;

/** What one fitter is barred from in a job. */
export const barredFrom = (f: Pick<FitterRow, "nots">, job: Asked): Not[] => asks(job).filter((n) => f.nots.includes(n));

/** Why a crew may not do a job: somebody barred from it, or nobody beside one who is new at cutting. */
export function crewBarred(crew: readonly Person[], job: Asked): string[] {
  const out = crew.flatMap((f) => barredFrom(f, job).map((n) => `${f.name} is not to do ${n}`));
  const fresh = crew.filter((f) => f.nots.includes(NEW));
  if (cutsBody(job) && fresh.length && !crew.some((f) => !f.nots.includes(NEW) && Math.max(0, ...Object.values(f.skills)) >= RELEASES))
    out.push(
      `${fresh.map((f) => f.name).join(" and ")} ${fresh.length === 1 ? "is" : "are"} new at cutting: somebody at level ${RELEASES} goes along`,
    );
  return out;
}

/**
 * For the planner, which knows tickets but no bars: the ticket that a slot of a job asks, and those that a fitter has. A bar that
 * nobody carries changes nothing. `all`: everybody who is planned with.
 */
export function barTicket(all: readonly Pick<FitterRow, "nots">[], job: Asked, ticket: string | null): string | null {
  const real = asks(job).filter((n) => all.some((f) => f.nots.includes(n)));
  if (!real.length) return ticket;
  return [...(ticket ? [ticket] : []), ...real].join(" + ");
}

/** The made-up tickets of a fitter, for every one that some slot asks: held where nothing in it bars, and its real part is held. */
export function heldTickets(f: Pick<FitterRow, "nots" | "tickets">, asked: ReadonlySet<string>): FitterRow["tickets"] {
  const bars: ReadonlySet<string> = new Set(NOTS);
  return [...asked].flatMap((id) => {
    const parts = id.split(" + ");
    if (parts.some((p) => f.nots.includes(p))) return [];
    const real = parts.filter((p) => !bars.has(p));
    if (!real.length) return [{ id, until: null }];
    const own = f.tickets.find((t) => t.id === real[0]);
    return own ? [{ id, until: own.until }] : [];
  });
}
