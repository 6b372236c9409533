// How long a bond must be left: to move the van, and to full strength.

import { CLOCK, minutesOf } from "../time/clock";
import { calculator, is, object, outcome, round } from "./model";

interface Input {
  product: { moveAfterH: number; mm24h: number; minC: number; handsOffH?: number; soakAfterH?: number };
  depth: number;
  tempC: number;
  /** When the bond was made: each release then has its clock time. */
  bonded?: string;
}

const temperature = { type: "number", minimum: -40, maximum: 80 };
const schema = object(
  {
    product: object({ moveAfterH: is.amount, mm24h: is.size, minC: temperature }, { handsOffH: is.amount, soakAfterH: is.amount }),
    depth: is.size,
    tempC: temperature,
  },
  { bonded: CLOCK },
);

/** Cure slows to half for every ten degrees below 23 °C. */
export const coldFactor = (tempC: number): number => 2 ** ((23 - tempC) / 10);

/** "15:37", or "01:30, the day after": minutes from midnight of the first day. */
export function clock(minutes: number): string {
  const day = Math.floor(minutes / 1440);
  const m = minutes - day * 1440;
  const time = `${String(Math.floor(m / 60)).padStart(2, "0")}:${String(m % 60).padStart(2, "0")}`;
  return day === 0 ? time : `${time}, ${day === 1 ? "the day after" : `${day} days after`}`;
}

/** Full cure (d ÷ k)²·2^((23 − T)/10) days, k the millimetres of the first 24 h at 23 °C; hands off, move and soak by the same factor. */
export const cure = calculator<Input>(
  { name: "cure", title: "Cure" },
  schema,
  ({ product: p }) => [
    ...(p.handsOffH !== undefined && p.handsOffH > p.moveAfterH
      ? [{ path: "product.handsOffH", message: "comes after it may be moved" }]
      : []),
    ...(p.soakAfterH !== undefined && p.soakAfterH < p.moveAfterH
      ? [{ path: "product.soakAfterH", message: "comes before it may be moved" }]
      : []),
  ],
  ({ product, depth, tempC, bonded }) => {
    if (tempC < product.minC)
      return outcome(
        { fullDays: null, moveAfterH: null },
        {
          findings: [
            {
              level: "stop",
              about: "tempC",
              text: `${tempC} °C is below the ${product.minC} °C that it cures at: warm the place, or wait. The maker's sheet rules`,
            },
          ],
        },
      );
    const factor = coldFactor(tempC);
    const move = product.moveAfterH * factor;
    const full = (depth / product.mm24h) ** 2 * factor;
    const { handsOffH: hands, soakAfterH: soak } = product;
    const start = bonded === undefined ? undefined : minutesOf(bonded);
    const at = (key: string, h: number | undefined) =>
      start === undefined || h === undefined ? {} : { [key]: clock(Math.ceil(round(start + h * 60, 6))) };
    return outcome(
      {
        fullDays: round(full, 2),
        moveAfterH: round(move, 2),
        ...(hands === undefined ? {} : { handsOffH: round(hands * factor, 2) }),
        ...(soak === undefined ? {} : { soakAfterH: round(soak * factor, 2) }),
        ...at("handsOffAt", hands === undefined ? undefined : hands * factor),
        ...at("moveAt", move),
        ...at("soakAt", soak === undefined ? undefined : soak * factor),
        ...at("fullAt", full * 24),
      },
      {
        findings: [
          ...(tempC === product.minC
            ? [{ level: "warn" as const, about: "tempC", text: `exactly at the minimum of ${product.minC} °C: metal is colder than air` }]
            : []),
          { level: "ok", about: "product", text: "the maker's sheet rules; this is to plan by" },
        ],
        holdMinutes: Math.ceil(round(move * 60, 6)),
      },
    );
  },
);
