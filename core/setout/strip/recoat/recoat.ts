// When the next coat may go on, and until when it needs no scuffing.

import { minutesOf } from "../../../time/clock";
import { atLimit } from "../../engine/at-limit";
import { clock, coldFactor } from "../../engine/cure-time";
import { defineCalculator } from "../../engine/define";
import { amount, clockTime, optional, temperature } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

const inputs = {
  earliestH: amount("Earliest at 23 °C", { unit: "h", from: "chosen", help: "On the tin, for 23 °C." }),
  latestH: amount("Latest at 23 °C", { unit: "h", from: "chosen", help: "Later than this the coat is scuffed first." }),
  tempC: temperature("Metal", { from: "measured", help: "Held on the metal." }),
  minC: optional(temperature("Product's minimum", { from: "chosen", help: "On the tin." })),
  coated: optional(clockTime("Coated at, as 10:20", { from: "measured", help: "When the last coat went on." })),
};
/** Both times stand for 23 °C and scale by 2^((23 − T) ÷ 10), T the metal's temperature. */
export const recoat = defineCalculator({
  name: "recoat",
  title: "Next coat",
  stage: "strip",
  asks: "When may the next coat go on?",
  words: "paint primer",

  inputs,
  example: { earliestH: 2, latestH: 36, tempC: 9, minC: 5, coated: "10:20" },
  results: {
    factor: ["factor", ""],
    earliestH: ["earliest", "h"],
    latestH: ["latest", "h"],
    notBefore: ["not before", ""],
    scuffFrom: ["scuff from", ""],
  },
  fromPlan: true,
  prefill,
  check: ({ earliestH, latestH }) => (latestH < earliestH ? [{ path: "latestH", message: "lies before the earliest" }] : []),
  work: ({ earliestH, latestH, tempC, minC, coated }) => {
    if (minC !== undefined && tempC < minC)
      return outcome(
        { factor: null, earliestH: null, latestH: null },
        { findings: [{ level: "stop", about: "tempC", text: `${tempC} °C is below the product's ${minC} °C: warm the metal, or wait` }] },
      );
    const f = coldFactor(tempC);
    const [from, to] = [earliestH * f, latestH * f];
    const at = coated ? minutesOf(coated) : undefined;
    const findings: Finding[] = [
      ...atLimit(tempC, minC, "tempC", "the metal, °C,"),
      { level: "ok", about: "latestH", text: `after ${round(to, 1)} h it is scuffed again before the next coat` },
      { level: "ok", about: "earliestH", text: "the maker's table rules; keep the zone shut meanwhile" },
    ];
    return outcome(
      {
        factor: round(f, 3),
        earliestH: round(from),
        latestH: round(to, 1),
        ...(at === undefined ? {} : { notBefore: clock(Math.ceil(round(at + from * 60, 6))), scuffFrom: clock(Math.floor(at + to * 60)) }),
      },
      { findings, holdMinutes: Math.ceil(round(from * 60, 6)) },
    );
  },
});
