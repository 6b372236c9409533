// Of the days that a van has been here, on how many somebody worked on its build.

import { lastOfWalk } from "../../time/bounds";
import { openHours } from "../../time/calendar";
import { zoneOf } from "../../time/zone";
import type { BuildRow, Shop } from "../state/model";
import { calendarData } from "./left";

export interface DaysWorked {
  /** Days of the shop with work on the build. */
  worked: number;
  /** Days of the calendar since it arrived, the first and the last counted. */
  calendar: number;
}

/**
 * From the jobs' own starts and ends: a day counts when the shop was open in such a stretch. Undefined before arrival; until the end
 * of its last job once all are done.
 */
export function daysWorked(shop: Pick<Shop, "workshop" | "calendars">, b: BuildRow, now: number): DaysWorked | undefined {
  const zone = zoneOf(shop.workshop.zone);
  const done = b.jobs.length > 0 && b.jobs.every((j) => j.state === "done");
  const until = done ? Math.max(...b.jobs.map((j) => j.endedAt!)) : now;
  if (b.arrives > until) return undefined;
  const [first, last] = [zone.dayOf(b.arrives), zone.dayOf(until)];
  const calendar = shop.calendars.find((c) => c.id === "shop");
  const open = calendar ? openHours(zone, calendarData(calendar), first, last).open : undefined;
  const days = new Set<number>();
  for (const j of b.jobs) {
    if (j.startedAt === null || j.byOthers) continue;
    const [a, z] = [Math.max(j.startedAt, b.arrives), Math.min(j.endedAt ?? now, until)];
    for (let d = zone.dayOf(a), end = lastOfWalk(d, zone.dayOf(z)); d <= end; d++) {
      const [x, y] = [Math.max(a, zone.dayStart(d)), Math.min(z, zone.dayStart(d + 1))];
      if (open === undefined || open.minutes(x, y) > 0) days.add(d);
    }
  }
  return { worked: days.size, calendar: last - first + 1 };
}

/** "worked on 9 of 15 days" */
export const sayDaysWorked = (d: DaysWorked | undefined): string | null => (d ? `worked on ${d.worked} of ${d.calendar} days here` : null);
