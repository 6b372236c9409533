// Tired, cold, late: what speaks against sealing, fine cuts and steps that can't be undone just now. Nothing of it rates people.

import { zoneOf } from "../../time/zone";
import { shopMinutes } from "../builds/left";
import { figure } from "../state/house-figures";
import type { JobRow, Shop } from "../state/model";

const delicate = (j: Pick<JobRow, "irreversible" | "hold">): boolean => j.irreversible !== null || j.hold.minutes > 0;

/** Stretches of work that one fitter is known to have done, from the jobs' own times. */
const stretches = (shop: Pick<Shop, "builds">, fitter: string, now: number): [number, number][] =>
  shop.builds
    .flatMap((b) => b.jobs)
    .filter((j) => j.startedAt !== null && !j.byOthers && j.fitters.includes(fitter))
    .map((j) => [j.startedAt!, Math.min(now, j.endedAt ?? now)]);

/** Minutes that a fitter has worked today, overlaps once, and days in a row up to today. */
export function workedOf(shop: Shop, fitter: string, now: number): { minutes: number; days: number } {
  const zone = zoneOf(shop.workshop.zone);
  const today = zone.dayOf(now);
  const from = zone.dayStart(today);
  const list = stretches(shop, fitter, now);
  const merged: [number, number][] = [];
  for (const [a, z] of list
    .filter(([, z]) => z > from)
    .map(([a, z]): [number, number] => [Math.max(a, from), z])
    .sort((x, y) => x[0] - y[0])) {
    const last = merged[merged.length - 1];
    if (last && a <= last[1]) last[1] = Math.max(last[1], z);
    else merged.push([a, z]);
  }
  // Breaks of the shop are none of it; what was done outside its hours is.
  const minutes = merged.reduce((n, [a, z]) => {
    const open = shopMinutes(shop, a, z);
    return n + (open > 0 ? open : z - a);
  }, 0);
  const worked = (day: number) => list.some(([a, z]) => z > zone.dayStart(day) && a < zone.dayStart(day + 1));
  let days = worked(today) ? 1 : 0;
  for (let d = today - 1; worked(d); d--) days++;
  return { minutes, days };
}

/** What speaks against doing this job now with these people, in words; empty for work that a bad hour does not spoil. */
export function longDayWords(
  shop: Shop,
  job: Pick<JobRow, "irreversible" | "hold" | "place">,
  crew: readonly string[],
  place: string,
  now: number,
): string[] {
  if (!delicate(job)) return [];
  const zone = zoneOf(shop.workshop.zone);
  const out: string[] = [];
  for (const id of crew) {
    const name = shop.fitters.find((f) => f.id === id)?.name ?? id;
    const { minutes, days } = workedOf(shop, id, now);
    if (minutes >= figure(shop, "tiredHours") * 60) out.push(`${name} has worked ${Math.floor(minutes / 60)} h today`);
    if (days > figure(shop, "tiredDays")) out.push(`${name} is at the ${days}th day in a row`);
  }
  const bay = shop.bays.find((b) => b.id === place);
  if (bay?.tempC != null && bay.tempC < figure(shop, "coldBay") && job.place === "van") out.push(`${bay.name} is at ${bay.tempC} °C`);
  const clock = zone.show(now).slice(11, 16);
  if (Number(clock.slice(0, 2)) >= figure(shop, "lateHour")) out.push(`it is ${clock}`);
  return out.length ? [`Better in the morning: ${out.join("; ")}`] : [];
}
