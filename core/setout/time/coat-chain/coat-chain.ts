// A chain of coats: when each goes on and is dry, at the soonest and at the latest, against the day it is needed; and what coats take
// from a moving gap.

import { minutesOf } from "../../../time/clock";
import { defineCalculator } from "../../engine/define";
import {
  amount,
  between,
  choice,
  clockTime,
  count,
  house,
  type InputOf,
  length,
  optional,
  positive,
  rows,
  text,
  usual,
} from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

const DAYS = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"];
const DAY = 1440;
/** Holds are told for this temperature; ten degrees less take twice as long. The product's own table goes before it. */
const REF_C = 20;

/** Minutes that a coat is left untouched at a temperature, °C: elapsed, twice as long for ten degrees less. */
export const coatHold = (coat: Pick<Coat, "holdH">, tempC = REF_C): number => coat.holdH * 60 * 2 ** ((REF_C - tempC) / 10);

export type Coat = Input["coats"][number];

const inputs = {
  weekday: choice(
    "Begins on",
    [
      ["mon", "Monday"],
      ["tue", "Tuesday"],
      ["wed", "Wednesday"],
      ["thu", "Thursday"],
      ["fri", "Friday"],
    ],
    { from: "chosen", help: "The day of the first coat." },
  ),
  from: clockTime("Could begin, as 08:30", { from: "chosen", help: "When somebody is free for the first coat." }),
  opens: clockTime("The day opens", { from: "chosen", help: "Nobody can lay a coat before." }),
  closes: clockTime("The day closes", { from: "chosen", help: "A coat is done by then." }),
  coats: rows(
    "Coats, in their order",
    "coat",
    { name: text("What"), minutes: positive("Hands", { unit: "min" }), holdH: amount("Dry after", { unit: "h" }) },
    { least: 1, from: "chosen", help: "How long each takes, and how long it is left, at 20 °C." },
  ),
  neededDay: optional(count("Needed, days on", [0, 400], { from: "chosen", help: "Counted from the first day: 2 is two days later." })),
  neededAt: optional(clockTime("Needed at", { from: "chosen", help: "When all of it has to be dry." })),
  tempC: usual(between("Temperature", [-20, 45], { unit: "°C", from: "measured", help: "Where it dries. Colder takes longer." }), REF_C),
  filmMm: optional(length("A coat is thick", { from: "measured", help: "A dry coat, on the tin." })),
  gapMm: optional(length("Smallest moving gap", { from: "measured", help: "Between a front and what it moves in." })),
  leastGap: house(length("A moving gap, at least", { help: "What is left once it is painted." }), 1),
};
type Input = InputOf<typeof inputs>;

/**
 * Each coat's work lies within one working day (Monday to Friday, between the hours given); its hold is elapsed time · 2^((20 − T)/10).
 * Forwards from the start each coat goes on at the soonest; backwards from when all is needed at the latest. A gap between two
 * coated edges loses film · coats · 2.
 */
export const coatChain = defineCalculator({
  name: "coat-chain",
  title: "A chain of coats",
  stage: "time",
  asks: "When is each coat due, and when is the last one dry?",
  words: "paint varnish",

  inputs,
  example: {
    weekday: "mon",
    from: "08:00",
    opens: "08:00",
    closes: "17:00",
    coats: [
      { name: "fill and sand", minutes: 60, holdH: 3 },
      { name: "prime", minutes: 45, holdH: 4 },
      { name: "first coat", minutes: 60, holdH: 16 },
      { name: "second coat", minutes: 60, holdH: 24 },
    ],
    neededDay: 4,
    neededAt: "08:00",
    tempC: 20,
    filmMm: 0.08,
    gapMm: 2,
  },
  results: {
    ready: ["ready", ""],
    readyH: ["ready after", "h"],
    handsMinutes: ["work", "min"],
    spareH: ["spare", "h"],
    latestStart: ["latest start", ""],
    gapLeftMm: ["gap left", "mm"],
  },
  fromPlan: true,
  prefill,
  check: ({ opens, closes, coats }) => {
    const length = minutesOf(closes) - minutesOf(opens);
    if (length <= 0) return [{ path: "closes", message: "has to be later than it opens" }];
    return coats.flatMap((c, i) => (c.minutes > length ? [{ path: `coats[${i}].minutes`, message: "do not fit in one day" }] : []));
  },
  work: ({ weekday, from, opens, closes, coats, neededDay, neededAt, tempC, filmMm, gapMm, leastGap }) => {
    const first = DAYS.indexOf(weekday);
    const [open, close] = [minutesOf(opens), minutesOf(closes)];
    const works = (day: number) => (((first + day) % 7) + 7) % 7 < 5;
    const hold = (c: Coat) => coatHold(c, tempC);
    /** From t on, when so many minutes could begin so that they end the same working day. */
    const next = (t: number, minutes: number): number => {
      for (let day = Math.floor(t / DAY); ; day++) {
        const at = Math.max(t, day * DAY + open);
        if (works(day) && at + minutes <= day * DAY + close) return at;
      }
    };
    /** The latest beginning of so many minutes that end by t, within one working day. */
    const last = (t: number, minutes: number): number => {
      for (let day = Math.floor(t / DAY); ; day--) {
        const end = Math.min(t, day * DAY + close);
        if (works(day) && end - minutes >= day * DAY + open) return end - minutes;
      }
    };
    let t = minutesOf(from);
    const soon = coats.map((c) => {
      const begin = next(t, c.minutes);
      t = begin + c.minutes + hold(c);
      return { begin, end: begin + c.minutes, dry: t };
    });
    const ready = t;
    const needed = neededDay === undefined ? undefined : neededDay * DAY + minutesOf(neededAt ?? opens);
    let by = needed ?? ready;
    const late = coats
      .toReversed()
      .map((c) => {
        const begin = last(by - hold(c), c.minutes);
        by = begin;
        return begin;
      })
      .toReversed();
    const say = (x: number) => {
      const m = Math.ceil(x);
      const day = Math.floor(m / DAY);
      const clock = m - day * DAY;
      return `${DAYS[(((first + day) % 7) + 7) % 7]} ${String(Math.floor(clock / 60)).padStart(2, "0")}:${String(clock % 60).padStart(2, "0")}${day >= 7 ? ` in ${Math.floor(day / 7)} wk` : ""}`;
    };
    const spare = needed === undefined ? null : round((needed - ready) / 60, 2);
    const findings: Finding[] = coats.map((c, i) => ({
      level: "ok",
      about: `coats[${i}]`,
      text: `${c.name}: ${say(soon[i].begin)} to ${say(soon[i].end)}, dry ${say(soon[i].dry)}${needed === undefined ? "" : `; at the latest from ${say(late[i])}`}`,
    }));
    if (spare !== null && spare < 0)
      findings.unshift({
        level: "stop",
        about: "neededDay",
        text: `dry ${round(-spare, 1)} h after it is needed: fewer coats, warmer, or start earlier`,
      });
    else if (spare !== null)
      findings.unshift({ level: "ok", about: "neededDay", text: `dry ${say(ready)}, ${round(spare, 1)} h before it is needed` });
    const left = gapMm === undefined || filmMm === undefined ? null : round(gapMm - filmMm * coats.length * 2, 2);
    if (left !== null && left < leastGap)
      findings.push({
        level: left <= 0 ? "stop" : "warn",
        about: "gapMm",
        text: `the coats leave ${Math.max(0, left)} mm of the gap: it ${left <= 0 ? "will bind" : "may bind"}; plane it before the first coat`,
      });
    return outcome(
      {
        ready: say(ready),
        readyH: round((ready - minutesOf(from)) / 60, 2),
        handsMinutes: coats.reduce((n, c) => n + c.minutes, 0),
        spareH: spare,
        latestStart: needed === undefined ? null : say(late[0]),
        gapLeftMm: left,
      },
      { findings },
    );
  },
});
