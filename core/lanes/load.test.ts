import { describe, expect, it } from "vitest";
import { OpenSet } from "../time/openset";
import { loadPercent, weekLoad } from "./load";

const DAY = 1440;
const WEEK = 7 * DAY;
/** Two weeks of five days from 8 to 16 o'clock; the second week's Monday is off. */
const open = OpenSet.of([0, 1, 2, 3, 4, 8, 9, 10, 11].map((d) => [d * DAY + 480, d * DAY + 960] as [number, number]));
const weeks = [0, WEEK, 2 * WEEK, 3 * WEEK];

describe("weekLoad", () => {
  it("counts booked against open minutes, week by week", () => {
    const load = weekLoad(weeks, open, [
      [480, 960],
      [DAY + 480, DAY + 720],
      [8 * DAY + 480, 8 * DAY + 960],
    ]);
    expect(load.map((w) => [w.open, w.booked])).toEqual([
      [2400, 720],
      [1920, 480],
      [0, 0],
    ]);
    expect(load.map(loadPercent)).toEqual([30, 25, undefined]);
  });
  it("counts a job over nights and a weekend by its open hours, and overlapping work once", () => {
    const load = weekLoad(weeks, open, [
      [4 * DAY + 720, 8 * DAY + 600],
      [4 * DAY + 800, 4 * DAY + 900],
    ]);
    expect(load.map((w) => w.booked)).toEqual([240, 120, 0]);
  });
  it("is full at a hundred per cent however much is asked for", () => {
    expect(weekLoad(weeks, open, [[0, 3 * WEEK]]).map(loadPercent)).toEqual([100, 100, undefined]);
    expect(weekLoad(weeks, open, []).map((w) => w.booked)).toEqual([0, 0, 0]);
  });
});
