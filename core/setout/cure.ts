// How long a bond must be left: to move the van, and to full strength.

import { calculator, is, object, outcome, round } from "./model";

interface Input {
  product: { moveAfterH: number; mm24h: number; minC: number };
  depth: number;
  tempC: number;
}

const temperature = { type: "number", minimum: -40, maximum: 80 };
const schema = object({
  product: object({ moveAfterH: is.amount, mm24h: is.size, minC: temperature }),
  depth: is.size,
  tempC: temperature,
});

/** Cure slows to half for every ten degrees below 23 °C. */
export const coldFactor = (tempC: number): number => 2 ** ((23 - tempC) / 10);

/** Full cure (d ÷ k)²·2^((23 − T)/10) days, k the millimetres of the first 24 h at 23 °C; move-after by the same factor. */
export const cure = calculator<Input>(
  { name: "cure", title: "Cure" },
  schema,
  () => [],
  ({ product, depth, tempC }) => {
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
    return outcome(
      { fullDays: round((depth / product.mm24h) ** 2 * factor, 2), moveAfterH: round(move, 2) },
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
