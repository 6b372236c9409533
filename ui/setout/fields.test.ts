import { describe, expect, it } from "vitest";
import { CALCULATORS, findCalculator } from "@/core/setout/calculators";
import { blankRow, type Draft, toInput } from "./fields";
import { SHEETS } from "./sheets";

const sheet = (name: string) => SHEETS.find((s) => s.name === name)!;
const run = (name: string, change: Draft = {}) => {
  const s = sheet(name);
  const { input, faults } = toInput(s.fields, { ...s.start, ...change });
  return { faults, result: faults.length ? undefined : findCalculator(name)!.run(s.shape ? s.shape(input) : input) };
};

describe("sheets", () => {
  it("start with figures that every calculator can work with", () => {
    for (const s of SHEETS) {
      const { faults, result } = run(s.name);
      expect(faults, s.name).toEqual([]);
      expect(Object.keys(result!.results).length, s.name).toBeGreaterThan(0);
    }
    expect(SHEETS.length).toBe(CALCULATORS.length);
  });
  it("take inches where millimetres stand", () => {
    const { result } = run("opening", { "cut.w": '44"', "cut.h": "52 cm" });
    const { edges } = result!.results as { edges: { left: number; right: number; bottom: number; top: number } };
    expect(edges.right - edges.left).toBeCloseTo(1117.6, 1);
    expect(edges.top - edges.bottom).toBeCloseTo(520, 6);
  });
  it("turn a mode and its offset into a place, and two diagonals into a check", () => {
    const { result } = run("opening", { "along.mode": "fromRight", "along.by": "100", d1: "1234", d2: "1240" });
    const r = result!.results as { lands: { right: number }; square: { outBy: number } };
    expect(r.lands.right).toBe(100);
    expect(r.square.outBy).toBe(6);
  });
});

describe("toInput", () => {
  it("names what is missing or can't be read, by its field", () => {
    const { faults } = run("opening", {
      "cut.w": "",
      "cut.h": "wide",
      keepOuts: [{ ...blankRow([]), name: "wall", left: "1", right: "2", bottom: "x", top: "4", gap: "5" }],
    });
    expect(faults.map((f) => f.path)).toEqual(["cut.w", "cut.h", "keepOuts[0].bottom"]);
    expect(faults[0].message).toBe("is missing");
  });
  it("leaves out what may be empty, reads corners of a zone, refuses words for figures", () => {
    const { input } = toInput(sheet("under-floor").fields, sheet("under-floor").start);
    expect((input.zones as { polygon: number[][] }[])[0].polygon[1]).toEqual([2100, 380]);
    expect(toInput(sheet("damping").fields, { ...sheet("damping").start, waste: "" }).input).not.toHaveProperty("waste");
    expect(run("cure", { tempC: "cold" }).faults).toEqual([{ path: "tempC", message: "cold is no number" }]);
  });
});
