// The smallest and the largest hole that a unit takes, and what was cut against them.

import { defineCalculator } from "../../engine/define";
import { choice, group, house, type InputOf, length, optional, size, usual } from "../../engine/inputs";
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
  pressing: optional(
    group({
      w: size("Pressing across", { from: "measured", help: "Flat inside of a pressed field or frame that the hole is cut into." }),
      h: size("Pressing down", { from: "measured", help: "The same, the other way." }),
      edge: length("Kept off its edge", { from: "chosen", help: "Metal that stays between the hole and the bend." }),
    }),
  ),
  school: usual(
    choice(
      "Cut",
      [
        ["line", "on the line"],
        ["large", "a little large: a tight hole is cut twice"],
        ["small", "a little small: metal can't be put back"],
      ],
      { from: "chosen", help: "How this house cuts. Never past the smallest or the largest hole." },
    ),
    "line",
  ),
  little: house(length("A little is", { help: "A side, where a hole is cut a little large or small." }), 1),
  clearance: house(length("Clear a side", { help: "Between spigot and hole, on each side." }), 2),
  least: house(length("Clear a side, at least", { help: "A tight hole is cut twice." }), 1),
  read: optional(
    group({
      w: size("Read across", { from: "measured", help: "The hole as it was cut." }),
      h: size("Read down", { from: "measured", help: "The same, the other way." }),
      d1: optional(size("One diagonal", { from: "measured", help: "Corner to corner, before the saw leaves." })),
      d2: optional(size("The other diagonal", { from: "measured", help: "The same, the other way." })),
    }),
  ),
  square: house(length("Diagonals may differ by", { help: "More, and the hole is out of square." }), 2),
};
type Input = InputOf<typeof inputs>;

/**
 * Per axis: hole spigot + 2c, smallest spigot + 2·least, largest flange − 2·land, from a pressing at most W − 2e; c 2 and least 1 unless
 * told. A little large or small: 1 a side more or less, within the range. Source: OP-n20.
 */
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
  check: ({ spigot, flange, land, pressing, least = 1 }) =>
    (["w", "h"] as const).flatMap((k) => [
      ...(flange[k] - 2 * land < spigot[k] + 2 * least
        ? [{ path: `flange.${k}`, message: "leaves no hole between the smallest and the largest" }]
        : []),
      ...(pressing && pressing[k] - 2 * pressing.edge < spigot[k] + 2 * least
        ? [{ path: `pressing.${k}`, message: "is too small for the smallest hole" }]
        : []),
    ]),
  work: ({ spigot, flange, land, pressing, school, little, clearance, least, square, read }) => {
    const each = (f: (k: "w" | "h") => number): Pair => ({ w: round(f("w")), h: round(f("h")) });
    const smallest = each((k) => spigot[k] + 2 * least);
    const largest = each((k) => Math.min(flange[k] - 2 * land, pressing ? pressing[k] - 2 * pressing.edge : Number.POSITIVE_INFINITY));
    const more = school === "large" ? 2 * little : school === "small" ? -2 * little : 0;
    const hole = each((k) => Math.max(smallest[k], Math.min(spigot[k] + 2 * clearance + more, largest[k])));
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
    if (read?.d1 !== undefined && read.d2 !== undefined && Math.abs(read.d1 - read.d2) > square)
      findings.push({
        level: "warn",
        about: "read.d1",
        text: `out of square: the diagonals differ by ${mm(Math.abs(read.d1 - read.d2))}, ${mm(square)} may be. Read them before the saw leaves`,
      });
    if (!findings.length)
      findings.push({
        level: "ok",
        about: read ? "read" : "spigot",
        text: read ? "within the range" : "a tight hole is cut twice, and metal can't be put back",
      });
    return outcome({ hole, smallest, largest }, { findings });
  },
});
