// A cut edge has a clock of its own: coats after the last grinding, and how much of it there is.

import { CLOCK, minutesOf } from "../time/clock";
import { atLimit } from "./at-limit";
import { clock, coldFactor } from "./cure";
import { calculator, type Finding, is, list, object, outcome, round } from "./model";

interface Input {
  ground: string;
  perimeter: number;
  holes?: { d: number; count: number }[];
  firstH: number;
  secondH?: number;
  tempC: number;
  minC?: number;
}

/** Minutes kept back of a drying time before an errand may fill it. A house figure. */
const ERRAND_SPARE = 15;

const temperature = { type: "number", minimum: -40, maximum: 80 };
const schema = object(
  { ground: CLOCK, perimeter: is.mm, firstH: is.amount, tempC: temperature },
  { holes: list(object({ d: is.size, count: is.count })), secondH: is.amount, minC: temperature },
);

/** Drying stands for 23 °C and scales by 2^((23 − T) ÷ 10). Bare edge = perimeter + π·Σ d of the small holes (mm). */
export const edgeClock = calculator<Input>(
  { name: "edge-clock", title: "Edge protection, its clock" },
  schema,
  () => [],
  ({ ground, perimeter, holes = [], firstH, secondH, tempC, minC }) => {
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
    const errand = Math.floor(round(dry - ERRAND_SPARE, 6));
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
);
