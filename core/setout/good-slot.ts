// Which openings a dry slot goes to: the most exposed first, and what does not fit.

import { calculator, type Finding, is, list, object, outcome, round } from "./model";

interface Input {
  slot: number;
  openings: {
    name: string;
    minutes: number;
    side: "roof" | "front or rear" | "side";
    urgent?: boolean;
    covered?: boolean;
    chainDays?: number;
  }[];
}

const schema = object({
  slot: is.amount,
  openings: list(
    object(
      { name: is.name, minutes: is.size, side: { type: "string", enum: ["roof", "front or rear", "side"] } },
      {
        urgent: is.bool,
        covered: is.bool,
        chainDays: is.amount,
      },
    ),
    1,
  ),
});

/** How badly rain finds its way in. */
const EXPOSURE = { roof: 3, "front or rear": 2, side: 1 } as const;

/**
 * By exposure; then what can't stand covered before what can, the urgent before the rest, the more days of a build's chain hang on
 * it the sooner; then as asked. One that no longer fits waits, a shorter one behind it may still go.
 */
export const goodSlot = calculator<Input>(
  { name: "good-slot", title: "Who gets the dry slot" },
  schema,
  () => [],
  ({ slot, openings }) => {
    const order = openings
      .map((o, i) => ({ ...o, i }))
      .sort(
        (a, b) =>
          EXPOSURE[b.side] - EXPOSURE[a.side] ||
          Number(!!a.covered) - Number(!!b.covered) ||
          Number(!!b.urgent) - Number(!!a.urgent) ||
          (b.chainDays ?? 0) - (a.chainDays ?? 0) ||
          a.i - b.i,
      );
    let left = slot;
    const fits: string[] = [];
    const waits: string[] = [];
    for (const o of order) {
      if (o.minutes <= left) {
        fits.push(o.name);
        left -= o.minutes;
      } else waits.push(o.name);
    }
    const findings: Finding[] = [
      waits.length
        ? {
            level: "warn",
            about: "slot",
            text: `${fits.length} of these, no more: ${waits.join(", ")} wait for another day, with covers ready`,
          }
        : { level: "ok", about: "slot", text: `all of them, ${round(left)} minutes to spare` },
      { level: "ok", about: "openings", text: "minutes with the edge dry and the seal on: nothing is left open at the end of the slot" },
    ];
    return outcome({ fits, waits, spare: round(left) }, { findings });
  },
);
