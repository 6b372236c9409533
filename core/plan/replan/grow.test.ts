import { describe, expect, it } from "vitest";
import { Board, type Stay } from "../board";
import { compile } from "../compile";
import { problem } from "../testing/small";
import { grow, growth } from "./grow";

const DAY = 1440;

/** Two vans, one after the other in the one bay, the second one from a yard with so many places. */
function bay(yard: number) {
  const p = problem([{ minutes: 60, place: "van", crew: [{ skill: "body", count: 1 }] }], { yard: { places: yard } });
  const [a] = p.builds;
  const c = compile({
    ...p,
    builds: [a, { ...structuredClone(a), id: "b", name: "B", jobs: [{ ...structuredClone(a.jobs[0]), id: "k0" }] }],
  });
  const b = new Board(c);
  const at = c.now;
  const add = (build: number, place: number, from: number, to: number): Stay => {
    const stay = { build, place, from, to, firm: to };
    b.addStay(stay);
    return stay;
  };
  const place = c.places.findIndex((x) => x.id === "b1");
  for (const list of [...b.atPlace, ...b.stays]) list.length = 0;
  const first = add(0, place, at, at + DAY);
  const yardStay = add(1, c.yard, at, at + DAY - c.shunt);
  const second = add(1, place, at + DAY, at + 2 * DAY);
  const job = c.jobs.find((j) => j.id === "k0")!;
  const start = at + DAY;
  b.book(job, { start, end: start + 60, from: start, work: [[start, start + 60]], place, crew: [], holdUntil: start + 60 });
  return { b, c, first, yardStay, second, job: job.index };
}

describe("a van that stands longer", () => {
  it("lets the next one come later, out of the yard, and puts out the work that was to begin at once", () => {
    const { b, c, first, yardStay, second, job } = bay(3);
    const until = first.to + 45;
    const g = growth(b, first, until, () => true)!;
    expect(g.ejects).toEqual([job]);
    const back = grow(b, g.changes);
    expect([first.to, second.from, yardStay.to]).toEqual([until, until, until - c.shunt]);
    back();
    expect([first.to, second.from, yardStay.to]).toEqual([until - 45, until - 45, until - 45 - c.shunt]);
  });
  it("can't where the work in the way may not move", () => {
    const { b, first } = bay(3);
    expect(growth(b, first, first.to + 45, () => false)).toBeUndefined();
  });
  it("changes nothing where it stands long enough already", () => {
    const { b, first } = bay(3);
    expect(growth(b, first, first.to - 10, () => false)).toEqual({ changes: [], ejects: [] });
  });
});
