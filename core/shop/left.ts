// How much of a job that is under way is left, from the clock rather than from a guessed percentage.

import { plannedMinutes } from "../plan/model";
import { openHours } from "../time/calendar";
import { zoneOf } from "../time/zone";
import type { CalendarRow, JobRow, Shop } from "./model";

/** A job under way is never taken to be nearer its end than this. */
const LEAST = 15;

export const calendarData = (c: CalendarRow) => {
  const names = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"] as const;
  const week: Partial<Record<(typeof names)[number], string[][]>> = {};
  for (const w of c.windows) (week[names[w.weekday]] ??= []).push([w.opens, w.closes]);
  const closed = c.days.filter((d) => d.opens === null).map((d) => d.date);
  const extra = c.days
    .filter((d) => d.opens !== null)
    .map((d) => ({ date: d.date, windows: [[d.opens!, d.closes!]], overtime: d.overtime }));
  return { week, closed, extra };
};

/** Open minutes of the shop between two instants. */
export function shopMinutes(shop: Pick<Shop, "calendars" | "workshop">, from: number, to: number): number {
  if (to <= from) return 0;
  const zone = zoneOf(shop.workshop.zone);
  const calendar = shop.calendars.find((c) => c.id === "shop");
  if (!calendar) return 0;
  return openHours(zone, calendarData(calendar), zone.dayOf(from), zone.dayOf(to)).open.minutes(from, to);
}

/** Shop minutes worked on a job so far: earlier stretches and the running one. */
export function workedMinutes(shop: Pick<Shop, "calendars" | "workshop">, job: JobRow, now: number): number {
  return job.workedMinutes + (job.runningSince === null ? 0 : Math.round(shopMinutes(shop, job.runningSince, now)));
}

/** Minutes of work left: expected less worked, at least a quarter of an hour. */
export function leftMinutes(shop: Pick<Shop, "calendars" | "workshop">, job: JobRow, now: number): number {
  return Math.max(LEAST, plannedMinutes(job.minutes) - workedMinutes(shop, job, now));
}
