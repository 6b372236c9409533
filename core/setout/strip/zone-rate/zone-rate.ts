// What is left of a job that goes zone by zone, by the pace of the last two.

import { defineCalculator } from "../../engine/define";
import { type InputOf, oneOf, optional, positive, rows, text } from "../../engine/inputs";
import { outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

const inputs = {
  zones: rows(
    "Zones in their order",
    "zone",
    {
      name: text("Zone"),
      m2: positive("m²"),
      minutes: optional(positive("Minutes", { help: "Of zones that are done; the others are forecast." })),
      kind: optional(oneOf("Kind", ["flat", "ribs", "floor"])),
      norm: optional(positive("Norm", { unit: "min/m²" })),
    },
    { least: 1, from: "van", help: "In the order in which they are cleaned. Fill in the minutes of those that are done." },
  ),
};
type Input = InputOf<typeof inputs>;

/**
 * Rate Σt ÷ ΣA of the last two zones done; left = rate × area of the rest. Before one is done: each by its norm, minutes a square
 * metre.
 */
export const zoneRate = defineCalculator({
  name: "zone-rate",
  title: "First zones forecast the rest",
  stage: "strip",
  asks: "How long do the other zones take, going by the first?",
  words: "cleaning degrease forecast",

  plannedAtOnce: true,
  inputs,
  example: {
    zones: [
      { name: "floor, front", m2: 3.2, minutes: 54, kind: "floor" },
      { name: "floor, rear", m2: 4.1, minutes: 58, kind: "floor" },
      { name: "walls", m2: 9.5, kind: "ribs" },
    ],
  },
  results: { minutesPerM2: ["pace", "min per m²"], restM2: ["area left", "m²"], minutesLeft: ["minutes left", "min"] },
  prefill,
  check: ({ zones }) =>
    zones.some((z) => z.minutes !== undefined) || zones.every((z) => z.norm !== undefined)
      ? []
      : [{ path: "zones", message: "none has its minutes yet" }],
  work: ({ zones }) => {
    const done = zones.filter((z) => z.minutes !== undefined);
    if (!done.length) return byNorm(zones);
    const last = done.slice(-2);
    const rate = last.reduce((n, z) => n + z.minutes!, 0) / last.reduce((n, z) => n + z.m2, 0);
    const restM2 = zones.filter((z) => z.minutes === undefined).reduce((n, z) => n + z.m2, 0);
    const rates = done.map((z) => z.minutes! / z.m2);
    const left = rate * restM2;
    return outcome(
      { minutesPerM2: round(rate), restM2: round(restM2), minutesLeft: round(left, 1) },
      {
        findings: [
          {
            level: "ok",
            about: "zones",
            text: restM2 ? `${round(left, 1)} minutes are left at the pace of the last ${last.length}` : "every zone is done",
          },
        ],
        minutes: {
          best: round(Math.min(...rates) * restM2, 1),
          likely: round(left, 1),
          worst: round(Math.max(...rates) * restM2, 1),
          covers: "whole",
          what: "zones that are left",
        },
      },
    );
  },
});

/** Nothing is done yet: the house's norms say what it will take. */
function byNorm(zones: Input["zones"]) {
  const restM2 = zones.reduce((n, z) => n + z.m2, 0);
  const left = zones.reduce((n, z) => n + z.m2 * z.norm!, 0);
  return outcome(
    { minutesPerM2: round(left / restM2), restM2: round(restM2), minutesLeft: round(left, 1) },
    {
      findings: [{ level: "ok", about: "zones", text: `${round(left, 1)} minutes by the house's norms; the first zone done says better` }],
    },
  );
}
