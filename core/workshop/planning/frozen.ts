// The days that a replan leaves alone: today and the next working days. Only what can't be done as published moves there.

import { lastOfWalk } from "../../time/bounds";
import { openHours } from "../../time/calendar";
import { type Minute, zoneOf } from "../../time/zone";
import { calendarData } from "../builds/left";
import { figure } from "../state/house-figures";
import type { Shop } from "../state/model";

/** Looked ahead so many days for working days: a house may be shut for weeks. */
const LOOK = 60;

/**
 * Until when the published plan is left alone: the end of today and of so many working days after it (a figure of the house).
 *
 * Example: on a Wednesday, two days: until Friday is over.
 */
export function frozenUntil(shop: Pick<Shop, "calendars" | "workshop">, now: Minute): Minute {
  const zone = zoneOf(shop.workshop.zone);
  const today = zone.dayOf(now);
  const calendar = shop.calendars.find((c) => c.id === "shop");
  let left = figure(shop, "frozenDays");
  let day = today;
  if (calendar && left > 0) {
    const last = lastOfWalk(today, today + LOOK);
    const { open } = openHours(zone, calendarData(calendar), today, last);
    for (let d = today + 1; d <= last && left > 0; d++) {
      if (open.minutes(zone.dayStart(d), zone.dayStart(d + 1)) <= 0) continue;
      left--;
      day = d;
    }
  }
  return zone.dayStart(day + 1);
}
