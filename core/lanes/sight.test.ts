import { describe, expect, it } from "vitest";
import { groupHeight, laneShape, meets, tops } from "./sight";

describe("laneShape", () => {
  it("grows with the rows of van and bench, and never falls below the head's height", () => {
    const small = laneShape({ rows: 1, benchRows: 0 }, "weeks");
    expect(small.height).toBe(116);
    const big = laneShape({ rows: 4, benchRows: 3 }, "weeks");
    // 8 + 3·20 shoulder, 4·23 + 8 road, 15 kerb, 12 below.
    expect(big).toEqual({ height: 195, top: 68, road: 100 });
  });

  it("has two rows of stages in a season, however many jobs overlap", () => {
    expect(laneShape({ rows: 9, benchRows: 1 }, "season").road).toBe(54);
  });
});

describe("rows", () => {
  it("stand under each other with their gaps", () => {
    expect(tops([100, 50, 70], 42, "lanes")).toEqual([42, 150, 208]);
    expect(tops([100, 50], 42, "groups")).toEqual([42, 148]);
    expect(tops([], 42, "lanes")).toEqual([]);
  });

  it("are as high as their work and their kerb", () => {
    expect(groupHeight({ rows: 1, stays: [] })).toBe(58);
    expect(groupHeight({ rows: 4, stays: [1] })).toBe(123);
  });

  it("meet what is in sight when they touch it", () => {
    expect(meets(0, 10, 10, 20)).toBe(true);
    expect(meets(0, 9, 10, 20)).toBe(false);
    expect(meets(21, 30, 10, 20)).toBe(false);
    expect(meets(5, 40, 10, 20)).toBe(true);
  });
});
