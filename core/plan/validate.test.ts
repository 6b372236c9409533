// Both ways of holding a value against a schema find the same faults, in every calculator and whatever is wrong.

import { describe, expect, it } from "vitest";
import { random } from "../rng";
import { CALCULATORS } from "../setout/calculators";
import cases from "../setout/testing/cases.json";
import worked from "../setout/testing/worked.json";
import { compiled, reading, type SchemaFault } from "./validate";

const said = (list: SchemaFault[]) =>
  list
    .filter((f) => f.keyword !== "anyOf")
    // Which words a limit has is asked for its keyword only.
    .map(
      (f) =>
        `${f.keyword} ${f.instancePath} ${JSON.stringify(f.params.missingProperty ?? f.params.additionalProperty ?? f.params.allowedValues ?? f.params.pattern ?? f.params.limit ?? f.params.multipleOf ?? f.params.i ?? "")} ${f.message && /^must (be [<>m]|NOT have (fewer|more))/.test(f.message) ? f.message : ""}`,
    )
    .sort();

const WRONG = [null, -1, 1e9, 0.5, "", "x", "9999-01-01T08:00", "2026-02-31", true, [], {}, [1, 1], { a: 1 }];

function broken(value: unknown, r: () => number): unknown {
  if (r() < 0.3 || value === null || typeof value !== "object") return WRONG[Math.floor(r() * WRONG.length)];
  if (Array.isArray(value)) {
    const i = Math.floor(r() * value.length);
    return value.length ? value.map((v, k) => (k === i ? broken(v, r) : v)) : [broken(null, r)];
  }
  const out: Record<string, unknown> = { ...value };
  const keys = Object.keys(out);
  const k = keys[Math.floor(r() * keys.length)];
  if (k === undefined || r() < 0.15) out.extra = 1;
  else if (r() < 0.25) delete out[k];
  else out[k] = broken(out[k], r);
  return out;
}

/** Inputs that calculators take, several for some. */
const inputs = [...cases, ...worked] as { calculator: string; input: unknown }[];

describe("read and compiled", () => {
  it("find the same in every calculator", () => {
    let faulty = 0;
    const known = CALCULATORS.filter((c) => inputs.some((i) => i.calculator === c.name));
    expect(known.length).toBeGreaterThanOrEqual(29);
    for (const c of known) {
      const [a, b] = [compiled(c.schema), reading(c.schema)];
      const example = inputs.find((i) => i.calculator === c.name)!.input;
      expect([c.name, said(a(example)), said(b(example))]).toEqual([c.name, [], []]);
      const r = random(c.name.length * 31);
      for (let i = 0; i < 60; i++) {
        const value = broken(example, r);
        const [x, y] = [said(a(value)), said(b(value))];
        expect([c.name, JSON.stringify(value), y]).toEqual([c.name, JSON.stringify(value), x]);
        if (x.length) faulty++;
      }
    }
    expect(faulty).toBeGreaterThan(1000);
  });
  it("know days and times that the calendar has", () => {
    const schema = { type: "object", properties: { at: { type: "string", format: "local-time" }, day: { type: "string", format: "day" } } };
    for (const v of [{ at: "2026-02-29T08:00" }, { day: "2026-02-31" }, { at: "9999-01-01T08:00", day: "2026-01-01" }, { at: 3 }])
      expect(said(reading(schema)(v))).toEqual(said(compiled(schema)(v)));
  });
});
