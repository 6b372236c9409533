// What holds for every calculator: it is honest about what it was given, whatever sheet it is.

import { describe, expect, it } from "vitest";
import { InputError } from "../plan/fault";
import { asResult, CALCULATORS, calculator, findCalculator } from "./calculators";
import { toDxf } from "./drawing/dxf";
import { toSvg } from "./drawing/svg";
import { blankDraft, toDraft, toInput } from "./engine/form";
import { sayResults } from "./engine/say-results";

type Any = Record<string, unknown>;
const faultsOf = (name: string, input: unknown): string[] => {
  try {
    findCalculator(name)!.run(input);
  } catch (e) {
    if (e instanceof InputError) return e.faults.map((f) => f.path);
    throw e;
  }
  return [];
};
const requiredOf = (name: string): string[] => (findCalculator(name)!.schema as { required?: string[] }).required ?? [];
/** Every figure in a value, wherever it stands. */
const figures = (v: unknown): number[] =>
  typeof v === "number"
    ? [v]
    : Array.isArray(v)
      ? v.flatMap(figures)
      : v !== null && typeof v === "object"
        ? Object.values(v).flatMap(figures)
        : [];

describe.each(CALCULATORS.map((c) => c.name))("%s", (name) => {
  const start = calculator(name).example;
  const outcome = findCalculator(name)!.run(start);
  it("calls its figures by words: no unit's code stands in a name", () => {
    for (const r of sayResults(calculator(name), outcome.results)) {
      expect(r.label).toMatch(/\S/);
      expect(r.label).not.toMatch(/\b(mm2|dm2|m2|[a-z]+H|[a-z]+C|[a-z]+K)\b/);
    }
  });
  it("says of each of its results what it is called", () => {
    const declared = calculator(name).results;
    for (const key of Object.keys(outcome.results)) expect(declared[key]?.[0], `${name} ${key}`).toMatch(/\S/);
  });
  it("takes its example back out of the form as it went in", () => {
    const c = calculator(name);
    const { input, faults } = toInput(c.inputs, { ...blankDraft(c.fields), ...toDraft(c.inputs, start) });
    expect(faults).toEqual([]);
    expect(c.run(input)).toEqual(outcome);
  });
  it("tells of each input where its figure comes from, what it is called, and of house figures what they usually are", () => {
    for (const f of calculator(name).fields) {
      expect(f.label, `${name} ${f.path}`).toMatch(/\S/);
      expect(f.from, `${name} ${f.path}`).toBeTruthy();
      if (f.from === "house" && f.kind !== "rows") expect(f.usual ?? f.optional, `${name} ${f.path}`).toBeTruthy();
    }
  });
  it("refuses a field that it does not know, by its name", () => {
    expect(faultsOf(name, { ...start, somethingElse: 1 })).toContain("somethingElse");
  });
  it("names each field that it can't do without", () => {
    for (const key of requiredOf(name)) {
      const { [key]: _gone, ...rest } = start;
      expect(
        faultsOf(name, rest).some((p) => p === key || p.startsWith(`${key}.`)),
        `${name} without ${key}`,
      ).toBe(true);
    }
  });
  it("refuses words for figures, and what is no object at all", () => {
    for (const [key, v] of Object.entries(start))
      if (typeof v === "number") expect(faultsOf(name, { ...start, [key]: "wide" }), `${name} ${key}`).toContain(key);
    for (const wrong of [7, "x", []]) expect(faultsOf(name, wrong).length).toBeGreaterThan(0);
  });
  it("gives finite figures only, says something in words, and the same twice", () => {
    expect(figures(outcome.results).every(Number.isFinite)).toBe(true);
    expect(figures(outcome.cuts).every((n) => Number.isFinite(n) && n >= 0)).toBe(true);
    for (const f of outcome.findings) expect(f.text, name).not.toMatch(/undefined|NaN|null|Infinity/);
    expect(findCalculator(name)!.run(structuredClone(start))).toEqual(outcome);
  });
  it("leaves its input as it was", () => {
    const copy = structuredClone(start);
    findCalculator(name)!.run(copy);
    expect(copy).toEqual(start);
  });
  it("writes itself as JSON that reads back", () => {
    const r = asResult(name, outcome) as Any;
    expect(r).toMatchObject({ format: "wide-lane/setout@1", name });
    expect(JSON.parse(JSON.stringify(r))).toEqual(r);
    expect(r).not.toHaveProperty("drawing");
  });
  it("draws within bounds, as SVG and as DXF", () => {
    if (!outcome.drawing) return expect(outcome.drawing).toBeNull();
    const svg = toSvg(outcome.drawing);
    expect(svg).toMatch(/^<svg[\s\S]*<\/svg>\s*$/);
    expect(svg).not.toMatch(/NaN|undefined/);
    const dxf = toDxf(outcome.drawing);
    expect(dxf.trimEnd().endsWith("EOF")).toBe(true);
    expect(dxf).not.toMatch(/NaN|undefined/);
    expect(figures(outcome.drawing.shapes).every(Number.isFinite)).toBe(true);
  });
});
