// A fitter alone in the shop: one-person work of low risk only, and a sign of life every so often.

import { openHours } from "../../time/calendar";
import { type Minute, zoneOf } from "../../time/zone";
import { calendarData } from "../builds/left";
import { cutsBody } from "../openings/cuts";
import { figure } from "../state/house-figures";
import type { JobRow, Shop } from "../state/model";

/** Fitters who are in now, by their hours and without whoever is away. */
export function inNow(shop: Pick<Shop, "fitters" | "calendars" | "workshop">, now: Minute): string[] {
  const zone = zoneOf(shop.workshop.zone);
  const day = zone.dayOf(now);
  return shop.fitters.flatMap((f) => {
    const calendar = shop.calendars.find((c) => c.id === f.calendarId);
    if (f.retired || !calendar) return [];
    const open = openHours(zone, calendarData(calendar), day, day).open.without(f.absences.map((a) => [a.from, a.to]));
    return open.has(now) ? [f.id] : [];
  });
}

/** What makes a job one that nobody does alone in the shop, in words. */
export function riskOf(job: Pick<JobRow, "irreversible" | "place" | "stage" | "zones" | "crew" | "needs">): string[] {
  const people = job.crew.reduce((n, c) => n + c.people, 0);
  return [
    ...(people > 1 ? ["it takes more than one"] : []),
    ...(cutsBody(job) ? ["it cuts the body"] : []),
    ...(job.zones.includes("roof") ? ["it is on the roof"] : []),
    ...(job.zones.includes("underside") ? ["it is under the van"] : []),
    ...(job.crew.some((c) => c.ticket) ? ["it asks for a ticket"] : []),
  ];
}

/** Why somebody may not begin a job because nobody else is in; undefined where it may be begun. Source: PP-n5. */
export function aloneFault(shop: Shop, job: JobRow, crew: readonly string[], now: Minute): string | undefined {
  const here = inNow(shop, now);
  // Outside all hours nothing is known of who is there.
  if (!figure(shop, "aloneRule") || here.length !== 1 || !crew.includes(here[0])) return undefined;
  const risks = riskOf(job);
  const name = shop.fitters.find((f) => f.id === here[0])!.name;
  return risks.length ? `${name} is alone in the shop: ${risks.join(", ")}. Something else until somebody is there` : undefined;
}

/** The last sign of life of a job under way: its start, or its last ticked step. */
const lastSign = (j: JobRow): Minute => Math.max(j.runningSince ?? j.startedAt ?? 0, ...j.steps.map((s) => s.doneAt ?? 0));

export interface Unheard {
  fitterId: string;
  name: string;
  job: JobRow;
  since: Minute;
}

/** Somebody who works alone in the shop and has ticked nothing for longer than the house lets. */
export function unheard(shop: Shop, now: Minute): Unheard | undefined {
  const here = inNow(shop, now);
  if (here.length !== 1) return undefined;
  const [id] = here;
  const job = shop.builds.flatMap((b) => b.jobs).find((j) => j.state === "started" && j.fitters.includes(id));
  if (!job) return undefined;
  const since = lastSign(job);
  return now - since > figure(shop, "aloneSign")
    ? { fitterId: id, name: shop.fitters.find((f) => f.id === id)!.name, job, since }
    : undefined;
}
