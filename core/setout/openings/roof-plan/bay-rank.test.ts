import { describe, expect, it } from "vitest";
import { findCalculator } from "../../calculators";
import { rankBays, sayBay } from "./bay-rank";

const fan = { name: "fan", at: 0, across: 750, length: 440, width: 440, height: 90 };
const SPANS = [
  { bay: 0, from: 300, to: 500 },
  { bay: 1, from: 1100, to: 1300 },
  { bay: 2, from: 1900, to: 2100 },
];
const rect = (name: string, at: number, more: object = {}) => ({
  name,
  at,
  across: 750,
  length: 400,
  width: 400,
  height: 40,
  pierces: false,
  ...more,
});

describe("the bays of a roof unit", () => {
  it("lie in their middle where nothing is named, in their order", () => {
    expect(rankBays(fan, SPANS, [], [], { reach: 40 })).toEqual(
      [400, 1200, 2000].map((at, bay) => ({ bay, at, toUse: null, apart: null, unshaded: null, spread: null, bars: 0, good: true })),
    );
  });
  it("the one nearest to its use comes first, as near as the bay lets it", () => {
    const rows = rankBays(fan, SPANS, [], [], { reach: 40, use: 1500 });
    expect(rows.map((r) => [r.bay, r.at, r.toUse])).toEqual([
      [1, 1300, 200],
      [2, 1900, 400],
      [0, 500, 1000],
    ]);
    expect(sayBay(rows[0], "the galley")).toBe("bay 1 (200 from the galley)");
  });
  it("one with a bar in the way, or a neighbour within its reach, comes after all that are free", () => {
    const bars = [{ from: 1190, to: 1250 }];
    const rows = rankBays(fan, SPANS, [rect("skylight", 2400, { pierces: true })], bars, { reach: 40, use: 1200 });
    // Bay 2 at 1900: 2400 − 1900 − 420 = 80 clear. Bay 1 has the bar.
    expect(rows.map((r) => [r.bay, r.good, r.bars])).toEqual([
      [0, true, 0],
      [2, true, 0],
      [1, false, 1],
    ]);
    expect(rows.find((r) => r.bay === 2)).toMatchObject({ apart: 80, spread: 80 });
    const wide = rankBays(fan, SPANS, [rect("skylight", 2400, { pierces: true })], [], { reach: 81, use: 1900 });
    expect(wide.map((r) => [r.bay, r.good])).toEqual([
      [1, true],
      [0, true],
      [2, false],
    ]);
  });
  it("counts the shade that it throws on a panel: twice its height", () => {
    // Panel from 1720 on; bay 1 at its middle 1200 ends at 1420: 300 clear, less 180 of shade.
    const row = (at: number) => rankBays(fan, [SPANS[1]], [rect("panel 1", at)], [], { reach: 0 })[0];
    expect(row(1920)).toMatchObject({ apart: 300, unshaded: 120, good: true });
    expect(row(1790)).toMatchObject({ apart: 170, unshaded: -10, good: false });
    expect(sayBay(row(1790))).toMatch(/shades a panel by 10/);
  });
  it("far from the other holes comes first where all else is alike: light at both ends", () => {
    const rows = rankBays(fan, SPANS, [rect("skylight", 400, { pierces: true, across: 2000 })], [], { reach: 0 });
    expect(rows.map((r) => r.bay)).toEqual([2, 1, 0]);
  });
});

describe("the roof plan", () => {
  const roof = {
    roof: { length: 3000, width: 1500, crown: 20 },
    ribs: [
      { at: 800, width: 40 },
      { at: 1600, width: 40 },
      { at: 2400, width: 40 },
    ],
    items: [{ name: "fan", cut: { length: 400, width: 400 }, overall: { length: 440, width: 440 }, height: 90, over: "bed" }],
    uses: [{ name: "bed", at: 2200 }],
    margins: { rib: 5, item: 40, edge: 60 },
  };
  it("ranks the bays of every unit that pierces it, and says why", () => {
    const o = findCalculator("roof-plan")!.run(roof);
    const { ranking } = o.results as { ranking: Record<string, { bay: number; toUse: number }[]> };
    expect(ranking.fan.map((r) => r.bay)).toEqual([2, 3, 1, 0]);
    expect(ranking.fan[0].toUse).toBe(25);
    expect(o.findings.some((f) => /fan: bay 2 \(25 from bed\) before bay 3/.test(f.text))).toBe(true);
  });
  it("refuses a use that is not named", () => {
    expect(() => findCalculator("roof-plan")!.run({ ...roof, uses: [] })).toThrow(/bed is none of the uses below/);
  });
});
