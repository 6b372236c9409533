// Leaves that swing: the angle at which they meet something, and how deep a thing stands in their way, against a fine sampling.

import { describe, expect, it } from "vitest";
import { type Box, depthInSweep, meetsAt, nearest } from "./swing";

const box = (left: number, right: number, low: number, high: number): Box => ({ left, right, low, high });

/** By small steps along the leaf and of the angle: slow and plain. */
function sampled(r: number, from: number, to: number, b: Box): { first?: number; depth: number } {
  let first: number | undefined;
  let depth = 0;
  for (let a = from; a <= to + 1e-9; a += 0.25)
    for (let t = 0; t <= r; t += 1) {
      const [x, y] = [t * Math.cos((a * Math.PI) / 180), t * Math.sin((a * Math.PI) / 180)];
      if (x < b.left || x > b.right || y < b.low || y > b.high) continue;
      first ??= a;
      depth = Math.max(depth, r - t);
    }
  return first === undefined ? { depth } : { first, depth };
}

describe("a leaf that opens", () => {
  it("meets a corner within its reach, or an edge with its tip", () => {
    expect(meetsAt([0, 0], 500, box(100, 200, 300, 400))).toBeCloseTo((Math.atan2(300, 200) * 180) / Math.PI, 6);
    // A wall 300 off, parallel: the tip touches it at asin(300 / 500).
    expect(meetsAt([0, 0], 500, box(-900, 900, 300, 320))).toBeCloseTo(36.87, 2);
    expect(meetsAt([0, 0], 500, box(-900, 900, 501, 600))).toBeUndefined();
    // Behind the pivot: it opens past 90° first.
    expect(meetsAt([0, 0], 500, box(-200, -100, 0, 50))).toBeCloseTo(180 - (Math.atan2(50, 100) * 180) / Math.PI, 6);
  });
  it("agrees with small steps for boxes all round it", () => {
    for (let i = 0; i < 60; i++) {
      const left = -520 + ((i * 137) % 900);
      const low = 5 + ((i * 89) % 480);
      const b = box(left, left + 20 + ((i * 53) % 200), low, low + 20 + ((i * 31) % 150));
      const fine = sampled(500, 0, 180, b);
      const exact = meetsAt([0, 0], 500, b);
      if (fine.first === undefined) expect(exact === undefined || sampled(501, 0, 180, b).first !== undefined).toBe(true);
      else expect(Math.abs(exact! - fine.first)).toBeLessThan(0.6);
    }
  });
});

describe("how deep a thing stands in a sweep", () => {
  it("is the reach less the distance to its nearest point there, nothing beside or beyond it", () => {
    expect(depthInSweep([0, 0], 500, 0, 90, box(300, 400, -50, 50))).toBe(200);
    expect(depthInSweep([0, 0], 500, 0, 90, box(600, 700, -50, 50))).toBe(0);
    expect(depthInSweep([0, 0], 500, 0, 90, box(-400, -300, 10, 50))).toBe(0);
    // Its nearest point lies outside the sector: the ray at 0° enters it first.
    expect(depthInSweep([0, 0], 500, 0, 90, box(100, 300, -300, 10))).toBe(400);
    expect(depthInSweep([0, 0], 500, 0, 360, box(-10, 10, -10, 10))).toBe(500);
    expect(nearest([0, 0], box(3, 9, -4, 4))).toEqual([3, 0]);
  });
  it("agrees with small steps for boxes all round it", () => {
    for (let i = 0; i < 60; i++) {
      const left = -520 + ((i * 137) % 900);
      const low = -500 + ((i * 89) % 900);
      const b = box(left, left + 30 + ((i * 53) % 200), low, low + 30 + ((i * 31) % 150));
      const from = (i * 17) % 120;
      const fine = sampled(500, from, from + 110, b).depth;
      expect(Math.abs(depthInSweep([0, 0], 500, from, from + 110, b) - fine)).toBeLessThan(4);
    }
  });
});
