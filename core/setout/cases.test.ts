// The worked cases of the trade, and further cases of every family of calculators. The further ones were worked out apart from this code, from the formulas of the reference.

import { describe, expect, it } from "vitest";
import { findCalculator } from "./calculators";
import cases from "./testing/cases.json";
import worked from "./testing/worked.json";

interface Case {
  family: string;
  calculator: string;
  input: unknown;
  /** Results by path. */
  expect: Record<string, unknown>;
  /** Whether something in it says stop. */
  stop?: boolean;
}

const at = (value: unknown, path: string): unknown => path.split(".").reduce<unknown>((v, k) => (v as Record<string, unknown>)?.[k], value);

const list = [...worked, ...cases] as unknown as Case[];
const families = [...new Set(list.map((c) => c.family))];

describe.each(families)("cases of the family %s", (family) => {
  const mine = list.filter((c) => c.family === family);
  it("are enough", () => expect(mine.length).toBeGreaterThanOrEqual(family.startsWith("worked") ? 12 : 25));
  it.each(mine.map((c, i) => [i + 1, c] as const))("case %i", (_, c) => {
    const o = findCalculator(c.calculator)!.run(c.input);
    for (const [path, wanted] of Object.entries(c.expect)) {
      const got = at(o.results, path);
      if (typeof wanted === "number") expect(got, `${c.calculator} ${path}`).toBeCloseTo(wanted, 1);
      else expect(got, `${c.calculator} ${path}`).toEqual(wanted);
    }
    if (c.stop !== undefined)
      expect(
        o.findings.some((f) => f.level === "stop"),
        JSON.stringify(o.findings),
      ).toBe(c.stop);
  });
});
