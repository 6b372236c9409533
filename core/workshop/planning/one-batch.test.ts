// The same product in two zones is one batch.

import { expect, it } from "vitest";
import { paperWords } from "../records/papers";
import { job, PLAIN, testBuild, testShop } from "../testing/shop";
import { batchWords, oneBatch } from "./one-batch";

it("two windows on two sides take one batch of adhesive; one that waits for the other, or is begun, does not", () => {
  const shop = testShop([testBuild("a", { ...PLAIN, windows: 2 })]);
  const [b] = shop.builds;
  const [left, right] = [job(shop, "OP-06a"), job(shop, "OP-06b")];
  expect(left.zones).not.toEqual(right.zones);
  const both = oneBatch(b, left);
  expect(both.map((x) => x.job.id)).toContain(right.id);
  expect(both.find((x) => x.job.id === right.id)!.products.length).toBeGreaterThan(0);
  expect(batchWords(b, left)[0]).toMatch(new RegExp(`^One batch with .*${right.name}.*: .*\\. Set up and mix once$`));
  expect(paperWords(shop, b, left)).toContain(batchWords(b, left)[0]);
  right.after = [{ job: left.id, lag: 0, lagKind: "elapsed", ignoreHold: false, reason: "x" }];
  expect(oneBatch(b, left).map((x) => x.job.id)).not.toContain(right.id);
  right.after = [];
  right.state = "started";
  expect(oneBatch(b, left).map((x) => x.job.id)).not.toContain(right.id);
  expect(batchWords(b, { ...left, state: "done" })).toEqual([]);
});
