// Weather and noise hours as sets of minutes: dry, light, and the dates that are too cold or too hot.

import { WEEKDAYS, windowsOfDay } from "../time/calendar";
import { OpenSet, type Stretch } from "../time/openset";
import { parseDate, weekdayOf, type Zone } from "../time/zone";
import type { Problem } from "./model";

/** `whole` is everything between the two dates (days since 1970). Dates without a forecast and default are dry, light and warm. */
export function weatherSets(p: Problem, zone: Zone, first: number, last: number, whole: OpenSet) {
  const noiseSet =
    p.noiseHours || p.noiseWeek ? OpenSet.of(range(first, last).flatMap((d) => windowsOfDay(zone, d, noiseOn(p, d)))) : undefined;
  const byDay = new Map((p.weather?.days ?? []).map((d) => [parseDate(d.date), d]));
  const usual = p.weather?.default;
  const dry: Stretch[] = [];
  const light: Stretch[] = [];
  const temps: { day: number; low: number; mean: number; high: number; wind: number }[] = [];
  for (const d of range(first, last)) {
    const w = byDay.get(d) ?? usual;
    if (!w) {
      dry.push([zone.dayStart(d), zone.dayStart(d + 1)]);
      light.push([zone.dayStart(d), zone.dayStart(d + 1)]);
      continue;
    }
    dry.push(...windowsOfDay(zone, d, w.dry));
    light.push(...windowsOfDay(zone, d, [[w.sunrise, w.sunset]]));
    temps.push({ day: d, low: w.tempC[0], mean: (w.tempC[0] + w.tempC[1]) / 2, high: w.tempC[1], wind: w.windMs ?? 0 });
  }
  const coldSets = new Map<string, OpenSet>();
  const wholeDays = (list: typeof temps) => OpenSet.of(list.map((t) => [zone.dayStart(t.day), zone.dayStart(t.day + 1)]));
  return {
    dry: p.weather ? OpenSet.of(dry) : whole,
    light: p.weather ? OpenSet.of(light) : whole,
    noise: noiseSet,
    cold(kind: "mean" | "low", tempC: number): OpenSet {
      const key = `${kind} ${tempC}`;
      let set = coldSets.get(key);
      if (!set) {
        set = wholeDays(temps.filter((t) => t[kind] < tempC));
        coldSets.set(key, set);
      }
      return set;
    },
    /** Days on which it blows harder than that. */
    windy(windMs: number): OpenSet {
      const key = `wind ${windMs}`;
      let set = coldSets.get(key);
      if (!set) {
        set = wholeDays(temps.filter((t) => t.wind > windMs));
        coldSets.set(key, set);
      }
      return set;
    },
    /** Days whose high is above it, from ten to eight in the evening; the whole day where its mean is too. */
    hot(tempC: number): OpenSet {
      const key = `high ${tempC}`;
      let set = coldSets.get(key);
      if (!set) {
        const hot = temps.filter((t) => t.high > tempC);
        set = OpenSet.of(
          hot.flatMap((t): Stretch[] =>
            t.mean > tempC ? [[zone.dayStart(t.day), zone.dayStart(t.day + 1)]] : windowsOfDay(zone, t.day, [HOT_HOURS]),
          ),
        );
        coldSets.set(key, set);
      }
      return set;
    },
  };
}

/** When a tool with hours of its own can be worked with, day by day; undefined: at any hour. */
export function toolHours(
  tool: NonNullable<Problem["tools"]>[number],
  zone: Zone,
  first: number,
  last: number,
  closed: readonly Stretch[],
  whole: OpenSet,
): OpenSet | undefined {
  const { hours } = tool;
  if (!hours && !closed.length) return undefined;
  return (hours ? OpenSet.of(range(first, last).flatMap((d) => windowsOfDay(zone, d, [hours]))) : whole).without(closed);
}

/** The hour of the high is in no forecast: within these a day may be as warm as that, before and after it is no warmer than its mean. */
const HOT_HOURS = ["10:00", "20:00"] as const;

/** When a date (days since 1970) may be noisy: its weekday's own hours, else those of every day. */
const noiseOn = (p: Problem, day: number): readonly (readonly string[])[] =>
  p.noiseWeek?.[WEEKDAYS[weekdayOf(day)]] ?? [p.noiseHours ?? ["00:00", "24:00"]];

const range = (a: number, b: number) => Array.from({ length: b - a + 1 }, (_, i) => a + i);
