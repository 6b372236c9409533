// The worked cases of the reference, and what must hold for any input.

import { describe, expect, it } from "vitest";
import { between, pick, random } from "../rng";
import { CALCULATORS, findCalculator } from "./calculators";
import type { Outcome } from "./engine/outcome";

// biome-ignore lint/suspicious/noExplicitAny: results are read field by field
type Any = any;
const run = (name: string, input: unknown): Outcome<Any> => findCalculator(name)!.run(input);
const levels = (o: Outcome) => o.findings.filter((f) => f.level !== "ok").map((f) => `${f.level} ${f.about}`);
const said = (o: Outcome) => o.findings.map((f) => f.text).join("\n");
const faults = (name: string, input: unknown): string[] => {
  try {
    run(name, input);
    return [];
  } catch (e) {
    return (e as { faults: { path: string }[] }).faults.map((f) => f.path);
  }
};

describe("damping", () => {
  const input = {
    panels: [
      { name: "left wall", w: 1450, h: 820, cover: 0.5 },
      { name: "right wall", w: 960, h: 700, cover: 0.5 },
      { name: "wheel arch", w: 1000, h: 620, count: 2, cover: 1 },
      { name: "trough", w: 38, h: 2900, count: 12, cover: 1 },
      { name: "door", w: 900, h: 600, cover: 0.5, factoryPad: true },
      { name: "window field", w: 1200, h: 600, cover: 0.5, cutOut: true },
    ],
    sheet: { w: 500, h: 400, kgM2: 3.6 },
  };
  it("counts area, sheets and mass of bare panels", () => {
    const o = run("damping", input);
    expect(o.results.areaM2).toBeCloseTo(3.493, 3);
    expect(o.results.sheets).toBe(19);
    expect(o.results.massKg).toBeCloseTo(12.6, 1);
    expect(o.massKg).toBe(o.results.massKg);
    expect(o.parts).toEqual([{ name: "Damping mat 0.2 m²", quantity: 19, unit: "sheet" }]);
  });
  it("lays pieces that make up the area, inside the panel, side by side", () => {
    const r = random(4);
    for (let k = 0; k < 120; k++) {
      const panel = { name: "p", w: between(r, 30, 2400), h: between(r, 30, 1600), cover: pick(r, [0.2, 0.5, 0.8, 1]) };
      const [laid] = run("damping", { panels: [panel], sheet: input.sheet }).results.panels;
      const area = laid.pieces.reduce((s: number, q: Any) => s + q.w * q.h, 0);
      expect(area).toBeGreaterThan(panel.w * panel.h * panel.cover * 0.985 - 200);
      expect(area).toBeLessThan(panel.w * panel.h * panel.cover * 1.015 + 200);
      laid.pieces.forEach((q: Any, i: number) => {
        expect(q.x).toBeGreaterThanOrEqual(-0.02);
        expect(q.y).toBeGreaterThanOrEqual(-0.02);
        expect(q.x + q.w).toBeLessThanOrEqual(panel.w + 0.02);
        expect(q.y + q.h).toBeLessThanOrEqual(panel.h + 0.02);
        for (const p of laid.pieces.slice(0, i))
          expect(
            Math.min(p.x + p.w, q.x + q.w) - Math.max(p.x, q.x) > 0.05 && Math.min(p.y + p.h, q.y + q.h) - Math.max(p.y, q.y) > 0.05,
          ).toBe(false);
      });
    }
  });
  it("refuses what makes no sense, by field", () => {
    expect(faults("damping", { ...input, sheet: { w: 0, h: 400, kgM2: 3 } })).toEqual(["sheet.w"]);
    expect(faults("damping", { ...input, panels: [{ name: "x", w: 100, h: 100, cover: 1.2 }] })).toEqual(["panels[0].cover"]);
  });
});

describe("strip-list", () => {
  it("adds up holes, rust and what leaves the van", () => {
    const o = run("strip-list", {
      holes: [
        { d: 6, count: 41, place: "wall", throughSkin: false },
        { d: 12, count: 13, place: "roof", throughSkin: true },
        { d: 80, count: 2, place: "floor", throughSkin: true },
      ],
      rust: [
        { areaDm2: 3.4, grade: 1 },
        { areaDm2: 1.1, grade: 2 },
      ],
      items: [
        { name: "racking", kg: 57.5, fate: "sell" },
        { name: "partition", kg: 31.2, fate: "scrap" },
        { name: "floor", kg: 38.6, fate: "template" },
        { name: "linings", kg: 12.4, fate: "template" },
        { name: "lamps", kg: 1.9, fate: "stays on" },
      ],
    });
    expect(o.results.minutes).toBeCloseTo(321.2, 1);
    expect(o.results.plugs).toEqual([
      { d: 6, count: 41 },
      { d: 12, count: 13 },
    ]);
    expect(o.results.massRemovedKg).toBeCloseTo(139.7, 3);
    expect(o.results.reuse).toEqual(["floor", "linings"]);
    expect(levels(o)).toEqual(["warn holes"]);
  });
  it("leaves perforated metal to a body shop, and takes the workshop's own norms", () => {
    const o = run("strip-list", {
      holes: [{ d: 6, count: 2, place: "wall", throughSkin: false }],
      rust: [{ areaDm2: 0.5, grade: 3 }],
      items: [],
      norms: { plug: 10 },
    });
    expect(levels(o)).toEqual(["stop rust"]);
    expect(o.results.minutes).toBe(20);
    expect(faults("strip-list", { holes: [], rust: [{ areaDm2: 1, grade: 4 }], items: [] })).toEqual(["rust[0].grade"]);
  });
});

describe("opening", () => {
  const base = {
    field: { left: 1320, right: 2630, bottom: 640, top: 1305 },
    cut: { w: 1120, h: 520, r: 60 },
    minLand: 50,
    place: { along: "centre", up: { fromBottom: 55 } },
    skin: "single",
  };
  it("sets out the case of the reference", () => {
    const { results } = run("opening", base);
    expect(results.edges).toEqual({ left: 1415, right: 2535, bottom: 695, top: 1215 });
    expect(results.lands).toEqual({ left: 95, right: 95, bottom: 55, top: 90 });
    expect(results.cornerHoles).toContainEqual({ x: 1475, y: 755 });
    expect(results.cornerHoles).toContainEqual({ x: 2475, y: 1155 });
    expect(results.saw).toBe(120);
    expect(results.perimeter).toBeCloseTo(3177, 1);
    expect(results.diagonal).toBeCloseTo(1234.8, 1);
  });
  it("sets out a second one, and says by how much to move it when the land is short", () => {
    const o = run("opening", {
      ...base,
      field: { left: 905, right: 2105, bottom: 710, top: 1290 },
      cut: { w: 980, h: 440, r: 70 },
      minLand: 65,
      place: { along: "centre", up: { fromBottom: 62 } },
    });
    expect(o.results.edges).toEqual({ left: 1015, right: 1995, bottom: 772, top: 1212 });
    expect(o.results.lands).toEqual({ left: 110, right: 110, bottom: 62, top: 78 });
    expect(o.results.perimeter).toBeCloseTo(2719.8, 1);
    expect(o.results.diagonal).toBeCloseTo(1074.2, 1);
    expect(levels(o)).toEqual(["stop minLand"]);
    expect(said(o)).toContain("land at the bottom is 62, 65 are asked: 3 up");
  });
  it("checks the marked outline by two diagonals", () => {
    const o = run("opening", {
      ...base,
      field: { left: 0, right: 1000, bottom: 0, top: 800 },
      cut: { w: 620, h: 410, r: 50 },
      place: { along: "centre", up: "centre" },
      measuredDiagonals: [741, 745.6],
    });
    expect(o.results.square.outBy).toBeCloseTo(4.6, 2);
    expect(o.results.square.lean).toBeCloseTo(-2.76, 2);
    expect(said(o)).toContain("move the top edge 2.8 to the right");
    const fine = run("opening", { ...base, measuredDiagonals: [1234.5, 1236] });
    expect(levels(fine)).toEqual([]);
  });
  it("keeps clear of what comes later, by the distance asked for", () => {
    const wall = { name: "wet room wall", left: 2590, right: 2620, bottom: 0, top: 2000, gap: 60 };
    const o = run("opening", { ...base, flange: 20, keepOuts: [wall] });
    expect(o.results.keepOuts).toEqual([{ name: "wet room wall", clearance: 35, gap: 60 }]);
    expect(said(o)).toContain("25 short");
    expect(levels(run("opening", { ...base, keepOuts: [{ ...wall, gap: 50 }] }))).toEqual([]);
    expect(said(run("opening", { ...base, keepOuts: [{ ...wall, left: 2500 }] }))).toContain("overlaps it by 35");
  });
  it("makes lands and cut add up to the field, from either side, and scales with its input", () => {
    const r = random(9);
    for (let k = 0; k < 200; k++) {
      const w = between(r, 200, 900);
      const h = between(r, 150, 500);
      const field = { left: between(r, 0, 900), right: 0, bottom: between(r, 0, 900), top: 0 };
      field.right = field.left + w + between(r, 0, 400);
      field.top = field.bottom + h + between(r, 0, 300);
      const input = {
        ...base,
        field,
        cut: { w, h, r: between(r, 0, 70) },
        minLand: 0,
        place: {
          along: pick(r, ["centre", { fromLeft: 10 }, { fromRight: 10 }]),
          up: pick(r, ["centre", { fromTop: 5 }, { fromBottom: 5 }]),
        },
      };
      const { results } = run("opening", input);
      expect(results.lands.left + w + results.lands.right).toBeCloseTo(field.right - field.left, 2);
      expect(results.lands.bottom + h + results.lands.top).toBeCloseTo(field.top - field.bottom, 2);
      if (results.saw !== null) expect(results.saw).toBeLessThanOrEqual(2 * input.cut.r);
      const twice = JSON.parse(JSON.stringify(input), (_k, v) => (typeof v === "number" ? v * 2 : v));
      const big = run("opening", twice).results;
      expect(big.diagonal).toBeCloseTo(2 * results.diagonal, 0);
      expect(big.edges.left).toBeCloseTo(2 * results.edges.left, 1);
    }
  });
  it("refuses an opening larger than its field, round corners that don't go, a field inside out", () => {
    expect(faults("opening", { ...base, cut: { w: 1400, h: 520, r: 60 } })).toEqual(["cut.w"]);
    expect(faults("opening", { ...base, cut: { w: 1120, h: 700, r: 60 } })).toEqual(["cut.h"]);
    expect(faults("opening", { ...base, cut: { w: 1120, h: 520, r: 261 } })).toEqual(["cut.r"]);
    expect(faults("opening", { ...base, field: { left: 2630, right: 1320, bottom: 640, top: 1305 } })).toEqual(["field.right"]);
    expect(faults("opening", { ...base, cut: { w: -5, h: 520, r: 60 } })).toEqual(["cut.w"]);
    expect(faults("opening", { ...base, skin: "triple" })).toEqual(["skin"]);
  });
});

describe("support-frame", () => {
  it("shaves the long pieces when the ribs are too near", () => {
    const o = run("support-frame", { cut: { w: 400, h: 400 }, batten: { b: 44, t: 20 }, gap: 462, play: 2 });
    expect(o.results).toMatchObject({ long: { length: 488, count: 2 }, short: { length: 400, count: 2 }, shave: 15 });
    expect(levels(o)).toEqual(["warn gap"]);
    expect(o.cuts.map((c) => [c.w, c.h, c.count])).toEqual([
      [488, 29, 2],
      [400, 44, 2],
    ]);
  });
  it("agrees with the rib bays of the needs: 421 is enough for 343, 416 asks for 2.5", () => {
    const frame = (gap: number) => run("support-frame", { cut: { w: 343, h: 343 }, batten: { b: 36, t: 20 }, gap, play: 3 }).results.shave;
    expect(frame(421)).toBe(0);
    expect(frame(431)).toBe(0);
    expect(frame(416)).toBe(2.5);
  });
  it("stops when less than half a batten would be left, and turns the frame where that helps", () => {
    expect(levels(run("support-frame", { cut: { w: 500, h: 500 }, batten: { b: 44, t: 20 }, gap: 540, play: 0 }))).toEqual(["stop gap"]);
    const turned = run("support-frame", { cut: { w: 300, h: 500 }, batten: { b: 44, t: 20 }, gap: 420, play: 2 });
    expect(turned.results).toMatchObject({ long: { length: 588 }, short: { length: 300 }, shave: 0 });
    expect(faults("support-frame", { cut: { w: 300, h: 500 }, batten: { b: 44, t: 20 }, gap: 4, play: 2 })).toEqual(["play"]);
  });
});

describe("sealant", () => {
  const triangle = { length: 3177, bead: { kind: "triangle", w: 8, h: 12 } };
  const lap = { length: 1840, bead: { kind: "flat", w: 20, t: 3 } };
  it("adds up beads and packs", () => {
    expect(run("sealant", { joints: [triangle], pack: 310 }).results).toEqual({ ml: 167.7, packs: 1 });
    expect(run("sealant", { joints: [lap], pack: 310 }).results.ml).toBeCloseTo(121.4, 1);
    const both = run("sealant", { joints: [triangle, lap], pack: 310 });
    expect(both.results.ml).toBeCloseTo(289.2, 1);
    expect(both.results.packs).toBe(1);
    expect(run("sealant", { joints: [triangle, lap], pack: 290 }).results.packs).toBe(1);
    expect(
      run("sealant", { joints: [{ length: 1000, bead: { kind: "round", d: 6 }, passes: 2 }], waste: 0, pack: 310 }).results.ml,
    ).toBeCloseTo(56.5, 1);
  });
  it("asks for the measures of the bead it is told of", () => {
    expect(faults("sealant", { joints: [{ length: 10, bead: { kind: "triangle", w: 8 } }], pack: 310 })).toEqual(["joints[0].bead.h"]);
    expect(faults("sealant", { joints: [], pack: 310 })).toEqual(["joints"]);
  });
});

describe("cure", () => {
  const product = { moveAfterH: 4, mm24h: 3, minC: 5 };
  it("takes twice as long ten degrees colder", () => {
    expect(run("cure", { product, depth: 8, tempC: 23 }).results.fullDays).toBeCloseTo(7.1, 1);
    const cold = run("cure", { product, depth: 8, tempC: 13 });
    expect(cold.results.fullDays).toBeCloseTo(14.2, 1);
    expect(cold.results.moveAfterH).toBe(8);
    expect(cold.holdMinutes).toBe(480);
    expect(said(cold)).toContain("maker's sheet rules");
  });
  it("never cures below the minimum, and warns exactly at it", () => {
    const o = run("cure", { product, depth: 8, tempC: 4 });
    expect(o.results).toEqual({ fullDays: null, moveAfterH: null });
    expect(levels(o)).toEqual(["stop tempC"]);
    expect(o.holdMinutes).toBeNull();
    expect(levels(run("cure", { product, depth: 8, tempC: 5 }))).toEqual(["warn tempC"]);
  });
});

describe("open-skin", () => {
  const step = (m: number) => ({ name: "step", minutes: { best: m, likely: m, worst: m } });
  const base = {
    now: "2027-03-03T13:00",
    steps: [step(24), step(40)],
    people: 2,
    peopleNeeded: 2,
    sunset: "2027-03-03T18:31",
    dry: [{ from: "2027-03-03T08:00", to: "2027-03-03T16:35", chance: 0.9 }],
    tempC: 14,
    minC: 8,
    units: [{ name: "fan", arrived: true, checked: true, dryFitted: true }],
  };
  it("counts back from rain: 16:35 less 64 less 20 is 15:11", () => {
    const o = run("open-skin", base);
    expect(o.results).toEqual({ p50: 64, p90: 64, latestStart: "2027-03-03T15:11", verdict: "go" });
    expect(run("open-skin", { ...base, now: "2027-03-03T15:22" }).results.verdict).toBe("no");
  });
  it("simulates the same on every run, P50 below P90, both between best and worst", () => {
    const steps = [10, 25, 40, 30].map((m) => ({ name: "s", minutes: { best: m * 0.6, likely: m, worst: m * 2 } }));
    const a = run("open-skin", { ...base, steps });
    expect(run("open-skin", { ...base, steps })).toEqual(a);
    expect(a.results.p50).toBeGreaterThan(63);
    expect(a.results.p50).toBeLessThan(a.results.p90);
    expect(a.results.p90).toBeLessThan(210);
    // Mean of a triangle is (best + likely + worst) / 3: 126 in all; the median of the sum lies near it.
    expect(Math.abs(a.results.p50 - 126)).toBeLessThan(5);
  });
  it("holds for what can still come, refuses what can't", () => {
    expect(run("open-skin", { ...base, people: 1 }).results.verdict).toBe("hold");
    const late = run("open-skin", { ...base, units: [{ name: "fan", arrived: true, checked: false, dryFitted: false, ran: false }] });
    expect(late.results.verdict).toBe("hold");
    expect(said(late)).toContain("fan: not checked, not tried in place, not run on the bench");
    expect(run("open-skin", { ...base, tempC: 6 }).results.verdict).toBe("no");
    expect(run("open-skin", { ...base, dry: [{ from: "13:00", to: "17:00", chance: 0.4 }] }).results).toMatchObject({
      verdict: "no",
      latestStart: null,
    });
    const later = run("open-skin", { ...base, now: "07:30", sunset: "18:31", dry: [{ from: "10:00", to: "14:00", chance: 1 }] });
    expect(later.results).toMatchObject({ verdict: "hold", latestStart: "12:36" });
  });
  it("ends with dusk where that is first, joins windows that touch, refuses what runs backward", () => {
    const o = run("open-skin", {
      ...base,
      sunset: "2027-03-03T16:00",
      dry: [
        { from: "12:00", to: "15:00", chance: 0.8 },
        { from: "15:00", to: "19:00", chance: 0.9 },
      ],
    });
    expect(o.results.latestStart).toBe("2027-03-03T14:36");
    expect(said(o)).toContain("dusk");
    expect(faults("open-skin", { ...base, dry: [{ from: "15:00", to: "14:00", chance: 1 }] })).toEqual(["dry[0].to"]);
    expect(faults("open-skin", { ...base, steps: [{ name: "x", minutes: { best: 5, likely: 4, worst: 9 } }] })).toEqual([
      "steps[0].minutes.likely",
    ]);
  });
});

describe("under-floor", () => {
  const zones = [
    {
      name: "exhaust",
      polygon: [
        [1040, 0],
        [2000, 0],
        [2000, 1800],
        [1040, 1800],
      ],
      margin: 60,
    },
  ];
  const floor = { length: 3000, width: 1800 };
  it("tells clear from tight from clash, by the edge of the hole", () => {
    const hole = (name: string, along: number) => ({ name, along, across: 900, d: 0.001 });
    const { results } = run("under-floor", { floor, zones, holes: [hole("a", 285), hole("b", 640), hole("c", 995), hole("d", 1350)] });
    expect(results.holes.map((h: Any) => [h.verdict, Math.round(h.clearance)])).toEqual([
      ["clear", 755],
      ["clear", 400],
      ["tight", 45],
      ["clash", -310],
    ]);
  });
  it("finds the nearest place with its margin kept, and mirrors what is seen from below", () => {
    const o = run("under-floor", {
      floor,
      zones,
      holes: [{ name: "drain", along: 1100, across: 500, d: 40 }],
      battens: [{ along: 1090, width: 48 }],
    });
    const [h] = o.results.holes;
    // 1100 → the hole's edge must be 60 before 1040: centre at 960, 140 away.
    expect(h.nearest.distance).toBeCloseTo(140, 0);
    expect(h.nearest.along).toBeCloseTo(960, 0);
    expect(h.fromBelow).toEqual({ along: 1100, across: 1300 });
    expect(h.onBatten).toBe(true);
    expect(said(o)).toContain("look underneath before drilling");
    const again = run("under-floor", { floor, zones, holes: [{ name: "drain", along: h.nearest.along, across: h.nearest.across, d: 40 }] });
    expect(again.results.holes[0].verdict).toBe("clear");
  });
  it("keeps its nearest places legal whatever lies below, and says when there is none", () => {
    const r = random(3);
    for (let k = 0; k < 40; k++) {
      const list = Array.from({ length: between(r, 1, 3) }, (_, i) => {
        const [x, y] = [between(r, 0, 1500), between(r, 0, 900)];
        return {
          name: `z${i}`,
          polygon: [
            [x, y],
            [x + between(r, 100, 900), y + between(r, 0, 200)],
            [x + between(r, 0, 300), y + between(r, 200, 800)],
          ],
          margin: between(r, 0, 80),
        };
      });
      const hole = { name: "h", along: between(r, 30, 2900), across: between(r, 30, 1700), d: between(r, 4, 50) };
      const [h] = run("under-floor", { floor, zones: list, holes: [hole] }).results.holes;
      if (!h.nearest) continue;
      const moved = run("under-floor", {
        floor,
        zones: list,
        holes: [{ ...hole, along: h.nearest.along, across: h.nearest.across, d: hole.d - 0.2 }],
      });
      expect(moved.results.holes[0].verdict).toBe("clear");
    }
    const all = [
      {
        name: "tank",
        polygon: [
          [-10, -10],
          [3010, -10],
          [3010, 1810],
          [-10, 1810],
        ],
        margin: 20,
      },
    ];
    expect(
      run("under-floor", { floor, zones: all, holes: [{ name: "h", along: 100, across: 100, d: 10 }] }).results.holes[0].nearest,
    ).toBeNull();
    expect(faults("under-floor", { floor, zones, holes: [{ name: "h", along: 3100, across: 100, d: 10 }] })).toEqual(["holes[0].along"]);
  });
});

describe("every calculator", () => {
  it("names fields that are missing or unknown", () => {
    for (const c of CALCULATORS) {
      expect(faults(c.name, {}).length, c.name).toBeGreaterThan(0);
      expect(faults(c.name, { nonsense: 1 })).toContain("nonsense");
    }
  });
});
