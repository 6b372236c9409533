// Places in the yard: counted by a sweep over the stays, against counting at every minute. And where a job could be done.

import { describe, expect, it } from "vitest";
import { random } from "../rng";
import { Board } from "./board";
import { compile } from "./compile";
import { generate } from "./generate";
import { readProblem } from "./read";
import { rules } from "./rules";
import { entriesFor, type Option, optionsFor, soonestFirst, standsFor, staysFor, yardFree } from "./stays";
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

describe("the places where a job could be done", () => {
  const { board: b } = generate(c, rules(c)[0]);
  const key = (o: Option) => `${o.frame.place} ${o.frame.from} ${o.frame.to} ${o.stay ? "stay" : "entry"}`;
  const jobs = c.jobs.filter((j) => j.van && !j.done && j.places.length);

  it("are stays of its van and entries behind them, long enough for the work, the entries over no other van", () => {
    const r = random(31);
    let entries = 0;
    for (const j of jobs) {
      const lower = c.now + Math.floor(r() * 40 * 1440);
      const last = b.stays[j.build].at(-1);
      for (const o of optionsFor(b, j, undefined, lower)) {
        const { place, from, to } = o.frame;
        expect(j.places).toContain(place);
        expect(to - Math.max(from, lower)).toBeGreaterThanOrEqual(standsFor(j));
        if (o.stay) {
          expect(b.stays[j.build]).toContain(o.stay);
          continue;
        }
        entries++;
        if (last) expect(from).toBeGreaterThanOrEqual(last.firm + c.shunt);
        if (place !== c.yard)
          for (const s of b.atPlace[place]) expect(s.from < to && b.hardEnd(s) > Math.max(from, s.from), key(o)).toBe(false);
      }
    }
    expect(entries).toBeGreaterThan(20);
  });

  it("are the same with a bound, but for those that begin behind it, and at one place", () => {
    const r = random(32);
    let cut = 0;
    for (const j of jobs)
      for (let k = 0; k < 5; k++) {
        const lower = c.now + Math.floor(r() * 30 * 1440);
        const until = lower + Math.floor((r() - 0.3) * 30 * 1440);
        const all = entriesFor(b, j, undefined, lower, NEVER);
        const near = entriesFor(b, j, undefined, lower, until);
        cut += all.length - near.length;
        // A bound spares the look at what is further off; what is left out begins behind it.
        expect(all.filter((o) => o.frame.from <= until).map(key)).toEqual(near.filter((o) => o.frame.from <= until).map(key));
        const place = j.places[Math.floor(r() * j.places.length)];
        expect(optionsFor(b, j, place, lower).map(key)).toEqual(
          [...staysFor(b, j, undefined, lower), ...all].filter((o) => o.frame.place === place).map(key),
        );
      }
    expect(cut).toBeGreaterThan(20);
  });

  it("come in the order in which work could begin there, of equals as they came", () => {
    const frames = [50, 10, 30, 10, 20].map((from, place): Option => ({ frame: { place, from, to: NEVER } }));
    const places = (lower: number) => soonestFirst([...frames], lower).map((o) => o.frame.place);
    expect(places(0)).toEqual([1, 3, 4, 2, 0]);
    expect(places(25)).toEqual([1, 3, 4, 2, 0]);
    expect(places(60)).toEqual([0, 1, 2, 3, 4]);
  });
});
