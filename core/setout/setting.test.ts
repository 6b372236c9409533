// Figures worked out by hand for sawing, sealing, setting and fixing, and what these calculators refuse.

import { describe, expect, it } from "vitest";
import { findCalculator } from "./calculators";
import type { Outcome } from "./engine/outcome";
import { crosswise } from "./openings/set-unit/set-unit";
import { levelOf, refusedBy, saidBy } from "./testing/outcome";

const run = (name: string, input: object): Outcome => findCalculator(name)!.run(input);
const results = (name: string, input: object): Record<string, unknown> => run(name, input).results;

describe("edge-side", () => {
  const edge = (toInner: number, more: object = {}) => ({ name: "top", length: 980, toInner, ...more });
  const saw = { reach: 32, school: "inside" };
  it.each([
    [35, 1, 0],
    [34.9, 0, 1],
    [100, 1, 0],
    [0, 0, 1],
  ])("an edge %s from inner metal, shoe 32 + 3: %s inside, %s outside", (s, inside, outside) => {
    expect(results("edge-side", { ...saw, edges: [edge(s)] })).toMatchObject({ inside, outside, shunt: false });
  });
  it("a house that saws from outside does so everywhere", () => {
    expect(results("edge-side", { ...saw, school: "outside", edges: [edge(100), edge(10)] })).toMatchObject({ inside: 0, outside: 2 });
  });
  it.each([
    [980, 40, 25],
    [981, 40, 25],
    [1001, 40, 26],
    [440, 25, 18],
  ])("a hidden edge of %s, a hole every %s: %s of them", (length, step, holes) => {
    expect(results("edge-side", { ...saw, step, edges: [edge(60, { length, hidden: true })] }).chainHoles).toBe(holes);
  });
  it("shunts where the bay is too low for sawing from above, and only then", () => {
    const low = { ...saw, bayHeight: 3300, vanHeight: 2750, work: 600 };
    const o = run("edge-side", { ...low, edges: [edge(10)] });
    expect([o.results.shunt, saidBy(o)]).toEqual([true, expect.stringMatching(/50 short above the van: set out inside, shunt/)]);
    expect(saidBy(run("edge-side", { ...low, edges: [edge(60)] }))).not.toMatch(/shunt/);
    expect(results("edge-side", { ...low, bayHeight: 3350, edges: [edge(10)] }).shunt).toBe(false);
  });
  it("refuses by field", () => {
    expect(refusedBy("edge-side", { ...saw, edges: [] })).toEqual(["edges"]);
    expect(refusedBy("edge-side", { ...saw, edges: [edge(1)], bayHeight: 3000 })).toEqual(["vanHeight"]);
    expect(refusedBy("edge-side", { ...saw, reach: 0, edges: [edge(1)] })).toEqual(["reach"]);
    expect(refusedBy("edge-side", { ...saw, school: "both", edges: [edge(1)] })).toEqual(["school"]);
  });
});

describe("land-product", () => {
  const land = {
    pair: "plastic-metal",
    product: "flexible sealant",
    edgeCoat: "two-part primer",
    slopeDeg: 2,
    wiped: "10:20",
    flashMinutes: 15,
    longestMinutes: 120,
  };
  it("the bead goes on between flash-off and the longest wait: 10:35 to 12:20", () => {
    expect(results("land-product", land)).toMatchObject({
      beadFrom: "10:35",
      beadUntil: "12:20",
      selfLevelling: true,
      product: "flexible sealant",
    });
    expect(results("land-product", { ...land, wiped: "23:50" })).toMatchObject({ beadFrom: "00:05, the day after" });
  });
  it.each([
    ["glass-paint", "glass adhesive", "warn"],
    ["composite-metal", "hybrid adhesive", "warn"],
    ["timber-metal", "hybrid adhesive", "warn"],
    ["composite-metal", "glass adhesive", "stop"],
    ["plastic-metal", "glass adhesive", "stop"],
    ["glass-paint", "flexible sealant", "stop"],
    ["plastic-metal", "hybrid adhesive", "warn"],
  ])("%s with %s: %s", (pair, product, level) => {
    expect(levelOf(run("land-product", { ...land, pair, product }))).toBe(level);
  });
  it("a swap that is not forbidden is the lead's to allow", () => {
    expect(saidBy(run("land-product", { ...land, product: "hybrid adhesive" }))).toMatch(
      /flexible sealant is usual .* the lead's to allow/,
    );
  });
  it.each([
    [5, "warn"],
    [5.1, "stop"],
    [90, "stop"],
  ])("self-levelling at %s°: %s", (slopeDeg, level) => {
    expect(levelOf(run("land-product", { ...land, product: "self-levelling sealant", slopeDeg }))).toBe(level);
  });
  it("primer lifts a one-part paint; bare metal is told", () => {
    expect(saidBy(run("land-product", { ...land, edgeCoat: "one-part paint" }))).toMatch(/lifts a one-part paint/);
    expect(saidBy(run("land-product", { ...land, edgeCoat: "none" }))).toMatch(/bare metal at the edge/);
    expect(levelOf(run("land-product", { ...land, edgeCoat: "bonding primer" }))).toBe("warn");
  });
  it("refuses by field", () => {
    expect(refusedBy("land-product", { ...land, longestMinutes: 15 })).toEqual(["longestMinutes"]);
    expect(refusedBy("land-product", { ...land, wiped: "25:00" })).toEqual(["wiped"]);
    expect(refusedBy("land-product", { ...land, pair: "glass-glass" })).toEqual(["pair"]);
  });
});

describe("bead-clock", () => {
  const bead = {
    school: "wet",
    from: "10:40",
    perimeter: 1600,
    flanges: 1,
    beadMinutes: 8,
    setMinutes: 6,
    openMinutes: 20,
    skinMinutes: 35,
  };
  it("the unit is down by 11:00, wiped by 11:09, the tape off by 11:15", () => {
    expect(results("bead-clock", bead)).toEqual({
      tapeMm: 0,
      laidBy: "10:48",
      downBy: "11:00",
      wipedBy: "11:09",
      tapeOffBy: "11:15",
      spareMinutes: 6,
    });
  });
  it.each([
    ["tape", 2, 3300],
    ["both", 1, 1650],
    ["wet", 3, 0],
  ])("bedding tape in the school %s, %s flanges: %s", (school, flanges, tapeMm) => {
    expect(results("bead-clock", { ...bead, school, flanges }).tapeMm).toBe(tapeMm);
  });
  it("the first bead is the oldest: three passes of 8 with 5 between are 40 with setting, 20 too late", () => {
    const o = run("bead-clock", { ...bead, passes: 3, passWaitMinutes: 5 });
    expect(o.results).toMatchObject({ laidBy: "11:14", spareMinutes: -20 });
    expect([levelOf(o), saidBy(o)]).toEqual(["stop", expect.stringMatching(/20 min after the open time/)]);
  });
  it.each([
    [60, false, "11:15"],
    [30, false, "11:10"],
    [60, true, "11:10"],
    [40, true, "11:00"],
  ])("tape that stays %s min at most, damp %s: off by %s", (tapeLongest, wet, by) => {
    expect(results("bead-clock", { ...bead, tapeLongest, wet }).tapeOffBy).toBe(by);
  });
  it("in the damp the lead decides where the tape would not last", () => {
    expect(levelOf(run("bead-clock", { ...bead, tapeLongest: 40, wet: true }))).toBe("stop");
    expect(levelOf(run("bead-clock", { ...bead, tapeLongest: 25 }))).toBe("warn");
  });
  it("with tape alone nothing skins", () => {
    expect(results("bead-clock", { ...bead, school: "tape", openMinutes: 1 })).toMatchObject({
      downBy: null,
      tapeOffBy: null,
      spareMinutes: null,
    });
    expect(levelOf(run("bead-clock", { ...bead, school: "tape", openMinutes: 1 }))).toBe("warn");
  });
  it("refuses by field", () => {
    expect(refusedBy("bead-clock", { ...bead, from: "soon" })).toEqual(["from"]);
    expect(refusedBy("bead-clock", { ...bead, passes: 0 })).toEqual(["passes"]);
    expect(refusedBy("bead-clock", { ...bead, flanges: 1.5 })).toEqual(["flanges"]);
  });
});

describe("set-unit", () => {
  const unit = { opening: { w: 400, h: 400 }, bearing: 30, timbers: 2, screws: 8 };
  it("cross timbers are opening + 2 · bearing: 460", () => {
    const o = run("set-unit", unit);
    expect(o.results).toMatchObject({ timberLength: 460, centred: null });
    expect(o.cuts).toEqual([{ name: "cross timber", material: "batten", w: 460, h: 45, t: 22, count: 2 }]);
  });
  it.each([
    [2, "1 2"],
    [4, "1 3 2 4"],
    [8, "1 5 3 7 2 6 4 8"],
  ])("%s screws crosswise: %s", (screws, order) => {
    expect(results("set-unit", { ...unit, screws }).order).toBe(order);
  });
  it("each screw is tightened once, and two in a row never lie side by side", () => {
    for (let n = 5; n <= 40; n++) {
      const order = crosswise(n);
      expect(order.toSorted((a, b) => a - b)).toEqual(Array.from({ length: n }, (_, i) => i + 1));
      for (let i = 1; i < n; i++) {
        const d = Math.abs(order[i] - order[i - 1]);
        expect(Math.min(d, n - d)).toBeGreaterThan(1);
      }
    }
  });
  it.each([
    [{ left: 2, right: 2, top: 2.5, bottom: 1.5 }, true],
    [{ left: 2, right: 3.1, top: 2, bottom: 2 }, false],
    [{ left: 2, right: 2, top: 0, bottom: 4 }, false],
  ])("gaps %j: centred %s", (gaps, centred) => {
    expect(results("set-unit", { ...unit, gaps }).centred).toBe(centred);
  });
  it("says which way and how far: left 4, right 1 is 1.5 towards the left", () => {
    expect(saidBy(run("set-unit", { ...unit, gaps: { left: 4, right: 1, top: 2, bottom: 2 } }))).toMatch(/move it 1\.5 towards the left/);
    expect(saidBy(run("set-unit", { ...unit, gaps: { left: 1, right: 4, top: 2, bottom: 2 } }))).toMatch(/move it 1\.5 away from the left/);
  });
  it("counts shims and stops at clips on the wrong side", () => {
    expect(saidBy(run("set-unit", { ...unit, shimsIn: 6, shimsOut: 4 }))).toMatch(/2 of 6 shims are still in/);
    expect(saidBy(run("set-unit", { ...unit, clips: "front", clipsDrawn: "rear" }))).toMatch(/clips go to the rear, not to the front/);
    expect(levelOf(run("set-unit", { ...unit, clips: " Rear", clipsDrawn: "rear" }))).toBe("warn");
  });
  it("refuses by field", () => {
    expect(refusedBy("set-unit", { ...unit, shimsIn: 2, shimsOut: 3 })).toEqual(["shimsOut"]);
    expect(refusedBy("set-unit", { ...unit, screws: 1 })).toEqual(["screws"]);
    expect(refusedBy("set-unit", { ...unit, gaps: { left: 1 } })).toEqual(["gaps.right", "gaps.top", "gaps.bottom"]);
  });
});

describe("solar-fix", () => {
  const bond = { school: "bond", feet: 4, minutes: { mark: 20, bond: 20, set: 15, clean: 10 }, flashOff: 15, covered: true, rainSafe: 60 };
  const bolt = {
    ...bond,
    school: "bond-and-bolt",
    boltsPerFoot: 2,
    coatDries: 40,
    minutes: { ...bond.minutes, drill: 3, swarf: 20, coat: 2, bolt: 4 },
  };
  it("bonded only: 80 min, no hole", () => {
    const o = run("solar-fix", bond);
    expect(o.results).toEqual({ holes: 0, oneAlone: 80, withTwo: 80, saved: 0, drySlot: 140 });
    expect(o.parts).toEqual([]);
  });
  it("bonded and bolted: 20 + 24 + 20 + 16 + 40 + 15 + 20 + 15 + 10 + 32 = 212 alone, 26 less with two", () => {
    const o = run("solar-fix", bolt);
    expect(o.results).toEqual({ holes: 8, oneAlone: 212, withTwo: 186, saved: 26, drySlot: 246 });
    expect(o.parts).toEqual([{ name: "bolt with sealing washer", quantity: 8, unit: "pc" }]);
  });
  it.each([
    [246, "warn"],
    [245, "stop"],
  ])("dry for %s min: %s", (dryMinutes, level) => {
    expect(levelOf(run("solar-fix", { ...bolt, dryMinutes }))).toBe(level);
  });
  it("a panel in light is live", () => {
    expect(saidBy(run("solar-fix", { ...bond, covered: false }))).toMatch(/a panel in light is live/);
  });
  it("refuses by field", () => {
    expect(refusedBy("solar-fix", { ...bolt, boltsPerFoot: undefined })).toEqual(["boltsPerFoot"]);
    expect(refusedBy("solar-fix", { ...bolt, minutes: bond.minutes })).toEqual(["minutes.drill", "minutes.coat", "minutes.bolt"]);
    expect(refusedBy("solar-fix", { ...bond, feet: 0 })).toEqual(["feet"]);
  });
});

describe("pair-minutes", () => {
  const steps = [
    { name: "frame held", minutes: 15, two: true, prop: true },
    { name: "cut", minutes: 25 },
    { name: "last cuts", minutes: 5, two: true },
    { name: "setting", minutes: 20, two: true },
  ];
  it("two are needed for 40 of 65 min, in two stretches", () => {
    const o = run("pair-minutes", { steps });
    expect(o.results).toEqual({ minutes: 65, twoMinutes: 40, freed: 25, calls: 2, helper: { from: 0, to: 65 }, prop: null });
    expect(saidBy(o)).toMatch(/from minute 0 to 15, from minute 40 to 65/);
  });
  it("a prop of 1905 − 20 = 1885 stands in for one stretch, cut from the next longer in stock", () => {
    const o = run("pair-minutes", { steps, propUsed: true, roofHeight: 1905, frame: 20, stock: [2400, 1800, 2000] });
    expect(o.results).toEqual({ minutes: 65, twoMinutes: 25, freed: 40, calls: 1, helper: { from: 40, to: 65 }, prop: 1885 });
    expect(saidBy(o)).toMatch(/prop of 1885, cut from 2000/);
  });
  it.each([
    [[1884], "stop"],
    [[1885], "warn"],
    [[], "warn"],
  ])("props in stock %j: %s", (stock, level) => {
    expect(levelOf(run("pair-minutes", { steps, propUsed: true, roofHeight: 1905, frame: 20, stock }))).toBe(level);
  });
  it.each([
    [{ kg: 15 }, null, ""],
    [{ kg: 15.1 }, { from: 10, to: 30 }, "unit: 15.1 kg, over 15: two, though one is planned"],
    [{ glass: true }, { from: 10, to: 30 }, "unit: glass: two, though one is planned"],
    [{ kg: 22, two: true, prop: true }, { from: 10, to: 30 }, "unit: 22 kg, over 15: two, no prop"],
  ] as [{ kg?: number; glass?: boolean; two?: boolean; prop?: boolean }, object | null, string][])(
    "a unit of %j takes %j",
    (more, helper, said) => {
      const unit = [
        { name: "mark", minutes: 10 },
        { name: "unit", minutes: 20, ...more },
      ];
      const o = run("pair-minutes", { steps: unit, propUsed: true, roofHeight: 1905 });
      expect(o.results).toMatchObject({ helper });
      expect(saidBy(o)).toContain(said);
      expect(run("pair-minutes", { steps: unit, alone: 30 }).results).toMatchObject({ helper: more.glass || more.two ? helper : null });
    },
  );
  it("one alone does what needs nobody", () => {
    expect(saidBy(run("pair-minutes", { steps: [{ name: "mark", minutes: 10 }] }))).toMatch(/one alone does it/);
  });
  it("refuses by field", () => {
    expect(refusedBy("pair-minutes", { steps: [] })).toEqual(["steps"]);
    expect(refusedBy("pair-minutes", { steps, propUsed: true })).toEqual(["roofHeight"]);
    expect(refusedBy("pair-minutes", { steps: [{ name: "x", minutes: -1 }] })).toEqual(["steps[0].minutes"]);
  });
});

describe("support-frame, its relief and passes", () => {
  const frame = { cut: { w: 400, h: 400 }, batten: { b: 44, t: 20 }, gap: 500, play: 2 };
  it("takes 2 · 400 + 2 · 400 + 4 · 44 = 1776 of timber", () => {
    expect(results("support-frame", frame)).toMatchObject({ timber: 1776, passes: 0 });
  });
  it.each([
    ["narrower", 6, 2, "ok"],
    ["narrower", 7, 3, "ok"],
    ["narrower", 23, 8, "warn"],
    ["rebate", 9, 3, "ok"],
    ["rebate", 12, 4, "warn"],
  ])("a relief, %s by %s: %s passes, %s", (kind, depth, passes, level) => {
    const o = run("support-frame", { ...frame, relief: { kind, depth } });
    expect([o.results.passes, o.findings.find((f) => f.about === "relief")?.level]).toEqual([passes, level]);
  });
  it("a rebate takes off the thickness, narrower off the width", () => {
    expect(saidBy(run("support-frame", { ...frame, relief: { kind: "rebate", depth: 8 } }))).toMatch(/12 of 20 thick/);
    expect(saidBy(run("support-frame", { ...frame, relief: { kind: "narrower", depth: 8 } }))).toMatch(/36 of 44 wide/);
  });
  it("says which go first when it is built in its place", () => {
    expect(saidBy(run("support-frame", { ...frame, inPlace: true }))).toMatch(/two that lie between go in first/);
    expect(saidBy(run("support-frame", frame))).toMatch(/tried between its ribs before the hole is cut/);
  });
  it("refuses a relief that leaves nothing", () => {
    expect(refusedBy("support-frame", { ...frame, relief: { kind: "rebate", depth: 20 } })).toEqual(["relief.depth"]);
    expect(refusedBy("support-frame", { ...frame, relief: { kind: "narrower", depth: 20 } })).toEqual([]);
  });
});

describe("board-match", () => {
  const roof = { front: 860, left: 620, w: 400, h: 400 };
  it("is within 3 on every edge: 2 behind in front, 2 at the rear, 1 left, 1 right", () => {
    const o = run("board-match", { roof, board: { front: 862, left: 619, w: 402, h: 400 } });
    expect(o.results).toEqual({ worst: 2, front: 2, rear: 2, left: -1, right: 1 });
    expect(levelOf(o)).toBe("ok");
  });
  it.each([
    [3, 0, "ok"],
    [3.1, 0, "stop"],
    [8, 5, "warn"],
    [8.1, 5, "stop"],
  ])("off by %s with a trim of %s: %s", (by, trim, level) => {
    expect(levelOf(run("board-match", { roof, board: { ...roof, left: 620 + by }, trim }))).toBe(level);
  });
  it("names the edges that are off, for a board that was turned round", () => {
    const o = run("board-match", { roof, board: { ...roof, front: 1200 } });
    expect(saidBy(o)).toMatch(/front edge 340 off the roof's.*rear edge 340 off/);
  });
  it("refuses by field", () => {
    expect(refusedBy("board-match", { roof, board: { ...roof, w: 0 } })).toEqual(["board.w"]);
    expect(refusedBy("board-match", { roof })).toEqual(["board"]);
  });
});

describe("roof-plan, bars in the way", () => {
  const roof = {
    roof: { length: 1200, width: 1500, crown: 20 },
    ribs: [
      { at: 0, width: 40 },
      { at: 1200, width: 40 },
    ],
    bars: [200, 600, 1000].map((at) => ({ at, width: 30 })),
    margins: { rib: 20, item: 20, edge: 20 },
  };
  const skylight = (length: number) => ({
    name: "skylight",
    cut: { length, width: 500 },
    overall: { length, width: 560 },
    wish: { near: "front" },
  });
  it("offer the smallest move that clears the unit and its margin", () => {
    const o = run("roof-plan", { ...roof, items: [skylight(700)] });
    const [p] = o.results.placed as { at: number }[];
    // Behind the unit the bar's edge stands off by the margin of 20; in front of it there is no room left on the roof.
    const behind = p.at + 350 + 20 + 15;
    expect(p.at - 350 - 20 - 30).toBeLessThan(0);
    const said = o.findings.filter((f) => f.about === "bars").map((f) => f.text);
    expect(said).toEqual(
      [200, 600].map(
        (at, i) =>
          `bar ${i + 1} has to move for skylight: ${behind - at} rearwards clears it, or shorten it past the unit; a rib never does`,
      ),
    );
  });
  it("without a place beside it another bay or a shorter bar is left", () => {
    const o = run("roof-plan", { ...roof, items: [skylight(1120)] });
    expect(o.findings.filter((f) => f.about === "bars").every((f) => /no place beside it is free/.test(f.text))).toBe(true);
    expect(o.findings.some((f) => f.about === "bars")).toBe(true);
  });
});

describe("edge-clock, an errand meanwhile", () => {
  it.each([
    [1, /an errand of up to 45 min fits/],
    [0.5, /an errand of up to 15 min fits/],
    [0.25, /no errand fits/],
  ])("a coat that dries %s h at 23 °C leaves it less a quarter of an hour", (firstH, words) => {
    expect(saidBy(run("edge-clock", { ground: "10:00", perimeter: 1600, firstH, tempC: 23 }))).toMatch(words);
  });
});
