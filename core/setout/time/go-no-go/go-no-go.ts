// Go or no-go for work that opens the skin outdoors: the latest safe start, and what binds it.

import { minutesOf } from "../../../time/clock";
import { clock } from "../../engine/cure-time";
import { defineCalculator } from "../../engine/define";
import { amount, between, clockTime, house, type InputOf, optional, rows, text, tick } from "../../engine/inputs";
import { type Finding, outcome } from "../../engine/outcome";
import { prefill } from "./prefill";

/** House figures: how much longer than likely work is taken to be, and minutes kept before dusk and before rain. */
export const GO = { caution: 1.4, marginDusk: 30, marginRain: 45 } as const;

/** Minutes until it is watertight, with caution: likely work × caution + drying, which no hurry shortens. Source: PL-n32. */
export function carefulMinutes(steps: Input["steps"], caution: number = GO.caution): number {
  const sum = (drying: boolean) => steps.filter((s) => !!s.drying === drying).reduce((n, s) => n + s.minutes, 0);
  return Math.round(sum(false) * caution + sum(true));
}

const inputs = {
  now: optional(clockTime("Now, as 10:30", { from: "measured", help: "Left empty: the latest start is worked out." })),
  sunset: clockTime("Sunset", { from: "measured", help: "From the forecast." }),
  rain: optional(clockTime("Rain from", { from: "measured", help: "From the forecast; empty for none." })),
  shiftEnd: optional(clockTime("End of the shift", { from: "measured", help: "Empty where somebody stays." })),
  caution: house(between("Caution, times the work", [1, 3], { help: "Work in the open takes longer than planned." }), GO.caution),
  marginDusk: house(amount("Before dusk", { unit: "min", help: "Done so long before it gets dark." }), GO.marginDusk),
  marginRain: house(amount("Before rain", { unit: "min", help: "Done so long before the rain." }), GO.marginRain),
  steps: rows(
    "All steps to watertight",
    "step",
    { name: text("Step"), minutes: amount("Minutes"), drying: tick("Dries") },
    { least: 1, from: "chosen", help: "All work from the first cut until it is watertight." },
  ),
};
export type Input = InputOf<typeof inputs>;

/**
 * Chain = work × caution (1.4 unless told) + drying, which no hurry shortens. Limit = the earliest of sunset − 30 min, rain −
 * 45 min and the end of the shift. Latest safe start = limit − chain.
 */
export const goNoGo = defineCalculator({
  name: "go-no-go",
  title: "Go or no-go",
  stage: "time",
  asks: "Can the cut begin today, and until when?",
  words: "rain dusk weather",

  inputs,
  example: {
    sunset: "16:48",
    rain: "15:20",
    caution: 1.4,
    marginDusk: 30,
    marginRain: 45,
    steps: [
      { name: "set out, drill", minutes: 35, drying: false },
      { name: "cut", minutes: 15, drying: false },
      { name: "deburr", minutes: 10, drying: false },
      { name: "coat dries", minutes: 40, drying: true },
      { name: "clean, prime", minutes: 30, drying: false },
      { name: "primer dries", minutes: 20, drying: true },
      { name: "bed and set", minutes: 25, drying: false },
      { name: "seal over", minutes: 15, drying: false },
    ],
  },
  results: {
    limit: ["done by", ""],
    binds: ["decided by", ""],
    likelyMinutes: ["likely", "min"],
    carefulMinutes: ["with caution", "min"],
    likelyStart: ["likely start", ""],
    latestStart: ["latest start", ""],
  },

  fromPlan: true,
  prefill,
  work: ({ now, steps, caution, sunset, rain, shiftEnd, marginDusk, marginRain }) => {
    const work = steps.filter((s) => !s.drying).reduce((n, s) => n + s.minutes, 0);
    const drying = steps.filter((s) => s.drying).reduce((n, s) => n + s.minutes, 0);
    const limits: [string, number][] = [["dusk", minutesOf(sunset) - marginDusk]];
    if (rain) limits.push(["rain", minutesOf(rain) - marginRain]);
    if (shiftEnd) limits.push(["the end of the shift", minutesOf(shiftEnd)]);
    const [binds, limit] = limits.reduce((x, y) => (y[1] < x[1] ? y : x));
    const likely = work + drying;
    const careful = carefulMinutes(steps, caution);
    const latest = limit - careful;
    const findings: Finding[] = [
      latest < 0
        ? {
            level: "stop",
            about: "steps",
            text: `no: it takes longer than the day has before ${binds}; fewer openings, a second person, or a bay`,
          }
        : now !== undefined && minutesOf(now) > latest
          ? {
              level: "stop",
              about: "now",
              text: `no: it had to begin by ${clock(latest)}; ${binds} binds. Wait, do less of it, or take it indoors`,
            }
          : { level: "ok", about: "steps", text: `go until ${clock(latest)}; ${binds} binds` },
      { level: "warn", about: "steps", text: "only with a dry skin, and with cover sheet, coat and sealant on the van" },
    ];
    return outcome(
      {
        limit: clock(Math.max(0, limit)),
        binds,
        likelyMinutes: likely,
        carefulMinutes: careful,
        likelyStart: limit - likely < 0 ? null : clock(limit - likely),
        latestStart: latest < 0 ? null : clock(latest),
      },
      { findings },
    );
  },
});
