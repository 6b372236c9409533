// Places in the yard: counted by a sweep over the stays, against counting at every minute.

import { describe, expect, it } from "vitest";
import { random } from "../rng";
import { Board } from "./board";
import { compile } from "./compile";
import { readProblem } from "./read";
import { yardFree } from "./stays";
import { workshop } from "./testing/workshop";

const NEVER = Number.POSITIVE_INFINITY;
const c = compile(readProblem(workshop({ seed: 2, builds: 6, jobsPerBuild: 6 })));

interface Stay {
  build: number;
  from: number;
  to: number;
}

function boardWith(stays: readonly Stay[], places: number): Board {
  const b = new Board({ ...c, yardPlaces: places });
  for (const list of b.atPlace) list.length = 0;
  for (const s of stays) b.insertAtPlace({ ...s, place: c.yard, firm: s.from });
  return b;
}

/** Counted at each minute at which the number can rise. */
function counted(stays: readonly Stay[], places: number, from: number, to: number, without: readonly number[]): boolean {
  if (to <= from) return true;
  const others = stays.filter((s) => !without.includes(s.build));
  const moments = [from, ...others.map((s) => s.from).filter((t) => t > from && t < to)];
  return moments.every((t) => others.filter((s) => s.from <= t && t < s.to).length < places);
}

describe("a place in the yard", () => {
  it("is free exactly when at no moment as many vans stand there as it has places, on 4,000 yards", () => {
    const r = random(77);
    let free = 0;
    for (let k = 0; k < 4000; k++) {
      const places = 1 + Math.floor(r() * 4);
      const stays = Array.from({ length: Math.floor(r() * 9) }, (_, i): Stay => {
        const from = Math.floor(r() * 40);
        return { build: i % 6, from, to: r() < 0.15 ? NEVER : from + Math.floor(r() * 20) };
      });
      const from = Math.floor(r() * 45) - 2;
      const to = r() < 0.3 ? NEVER : from + Math.floor(r() * 25) - 2;
      const without = r() < 0.5 ? [Math.floor(r() * 6)] : [];
      const expected = counted(stays, places, from, to, without);
      free += Number(expected);
      expect(yardFree(boardWith(stays, places), from, to, without), `yard ${k}`).toBe(expected);
    }
    // Neither answer is the usual one.
    expect(free).toBeGreaterThan(800);
    expect(free).toBeLessThan(3200);
  });
  it("counts a van that leaves at the very minute as gone, and one that comes at the end as not yet there", () => {
    const stays = [
      { build: 0, from: 0, to: 10 },
      { build: 1, from: 20, to: NEVER },
    ];
    expect(yardFree(boardWith(stays, 1), 10, 20, [])).toBe(true);
    expect(yardFree(boardWith(stays, 1), 9, 20, [])).toBe(false);
    expect(yardFree(boardWith(stays, 1), 10, 21, [])).toBe(false);
    expect(yardFree(boardWith(stays, 1), 9, NEVER, [0, 1])).toBe(true);
    expect(yardFree(boardWith(stays, 2), 0, NEVER, [])).toBe(true);
  });
});
