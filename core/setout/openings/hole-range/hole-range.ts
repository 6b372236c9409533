// The smallest and the largest hole that a unit takes, and what was cut against them.

import { defineCalculator } from "../../engine/define";
import { group, house, type InputOf, length, optional, size } from "../../engine/inputs";
import { type Finding, mm, outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

type Pair = Input["spigot"];

const inputs = {
  spigot: group({
    w: size("Spigot across", { from: "measured", help: "Measure the unit that has come, not the drawing." }),
    h: size("Spigot down", { from: "measured", help: "The same, the other way." }),
  }),
  flange: group({
    w: size("Flange across", { from: "measured", help: "Outer edge to outer edge." }),
    h: size("Flange down", { from: "measured", help: "The same, the other way." }),
  }),
  land: length("Land under the flange", { from: "chosen", help: "Metal that stays under the flange." }),
  clearance: house(length("Clear a side", { help: "Between spigot and hole, on each side." }), 2),
  least: house(length("Clear a side, at least", { help: "A tight hole is cut twice." }), 1),
  read: optional(
    group({
      w: size("Read across", { from: "measured", help: "The hole as it was cut." }),
      h: size("Read down", { from: "measured", help: "The same, the other way." }),
    }),
  ),
};
type Input = InputOf<typeof inputs>;

/** Per axis: hole spigot + 2c, smallest spigot + 2·least, largest flange − 2·land; c 2 and least 1 unless told. */
export const holeRange = defineCalculator({
  name: "hole-range",
  title: "Smallest and largest hole",
  stage: "openings",
  asks: "How small and how large may the hole be?",
  words: "unit cut-out template",

  holds: true,

  inputs,
  example: { spigot: { w: 372, h: 366 }, flange: { w: 428, h: 424 }, land: 16, clearance: 2, least: 1 },
  results: { hole: ["hole", ""], w: ["width", "mm"], h: ["height", "mm"], smallest: ["smallest", ""], largest: ["largest", ""] },
  fromPlan: true,
  prefill,
  check: ({ spigot, flange, land, least = 1 }) =>
    (["w", "h"] as const).flatMap((k) =>
      flange[k] - 2 * land < spigot[k] + 2 * least
        ? [{ path: `flange.${k}`, message: "leaves no hole between the smallest and the largest" }]
        : [],
    ),
  work: ({ spigot, flange, land, clearance, least, read }) => {
    const each = (f: (k: "w" | "h") => number): Pair => ({ w: round(f("w")), h: round(f("h")) });
    const smallest = each((k) => spigot[k] + 2 * least);
    const largest = each((k) => flange[k] - 2 * land);
    const hole = each((k) => Math.min(spigot[k] + 2 * clearance, largest[k]));
    const findings: Finding[] = [];
    for (const [k, name] of [
      ["w", "across"],
      ["h", "down"],
    ] as const) {
      if (!read) continue;
      if (read[k] < smallest[k])
        findings.push({
          level: "stop",
          about: `read.${k}`,
          text: `too small ${name} by ${mm(smallest[k] - read[k])}: enlarge, then deburr and coat again`,
        });
      else if (read[k] > largest[k])
        findings.push({
          level: "stop",
          about: `read.${k}`,
          text: `too large ${name} by ${mm(read[k] - largest[k])}: the flange does not cover it`,
        });
    }
    if (!findings.length)
      findings.push({
        level: "ok",
        about: read ? "read" : "spigot",
        text: read ? "within the range" : "a tight hole is cut twice, and metal can't be put back",
      });
    return outcome({ hole, smallest, largest }, { findings });
  },
});
