import { describe, expect, it } from "vitest";
import { CALCULATORS, calculatorsFor } from "./calculators";
import type { Input, Inputs } from "./engine/inputs";

describe("questions", () => {
  it("are asked by every sheet, each once, and are short", () => {
    const asked = CALCULATORS.map((c) => c.asks);
    for (const q of asked) expect(q.endsWith("?") && q.length < 90, q).toBe(true);
    expect(new Set(asked).size).toBe(asked.length);
  });
  it("are found by words of the question, the title, or words for the same thing", () => {
    const found = (search: string) => calculatorsFor(search).map((s) => s.name);
    expect(found("how many mats")).toEqual(["damping"]);
    expect(found("ribs fan")).toContain("roof-plan");
    expect(found("condensation")).toEqual(["dew-point"]);
    expect(found("")).toHaveLength(CALCULATORS.length);
    expect(found("gulls")).toEqual([]);
  });
});

describe("inputs", () => {
  /** Every figure with its path; a table counts as one, for it is told as one. */
  const leaves = (inputs: Inputs, before = ""): [string, Exclude<Input, { kind: "group" }>][] =>
    Object.entries(inputs).flatMap(([name, i]) => (i.kind === "group" ? leaves(i.inputs, `${before}${name}.`) : [[before + name, i]]));

  it.each(CALCULATORS.map((c) => [c.name, c] as const))("of %s each say where they are read or what they are for", (_, c) => {
    for (const [path, input] of leaves(c.inputs)) {
      expect(input.help, path).toBeTruthy();
      expect(input.help!.length, path).toBeLessThanOrEqual(110);
      expect(input.help, path).toMatch(/[.]$/);
    }
  });
});
