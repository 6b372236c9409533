import { describe, expect, it } from "vitest";
import { done, job, NOW, testShop } from "../testing/shop";
import { buildMoney, moneyOf } from "./money";

describe("what a build costs", () => {
  it("counts parts by where they are, and hours of every head", () => {
    const shop = testShop();
    const fan = job(shop, "OP-04");
    fan.parts = [
      { ...fan.parts[0], price: 260, quantity: 1, state: "checked" },
      { ...fan.parts[1], price: 14, quantity: 2, state: "promised" },
      { ...fan.parts[2], price: 18, quantity: 1, state: "needed" },
      { ...fan.parts[2], price: 0, quantity: 9, state: "needed" },
    ];
    fan.minutes = { best: 60, likely: 120, worst: 240 };
    // two people at two hours each, 50 an hour
    expect(moneyOf(shop, [fan], NOW)).toEqual({
      partsHere: 260,
      partsOrdered: 28,
      partsNeeded: 18,
      hoursDone: 0,
      hoursLeft: 4,
      soFar: 260,
      toCome: 28 + 18 + 200,
      unpriced: 1,
    });
  });
  it("takes the clock where work was done, with who was on it", () => {
    const shop = testShop();
    done(shop, ["OP-04"], NOW - 100);
    const fan = job(shop, "OP-04");
    Object.assign(fan, { workedMinutes: 90, parts: [], fitters: ["ines", "teo"] });
    expect(moneyOf(shop, [fan], NOW)).toMatchObject({ hoursDone: 3, hoursLeft: 0, soFar: 150, toCome: 0 });
  });
  it("adds up by stage", () => {
    const shop = testShop();
    const { whole, stages } = buildMoney(shop, shop.builds[0], NOW);
    const sum = stages.reduce((n, s) => n + s.money.soFar + s.money.toCome, 0);
    expect(sum).toBeCloseTo(whole.soFar + whole.toCome, 6);
    expect(stages.map((s) => s.stage)[0]).toBe("strip");
  });
});
