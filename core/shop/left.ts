// How much of a job that is under way is left, from the clock rather than from a guessed percentage.

import { plannedMinutes } from "../plan/model";
import { openHours } from "../time/calendar";
import { zoneOf } from "../time/zone";
import type { BuildRow, CalendarRow, JobRow, Shop } from "./model";

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

/**
 * Minutes of work left: expected less worked, at least a quarter of an hour. Where pieces are counted
 * and some are done, the pace so far says it: worked ÷ done × the pieces left.
 */
export function leftMinutes(shop: Pick<Shop, "calendars" | "workshop">, job: JobRow, now: number): number {
  const worked = workedMinutes(shop, job, now);
  const { pieces } = job;
  if (pieces && pieces.done > 0 && worked > 0) return Math.max(LEAST, Math.round((worked / pieces.done) * (pieces.count - pieces.done)));
  return Math.max(LEAST, plannedMinutes(job.minutes) - worked);
}

/** Minutes by which a job under way has outrun its time box; undefined while it is inside, or not under way. */
export function overTimeBox(shop: Pick<Shop, "calendars" | "workshop">, job: JobRow, now: number): number | undefined {
  if (job.state !== "started" && job.state !== "paused") return undefined;
  const over = workedMinutes(shop, job, now) - job.minutes.likely * job.timeBox;
  return over > 0 ? Math.round(over) : undefined;
}

/** The same, until a decision about it is written down. */
export const askedByTimeBox = (shop: Pick<Shop, "calendars" | "workshop">, build: Pick<BuildRow, "records">, job: JobRow, now: number) =>
  build.records.some((r) => r.kind === "decision" && r.jobId === job.id && r.data.timeBox) ? undefined : overTimeBox(shop, job, now);
