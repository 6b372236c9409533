// A cut edge has a clock of its own: coats after the last grinding, and how much of it there is.

import { minutesOf } from "../../../time/clock";
import { atLimit } from "../../engine/at-limit";
import { clock, coldFactor } from "../../engine/cure-time";
import { defineCalculator } from "../../engine/define";
import { amount, clockTime, count, house, length, optional, rows, size, temperature } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";

const inputs = {
  ground: clockTime("Last grinding, as 10:20", { from: "measured", help: "The clock starts at the last grinding, and again after each." }),
  perimeter: length("Perimeter of the cut", { from: "chosen", help: "All bare edges of the cut." }),
  firstH: amount("Coat, dry after", { unit: "h", from: "chosen", help: "On the tin, for 23 °C." }),
  secondH: optional(
    amount("Second coat, dry after", { unit: "h", from: "chosen", help: "On the tin, for 23 °C. Left empty, one coat counts." }),
  ),
  tempC: temperature("Metal", { from: "measured", help: "Held on the metal." }),
  minC: optional(temperature("Product from", { from: "chosen", help: "On the tin." })),
  holes: optional(
    rows("Small holes", "hole", { d: size("ø"), count: count("How many") }, { from: "measured", help: "Small holes are bare edges too." }),
  ),
  errandSpare: house(amount("Kept back of a drying time before an errand", { unit: "min", help: "So that somebody is back in time." }), 15),
};
/** Drying stands for 23 °C and scales by 2^((23 − T) ÷ 10). Bare edge = perimeter + π·Σ d of the small holes (mm). */
export const edgeClock = defineCalculator({
  name: "edge-clock",
  title: "Edge protection, its clock",
  stage: "openings",
  asks: "When is the edge coat dry, and what fits in meanwhile?",
  words: "primer rust protection",

  inputs,
  example: { ground: "10:20", perimeter: 2719.8, firstH: 1, tempC: 13, minC: 5, holes: [{ d: 4, count: 12 }] },
  results: { bareMm: ["bare edge", "mm"], factor: ["factor", ""], secondAt: ["second at", ""], setFrom: ["set from", ""] },

  work: ({ ground, perimeter, holes = [], firstH, secondH, tempC, minC, errandSpare }) => {
    const bare = round(perimeter + Math.PI * holes.reduce((n, h) => n + h.d * h.count, 0), 1);
    if (minC !== undefined && tempC < minC)
      return outcome(
        { bareMm: bare, secondAt: null, setFrom: null },
        { findings: [{ level: "stop", about: "tempC", text: `${tempC} °C is below the product's ${minC} °C: warm the metal, or wait` }] },
      );
    const f = coldFactor(tempC);
    const start = minutesOf(ground);
    const dry = firstH * f * 60;
    const whole = dry + (secondH ?? 0) * f * 60;
    const errand = Math.floor(round(dry - errandSpare, 6));
    const findings: Finding[] = [
      ...atLimit(tempC, minC, "tempC", "the metal, °C,"),
      {
        level: "ok",
        about: "firstH",
        text: errand > 0 ? `an errand of up to ${errand} min fits while the coat dries` : "no errand fits while the coat dries",
      },
      {
        level: "ok",
        about: "ground",
        text: `nothing is set before ${clock(Math.ceil(round(start + whole, 6)))}; grinding again restarts it`,
      },
      { level: "warn", about: "holes", text: "every small hole before the coat; timber in a wet room's reveal counts as an edge" },
    ];
    return outcome(
      {
        bareMm: bare,
        factor: round(f, 3),
        secondAt: secondH === undefined ? null : clock(Math.ceil(round(start + dry, 6))),
        setFrom: clock(Math.ceil(round(start + whole, 6))),
      },
      { findings, holdMinutes: Math.ceil(round(whole, 6)) },
    );
  },
});
