// Warmth: what a bay is kept at, the hours for which one that is not kept warm is heated, and metal that lags behind the air.

import type { Plan, Problem } from "../../plan/model";
import { sayTime } from "../../plan/words";
import type { Minute, Zone } from "../../time/zone";
import type { BayRow, JobRow, Shop, Span, WeatherRow } from "../state/model";

/** Degrees at which a bay is kept all the time; undefined where the day rules. */
export const keptAt = (bay: BayRow | undefined): number | undefined =>
  bay?.has.includes("heated") && bay.tempC !== null ? bay.tempC : undefined;

/** What the planner has to know of a bay's heating by the hour. */
export function heatOf(bay: BayRow, zone: Zone): Pick<Problem["bays"][number], "heat" | "warm"> {
  if (bay.heatTempC === null || keptAt(bay) !== undefined) return {};
  const tempC = bay.heatTempC;
  return {
    heat: { tempC, hourCost: bay.heatHourCost },
    ...(bay.heats.length ? { warm: bay.heats.map((h) => ({ from: zone.show(h.from), to: zone.show(h.to), tempC })) } : {}),
  };
}

export interface Air {
  /** As warm as it is there on average, and at most, °C. */
  tempC: number;
  highC: number;
  /** Kept at this all the time: metal is as warm as the air. */
  kept: boolean;
}

/** Hours of a day in which it may be as warm as its high; else no warmer than its mean. */
const HOT = ["10:00", "20:00"];

/** How warm it is at a place at a moment (`clock`: by the house's clock), by its own warmth, its heating by the hour, or the day. */
export function airAt(bay: BayRow | undefined, day: Pick<WeatherRow, "lowC" | "highC">, at: Minute, clock = "12:00"): Air {
  const own = keptAt(bay);
  if (own !== undefined) return { tempC: own, highC: own, kept: true };
  const mean = (day.lowC + day.highC) / 2;
  const heated = bay?.heatTempC != null && bay.heats.some((h) => h.from <= at && at < h.to) ? bay.heatTempC : undefined;
  return {
    tempC: Math.max(mean, heated ?? Number.NEGATIVE_INFINITY),
    highC: Math.max(clock >= HOT[0] && clock < HOT[1] ? day.highC : mean, heated ?? Number.NEGATIVE_INFINITY),
    kept: false,
  };
}

/** Degrees the air has to have for a job's lowest temperature, with the lag of metal where the place is not kept warm. */
export const airNeeded = (job: JobRow, minTempC: number, kept: boolean, skinBelowC: number): number =>
  minTempC + (job.needs.metal && !kept ? skinBelowC : 0);

/** Exactly at its limit: allowed, and told. Undefined: not at it. */
export function atLimit(job: JobRow, air: Air, skinBelowC: number): string | undefined {
  const { minTempC, maxTempC } = job.needs;
  if (minTempC !== null && air.tempC === airNeeded(job, minTempC, air.kept, skinBelowC))
    return `just warm enough: ${air.tempC} °C, not a degree to spare`;
  if (maxTempC !== null && air.highC === maxTempC) return `just not too warm: ${air.highC} °C, not a degree to spare`;
  return undefined;
}

/** Jobs whose work, or a hold that needs warmth, lies in hours for which a bay is heated: hit when the heat is withdrawn. */
export function heatUsers(shop: Shop, plan: Plan, bayId: string, slot: Pick<Span, "from" | "to">, zone: Zone): JobRow[] {
  const planned = new Map(plan.jobs.map((j) => [j.id, j]));
  return shop.builds
    .flatMap((b) => b.jobs)
    .filter((j) => {
      const p = planned.get(j.id);
      if (!p || p.place !== bayId || (j.needs.minTempC === null && j.hold.minTempC === null)) return false;
      const end = j.hold.minTempC !== null && p.holdUntil ? p.holdUntil : p.end;
      return zone.parse(p.start) < slot.to && zone.parse(end) > slot.from && (j.state !== "done" || j.hold.minTempC !== null);
    });
}

/** What a stretch of heating costs, warming up included. */
export const heatCost = (bay: BayRow, slot: Pick<Span, "from" | "to">): number =>
  Math.round((bay.heatHourCost * (slot.to - slot.from + bay.heatAheadMinutes)) / 60);

/** Told so long before the heat has to be on, in minutes. */
const SOON = 1440;

/** What somebody has to do about heating now: "heat on in the Wet bay by Tue 06:30, for 16 °C at 08:00", "heat off … at 16:00". */
export function heatDuties(shop: Shop, now: Minute, zone: Zone): { bayId: string; at: Minute; text: string }[] {
  return shop.bays
    .filter((b) => !b.retired && b.heatTempC !== null && keptAt(b) === undefined)
    .flatMap((b) =>
      b.heats.flatMap((h) => {
        const on = h.from - b.heatAheadMinutes;
        if (h.to > now && h.from <= now) return [{ bayId: b.id, at: h.to, text: `heated until ${sayTime(zone, h.to)}, then off` }];
        if (h.from > now && on - now <= SOON)
          return [
            { bayId: b.id, at: on, text: `heat on by ${sayTime(zone, on)}, for ${b.heatTempC} °C at ${zone.show(h.from).slice(11)}` },
          ];
        return [];
      }),
    );
}
