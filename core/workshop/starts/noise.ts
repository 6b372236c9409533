// The hours in which a site may be noisy, as a countdown.

import { WEEKDAYS, type Weekday } from "../../time/calendar";
import { minutesOf } from "../../time/clock";
import { type Minute, weekdayOf, zoneOf } from "../../time/zone";
import { figure } from "../state/house-figures";
import type { Shop, Workshop } from "../state/model";
import { sayMinutes } from "../state/say";

/** Windows of one weekday in which noise is allowed; undefined: any hour. */
export function noiseOn(w: Pick<Workshop, "noiseFrom" | "noiseTo" | "noiseWeek">, weekday: Weekday): [string, string][] | undefined {
  const own = w.noiseWeek[weekday];
  if (own) return own;
  return w.noiseFrom || w.noiseTo ? [[w.noiseFrom ?? "00:00", w.noiseTo ?? "24:00"]] : undefined;
}

/** "noise from 08:30, in 25 min", "last noise in 40 min", "quiet since 17:30", "no noise today"; undefined where any hour will do or it is far. */
export function noiseWords(shop: Pick<Shop, "workshop">, now: Minute): string | undefined {
  const zone = zoneOf(shop.workshop.zone);
  const windows = noiseOn(shop.workshop, WEEKDAYS[weekdayOf(zone.dayOf(now))]);
  if (!windows) return undefined;
  if (!windows.length) return "no noise today";
  const clock = minutesOf(zone.show(now).slice(11, 16));
  const open = windows.find(([a, z]) => minutesOf(a) <= clock && clock < minutesOf(z));
  if (open) {
    const left = minutesOf(open[1]) - clock;
    return open[1] !== "24:00" && left <= figure(shop, "noiseSoon") ? `last noise in ${sayMinutes(left)}` : undefined;
  }
  const next = windows.filter(([a]) => minutesOf(a) > clock).sort()[0];
  if (next) {
    const wait = minutesOf(next[0]) - clock;
    return wait <= figure(shop, "noiseSoon") ? `noise from ${next[0]}, in ${sayMinutes(wait)}` : undefined;
  }
  return `quiet since ${windows.map((w) => w[1]).sort()[windows.length - 1]}`;
}

/** The hours in words: "08:00 to 18:00, sat 09:00 to 13:00, sun quiet". */
export function noiseHours(w: Pick<Workshop, "noiseFrom" | "noiseTo" | "noiseWeek">): string {
  const say = (list: readonly [string, string][]) => (list.length ? list.map(([a, b]) => `${a} to ${b}`).join(" and ") : "quiet");
  const usual = w.noiseFrom || w.noiseTo ? say([[w.noiseFrom ?? "00:00", w.noiseTo ?? "24:00"]]) : "any hour";
  return [usual, ...WEEKDAYS.flatMap((d) => (w.noiseWeek[d] ? [`${d} ${say(w.noiseWeek[d])}`] : []))].join(", ");
}

/** "sat 09:00-13:00, sun quiet", as it is typed. */
export const sayNoiseWeek = (week: Workshop["noiseWeek"]): string =>
  WEEKDAYS.flatMap((d) => (week[d] ? [`${d} ${week[d].length ? week[d].map(([a, b]) => `${a}-${b}`).join(" ") : "quiet"}`] : [])).join(
    ", ",
  );

/** The other way round; a string: what is wrong with it. */
export function readNoiseWeek(text: string): Workshop["noiseWeek"] | string {
  const out: Workshop["noiseWeek"] = {};
  for (const piece of text.split(",").map((p) => p.trim().toLowerCase())) {
    if (!piece) continue;
    const [day, ...rest] = piece.split(/\s+/);
    const weekday = WEEKDAYS.find((d) => day.startsWith(d));
    const windows = rest.map((w) => /^(\d{2}:\d{2})-(\d{2}:\d{2})$/.exec(w));
    if (!weekday) return `${day} is no weekday: mon, tue, wed, thu, fri, sat, sun`;
    if (rest.join(" ") !== "quiet" && (!rest.length || windows.some((w) => !w)))
      return `${piece}: say "${weekday} quiet" or "${weekday} 09:00-13:00"`;
    out[weekday] = rest[0] === "quiet" ? [] : windows.map((w) => [w![1], w![2]]);
  }
  return out;
}
