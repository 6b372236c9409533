import { describe, expect, it } from "vitest";
import { between, random } from "../../../rng";
import { findCalculator } from "../../calculators";
import { packing } from "./roof-plan";
import { GRID, type Item, place, type Roof } from "./roof-search";

// biome-ignore lint/suspicious/noExplicitAny: results are read field by field
const run = (input: unknown): any => findCalculator("roof-plan")!.run(input);

const overlaps = (roof: Roof, placed: { name: string; at: number; across: number }[]): boolean => {
  const item = (n: string) => roof.items.find((x) => x.name === n)!;
  return placed.some((p, i) =>
    placed.slice(0, i).some((q) => {
      const [a, b] = [item(p.name), item(q.name)];
      return (
        Math.abs(p.at - q.at) < (a.length + b.length) / 2 + roof.gap - 1e-6 &&
        Math.abs(p.across - q.across) < (a.width + b.width) / 2 + roof.gap - 1e-6
      );
    }),
  );
};

const legal = (roof: Roof, it: Item, at: number, across: number): boolean =>
  at - it.length / 2 >= roof.edge - 1e-6 &&
  at + it.length / 2 <= roof.length - roof.edge + 1e-6 &&
  across - it.width / 2 >= roof.edge - 1e-6 &&
  across + it.width / 2 <= roof.width - roof.edge + 1e-6 &&
  (!it.spans || it.spans.some((s) => at >= s.from - 1e-6 && at <= s.to + 1e-6));

/** Every place on the grid for every item: is there any arrangement at all? */
function exists(roof: Roof): boolean {
  const lists = roof.items.map((it) => {
    const out: [number, number][] = [];
    for (let at = 0; at <= roof.length; at += GRID)
      for (let ac = 0; ac <= roof.width; ac += GRID) if (legal(roof, it, at, ac)) out.push([at, ac]);
    return out;
  });
  const placed: { name: string; at: number; across: number }[] = [];
  const go = (i: number): boolean => {
    if (i === lists.length) return true;
    for (const [at, across] of lists[i]) {
      placed.push({ name: roof.items[i].name, at, across });
      if (!overlaps(roof, placed) && go(i + 1)) return true;
      placed.pop();
    }
    return false;
  };
  return go(0);
}

/** A small roof out of a seed, with up to three units. */
function generated(seed: number): Roof {
  const r = random(seed);
  const n = between(r, 1, 3);
  const length = between(r, 18, 34) * GRID;
  const width = between(r, 10, 18) * GRID;
  return {
    length,
    width,
    edge: between(r, 0, 2) * 5,
    gap: between(r, 0, 3) * 5,
    bars: [],
    items: Array.from({ length: n }, (_, i) => ({
      name: `i${i}`,
      length: between(r, 4, 15) * GRID + between(r, 0, 9),
      width: between(r, 3, 12) * GRID + between(r, 0, 9),
      spans: r() < 0.5 ? [{ from: between(r, 2, 10) * GRID, to: between(r, 11, 20) * GRID }] : undefined,
      wish: r() < 0.5 ? { at: between(r, 0, length) } : {},
      height: 0,
    })),
  };
}

describe("place", () => {
  it("finds an arrangement whenever there is one on the grid, and only such as hold, on 300 roofs", () => {
    let possible = 0;
    for (let seed = 1; seed <= 300; seed++) {
      const roof = generated(seed);
      const found = place(roof);
      expect(overlaps(roof, found.placed)).toBe(false);
      for (const p of found.placed) expect(legal(roof, roof.items.find((x) => x.name === p.name)!, p.at, p.across)).toBe(true);
      const all = exists(roof);
      if (all) possible++;
      expect(found.unplaced.length === 0, `seed ${seed}`).toBe(all);
    }
    expect(possible).toBeGreaterThan(60);
    expect(possible).toBeLessThan(290);
  });
  it("keeps the first wish whenever any arrangement of all has it, on 200 roofs", () => {
    let kept = 0;
    let broken = 0;
    for (let seed = 1001; seed <= 1200; seed++) {
      const roof = generated(seed);
      const at = between(random(seed), 0, roof.length / GRID) * GRID;
      roof.items = roof.items.map((it, i) => ({ ...it, wish: i ? {} : { at } }));
      if (!exists(roof)) continue;
      // The same roof where the first may lie nowhere else.
      const narrow = { from: at - GRID, to: at + GRID };
      const first = roof.items[0];
      const spans = (first.spans ?? [{ from: 0, to: roof.length }])
        .map((s) => ({ from: Math.max(s.from, narrow.from), to: Math.min(s.to, narrow.to) }))
        .filter((s) => s.to >= s.from);
      const can = spans.length > 0 && exists({ ...roof, items: [{ ...first, spans }, ...roof.items.slice(1)] });
      const p = place(roof).placed.find((x) => x.name === first.name)!;
      expect(Math.abs(p.at - at) <= GRID, `seed ${seed}`).toBe(can);
      if (can) kept++;
      else broken++;
    }
    expect(kept).toBeGreaterThan(10);
    expect(broken).toBeGreaterThan(10);
  });
});

describe("roof-plan", () => {
  const ribs = [
    { at: 402, width: 40 },
    { at: 861, width: 46 },
    { at: 1338, width: 46 },
    { at: 1802, width: 40 },
  ];
  const input = {
    roof: { length: 3200, width: 1560, crown: 38 },
    ribs,
    bars: [{ at: 2400, width: 60 }],
    items: [
      { name: "fan", cut: { length: 400, width: 400 }, overall: { length: 440, width: 440 }, height: 90, wish: { at: 1100 } },
      { name: "solar", overall: { length: 1176, width: 664 }, height: 40 },
    ],
    margins: { rib: 5, item: 40, edge: 60 },
  };
  it("says what packing the crown asks for", () => {
    expect(packing(38, 1560, 400)).toBeCloseTo(2.5, 1);
    expect(packing(38, 1560, 720)).toBeCloseTo(8.1, 1);
  });
  it("knows the bays of ribs that take a cut, and never cuts a rib", () => {
    const { results, findings } = run(input);
    // Clear 416, 431, 421 between the ribs: 400 and 5 on both sides go into all three; the ends of the roof do too where long enough.
    expect(results.baysThatFit.fan).toEqual([1, 2, 3, 4]);
    const fan = results.placed.find((p: { name: string }) => p.name === "fan");
    for (const rib of ribs) expect(Math.abs(fan.at - rib.at)).toBeGreaterThanOrEqual(rib.width / 2 + 200 + 5);
    expect(fan.bay).toBe(2);
    expect(findings.some((f: { text: string }) => f.text.includes("no rib is cut"))).toBe(true);
  });
  it("keeps bars free where it can, else names those that have to move", () => {
    expect(run(input).results.barsInTheWay).toEqual([]);
    const long = run({ ...input, items: [{ name: "awning", overall: { length: 3000, width: 200 } }] });
    expect(long.results.barsInTheWay).toEqual([{ bar: 0, item: "awning" }]);
  });
  it("centres across and keeps wishes as far as they go", () => {
    const { results } = run({ ...input, items: [{ name: "solar", overall: { length: 1000, width: 660 }, wish: { at: 1200 } }] });
    expect(results.placed).toEqual([{ name: "solar", at: 1200, across: 780, bay: 2 }]);
  });
  it("keeps near another unit's wished place, and says when there is none", () => {
    const solar = { name: "solar", overall: { length: 600, width: 400 } };
    const near = run({
      ...input,
      items: [
        { ...input.items[0], wish: { at: 1100 } },
        { ...solar, wish: { near: "fan" } },
      ],
    });
    const far = near.results.placed.find((p: { name: string }) => p.name === "solar");
    expect(Math.abs(far.at - 1100)).toBeLessThan(600);
    expect(near.findings.some((f: { text: string }) => f.text.includes("no wished place"))).toBe(false);
    const bed = run({ ...input, items: [{ ...solar, wish: { near: "bed" } }] });
    expect(bed.findings.some((f: { text: string }) => f.text.includes("near bed, which has no wished place"))).toBe(true);
  });
  it("says what does not fit, and refuses what makes no sense", () => {
    const wide = run({
      ...input,
      items: [{ name: "hatch", cut: { length: 480, width: 400 }, overall: { length: 520, width: 440 } }],
      ribs: Array.from({ length: 7 }, (_, i) => ({ at: 400 * (i + 1), width: 40 })),
    });
    expect(wide.results.unplaced[0].name).toBe("hatch");
    const fault = (x: unknown) => {
      try {
        run(x);
        return [];
      } catch (e) {
        return (e as { faults: { path: string }[] }).faults.map((f) => f.path);
      }
    };
    expect(fault({ ...input, ribs: [ribs[1], ribs[0]] })).toEqual(["ribs[1].at"]);
    expect(fault({ ...input, items: [input.items[1], input.items[1]] })).toEqual(["items[1].name"]);
    expect(fault({ ...input, items: [{ name: "x", cut: { length: 500, width: 100 }, overall: { length: 400, width: 200 } }] })).toEqual([
      "items[0].cut",
    ]);
  });
});

describe("a frame under the cut", () => {
  // Worked case 5: clear 416, 431, 421 between ribs at 402, 861, 1338, 1802.
  const ribs = [
    { at: 402, width: 40 },
    { at: 861, width: 46 },
    { at: 1338, width: 46 },
    { at: 1802, width: 40 },
  ];
  const fan = { name: "fan", cut: { length: 343, width: 343 }, overall: { length: 383, width: 383 } };
  const roof = { length: 1822, width: 1560, crown: 38 };
  const margins = { rib: 39, ribShaved: 21, item: 40, edge: 60 };
  it("343 needs 421: bays 2 and 3 have it, bay 1 after shaving 2.5 off each long piece", () => {
    const { results } = run({ roof, ribs, items: [fan], margins });
    expect(results.baysThatFit.fan).toEqual([2, 3]);
    expect(results.afterShaving.fan).toEqual([{ bay: 1, off: 2.5 }]);
    expect([2, 3]).toContain(results.placed[0].bay);
  });
  it("shaves where no bay has room for the whole frame, says by how much, and never more than half of the piece", () => {
    const { results, findings } = run({ roof, ribs, items: [{ ...fan, cut: { length: 360, width: 343 } }], margins });
    expect(results.baysThatFit.fan).toEqual([]);
    expect(findings.map((f: { text: string }) => f.text).join()).toMatch(/after shaving (3\.5|8\.5|11) off each long piece/);
    expect(
      run({ roof, ribs, items: [{ ...fan, cut: { length: 395, width: 343 }, overall: { length: 435, width: 383 } }], margins }).results
        .unplaced,
    ).toHaveLength(1);
  });
});
