import { describe, expect, it } from "vitest";
import { random } from "../../rng";
import { Heap } from "./heap";

describe("Heap", () => {
  it("gives things by falling weight, those that grew meanwhile too", () => {
    for (let seed = 1; seed < 40; seed++) {
      const r = random(seed);
      const weight = Float64Array.from({ length: 60 }, () => r());
      const heap = new Heap(weight);
      for (let v = 0; v < 60; v++) heap.push(v);
      for (let k = 0; k < 30; k++) {
        const v = Math.floor(r() * 60);
        weight[v] += r();
        heap.grown(v);
      }
      const out: number[] = [];
      for (let v = heap.pop(); v >= 0; v = heap.pop()) out.push(v);
      expect(out.length).toBe(60);
      expect(out.map((v) => weight[v])).toEqual([...weight].sort((a, b) => b - a));
      expect(heap.has(out[0])).toBe(false);
      expect(heap.pop()).toBe(-1);
    }
  });
});
