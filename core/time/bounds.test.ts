// Dates far away: refused at the door, and harmless where they are there all the same.

import { describe, expect, it } from "vitest";
import { type InputError, reader, withoutNulls } from "../plan/fault";
import { farFault, MOST_DAYS } from "./bounds";
import { openHours } from "./calendar";
import { DAY, zoneOf } from "./zone";

const zone = zoneOf("Europe/Lisbon");
const now = zone.parse("2026-11-25T10:42");
const FAR = Date.UTC(9999, 0, 1) / 60_000;

describe("a date far away", () => {
  it("is told by how far", () => {
    expect([farFault(now, now), farFault(now + 1500 * DAY, now), farFault(now - 3650 * DAY, now)]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
    expect([farFault(FAR, now), farFault(0, now)]).toEqual(["lies more than 1,500 days ahead", "lies more than ten years back"]);
  });
  it("is shown by the nearest offset that is known, and read back the same", () => {
    expect(zone.show(FAR)).toMatch(/^9999-01-01T/);
    expect(zone.parse(zone.show(FAR))).toBe(FAR);
    expect(zone.show(now)).toBe("2026-11-25T10:42");
  });
  it("makes no walk without end: hours are known for so many days", () => {
    const week = { mon: [["08:00", "17:00"]] };
    const { open } = openHours(zone, { week }, zone.dayOf(now), zone.dayOf(FAR));
    expect(open.stretches().length).toBeLessThanOrEqual(MOST_DAYS / 7 + 1);
  });
});

describe("what comes in", () => {
  const read = reader<{ at: string; day: string }>({
    type: "object",
    properties: { at: { type: "string", format: "local-time" }, day: { type: "string", format: "day" } },
  });
  const faults = (v: unknown) => {
    try {
      read(v);
      return [];
    } catch (e) {
      return (e as InputError).faults.map((f) => f.path);
    }
  };
  it("has dates and times that the calendar has, of years that somebody can mean", () => {
    expect(faults({ at: "2028-02-29T23:59", day: "2026-12-31" })).toEqual([]);
    for (const at of ["2026-02-29T08:00", "9999-01-01T08:00", "1999-12-31T08:00", "2026-01-01T24:00", "2026-1-1T8:00", "x"])
      expect(faults({ at }), at).toEqual(["at"]);
    for (const day of ["2026-02-31", "2026-13-01", "0000-00-00"]) expect(faults({ day }), day).toEqual(["day"]);
  });
  it("is not nested deeper than a form is, and names no prototype", () => {
    let deep: unknown = 1;
    for (let i = 0; i < 100; i++) deep = [deep];
    expect(() => withoutNulls(deep)).toThrow(/nested/);
    expect(() => withoutNulls(JSON.parse('{"__proto__":{"role":"lead"}}'))).toThrow(/__proto__/);
    expect(({} as { role?: string }).role).toBeUndefined();
  });
  it("with thousands of faults names a hundred and says how many more", () => {
    const many = reader({ type: "object", additionalProperties: false });
    try {
      many(Object.fromEntries(Array.from({ length: 5000 }, (_, i) => [`k${i}`, 1])));
      throw new Error("it was taken");
    } catch (e) {
      const list = (e as InputError).faults;
      expect([list.length, list.at(-1)]).toEqual([101, { path: "(more)", message: "and 4900 more faults" }]);
    }
  });
});
