import { describe, expect, it } from "vitest";
import { InputError } from "../../../plan/fault";
import { sweeps } from "./sweeps";

const door = { name: "door", along: 0, across: 0, reach: 600, from: 0, turn: 90 };
const unit = (from: number, to: number, more: object = {}) => ({
  name: "unit",
  kind: "unit" as const,
  from,
  to,
  left: 0,
  right: 400,
  ...more,
});

describe("what swings and slides", () => {
  it("names each overlap in mm: reach and clearance less the nearest point inside the sector", () => {
    const o = sweeps.run({ swings: [door], things: [unit(550, 1550)] });
    expect(o.results.overlaps).toEqual([{ name: "unit", meets: "door", overlap: 60 }]);
    expect(o.findings[0]).toMatchObject({ level: "stop", text: "unit is in the way of door by 60" });
    expect(sweeps.run({ swings: [door], things: [unit(610, 1550)] }).findings).toEqual([
      { level: "ok", about: "things", at: [1080, 200], text: "unit stays clear" },
    ]);
    // Behind the pivot the door never comes.
    expect(sweeps.run({ swings: [door], things: [unit(-500, -20)] }).results.overlaps).toEqual([]);
  });
  it("finds the longest unit that stays clear, from its front or its rear end", () => {
    const { longest } = sweeps.run({ swings: [door], things: [unit(550, 1550)] }).results;
    expect(longest).toEqual([{ name: "unit", length: 940, lost: 60 }]);
    // With a second door at its other end both ends give way: what is left is what stays clear from one end on.
    const rear = { ...door, name: "rear door", along: 2000, from: 90 };
    const both = sweeps.run({ swings: [door, rear], things: [unit(550, 1450)] }).results as {
      overlaps: { meets: string }[];
      longest: { length: number }[];
    };
    expect(both.overlaps.map((x) => x.meets)).toEqual(["door", "rear door"]);
    expect(both.longest[0].length).toBe(0);
  });
  it("lets no leg stand in a sweep, and nothing run over a place kept free", () => {
    const leg = { ...unit(300, 340, { left: 300, right: 340 }), name: "leg", kind: "leg" as const };
    const drain = { ...unit(200, 300, { left: 450, right: 520 }), name: "drain", kind: "free" as const };
    const drawer = { name: "drawer", from: 150, to: 650, left: 430, right: 800 };
    const { findings } = sweeps.run({ swings: [door], slides: [drawer], things: [leg, drain], clearance: 0 });
    expect(findings.map((f) => f.level)).toEqual(["stop", "stop", "stop"]);
    expect(findings[0].text).toMatch(/^leg may not stand in the sweep of door/);
    expect(findings[2].text).toBe("drawer runs over drain, which is kept free, by 90");
  });
  it("refuses a thing that ends before it begins, by its row", () => {
    const paths = (things: ReturnType<typeof unit>[]) => {
      try {
        sweeps.run({ things });
        return [];
      } catch (e) {
        return (e as InputError).faults.map((f) => f.path);
      }
    };
    expect(paths([unit(0, 100), unit(100, 90, { right: -5 })])).toEqual(["things[1].to", "things[1].right"]);
    expect(InputError.prototype).toBeInstanceOf(Error);
  });
});
