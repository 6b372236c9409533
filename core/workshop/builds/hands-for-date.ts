// Whose days there are for a build until its date: what the calendars give, less what the plan has them on elsewhere.

import type { Plan } from "../../plan/model";
import { openHours } from "../../time/calendar";
import { type Minute, zoneOf } from "../../time/zone";
import type { BuildRow, Shop } from "../state/model";
import { calendarData } from "./left";

export interface HandDays {
  fitterId: string;
  name: string;
  /** Days of `hoursADay` each, to a tenth. */
  days: number;
}

/** Hours of an ordinary day of the house: its longest, by the shop's calendar. */
export function hoursADay(shop: Pick<Shop, "calendars">): number {
  const calendar = shop.calendars.find((c) => c.id === "shop") ?? shop.calendars[0];
  const byDay = new Map<number, number>();
  const clock = (t: string) => Number(t.slice(0, 2)) * 60 + Number(t.slice(3));
  for (const w of calendar?.windows ?? []) byDay.set(w.weekday, (byDay.get(w.weekday) ?? 0) + clock(w.closes) - clock(w.opens));
  return Math.round((Math.max(0, ...byDay.values()) / 60) * 100) / 100;
}

/** Days that each fitter could give a build between now and its date. Those that exist: whoever is away, or on another build by the plan, is not counted. */
export function handDays(shop: Shop, build: BuildRow, plan: Plan | undefined, now: Minute): HandDays[] {
  const zone = zoneOf(shop.workshop.zone);
  const aDay = hoursADay(shop) * 60;
  if (build.due <= now || !aDay) return shop.fitters.filter((f) => !f.retired).map((f) => ({ fitterId: f.id, name: f.name, days: 0 }));
  const own = new Set(build.jobs.map((j) => j.id));
  const elsewhere = new Map<string, number>();
  for (const p of plan?.jobs ?? []) {
    if (own.has(p.id)) continue;
    for (const [a, b] of p.work ?? []) {
      const minutes = Math.min(zone.parse(b), build.due) - Math.max(zone.parse(a), now);
      if (minutes > 0) for (const f of p.fitters) elsewhere.set(f, (elsewhere.get(f) ?? 0) + minutes);
    }
  }
  return shop.fitters
    .filter((f) => !f.retired)
    .map((f) => {
      const row = shop.calendars.find((c) => c.id === f.calendarId);
      const open = row
        ? openHours(zone, calendarData(row), zone.dayOf(now), zone.dayOf(build.due))
            .open.without(f.absences.map((a): [number, number] => [a.from, a.to]))
            .minutes(now, build.due)
        : 0;
      const free = Math.max(0, open - (elsewhere.get(f.id) ?? 0));
      return { fitterId: f.id, name: f.name, days: Math.round((10 * free) / aDay) / 10 };
    });
}
