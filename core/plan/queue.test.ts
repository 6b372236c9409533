import { describe, expect, it } from "vitest";
import { random } from "../rng";
import { Queue, Sighted } from "./queue";

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

describe("a queue that sees only so far", () => {
  it("gives the most urgent of those that could begin soon, of equals the one that came first", () => {
    const r = random(9);
    for (let round = 0; round < 50; round++) {
      const queue = new Sighted();
      const plain: { job: number; key: number; lower: number }[] = [];
      for (let step = 0; step < 200; step++) {
        if (r() < 0.6) {
          const one = { job: step, key: Math.floor(r() * 12), lower: Math.floor(r() * 20) };
          queue.push(one.job, one.key, one.lower);
          plain.push(one);
        } else {
          const window = Math.floor(r() * 10);
          const limit = Math.min(...plain.map((p) => p.lower)) + window;
          const seen = plain.filter((p) => p.lower <= limit);
          const first = seen.find((p) => p.key === Math.min(...seen.map((x) => x.key)));
          expect(queue.pop(window)).toBe(first?.job);
          if (first) plain.splice(plain.indexOf(first), 1);
        }
        expect(queue.size).toBe(plain.length);
      }
    }
  });

  it("lets work without end wait, and gives it where nothing else is there", () => {
    const queue = new Sighted();
    queue.push(1, 0, Number.POSITIVE_INFINITY);
    queue.push(2, 5, 100);
    expect([queue.pop(0), queue.pop(0), queue.pop(0)]).toEqual([2, 1, undefined]);
  });
});
