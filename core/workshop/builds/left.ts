// How much of a job that is under way is left, from the clock rather than from a guessed percentage.

import { plannedMinutes } from "../../plan/model";
import { zoneRate } from "../../setout/strip/zone-rate/zone-rate";
import { openHours } from "../../time/calendar";
import { zoneOf } from "../../time/zone";
import type { BuildRow, CalendarRow, JobRow, Shop } from "../state/model";

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
 * and some are done, the pace so far says it: worked ÷ done × the pieces left; where a sheet of its zones is kept, that one does.
 */
export function leftMinutes(shop: Pick<Shop, "calendars" | "workshop"> & Partial<Pick<Shop, "builds">>, job: JobRow, now: number): number {
  const zoned = leftByZones(shop, job, now);
  if (zoned !== undefined) return zoned;
  const worked = workedMinutes(shop, job, now);
  const { pieces } = job;
  if (pieces && pieces.done > 0 && worked > 0) return Math.max(LEAST, Math.round((worked / pieces.done) * (pieces.count - pieces.done)));
  return Math.max(LEAST, plannedMinutes(job.minutes) - worked);
}

/** What a kept sheet of the job's zones says is left, less what was worked since; undefined where none was kept while it ran. */
function leftByZones(shop: Parameters<typeof leftMinutes>[0], job: JobRow, now: number): number | undefined {
  const sheets = shop.builds?.find((b) => b.id === job.buildId)?.sheets ?? [];
  const sheet = sheets.find((s) => s.calculator === zoneRate.name && s.jobId === job.id);
  if (!sheet || job.startedAt === null || sheet.savedAt < job.startedAt) return undefined;
  const { minutesLeft } = zoneRate.run(sheet.input).results as { minutesLeft: number };
  const since = job.runningSince === null ? 0 : shopMinutes(shop, Math.max(job.runningSince, sheet.savedAt), now);
  return Math.max(LEAST, Math.round(minutesLeft - since));
}

/** A lone fitter is asked sooner than a crew: at one and a half times what was likely. */
const ALONE = 1.5;

/**
 * Minutes of work at which a job asks for a decision, as far as it has come: at k × likely and at each further likely time; a lone
 * fitter first at one and a half times.
 */
export function timeBoxAsks(likely: number, k: number, worked: number, alone: boolean): number[] {
  if (likely <= 0) return [];
  const out: number[] = alone && ALONE < k && worked >= ALONE * likely ? [ALONE * likely] : [];
  for (let at = k * likely; at <= worked; at += likely) out.push(at);
  return out;
}

/** Minutes by which a job under way has outrun the time box that asked last; undefined while it is inside, or not under way. */
export function overTimeBox(shop: Pick<Shop, "calendars" | "workshop">, job: JobRow, now: number, decidedAt = -1): number | undefined {
  if (job.state !== "started" && job.state !== "paused") return undefined;
  const worked = workedMinutes(shop, job, now);
  const asked = timeBoxAsks(job.minutes.likely, job.timeBox, worked, job.fitters.length === 1).filter((at) => at > decidedAt);
  const over = asked.length ? worked - asked[0] : 0;
  return over > 0 ? Math.round(over) : undefined;
}

/** The same, until a decision about it is written down: it answers all that had been asked by then, and the next time is asked again. */
export function askedByTimeBox(
  shop: Pick<Shop, "calendars" | "workshop">,
  build: Pick<BuildRow, "records">,
  job: JobRow,
  now: number,
): number | undefined {
  const decided = build.records.flatMap((r) =>
    r.kind === "decision" && r.jobId === job.id && r.data.timeBox ? [r.data.workedMinutes ?? Number.POSITIVE_INFINITY] : [],
  );
  return overTimeBox(shop, job, now, Math.max(-1, ...decided));
}
