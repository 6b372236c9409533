import { describe, expect, it } from "vitest";
import { DAMPING, floorBattens, matNeed } from "./need";

describe("matNeed", () => {
  it("takes 17 sheets for a third of 20.7 m² and 47 for all but a twentieth", () => {
    const of = (cover: number) => matNeed([{ m2: 20.7, cover }], { ...DAMPING.sheet, kgM2: DAMPING.kgM2 }, DAMPING.waste);
    expect(of(DAMPING.cover.part).sheets).toBe(17);
    expect(of(DAMPING.cover.full)).toMatchObject({ sheets: 47, areaM2: expect.closeTo(19.665), massKg: expect.closeTo(70.8, 1) });
    // What full cover weighs more.
    expect(of(DAMPING.cover.full).massKg - of(DAMPING.cover.part).massKg).toBeCloseTo(46.2, 1);
  });
  it("takes nothing for nothing, and no sheet for a speck of arithmetic", () => {
    expect(matNeed([], { w: 500, h: 400, kgM2: 3 }, 0)).toEqual({ areaM2: 0, sheets: 0, massKg: 0 });
    expect(
      matNeed(
        [
          { m2: 0.1, cover: 1 },
          { m2: 0.2, cover: 1 },
        ],
        { w: 500, h: 200, kgM2: 1 },
        0,
      ).sheets,
    ).toBe(3);
  });
});

describe("floorBattens", () => {
  it("lays one under each joint and keeps the pitch between: eleven on 3050", () => {
    const at = floorBattens(3050);
    expect(at).toHaveLength(11);
    expect(at).toContain(1250);
    expect(at).toContain(2500);
    expect(at.slice(0, 3)).toEqual([0, 312.5, 625]);
    expect(at.at(-1)).toBe(3050);
  });
  it("never lies wider than the pitch, whatever the length", () => {
    for (let length = 50; length < 6000; length += 137) {
      const at = floorBattens(length);
      for (let i = 1; i < at.length; i++) {
        expect(at[i] - at[i - 1]).toBeGreaterThan(0);
        expect(at[i] - at[i - 1]).toBeLessThanOrEqual(400 + 1e-6);
      }
      for (let joint = 1250; joint < length; joint += 1250) expect(at).toContain(joint);
    }
  });
  it("refuses sizes that are none", () => {
    for (const bad of [0, -1, Number.NaN]) expect(() => floorBattens(bad)).toThrow(RangeError);
  });
});
