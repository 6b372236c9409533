import { describe, expect, it } from "vitest";
import { CALCULATOR_NAMES } from "./names";
import { QUESTIONS, sheetsFor } from "./questions";

describe("questions", () => {
  it("are asked by every sheet, each once, and are short", () => {
    const asked = CALCULATOR_NAMES.map((n) => QUESTIONS[n].asks);
    for (const q of asked) expect(q.endsWith("?") && q.length < 90, q).toBe(true);
    expect(new Set(asked).size).toBe(asked.length);
  });
  it("are found by words of the question, the title, or words for the same thing", () => {
    const all = CALCULATOR_NAMES.map((name) => ({ name, title: name }));
    const found = (search: string) => sheetsFor(all, search).map((s) => s.name);
    expect(found("how many mats")).toEqual(["damping"]);
    expect(found("ribs fan")).toContain("roof-plan");
    expect(found("condensation")).toEqual(["dew-point"]);
    expect(found("")).toHaveLength(all.length);
    expect(found("gulls")).toEqual([]);
  });
});
