// The smallest and the largest hole that a unit takes, and what was cut against them.

import { calculator, type Finding, is, mm, object, outcome, round } from "./model";

interface Pair {
  w: number;
  h: number;
}

interface Input {
  spigot: Pair;
  flange: Pair;
  land: number;
  clearance?: number;
  least?: number;
  read?: Pair;
}

const pair = object({ w: is.size, h: is.size });
const schema = object({ spigot: pair, flange: pair, land: is.mm }, { clearance: is.mm, least: is.mm, read: pair });

/** Per axis: hole spigot + 2c, smallest spigot + 2·least, largest flange − 2·land; c 2 and least 1 unless told. */
export const holeRange = calculator<Input>(
  { name: "hole-range", title: "Smallest and largest hole" },
  schema,
  ({ spigot, flange, land, least = 1 }) =>
    (["w", "h"] as const).flatMap((k) =>
      flange[k] - 2 * land < spigot[k] + 2 * least
        ? [{ path: `flange.${k}`, message: "leaves no hole between the smallest and the largest" }]
        : [],
    ),
  ({ spigot, flange, land, clearance = 2, least = 1, read }) => {
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
);
