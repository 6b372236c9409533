// Which openings a dry slot goes to: the most exposed first, and what does not fit.

import { defineCalculator } from "../../engine/define";
import { amount, oneOf, optional, positive, rows, text, tick } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

/** How badly rain finds its way in. */
const EXPOSURE = { roof: 3, "front or rear": 2, side: 1 } as const;

const inputs = {
  slot: amount("Dry stretch", { unit: "min", from: "measured", help: "How long it stays dry, by the forecast." }),
  openings: rows(
    "Openings that wait",
    "opening",
    {
      name: text("Which"),
      minutes: positive("Minutes"),
      side: oneOf("Where", ["roof", "front or rear", "side"]),
      urgent: tick("Urgent"),
      covered: tick("Cover"),
      chainDays: optional(amount("Chain d", { unit: "days" })),
    },
    { least: 1, from: "chosen", help: "Those that wait for dry hours, of every build." },
  ),
};
/**
 * By exposure; then what can't stand covered before what can, the urgent before the rest, the more days of a build's chain hang on
 * it the sooner; then as asked. One that no longer fits waits, a shorter one behind it may still go.
 */
export const goodSlot = defineCalculator({
  name: "good-slot",
  title: "Who gets the dry slot",
  stage: "openings",
  asks: "Which opening gets the dry hours?",
  words: "weather rain forecast",

  inputs,
  example: {
    slot: 330,
    openings: [
      { name: "window left", minutes: 160, side: "side", urgent: true, covered: true, chainDays: 4 },
      { name: "fan", minutes: 210, side: "roof", urgent: false, covered: true, chainDays: 2 },
    ],
  },
  results: { fits: ["fits", ""], waits: ["waits", "min"], spare: ["spare", ""] },

  fromPlan: true,
  prefill,
  work: ({ slot, openings }) => {
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
});
