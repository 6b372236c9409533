// What holds for every calculator: it is honest about what it was given, whatever sheet it is.

import { describe, expect, it } from "vitest";
import { InputError } from "@/core/plan/fault";
import { asResult, findCalculator } from "@/core/setout/calculators";
import { toDxf } from "@/core/setout/drawing/dxf";
import { toSvg } from "@/core/setout/drawing/svg";
import { sayResults } from "@/core/setout/say-results";
import { toInput } from "./fields";
import { SHEETS } from "./sheets";

type Any = Record<string, unknown>;
const startOf = (name: string): Any => {
  const s = SHEETS.find((x) => x.name === name)!;
  const { input } = toInput(s.fields, s.start);
  return s.shape ? s.shape(input) : input;
};
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

describe.each(SHEETS.map((s) => s.name))("%s", (name) => {
  const start = startOf(name);
  const outcome = findCalculator(name)!.run(start);
  it("calls its figures by words: no unit's code stands in a name", () => {
    for (const r of sayResults(name, outcome.results)) {
      expect(r.label).toMatch(/\S/);
      expect(r.label).not.toMatch(/\b(mm2|dm2|m2|[a-z]+H|[a-z]+C|[a-z]+K)\b/);
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
