import { describe, expect, it } from "vitest";
import { vans } from "../van/model";
import { leftOut } from "./choices";
import { library } from "./library";
import { buildNetwork } from "./network";
import { DEFAULT_OPTIONS, type Options } from "./options";
import { differsIn, forbiddenIn, orderOf, SCHOOL_KEYS, schoolsOf } from "./order";
import { FULL } from "./testing";

const g = vans[1].geometry;
const steps = (o: Options) => orderOf(o, g, library);

describe("the order of a house", () => {
  it("tells every link of the network once, as forced or as a habit", () => {
    const list = steps(FULL);
    const links = buildNetwork(FULL, g, library).reduce((n, j) => n + j.after.length, 0);
    expect(list).toHaveLength(links);
    expect(list.some((s) => s.habits.length)).toBe(true);
    expect(list.filter((s) => !s.habits.length).length).toBeGreaterThan(links / 2);
  });

  it("calls services before insulation a habit where they lie on the metal, and names the school", () => {
    const o = { ...FULL, firstFix: "metal-side" } as Options;
    const habit = steps(o).filter((s) => s.habits.some((h) => h.key === "firstFix"));
    expect(habit.length).toBeGreaterThan(0);
    expect(habit[0].habits.find((h) => h.key === "firstFix")!.other).toBe("insulation first, services on the warm side");
    // With the other school that link is gone, or turned round.
    const other = steps({ ...o, firstFix: "warm-side" } as Options);
    for (const s of habit) expect(other.some((t) => t.before === s.before && t.after === s.after)).toBe(false);
  });

  it("never calls a habit what no other school here would change", () => {
    for (const s of steps(FULL)) for (const h of s.habits) expect(SCHOOL_KEYS).toContain(h.key);
    const cut = steps(FULL).filter((s) => /damping/i.test(s.after) && /fan|window/i.test(s.before));
    for (const s of cut) expect(s.habits).toEqual([]);
  });

  it("says what a stored order would change in a build, and what it breaks there", () => {
    const order = schoolsOf({ ...DEFAULT_OPTIONS, framing: "frame-first", edges: "two-coats" });
    expect(Object.keys(order).sort()).toEqual([...SCHOOL_KEYS].sort());
    const o = { ...DEFAULT_OPTIONS, framing: "insulate-first", edges: "two-coats" } as Options;
    expect(differsIn(o, order)).toEqual(["Frame against insulation: frame, then fill between instead of insulate, then frame over"]);
    expect(forbiddenIn(o, { insulation: "spray", framing: "insulate-first", fixing: "screws" }, g)[0]).toMatch(/sprayed foam/);
    expect(forbiddenIn(o, order, g)).toEqual([]);
  });
});

describe("an option left out", () => {
  it("is none of it, whatever kind of value it has; what can't be left out, or is, has none", () => {
    const o = { ...DEFAULT_OPTIONS, fan: true, windows: 2, gas: "tank", bed: "lift" } as Options;
    expect([leftOut("fan", o), leftOut("windows", o), leftOut("gas", o), leftOut("bed", o)]).toEqual([false, 0, "none", undefined]);
    const bare = { ...o, fan: false, windows: 0, gas: "none" } as Options;
    expect([leftOut("fan", bare), leftOut("windows", bare), leftOut("gas", bare)]).toEqual([undefined, undefined, undefined]);
  });
});
