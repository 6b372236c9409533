import { describe, expect, it } from "vitest";
import { OpenSet } from "../../time/openset";
import { bestBond, blockedMinutes, latestFreeEnd } from "./bond";

/** Days from 7:30 to 16:00 with a break from 12:00 to 12:30, five in a row, then two closed. */
const DAY = 1440;
const clock = (day: number, h: number, m = 0) => day * DAY + h * 60 + m;
const open = OpenSet.of(
  [0, 1, 2, 3, 4, 7, 8].flatMap((d) => [
    [clock(d, 7, 30), clock(d, 12)] as [number, number],
    [clock(d, 12, 30), clock(d, 16)] as [number, number],
  ]),
);

describe("blockedMinutes", () => {
  it("counts the working hours that a hold keeps others off", () => {
    // Set from 7:30 to 9:00, held 14 h: till 23:00, so 9:00 to 16:00 without the break.
    expect(blockedMinutes(open, clock(0, 9), 14 * 60)).toBe(390);
    expect(blockedMinutes(open, clock(0, 16), 14 * 60)).toBe(0);
    expect(blockedMinutes(open, clock(0, 16), 16 * 60)).toBe(30);
    expect(blockedMinutes(open, clock(0, 15, 30), 16 * 60)).toBe(30);
  });
});

describe("bestBond", () => {
  it("puts a bond at the end of the day, where its hold falls on the night", () => {
    expect(bestBond(open, clock(0, 7, 30), 90, 14 * 60)).toEqual({ end: clock(0, 16), start: clock(0, 14, 30), blocked: 0 });
  });
  it("ends no later than the hold may begin: next opening less the hold", () => {
    // 15.75 h: an end at 15:45 is over at 7:30, the fifteen minutes to 16:00 are blocked either way.
    const best = bestBond(open, clock(0, 7, 30), 60, 15.5 * 60)!;
    expect(best).toEqual({ end: clock(0, 16), start: clock(0, 15), blocked: 0 });
    // 16 h: an end by 15:30 costs the follower nothing, one at 16:00 half an hour.
    expect(latestFreeEnd(open, clock(0, 16), 16 * 60)).toBe(clock(0, 15, 30));
    const late = (end: number) => open.minutes(open.next(clock(0, 16)), end + 16 * 60);
    expect(late(clock(0, 15, 30))).toBe(0);
    expect(late(clock(0, 16))).toBe(30);
    expect(bestBond(open, clock(0, 7, 30), 60, 16 * 60)!.end).toBe(clock(0, 15, 30));
  });
  it("waits for the weekend with a long hold, when that is near", () => {
    const best = bestBond(open, clock(3, 7, 30), 120, 60 * 60)!;
    expect(best.end).toBe(clock(4, 16));
    expect(best.blocked).toBe(0);
  });
  it("never starts before it may, and finds nothing where nothing is open", () => {
    expect(bestBond(open, clock(0, 15), 90, 14 * 60)!.start).toBeGreaterThanOrEqual(clock(0, 15));
    expect(bestBond(open, clock(20, 8), 90, 14 * 60)).toBeUndefined();
  });
  it("blocks no more than setting it at once does", () => {
    for (let h = 8; h < 16; h++)
      for (const hold of [60, 240, 600, 960, 1440, 3000]) {
        const at = clock(1, h);
        const now = open.after(open.next(at), 75);
        expect(bestBond(open, at, 75, hold)!.blocked).toBeLessThanOrEqual(blockedMinutes(open, now, hold));
      }
  });
});
