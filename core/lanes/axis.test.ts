import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { axis, drawnHours, ZOOMS } from "./axis";

const HOURS = { from: 420, to: 1080 };

const days = Array.from({ length: 21 }, (_, i) => ({ at: i * 1440, open: i % 7 < 5 }));

describe("axis", () => {
  it("draws open days wide and closed days narrow, to scale within working hours", () => {
    const a = axis(days, ZOOMS.weeks, HOURS);
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
          const a = axis(days, ZOOMS[zoom], HOURS);
          expect(a.x(t + d)).toBeGreaterThanOrEqual(a.x(t));
          expect(a.x(t)).toBeGreaterThanOrEqual(0);
          expect(a.x(t)).toBeLessThanOrEqual(a.width);
        },
      ),
    );
  });
  it("finds the instant at a position again", () => {
    const a = axis(days, ZOOMS.days, HOURS);
    for (const t of [420, 600, 1440 + 700, 8 * 1440 + 1000]) expect(a.at(a.x(t))).toBe(t);
    expect(a.at(-5)).toBe(420);
    expect(a.at(1e6)).toBe(20 * 1440 + 1080);
    expect(axis([], ZOOMS.days, HOURS).at(4)).toBe(0);
  });
  it("is flat when there are no days", () => expect(axis([], ZOOMS.days, HOURS).x(5)).toBe(0));
});

describe("the hours that are drawn", () => {
  const calendar = (windows: [string, string][], days: [string | null, string | null][] = [], retired = false) => ({
    retired,
    windows: windows.map(([opens, closes]) => ({ opens, closes })),
    days: days.map(([opens, closes]) => ({ opens, closes })),
  });
  it("are those of all calendars in use, single days included, in whole hours", () => {
    const shop = calendar(
      [
        ["07:30", "12:00"],
        ["12:45", "16:15"],
      ],
      [
        ["09:00", "17:30"],
        [null, null],
      ],
    );
    expect(drawnHours([shop])).toEqual({ from: 7 * 60, to: 18 * 60 });
    expect(drawnHours([shop, calendar([["20:00", "24:00"]])])).toEqual({ from: 7 * 60, to: 24 * 60 });
    expect(drawnHours([shop, calendar([["02:00", "23:00"]], [], true)])).toEqual({ from: 7 * 60, to: 18 * 60 });
  });
  it("are an hour at least, and a usual day where no calendar is open", () => {
    expect(drawnHours([calendar([["08:00", "08:00"]])])).toEqual({ from: 480, to: 540 });
    expect(drawnHours([])).toEqual({ from: 420, to: 1080 });
  });
});
