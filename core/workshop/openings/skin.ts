// Go or no-go for work that opens the skin: the latest safe start before rain, dusk or the end of the shift.

import { nineOfTen } from "../../setout/openings/open-skin/open-skin";
import { carefulMinutes, type Input as GoInput } from "../../setout/time/go-no-go/go-no-go";
import { openHours } from "../../time/calendar";
import { DAY, formatDate, type Minute, parseClock, zoneOf } from "../../time/zone";
import { calendarData } from "../builds/left";
import { sheetFigure } from "../sheets/sheet-figures";
import type { JobRow, Shop } from "../state/model";

export interface SkinClock {
  /** Start by this minute at the latest: with caution, and with a margin before rain and dusk. */
  latest: Minute;
  /** Minutes from its start until it is watertight, with caution. */
  careful: number;
  /** What binds the latest start, and the minutes kept before that. */
  kept: { before: SkinClock["binds"]; minutes: number };
  /** Sealed or sheeted over by this minute. */
  limit: Minute;
  binds: "rain" | "dusk" | "end of shift";
  /** The next date in the forecast on which the whole of it would fit; undefined: none in sight. */
  otherDay?: string;
}

/** From the first cut to sealed in nine cases of ten, by the simulation that the set-out sheet runs. */
export const skinMinutes = (job: Pick<JobRow, "minutes">): number => nineOfTen(job.minutes);

/** Whether a job opens the skin of the van under conditions of its own (cut to sealed in one stretch). */
export const opensSkin = (job: JobRow): boolean => job.place === "van" && job.needs.sameDay && (job.needs.dry || job.needs.daylight);

/** What a go / no-go goes by: the steps, caution and margins of its own kept sheet, else the job's likely minutes and the house's figures. */
function goFigures(shop: Pick<Shop, "builds" | "workshop">, job: JobRow): { careful: number; dusk: number; rain: number } {
  const sheet = shop.builds.find((b) => b.id === job.buildId)?.sheets.find((s) => s.calculator === "go-no-go" && s.jobId === job.id);
  const own = sheet?.input as Partial<GoInput> | undefined;
  const steps = own?.steps ?? [{ name: job.name, minutes: job.minutes.likely, drying: false }];
  const house = (name: string) => sheetFigure(shop.workshop.figures, `go-no-go.${name}`);
  return {
    careful: carefulMinutes(steps, own?.caution ?? house("caution")),
    dusk: own?.marginDusk ?? house("marginDusk"),
    rain: own?.marginRain ?? house("marginRain"),
  };
}

/**
 * The clock of one job at one place on the day of `now`. Limit = the first of: end of the dry
 * window that holds `now` (or the next of the day), dusk, end of the shop's day; a place that is
 * indoor or lit does without the one or the other. Latest start = the first of them with its margin − the careful minutes: what
 * the set-out sheet for go or no-go says (PL-n32).
 */
export function skinClock(shop: Shop, job: JobRow, place: string, now: Minute): SkinClock {
  const zone = zoneOf(shop.workshop.zone);
  const day = zone.dayOf(now);
  const { careful, ...margins } = goFigures(shop, job);
  const limit = limitOf(shop, job, place, day, now);
  const safe = limitOf(shop, job, place, day, now, margins);
  let otherDay: string | undefined;
  for (const w of shop.weather) {
    const d = Date.parse(`${w.date}T00:00Z`) / 86_400_000;
    if (d <= day || otherDay) continue;
    const opens = shopOpen(shop, d)?.[0];
    if (opens === undefined) continue;
    const l = limitOf(shop, job, place, d, opens, margins);
    if (l.from !== undefined && l.at - l.from >= careful) otherDay = w.date;
  }
  const kept = { before: safe.binds, minutes: safe.binds === "rain" ? margins.rain : safe.binds === "dusk" ? margins.dusk : 0 };
  return { latest: safe.at - careful, careful, kept, limit: limit.at, binds: limit.binds, ...(otherDay ? { otherDay } : {}) };
}

/** What cures there through the night would be too cold: by the forecast's lowest, where nothing heats. In words. */
export function coldTonight(
  shop: Pick<Shop, "workshop" | "bays" | "weather">,
  job: JobRow,
  place: string,
  now: Minute,
): string | undefined {
  const min = job.hold.minTempC;
  const zone = zoneOf(shop.workshop.zone);
  const day = shop.weather.find((w) => w.date === formatDate(zone.dayOf(now)));
  const own = shop.bays.find((b) => b.id === place)?.tempC ?? null;
  if (min === null || !day || own !== null || day.lowC >= min) return undefined;
  return `too cold tonight: ${day.lowC} °C, and what cures asks ${min} °C`;
}

function shopOpen(shop: Shop, day: number): [Minute, Minute] | undefined {
  const zone = zoneOf(shop.workshop.zone);
  const calendar = shop.calendars.find((c) => c.id === "shop");
  if (!calendar) return undefined;
  const s = openHours(zone, calendarData(calendar), day, day).open.stretches();
  return s.length ? [s[0][0], s[s.length - 1][1]] : undefined;
}

function limitOf(
  shop: Shop,
  job: JobRow,
  place: string,
  day: number,
  from: Minute,
  margins = { dusk: 0, rain: 0 },
): { at: Minute; from?: Minute; binds: SkinClock["binds"] } {
  const zone = zoneOf(shop.workshop.zone);
  const has = place === "yard" ? shop.workshop.yardHas : (shop.bays.find((b) => b.id === place)?.has ?? []);
  const open = shopOpen(shop, day);
  const at = (clock: string) => zone.toUtc(day * DAY + parseClock(clock));
  let best: { at: Minute; binds: SkinClock["binds"] } = { at: open?.[1] ?? from, binds: "end of shift" };
  let begin: Minute | undefined = Math.max(from, open?.[0] ?? from);
  const w = shop.weather.find((x) => x.date === formatDate(day));
  if (w && job.needs.daylight && !has.includes("lit")) {
    begin = Math.max(begin, at(w.sunrise));
    const dusk = at(w.sunset) - margins.dusk;
    if (dusk < best.at) best = { at: dusk, binds: "dusk" };
  }
  if (w && job.needs.dry && !has.includes("indoor")) {
    const dry = w.dry.map(([a, b]) => [at(a), at(b)] as const).find(([, b]) => b > begin!);
    if (!dry) return { at: from, binds: "rain" };
    begin = Math.max(begin, dry[0]);
    // A window to the end of the day ends with the day, not with rain.
    const rain = dry[1] - (dry[1] < zone.dayStart(day + 1) ? margins.rain : 0);
    if (rain < best.at) best = { at: rain, binds: "rain" };
  }
  return { ...best, from: begin < best.at ? begin : undefined };
}
