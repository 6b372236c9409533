// A calendar (week, closed days, extra shifts) as a set of open minutes.

import { lastOfWalk } from "./bounds";
import { OpenSet, type Stretch } from "./openset";
import { DAY, type Minute, parseClock, parseDate, weekdayOf, type Zone } from "./zone";

export const WEEKDAYS = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"] as const;
export type Weekday = (typeof WEEKDAYS)[number];

export interface CalendarData {
  week: Partial<Record<Weekday, string[][]>>;
  closed?: string[];
  extra?: { date: string; windows: string[][]; overtime?: boolean }[];
}

/** Clock windows of one local date as stretches of real minutes (a day with a clock change has 23 or 25 hours). */
export function windowsOfDay(zone: Zone, day: number, windows: readonly (readonly string[])[]): Stretch[] {
  return windows.map(([a, b]) => [zone.toUtc(day * DAY + parseClock(a)), zone.toUtc(day * DAY + parseClock(b))]);
}

/**
 * Open minutes of a calendar between two local dates (days since 1970, both included; MOST_DAYS at most). On one date
 * `extra` wins over `closed` and over the week. `overtime` holds the minutes of extra windows marked so.
 */
export function openHours(zone: Zone, calendar: CalendarData, firstDay: number, lastDay: number): { open: OpenSet; overtime: OpenSet } {
  const closed = new Set((calendar.closed ?? []).map(parseDate));
  const extra = new Map<number, NonNullable<CalendarData["extra"]>>();
  for (const e of calendar.extra ?? []) {
    const day = parseDate(e.date);
    extra.set(day, [...(extra.get(day) ?? []), e]);
  }
  const open: Stretch[] = [];
  const over: Stretch[] = [];
  for (let day = firstDay, end = lastOfWalk(firstDay, lastDay); day <= end; day++) {
    const extras = extra.get(day);
    if (extras) {
      for (const e of extras) {
        const w = windowsOfDay(zone, day, e.windows);
        open.push(...w.map(copy));
        if (e.overtime) over.push(...w);
      }
    } else if (!closed.has(day)) {
      open.push(...windowsOfDay(zone, day, calendar.week[WEEKDAYS[weekdayOf(day)]] ?? []));
    }
  }
  return { open: OpenSet.of(open), overtime: OpenSet.of(over) };
}

const copy = ([a, b]: Stretch): Stretch => [a, b];

/** Everything from a to b. */
export const always = (a: Minute, b: Minute): OpenSet => new OpenSet([[a, b]]);
