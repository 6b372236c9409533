import { describe, expect, it } from "vitest";
import { CALCULATORS, calculatorsFor } from "./calculators";

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
