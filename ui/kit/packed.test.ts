import fc from "fast-check";
import { expect, it } from "vitest";
import { packed, unpacked } from "./packed";

const row = fc.record({
  id: fc.string(),
  word: fc.oneof(fc.constantFrom("a", "b", ""), fc.constant(null)),
  figure: fc.oneof(fc.integer(), fc.constant(null)),
  mixed: fc.oneof(fc.string(), fc.integer()),
  more: fc.option(fc.record({ list: fc.array(fc.string()) }), { nil: null }),
});

it("gives every row back as it was, whatever is in it", () => {
  fc.assert(
    fc.property(fc.array(row), (list) => {
      expect(unpacked(JSON.parse(JSON.stringify(packed(list))))).toEqual(list);
    }),
  );
});

it("says each word and each field once", () => {
  const list = Array.from({ length: 1000 }, (_, i) => ({ name: "Roof fan 400 × 400 with template", build: "Night bakery", need: i }));
  expect(JSON.stringify(packed(list)).length).toBeLessThan(JSON.stringify(list).length / 5);
});
