import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { openHours } from "./calendar";
import { OpenSet, type Stretch } from "./openset";
import { formatDate, parseClock, parseDate, parseLocal, weekdayOf, Zone } from "./zone";

describe("Zone", () => {
  const lisbon = new Zone("Europe/Lisbon");
  it("reads ordinary times in winter and summer", () => {
    expect(lisbon.parse("2027-01-10T12:00")).toBe(Date.UTC(2027, 0, 10, 12) / 60_000);
    expect(lisbon.parse("2027-07-10T12:00")).toBe(Date.UTC(2027, 6, 10, 11) / 60_000);
  });
  it("takes the first of two in the repeated autumn hour", () => {
    expect(lisbon.parse("2027-10-31T01:30")).toBe(Date.UTC(2027, 9, 31, 0, 30) / 60_000);
  });
  it("moves a time that spring skips forward by the gap", () => {
    expect(lisbon.show(lisbon.parse("2027-03-28T01:30"))).toBe("2027-03-28T02:30");
  });
  it("knows the repeated hour", () => {
    const [[a, b]] = lisbon.repeated(lisbon.parse("2027-10-01T00:00"), lisbon.parse("2027-11-30T00:00"));
    expect([lisbon.show(a), b - a]).toEqual(["2027-10-31T01:00", 120]);
  });
  it("knows half-hour changes", () => {
    const howe = new Zone("Australia/Lord_Howe");
    const [[a, b]] = howe.repeated(howe.parse("2027-04-01T00:00"), howe.parse("2027-04-30T00:00"));
    expect(b - a).toBe(60);
    expect(howe.show(a).slice(11)).toBe("01:30");
  });
  it("refuses what is no time", () => {
    for (const bad of ["2027-02-30T08:00", "2027-03-01T24:00", "2027-03-01 08:00", "nonsense"]) expect(parseLocal(bad), bad).toBeNaN();
    expect(parseClock("24:00")).toBe(1440);
    expect(parseClock("24:30")).toBeNaN();
    expect(() => new Zone("Nowhere/Land")).toThrow(RangeError);
  });
  it("gives back what it was given, outside the change hours", () => {
    for (const id of ["Europe/Lisbon", "America/New_York", "Asia/Kathmandu"]) {
      const zone = new Zone(id);
      fc.assert(
        fc.property(fc.integer({ min: 29_000_000, max: 32_000_000 }), (t) => {
          if (zone.repeated(t - 1, t + 1).length) return;
          expect(zone.parse(zone.show(t))).toBe(t);
        }),
      );
    }
  });
  it("counts days and weekdays", () => {
    expect(weekdayOf(parseDate("2027-03-01"))).toBe(0);
    expect(formatDate(parseDate("2028-02-29"))).toBe("2028-02-29");
  });
});

const stretches = fc.array(
  fc.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 1, max: 60 })).map(([a, n]): Stretch => [a, a + n]),
  { maxLength: 12 },
);
const minutes = (s: OpenSet) => new Set(s.stretches().flatMap(([a, b]) => Array.from({ length: b - a }, (_, i) => a + i)));

describe("OpenSet", () => {
  it("unites, intersects and cuts as sets of minutes do", () => {
    fc.assert(
      fc.property(stretches, stretches, (x, y) => {
        const a = OpenSet.of(structuredClone(x));
        const b = OpenSet.of(structuredClone(y));
        const A = minutes(a);
        const B = minutes(b);
        expect(minutes(a.and(b))).toEqual(new Set([...A].filter((m) => B.has(m))));
        expect(minutes(a.without(y))).toEqual(new Set([...A].filter((m) => !B.has(m))));
      }),
    );
  });
  it("finds the stretch of a moment in years of opening hours, with days and weeks shut", () => {
    const days = fc.array(
      fc.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 1300 }), fc.integer({ min: 1, max: 4000 })),
      {
        maxLength: 40,
      },
    );
    fc.assert(
      fc.property(days, fc.integer({ min: -2000, max: 600_000 }), fc.integer({ min: 1, max: 9000 }), (list, t, work) => {
        const a = OpenSet.of(list.map(([d, from, length]) => [d * 1440 + from, d * 1440 + from + length]));
        const at = a.stretches().findIndex(([, to]) => to > t);
        expect(a.indexAt(t)).toBe(at < 0 ? a.size : at);
        let left = work;
        let end = Number.POSITIVE_INFINITY;
        for (const [from, to] of a.stretches()) {
          const open = Math.max(0, to - Math.max(from, t));
          if (open >= left) {
            end = Math.max(from, t) + left;
            break;
          }
          left -= open;
        }
        expect(a.after(t, work)).toBe(end);
      }),
    );
  });
  it("finds the end of work and the start for an end", () => {
    fc.assert(
      fc.property(stretches, fc.integer({ min: 0, max: 450 }), fc.integer({ min: 1, max: 90 }), (x, t, work) => {
        const a = OpenSet.of(x);
        const later = [...minutes(a)].filter((m) => m >= t).sort((p, q) => p - q);
        expect(a.after(t, work)).toBe(later.length < work ? Number.POSITIVE_INFINITY : later[work - 1] + 1);
        expect(a.next(t)).toBe(later[0] ?? Number.POSITIVE_INFINITY);
        const end = a.after(t, work);
        if (Number.isFinite(end)) expect(a.minutes(a.startFor(end, work), end)).toBe(work);
      }),
    );
  });
});

describe("openHours", () => {
  const zone = new Zone("Europe/Lisbon");
  const day = parseDate("2027-03-05");
  const cal = {
    week: {
      fri: [
        ["08:00", "12:00"],
        ["11:00", "16:00"],
      ],
      sun: [["00:00", "24:00"]],
    },
    closed: ["2027-03-12"],
    extra: [
      { date: "2027-03-12", windows: [["09:00", "10:00"]], overtime: true },
      { date: "2027-03-19", windows: [] },
    ],
  };
  const on = (d: string) => openHours(zone, cal, parseDate(d), parseDate(d));
  it("unites overlapping windows of a day", () => {
    expect(openHours(zone, cal, day, day).open.stretches()).toEqual([[zone.parse("2027-03-05T08:00"), zone.parse("2027-03-05T16:00")]]);
  });
  it("lets extra win over closed and over the week", () => {
    expect(on("2027-03-12").open.minutes(0, Infinity)).toBe(60);
    expect(on("2027-03-12").overtime.minutes(0, Infinity)).toBe(60);
    expect(on("2027-03-19").open.size).toBe(0);
  });
  it("gives days with a clock change 23 and 25 hours", () => {
    expect(on("2027-03-28").open.minutes(0, Infinity)).toBe(23 * 60);
    expect(on("2027-10-31").open.minutes(0, Infinity)).toBe(25 * 60);
  });
});
