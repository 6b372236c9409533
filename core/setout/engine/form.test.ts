import { describe, expect, it } from "vitest";
import { CALCULATORS, type CalculatorName, calculator } from "../calculators";
import { blankDraft, type Draft, toDraft, toInput } from "./form";

const startOf = (name: CalculatorName): Draft => toDraft(calculator(name).inputs, calculator(name).example);
const run = (name: CalculatorName, change: Draft = {}) => {
  const c = calculator(name);
  const { input, faults } = toInput(c.inputs, { ...blankDraft(c.fields), ...startOf(name), ...change });
  return { faults, result: faults.length ? undefined : c.run(input) };
};

describe("sheets", () => {
  it("start with figures that every calculator can work with", () => {
    for (const c of CALCULATORS) {
      const { faults, result } = run(c.name);
      expect(faults, c.name).toEqual([]);
      expect(Object.keys(result!.results).length, c.name).toBeGreaterThan(0);
    }
  });
  it("take inches where millimetres stand", () => {
    const { result } = run("opening", { "cut.w": '44"', "cut.h": "52 cm" });
    const { edges } = result!.results as { edges: { left: number; right: number; bottom: number; top: number } };
    expect(edges.right - edges.left).toBeCloseTo(1117.6, 1);
    expect(edges.top - edges.bottom).toBeCloseTo(520, 6);
  });
  it("turn a mode and its offset into a place, and two diagonals into a check", () => {
    const { result } = run("opening", {
      "place.along.mode": "fromRight",
      "place.along.by": "100",
      "measuredDiagonals.d1": "1234",
      "measuredDiagonals.d2": "1240",
    });
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
      keepOuts: [{ name: "wall", left: "1", right: "2", bottom: "x", top: "4", gap: "5" }],
    });
    expect(faults.map((f) => f.path)).toEqual(["cut.w", "cut.h", "keepOuts[0].bottom"]);
    expect(faults[0].message).toBe("is missing");
  });
  it("leaves out what may be empty, reads corners of a zone, refuses words for figures", () => {
    const { input } = toInput(calculator("under-floor").inputs, startOf("under-floor"));
    expect((input.zones as { polygon: number[][] }[])[0].polygon[1]).toEqual([2100, 380]);
    expect(toInput(calculator("damping").inputs, { ...startOf("damping"), waste: "" }).input).not.toHaveProperty("waste");
    expect(run("cure", { tempC: "cold" }).faults).toEqual([{ path: "tempC", message: "cold is no number" }]);
  });
});
