// When the next coat may go on, and until when it needs no scuffing.

import { CLOCK, minutesOf } from "../time/clock";
import { atLimit } from "./at-limit";
import { clock, coldFactor } from "./cure";
import { calculator, type Finding, is, object, outcome, round } from "./model";

interface Input {
  earliestH: number;
  latestH: number;
  tempC: number;
  minC?: number;
  coated?: string;
}

const temperature = { type: "number", minimum: -40, maximum: 80 };
const schema = object({ earliestH: is.amount, latestH: is.amount, tempC: temperature }, { minC: temperature, coated: CLOCK });

/** Both times stand for 23 °C and scale by 2^((23 − T) ÷ 10), T the metal's temperature. */
export const recoat = calculator<Input>(
  { name: "recoat", title: "Next coat" },
  schema,
  ({ earliestH, latestH }) => (latestH < earliestH ? [{ path: "latestH", message: "lies before the earliest" }] : []),
  ({ earliestH, latestH, tempC, minC, coated }) => {
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
);
