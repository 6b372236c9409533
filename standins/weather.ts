// A stand-in for a weather service: sun from astronomy, rain and warmth from a seeded walk that fits place and season.

import { getTimes } from "suncalc";
import { random, seedOf } from "../core/rng";
import { DAY, formatClock, formatDate, type Zone } from "../core/time/zone";
import type { WeatherRow } from "../core/workshop/state/model";

/** Mean low and high of the year's coldest and warmest time in the mild places vans are built in. */
const COLD = { low: 5, high: 12 };
const WARM = { low: 16, high: 27 };

/** The forecast for `days` days from the local date of `now`; the same for the same place and date. */
export function forecast(place: { latitude: number; longitude: number }, zone: Zone, now: number, days: number): WeatherRow[] {
  const first = zone.dayOf(now);
  let wet = false;
  const out: WeatherRow[] = [];
  for (let day = first; day < first + days; day++) {
    const r = random(seedOf(`${place.latitude} ${place.longitude} ${day}`));
    const noon = zone.toUtc(day * DAY + 720);
    const sun = getTimes(new Date(noon * 60_000), place.latitude, place.longitude);
    // Beyond the polar circles there may be no sunrise or sunset: the day is then taken from six to six.
    const clock = (d: Date | null, otherwise: string) =>
      d === null || Number.isNaN(d.getTime())
        ? otherwise
        : formatClock(Math.min(1439, Math.max(0, Math.round(zone.toLocal(d.getTime() / 60_000)) - day * DAY)));
    // 0 in the depth of winter, 1 at the height of summer.
    const year = (day % 365.25) / 365.25;
    const north = place.latitude >= 0 ? 1 : -1;
    const warmth = 0.5 - north * 0.5 * Math.cos(2 * Math.PI * (year - 0.06));
    const mix = (a: number, b: number) => a + (b - a) * warmth;
    wet = r() < (wet ? 0.5 : 0.22) * (1.4 - warmth);
    const shift = (r() - 0.5) * 6;
    const low = Math.round((mix(COLD.low, WARM.low) + shift) * 2) / 2;
    const high = Math.round((mix(COLD.high, WARM.high) + shift + (wet ? -3 : 1)) * 2) / 2;
    out.push({
      date: formatDate(day),
      sunrise: clock(sun.sunrise, "06:00"),
      sunset: clock(sun.sunset, "18:00"),
      dry: dryWindows(r, wet),
      lowC: low,
      highC: Math.max(low + 1, high),
      windMs: windOf(place, day, wet),
    });
  }
  return out;
}

/** Mostly a breeze, more of it with rain, now and then a blow; by a source of its own, so that rain and warmth stay what they were. */
function windOf(place: { latitude: number; longitude: number }, day: number, wet: boolean): number {
  const r = random(seedOf(`wind ${place.latitude} ${place.longitude} ${day}`));
  const gust = r() * r() * 9 + 1.5 + (wet ? 2 : 0);
  return Math.round(gust * 2) / 2;
}

function dryWindows(r: () => number, wet: boolean): [string, string][] {
  if (!wet) return [["00:00", "24:00"]];
  const rain = 8 + Math.floor(r() * 8);
  const length = 2 + Math.floor(r() * 7);
  const end = Math.min(24, rain + length);
  const out: [string, string][] = [["00:00", formatClock(rain * 60)]];
  if (end < 24) out.push([formatClock(end * 60), "24:00"]);
  return out;
}
