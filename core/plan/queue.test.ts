import { describe, expect, it } from "vitest";
import { random } from "../rng";
import { Queue } from "./queue";

describe("a queue of jobs", () => {
  it("gives the least key first, of equals the one that came first, whatever is put in between", () => {
    const r = random(5);
    for (let round = 0; round < 50; round++) {
      const queue = new Queue();
      const plain: { job: number; key: number }[] = [];
      for (let step = 0; step < 200; step++) {
        if (r() < 0.6) {
          const key = Math.floor(r() * 12);
          queue.push(step, key);
          plain.push({ job: step, key });
        } else {
          const least = Math.min(...plain.map((p) => p.key));
          const at = plain.findIndex((p) => p.key === least);
          expect(queue.pop()).toBe(at < 0 ? undefined : plain.splice(at, 1)[0].job);
        }
        expect(queue.size).toBe(plain.length);
      }
    }
  });
});
