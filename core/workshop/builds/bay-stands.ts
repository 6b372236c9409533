// How long vans stand idle in a bay in the weeks ahead, what for, and who would take the bay.

import { askedFor, type Idle, type IdleCause, idleAt, idleByCause } from "../../lanes/idle";
import type { Plan } from "../../plan/model";
import { openHours } from "../../time/calendar";
import { DAY, type Minute, zoneOf } from "../../time/zone";
import { longestDay } from "../planning/pull-forward";
import { figure } from "../state/house-figures";
import type { Shop } from "../state/model";
import { calendarData } from "./left";

/** So many of the longer stretches are told one by one. */
const TOLD = 4;

export interface BayStands {
  sums: { cause: IdleCause; minutes: number }[];
  /** Of half a working day or more, the longest first. */
  long: Idle[];
  /** Ids of builds whose work waits for it. */
  asked: string[];
}

/** By the plan, in the shop's open hours, for every bay by its id; undefined where there are no hours to count. */
export function bayStands(shop: Shop, plan: Plan, now: Minute): Map<string, BayStands> | undefined {
  const calendar = shop.calendars.find((c) => c.id === "shop");
  if (!calendar) return undefined;
  const zone = zoneOf(shop.workshop.zone);
  const ahead = figure(shop, "baysAhead");
  const { open } = openHours(zone, calendarData(calendar), zone.dayOf(now), zone.dayOf(now) + ahead);
  const builds = new Map(shop.builds.flatMap((b) => b.jobs.map((j) => [j.id, b.id] as const)));
  const buildOf = (job: string) => builds.get(job);
  const known = {
    fitters: new Set(shop.fitters.map((f) => f.id)),
    bench: new Set(shop.builds.flatMap((b) => b.jobs.filter((j) => j.place === "bench").map((j) => j.id))),
    buildOf,
  };
  const half = longestDay(calendar) / 2;
  return new Map(
    shop.bays.map((bay) => {
      const idle = idleAt(plan, bay.id, open, zone, [now, now + ahead * DAY], known);
      const long = idle.filter((i) => i.minutes >= half).sort((a, b) => b.minutes - a.minutes);
      return [bay.id, { sums: idleByCause(idle), long: long.slice(0, TOLD), asked: askedFor(plan, bay.id, buildOf) }];
    }),
  );
}
