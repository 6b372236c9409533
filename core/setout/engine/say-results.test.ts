// Figures of sheets in words: a unit with each, and no name that shows its code.

import { describe, expect, it } from "vitest";
import { type CalculatorName, calculator } from "../calculators";
import { sayResults } from "./say-results";

const said = (sheet: CalculatorName, results: Record<string, unknown>, inches = false) =>
  sayResults(calculator(sheet), results, inches).map((r) => `${r.label}: ${r.lines.join(" / ")}`);

describe("figures of a sheet", () => {
  it("carry their unit", () => {
    expect(said("cable", { metres: 4.972, leastMm2: 7.98, fuseAmps: 15, mm2: 10 })).toEqual([
      "length: 4.972 m",
      "smallest core that does: 7.98 mm²",
      "fuse: 15 A",
      "core to use: 10 mm²",
    ]);
    expect(said("dew-point", { dewPointC: 13.45, aboveK: 3.5, dryEnough: true })).toEqual([
      "dew point: 13.45 °C",
      "metal above the dew point: 3.5 K",
      "dry enough: yes",
    ]);
    expect(said("strip-list", { minutes: 203.7, primerDm2: 1.3, massRemovedKg: 96.1, plugs: [{ d: 6, count: 41 }], scrap: [] })).toEqual([
      "minutes: 203.7 min",
      "area to prime: 1.3 dm²",
      "mass removed: 96.1 kg",
      "plugs: diameter 6 mm, count 41",
      "scrapped: none",
    ]);
  });
  it("that are lengths, and no others, are said in inches where asked for", () => {
    expect(said("opening", { saw: 120, edges: { left: 1415 } }, true)).toEqual(['hole saw: 4 3/4"', 'edges: left 55 11/16"']);
    expect(said("sealant", { ml: 289.2, packs: 1 }, true)).toEqual(["sealant: 289.2 ml", "packs: 1"]);
  });
});
