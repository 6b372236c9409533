import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { axis, ZOOMS } from "./axis";

const days = Array.from({ length: 21 }, (_, i) => ({ at: i * 1440, open: i % 7 < 5 }));

describe("axis", () => {
  it("draws open days wide and closed days narrow, to scale within working hours", () => {
    const a = axis(days, ZOOMS.weeks);
    expect(a.width).toBe(15 * 30 + 6 * 14);
    expect(a.x(0)).toBe(0);
    expect(a.x(420)).toBe(0);
    expect(a.x(750)).toBe(15);
    expect(a.x(1440 + 1080)).toBe(60);
    expect(a.x(21 * 1440)).toBe(a.width);
  });
  it("never runs backward in time", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -3000, max: 40_000 }),
        fc.integer({ min: 0, max: 5000 }),
        fc.constantFrom("weeks" as const, "days" as const),
        (t, d, zoom) => {
          const a = axis(days, ZOOMS[zoom]);
          expect(a.x(t + d)).toBeGreaterThanOrEqual(a.x(t));
          expect(a.x(t)).toBeGreaterThanOrEqual(0);
          expect(a.x(t)).toBeLessThanOrEqual(a.width);
        },
      ),
    );
  });
  it("finds the instant at a position again", () => {
    const a = axis(days, ZOOMS.days);
    for (const t of [420, 600, 1440 + 700, 8 * 1440 + 1000]) expect(a.at(a.x(t))).toBe(t);
    expect(a.at(-5)).toBe(420);
    expect(a.at(1e6)).toBe(20 * 1440 + 1080);
    expect(axis([], ZOOMS.days).at(4)).toBe(0);
  });
  it("is flat when there are no days", () => expect(axis([], ZOOMS.days).x(5)).toBe(0));
});
