// Figures worked out by hand for units, inlets, lines and edges, and what these calculators refuse.

import { describe, expect, it } from "vitest";
import { InputError } from "../plan/fault";
import { random } from "../rng";
import { findCalculator } from "./calculators";
import type { Outcome } from "./engine/outcome";
import { cable } from "./openings/cable/cable";
import { solarFeet } from "./openings/solar-feet/solar-feet";
import { unitChoice } from "./openings/unit-choice/unit-choice";

// biome-ignore lint/suspicious/noExplicitAny: results are read field by field
type Open = Omit<Outcome<any>, "results"> & { results: any };
const run = (name: string, input: object): Open => findCalculator(name)!.run(input);
const level = (o: Open) => (["stop", "warn", "ok"] as const).find((l) => o.findings.some((f) => f.level === l));
const said = (o: Open) => o.findings.map((f) => f.text).join("; ");
const refused = (name: string, input: object): string[] => {
  try {
    run(name, input);
  } catch (e) {
    if (e instanceof InputError) return e.faults.map((f) => f.path);
    throw e;
  }
  return [];
};

describe("a unit on the board", () => {
  const fan = { unit: { volts: 12, amps: 4 }, board: { volts: 12 }, fuse: 7.5, leadCarries: 16 };
  it("draws 48 W, wants 5 A at least, and runs 12.5 h on half of 100 Ah", () => {
    const o = run("unit-run", { ...fan, battery: { ah: 100 }, hoursADay: 6 });
    expect(o.results).toEqual({ watts: 48, leastFuse: 5, takes: { from: 10.8, to: 15 }, runs: true, whADay: 288, batteryHours: 12.5 });
    expect(level(o)).toBe("warn");
    expect(run("unit-run", { ...fan, battery: { ah: 100, usable: 0.8 } }).results.batteryHours).toBe(20);
  });
  it("takes a board within the maker's range, or within the usual tolerance: 12 V on a board of 12.8", () => {
    const on = (volts: number, unit: object = fan.unit) => run("unit-run", { ...fan, unit, board: { volts } });
    expect(level(on(12.8))).toBe("warn");
    expect(on(12.8).results.runs).toBe(true);
    expect(on(14.6, { volts: 12, amps: 4, to: 14.4 }).results.runs).toBe(false);
    expect(level(on(9.5, { volts: 12, amps: 4, from: 9 }))).toBe("warn");
    // Exactly at the limit passes, and says that there is no margin.
    expect(said(on(15))).toMatch(/very limit/);
    expect(on(15.1).results.runs).toBe(false);
    expect(refused("unit-run", { ...fan, unit: { volts: 12, amps: 4, from: 14, to: 10 } })).toEqual(["unit.to"]);
  });
  it("stops at other volts without a converter, at a small fuse, and at a lead that its fuse does not protect", () => {
    const other = { ...fan, unit: { volts: 24, amps: 2 } };
    expect(said(run("unit-run", other))).toMatch(/takes 21\.6 to 30 V, the board has 12 V/);
    expect(level(run("unit-run", { ...other, board: { volts: 12, converter: true } }))).toBe("warn");
    expect(said(run("unit-run", { ...fan, fuse: 4.9 }))).toMatch(/4\.9 A is too small: 5 A at least/);
    expect(level(run("unit-run", { ...fan, fuse: 5 }))).toBe("warn");
    expect(said(run("unit-run", { ...fan, fuse: 20 }))).toMatch(/protects no lead that carries 16 A/);
    expect(refused("unit-run", { ...fan, fuse: 0 })).toEqual(["fuse"]);
    expect(refused("unit-run", { ...fan, unit: { volts: 12 } })).toEqual(["unit.amps"]);
  });
});

describe("an inlet", () => {
  const grid = (depth: (x: number, y: number) => number) =>
    [0, 50, 100, 150].flatMap((x) => [0, 50, 100].map((y) => ({ x, y, depth: depth(x, y) })));
  const body = { body: 48, cable: 12, flange: 100, wish: { x: 0, y: 50 } };
  it("needs 48 + 4 · 12 + 10 = 106, and goes where the whole flange has it, nearest to the wish", () => {
    const o = run("inlet", { ...body, points: grid((x) => (x < 50 ? 90 : 118)) });
    // At 50 the flange still reaches the shallow row at 0; at 100 it does not.
    expect(o.results).toEqual({ need: 106, places: 6, x: 100, y: 50, fromWish: 100 });
    expect(level(run("inlet", { ...body, points: grid(() => 106) }))).toBe("warn");
    expect(said(run("inlet", { ...body, points: grid(() => 106) }))).toMatch(/the wish is deep enough/);
  });
  it("stops where no place is deep enough all over", () => {
    const o = run("inlet", { ...body, points: grid((x, y) => (x === 100 && y === 50 ? 300 : 100)) });
    expect(o.results).toMatchObject({ places: 0, x: null, y: null, fromWish: null });
    expect(level(o)).toBe("stop");
    expect(refused("inlet", { ...body, points: [] })).toEqual(["points"]);
  });
  it("takes a place exactly when a look at every point says so, on 200 pockets", () => {
    const r = random(3);
    for (let k = 0; k < 200; k++) {
      const points = grid(() => 80 + Math.round(r() * 50));
      const o = run("inlet", { ...body, points });
      const good = points.filter((p) => points.every((q) => q.depth >= 106 || Math.abs(q.x - p.x) > 50 || Math.abs(q.y - p.y) > 50));
      expect(o.results.places).toBe(good.length);
      if (good.length) expect(o.results.fromWish).toBeCloseTo(Math.min(...good.map((p) => Math.hypot(p.x, p.y - 50))), 1);
    }
  });
});

describe("a window in line", () => {
  const input = {
    field: { from: 905, to: 2105 },
    cut: 700,
    minLand: 60,
    wish: 1155,
    stack: { frame: 18, lining: 7, trim: 15 },
  };
  it("stays where it is wished, lands 250 and 250", () => {
    expect(run("in-line", input).results).toMatchObject({ off: 40, best: { from: 1155, landLeft: 250, landRight: 250 } });
  });
  it("keeps 40 off a wall line at 1880, and 110 with a sash that a hand has to reach", () => {
    const walls = [{ name: "wet room", at: 1880 }];
    expect(run("in-line", { ...input, walls }).results.best.from).toBe(1140);
    expect(run("in-line", { ...input, walls, sashHand: 20 }).results).toMatchObject({ off: 110, best: { from: 1070 } });
    expect(run("in-line", { ...input, walls, sashHand: 90 }).results).toMatchObject({ off: 130, best: { from: 1050 } });
    // A wall in the middle leaves no place on either side of it.
    const none = run("in-line", { ...input, walls: [{ name: "partition", at: 1500 }] });
    expect(none.results.best).toBeNull();
    expect(level(none)).toBe("stop");
  });
  it("goes in line with the one opposite first, then takes dents away", () => {
    const o = run("in-line", { ...input, opposite: { from: 1200 }, dents: [{ at: 1897 }] });
    // 1200 ± 5 are in line; only 1200 and 1205 reach the dent at 1897 (from 1197 on).
    expect(o.results.best).toMatchObject({ from: 1200, outOfLine: 0, dents: 1 });
    const far = run("in-line", { ...input, opposite: { from: 1400 } });
    expect(far.results.best).toMatchObject({ from: 1345, outOfLine: 55 });
    expect(level(far)).toBe("warn");
    expect(refused("in-line", { ...input, cut: 1300 })).toEqual(["cut"]);
    expect(refused("in-line", { ...input, outside: [{ name: "pod", from: 10, to: 5, near: 30, far: 20 }] })).toEqual([
      "outside[0].to",
      "outside[0].far",
    ]);
  });
  it("lets its sash open: where it would meet the slider on its rail, another place or the other edge is found, drawn with the arc", () => {
    const sash = { hinge: "front", reach: 700, opens: 60 };
    expect(run("in-line", { ...input, sash }).results).toMatchObject({ arc: 60, best: { from: 1155 } });
    // Stands 200 to 300 out, behind the window: the tip of 700 meets its face 200 out at 16.6° wherever the window is near enough.
    const slider = { name: "slider", from: 1500, to: 2600, near: 200, far: 300 };
    const far = run("in-line", { ...input, sash, outside: [slider] });
    expect(far.results.best.arc).toBeCloseTo(16.6, 1);
    expect(far.findings.find((f) => f.about === "sash")).toMatchObject({
      level: "stop",
      text: expect.stringMatching(/meets slider at 16.6° of 60°/),
    });
    expect(far.drawing!.shapes.some((s) => s.kind === "arc" && s.r === 700)).toBe(true);
    expect(run("in-line", { ...input, sash: { ...sash, hinge: "rear" }, outside: [slider] }).results.arc).toBeGreaterThan(
      far.results.best.arc,
    );
    // A ladder behind the field: only places far enough from it open freely, and one of those is taken before the one wished for.
    const ladder = { name: "ladder", from: 1600, to: 1650, near: 400, far: 700 };
    const moved = run("in-line", { ...input, sash: { ...sash, reach: 600 }, outside: [ladder] });
    expect(moved.results.best).toMatchObject({ arc: 60 });
    expect(moved.results.best.from).not.toBe(1155);
  });
});

describe("the edge's clock", () => {
  const edge = { ground: "10:20", perimeter: 1600, firstH: 1, tempC: 23 };
  it("lets nothing be set before the last coat is dry, by the metal's warmth", () => {
    expect(run("edge-clock", edge).results).toEqual({ bareMm: 1600, factor: 1, secondAt: null, setFrom: "11:20" });
    // Ten degrees less: twice as long. Two coats of 1 h and 2 h: six hours.
    const cold = run("edge-clock", { ...edge, secondH: 2, tempC: 13 });
    expect(cold.results).toMatchObject({ factor: 2, secondAt: "12:20", setFrom: "16:20" });
    expect(cold.holdMinutes).toBe(360);
    expect(run("edge-clock", { ...edge, ground: "23:30" }).results.setFrom).toBe("00:30, the day after");
  });
  it("adds the rims of small holes: ten of 4 are 125.7 more", () => {
    expect(run("edge-clock", { ...edge, holes: [{ d: 4, count: 10 }] }).results.bareMm).toBe(1725.7);
  });
  it("stops below what the product asks for", () => {
    const o = run("edge-clock", { ...edge, tempC: 4, minC: 5 });
    expect(o.results).toEqual({ bareMm: 1600, secondAt: null, setFrom: null });
    expect(level(o)).toBe("stop");
    expect(refused("edge-clock", { ...edge, ground: "10.20" })).toEqual(["ground"]);
  });
});

describe("metal left", () => {
  it("between a hole and the edge is one and a half of its diameter at least", () => {
    const part = { a: 286, b: 310, hole: 10 };
    const van = { a: 286, b: 310, bolt: 8 };
    expect(level(run("bolt-pattern", { part, van: { ...van, edge: 15 } }))).toBe("ok");
    const thin = run("bolt-pattern", { part, van: { ...van, edge: 14.9 } });
    expect(level(thin)).toBe("stop");
    expect(said(thin)).toMatch(/14\.9 from hole to edge, 15 at least/);
  });
  it("in a rack: with one of three bars out two thirds of the load, as a first guess", () => {
    const roof = {
      roof: { length: 1200, width: 1500, crown: 20 },
      ribs: [
        { at: 0, width: 40 },
        { at: 1200, width: 40 },
      ],
      bars: [200, 600, 1000].map((at) => ({ at, width: 30 })),
      items: [{ name: "skylight", cut: { length: 700, width: 500 }, overall: { length: 700, width: 560 }, wish: { near: "front" } }],
      margins: { rib: 20, item: 20, edge: 20 },
    };
    const o = run("roof-plan", { ...roof, rackKg: 150 });
    const out = new Set(o.results.barsInTheWay.map((b: { bar: number }) => b.bar)).size;
    expect(out).toBeGreaterThan(0);
    expect(o.results.rackLeftKg).toBeCloseTo((150 * (3 - out)) / 3, 1);
    expect(said(o)).toMatch(/as a first guess: the rack's sheet rules/);
    expect(run("roof-plan", roof).results.rackLeftKg).toBeUndefined();
  });
});

describe("feet of a panel, keep-outs and gaps", () => {
  const run = (more: object) => solarFeet.run({ centre: 806, panel: { width: 664, length: 1176 }, play: 4, from: 1500, foot: 80, ...more });
  it("tells a foot on a lid with the smallest shift that clears it, and none beside it", () => {
    const lid = { name: "fan lid", fromAlong: 900, toAlong: 1480, fromAcross: 440, toAcross: 520 };
    const o = run({ keepOuts: [lid] });
    expect(o.findings.filter((f) => f.level === "stop").map((f) => f.text)).toEqual(["foot 1 lies on fan lid: 20 rearwards clears it"]);
    expect(run({ keepOuts: [lid], from: 1520 }).findings.filter((f) => f.level === "stop")).toEqual([]);
    const behind = { ...lid, fromAlong: 1510, toAlong: 2400 };
    expect(run({ keepOuts: [behind] }).findings.find((f) => f.level === "stop")!.text).toBe(
      "foot 1 lies on fan lid: 30 forwards clears it",
    );
  });
  it("packs a gap in layers of tape or with filler, by the foot", () => {
    const o = run({
      gaps: [
        { foot: 3, gap: 2.5 },
        { foot: 1, gap: 0 },
      ],
      tape: 1,
    });
    expect(o.results).toMatchObject({ packing: [{ foot: 3, layers: 3, fillerMl: 12.6 }] });
    expect(run({ gaps: [{ foot: 2, gap: 2 }], tape: 1 }).results).toMatchObject({ packing: [{ layers: 2 }] });
  });
  it("numbers the feet, so that each goes back to its mark", () => {
    expect((run({}).results as { feet: { no: number }[] }).feet.map((f) => f.no)).toEqual([1, 2, 3, 4]);
  });
});

describe("a cable's hole, grommets and side", () => {
  const run = (more: object) => cable.run({ along: 2400, across: 620, drop: 1500, amps: 11, volts: 12, stock: [4, 6, 10], ...more });
  it("asks for a hole of the thread and a half millimetre, on the side where it ends", () => {
    expect(run({ thread: 16, endsAcross: 300, roofWidth: 1612 }).results).toMatchObject({ hole: 16.5, side: "left" });
    expect(run({ thread: 20, endsAcross: 900, roofWidth: 1612 }).results).toMatchObject({ hole: 20.5, side: "right" });
    for (const k of ["hole", "side", "grommets"]) expect(run({}).results).not.toHaveProperty(k);
    expect(() => run({ endsAcross: 1700, roofWidth: 1612 })).toThrow(/endsAcross/);
  });
  it("orders a grommet for each sheet of metal it passes", () => {
    expect(run({ passes: 2 }).parts).toEqual([
      { name: "Cable 10 mm²", quantity: 10, unit: "m" },
      { name: "Grommet", quantity: 2, unit: "pc" },
    ]);
  });
  it("warns of a controller that nobody reaches, and says where one hangs just in reach", () => {
    const said = (up: number) => run({ controllerUp: up }).findings.filter((f) => f.about === "controllerUp");
    expect(said(1500)).toEqual([]);
    expect(said(1700)).toHaveLength(1);
    expect(said(1700)[0].level).toBe("warn");
    expect(said(1900)[0].text).toMatch(/out of reach: 1700/);
  });
});

describe("units side by side", () => {
  const unit = { name: "fan", price: 140, cut: 400, leadDays: 4, has: [] as string[] };
  const run = (more: object, c: object = {}) =>
    unitChoice.run({
      asked: [],
      cuttingDay: "2026-12-01",
      margin: 5,
      bays: [{ name: "1", clear: 470 }],
      candidates: [{ ...unit, ...c }],
      ...more,
    });
  const first = (o: ReturnType<typeof run>) => (o.results as { candidates: Record<string, unknown>[] }).candidates[0];
  it("ask of a bay the cut, its frame and the play of both", () => {
    expect(first(run({ frame: 36, framePlay: 1 }))).toMatchObject({ asks: 474, bays: [] });
    expect(first(run({ frame: 34, framePlay: 1 }))).toMatchObject({ asks: 470, bays: ["1"] });
    expect(first(run({}))).toMatchObject({ asks: 410, bays: ["1"] });
  });
  it("keep their mass, and count what goes with them against the budget", () => {
    const o = run({ budget: 160 }, { kg: 4.5, extras: 25 });
    expect(first(o)).toMatchObject({ cost: 165, massKg: 4.5 });
    expect(o.massKg).toBe(4.5);
    expect(o.findings.find((f) => f.about === "budget")!.text).toMatch(/165 .* 5 more than the budget/);
    expect(run({ budget: 165 }, { extras: 25 }).findings.some((f) => f.about === "budget")).toBe(false);
  });
  it("stop where the lid can't open", () => {
    expect(run({ freeAbove: 300 }, { lidHeight: 330 }).results).toMatchObject({ cheapestThatFits: null });
    expect(run({ freeAbove: 330 }, { lidHeight: 330 }).results).toMatchObject({ cheapestThatFits: "fan" });
  });
});
