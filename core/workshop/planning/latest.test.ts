import { describe, expect, it } from "vitest";
import { at, job, NOW, testShop } from "../testing/shop";
import { daysAtStake, leadNineOfTen, leadOf, orderBy, samplesBy } from "./latest";

const lead = (leadBestDays: number, leadLikelyDays: number, leadWorstDays: number) =>
  leadNineOfTen({ leadBestDays, leadLikelyDays, leadWorstDays });

/** The point of a triangle below which so much of it lies, by adding up thin slices. */
function bySlices(best: number, likely: number, worst: number, share: number): number {
  const n = 20_000;
  const height = (x: number) => (x <= likely ? (x - best) / Math.max(1e-9, likely - best) : (worst - x) / Math.max(1e-9, worst - likely));
  const slices = Array.from({ length: n }, (_, k) => best + ((k + 0.5) / n) * (worst - best));
  const all = slices.reduce((sum, x) => sum + height(x), 0);
  let sum = 0;
  return slices.find((x) => (sum += height(x)) >= share * all)!;
}

describe("the lead time that a supplier keeps in nine cases of ten", () => {
  it("is the 90 % point of best, likely and worst, in whole days", () => {
    // 12 - √(0.1 · 10 · 7) = 9.35
    expect(lead(2, 5, 12)).toBe(10);
    for (const [b, l, w] of [
      [1, 3, 10],
      [2, 5, 12],
      [5, 30, 60],
      [3, 3, 20],
      [4, 20, 21],
      [0, 40, 41],
    ])
      expect(lead(b, l, w), `${b} ${l} ${w}`).toBe(Math.ceil(bySlices(b, l, w, 0.9) - 0.002));
  });
  it("is the likely one where the supplier never differs, and between likely and worst else", () => {
    expect(lead(5, 5, 5)).toBe(5);
    expect(lead(0, 0, 0)).toBe(0);
    for (const [b, l, w] of [
      [1, 2, 3],
      [2, 4, 40],
    ]) {
      expect(lead(b, l, w)).toBeGreaterThanOrEqual(l);
      expect(lead(b, l, w)).toBeLessThanOrEqual(w);
    }
  });
  it("is taken as five days where nobody knows the supplier", () => {
    expect(leadOf([], "x")).toBe(5);
    expect(leadOf(testShop().suppliers, "s")).toBe(10);
  });
});

describe("the latest moments of a part", () => {
  const shop = testShop();
  it("to order it: its first use less goods-in less the lead time", () => {
    expect(orderBy(shop, "s", at("2027-03-20T10:00"))).toBe(at("2027-03-10T09:00"));
    shop.workshop.goodsInMinutes = 240;
    expect(orderBy(shop, "s", at("2027-03-20T10:00"))).toBe(at("2027-03-10T06:00"));
    expect(orderBy(shop, "nobody", at("2027-03-20T10:00"))).toBe(at("2027-03-15T06:00"));
  });
  it("to ask for samples: the days to see them and to choose before that, where there are any", () => {
    const part = (sampleDays: number) => ({ supplierId: "s", sampleDays });
    expect(samplesBy(shop, part(7), at("2027-03-20T10:00"))).toBe(at("2027-03-03T06:00"));
    expect(samplesBy(shop, part(0), at("2027-03-20T10:00"))).toBeUndefined();
  });
});

describe("the days at stake", () => {
  const shop = testShop();
  const part = job(shop, "OP-04").parts[0];
  const stake = (start: string, more: object = {}) => daysAtStake(shop, { ...part, state: "needed", ...more }, at(start), NOW);
  it("are those from its first use to when it could be here, likely, if it were ordered now", () => {
    // Wednesday 3 March, 10:00; a day to send the order and five days likely, an hour of goods-in: Tuesday 9, 11:00.
    expect(stake("2027-03-09T11:00")).toBe(0);
    expect(stake("2027-03-09T10:00")).toBe(1);
    expect(stake("2027-03-05T08:00")).toBe(5);
    expect(stake("2027-04-01T08:00")).toBe(0);
  });
  it("count the days to see samples and to choose", () => {
    expect(stake("2027-03-09T11:00", { sampleDays: 7 })).toBe(7);
    expect(stake("2027-03-16T11:00", { sampleDays: 7 })).toBe(0);
  });
  it("are counted for a supplier that nobody knows too", () => {
    expect(stake("2027-03-05T08:00", { supplierId: "nobody" })).toBeGreaterThan(0);
  });
});
