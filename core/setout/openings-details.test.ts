// Details of openings: holes out of a pressing and by school, screws with pilot and bag, holes on battens and between them.

import { describe, expect, it } from "vitest";
import { calculator } from "./calculators";
import { refusedBy as refused } from "./testing/outcome";

// biome-ignore lint/suspicious/noExplicitAny: results are looked into by name
const run = (name: Parameters<typeof calculator>[0], input: object): any => calculator(name).run(input);

describe("a hole's range", () => {
  const unit = { spigot: { w: 372, h: 366 }, flange: { w: 428, h: 424 }, land: 16 };
  it("ends at a pressing's edge where that is nearer than the flange's land", () => {
    // 396 × 392 by the flange; the pressing leaves 400 − 2 · 9 = 382 across.
    const o = run("hole-range", { ...unit, pressing: { w: 400, h: 420, edge: 9 } });
    expect(o.results).toMatchObject({ smallest: { w: 374, h: 368 }, largest: { w: 382, h: 392 }, hole: { w: 376, h: 370 } });
    expect(run("hole-range", { ...unit, pressing: { w: 400, h: 420, edge: 9 }, read: { w: 384, h: 370 } }).findings[0]).toMatchObject({
      level: "stop",
      about: "read.w",
    });
    expect(refused("hole-range", { ...unit, pressing: { w: 390, h: 420, edge: 9 } })).toEqual(["pressing.w"]);
  });
  it("is cut on the line, or a little large or small by the school, never past its ends", () => {
    const hole = (school: string, more: object = {}) => run("hole-range", { ...unit, school, ...more }).results.hole;
    expect([hole("line"), hole("large"), hole("small")]).toEqual([
      { w: 376, h: 370 },
      { w: 378, h: 372 },
      { w: 374, h: 368 },
    ]);
    expect(hole("small", { little: 5 })).toEqual({ w: 374, h: 368 });
    expect(hole("large", { little: 30 })).toEqual({ w: 396, h: 392 });
  });
  it("reads the diagonals before the saw leaves: 2 mm apart pass, 3 do not", () => {
    const read = (d2: number) => run("hole-range", { ...unit, read: { w: 376, h: 370, d1: 527, d2 } }).findings;
    expect(read(529)).toEqual([{ level: "ok", about: "read", text: "within the range" }]);
    expect(read(530)[0]).toMatchObject({ level: "warn", about: "read.d1", text: expect.stringContaining("differ by 3") });
  });
});

describe("screws of a flange", () => {
  const stack = { stack: [3.5, 11, 0.8], ring: 21, stock: [25, 30, 35] };
  const bag = { name: "B", places: 16, inBag: 18 };
  it("name their pilot: four fifths of 4.2 are 3.4", () => {
    const o = run("flange-screw", { ...stack, d: 4.2 });
    expect(o.results).toMatchObject({ least: 27.3, most: 34.3, fits: [30], pilot: 3.4 });
    expect(o.findings[0].text).toMatch(/^30 from stock, pilot 3.4; the ones in the middle of each side first/);
    expect(run("flange-screw", stack).results).not.toHaveProperty("pilot");
  });
  it("are counted out of their own bag: short before, undriven or left over after", () => {
    const of = (more: object) => run("flange-screw", { ...stack, bag: { ...bag, ...more } });
    expect(of({}).findings[1]).toMatchObject({ level: "ok", text: "bag B: 16 places, 18 screws" });
    expect(of({ inBag: 14 }).findings[1]).toMatchObject({ level: "stop", text: "bag B is 2 short for 16 places" });
    expect(of({ driven: 15 }).findings[1]).toMatchObject({ level: "stop", text: "15 of 16 driven: 1 still to drive" });
    expect(of({ driven: 16 }).results.left).toBe(2);
    expect(of({ driven: 16 }).findings[1]).toMatchObject({ level: "warn", text: expect.stringContaining("2 left over of bag B") });
    expect(of({ driven: 16, inBag: 16 }).findings[1]).toMatchObject({ level: "ok" });
    expect(refused("flange-screw", { ...stack, bag: { ...bag, driven: 17 } })).toEqual(["bag.driven"]);
  });
});

describe("holes through the floor and its battens", () => {
  const floor = { length: 3100, width: 1780 };
  const zones = [
    {
      name: "exhaust",
      polygon: [
        [900, 380],
        [2100, 380],
        [2100, 560],
        [900, 560],
      ] as [number, number][],
      margin: 60,
    },
  ];
  const battens = [600, 1000, 1400].map((along) => ({ along, width: 45 }));
  const hole = (more: object) => ({ name: "bolt", along: 1010, across: 500, d: 10, ...more });
  it("a bolt gets clear places on battens, the nearest first, each clear of every zone by its margin", () => {
    const o = run("under-floor", { floor, zones, battens, holes: [hole({ along: 1200, sits: "batten" })] });
    const places = o.results.holes[0].onBattens!;
    expect(places[0]).toMatchObject({ distance: Math.min(...places.map((p: { distance: number }) => p.distance)) });
    expect(new Set(places.map((p: { along: number }) => p.along))).toEqual(new Set([600, 1000, 1400]));
    for (const p of places) {
      const again = run("under-floor", { floor, zones, battens, holes: [hole({ along: p.along, across: p.across, sits: "batten" })] });
      expect(again.results.holes[0]).toMatchObject({ verdict: "clear", onBatten: true });
    }
    expect(
      o.findings.some((f: { level: string; text: string }) => f.level === "warn" && /is on no batten; clear places on one/.test(f.text)),
    ).toBe(true);
    expect(
      run("under-floor", { floor, zones, battens: [], holes: [hole({ sits: "batten" })] }).findings.some((f: { text: string }) =>
        /no batten has a clear place/.test(f.text),
      ),
    ).toBe(true);
  });
  it("a drain keeps between battens: its edge, not its middle", () => {
    const of = (along: number) => run("under-floor", { floor, zones: [], battens, holes: [hole({ along, d: 40, sits: "between" })] });
    // Batten from 977.5 to 1022.5, hole of 20 either side.
    expect(of(957).results.holes[0].nearest).toMatchObject({ distance: 0 });
    const on = of(958);
    expect(on.findings[0].level === "stop" || on.findings[1].level === "stop").toBe(true);
    const { nearest } = on.results.holes[0];
    expect(nearest!.distance).toBeGreaterThan(0);
    expect(nearest!.distance).toBeLessThan(2);
    expect(of(nearest!.along).results.holes[0].nearest).toMatchObject({ distance: 0 });
  });
});
