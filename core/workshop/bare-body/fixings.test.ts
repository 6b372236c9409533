import { describe, expect, it } from "vitest";
import { HOUSE_FIGURES } from "../state/house-figures";
import type { FixingRow } from "../state/model";
import { entry } from "../testing/entry";
import { testShop } from "../testing/shop";
import { fixingEstimate, fixingNorms } from "./fixings";

const { workshop } = testShop();
const RIVET = HOUSE_FIGURES.fixRivet.usual;

const past = (buildId: string, minutes: number, count = 10, more: Partial<FixingRow> = {}): FixingRow => ({
  buildId,
  vanId: "drover-l3h2",
  what: "rivet",
  count,
  minutes,
  ...more,
});
const build = (...records: ReturnType<typeof entry>[]) => ({ id: "a", vanId: "drover-l3h2", records });

describe("fixings teach the estimate", () => {
  it("the house's norm holds until three builds of the type are done", () => {
    expect(fixingNorms({}, [past("x", 50), past("y", 70)], "drover-l3h2").rivet).toEqual({ minutes: RIVET, builds: 2, taught: false });
  });
  it("from then on the median of those builds, not of another type's", () => {
    const list = [past("x", 50), past("y", 70), past("z", 20), past("w", 900, 10, { vanId: "other" })];
    expect(fixingNorms({}, list, "drover-l3h2").rivet).toEqual({ minutes: 5, builds: 3, taught: true });
    expect(fixingNorms({}, [...list, past("v", 90)], "drover-l3h2").rivet).toEqual({ minutes: 6, builds: 4, taught: true });
  });
  it("several lots of one build are one rate", () => {
    // 30 rivets in 30 min and 10 in 50: 80 / 40 = 2 each.
    const list = [past("x", 30, 30), past("x", 50, 10), past("y", 20), past("z", 20)];
    expect(fixingNorms({}, list, "drover-l3h2").rivet.minutes).toBe(2);
  });
  it("the estimate is the sum of count times minutes, with what lies beneath", () => {
    const b = build(
      entry("fixing", "Racking", { what: "rivet", count: 24, tools: "drill 5" }),
      entry("fixing", "Lining", { what: "clip", count: 30, beneath: "damp" }),
      entry("fixing", "More lining", { what: "clip", count: 10 }),
    );
    const e = fixingEstimate({ workshop, fixings: [past("x", 1, 1, { beneath: "rust" })] }, b)!;
    expect(e.minutes).toBeCloseTo(24 * RIVET + 40 * HOUSE_FIGURES.fixClip.usual, 9);
    expect(e.rows.map((r) => [r.what, r.count, r.taught])).toEqual([
      ["rivet", 24, false],
      ["clip", 40, false],
    ]);
    expect([e.beneath, e.tools]).toEqual([["damp", "rust"], ["drill 5"]]);
  });
  it("what this build itself took is not its own teacher, and nothing counted is no estimate", () => {
    const own = [past("a", 1000), past("x", 20), past("y", 20)];
    expect(fixingEstimate({ workshop, fixings: own }, build(entry("fixing", "R", { what: "rivet", count: 1 })))!.minutes).toBe(RIVET);
    expect(fixingEstimate({ workshop, fixings: own }, build())).toBeUndefined();
  });
});
