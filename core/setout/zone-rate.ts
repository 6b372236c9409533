// What is left of a job that goes zone by zone, by the pace of the last two.

import { calculator, is, list, object, outcome, round } from "./model";

interface Input {
  zones: { name: string; m2: number; minutes?: number; kind?: "floor" | "ribs" | "flat"; norm?: number }[];
}

const schema = object({
  zones: list(
    object({ name: is.name, m2: is.size }, { minutes: is.size, kind: { type: "string", enum: ["floor", "ribs", "flat"] }, norm: is.size }),
    1,
  ),
});

/**
 * Rate Σt ÷ ΣA of the last two zones done; left = rate × area of the rest. Before one is done: each by its norm, minutes a square
 * metre.
 */
export const zoneRate = calculator<Input>(
  { name: "zone-rate", title: "The first zones forecast the rest" },
  schema,
  ({ zones }) =>
    zones.some((z) => z.minutes !== undefined) || zones.every((z) => z.norm !== undefined)
      ? []
      : [{ path: "zones", message: "none has its minutes yet" }],
  ({ zones }) => {
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
);

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
