// Figures of the house: bounded, kept only where they differ, and the rules go by them.

import { describe, expect, it } from "vitest";
import { firstTimeWords } from "./first-time";
import { FIGURE_NAMES, figure, figureFaults, HOUSE_FIGURES, ownFigures } from "./house-figures";
import { slotOffers } from "./short-slot";
import { at, job, testShop } from "./testing/shop";
import { tiredWords } from "./tired";

describe("figures of the house", () => {
  it("each have a usual value inside their range, a unit, and a page that shows them", () => {
    for (const n of FIGURE_NAMES) {
      const f = HOUSE_FIGURES[n];
      expect(f.usual >= f.min && f.usual <= f.max, n).toBe(true);
      expect(f.label.length > 5 && f.unit && f.shows, n).toBeTruthy();
      expect(figureFaults({ [n]: f.usual }), n).toEqual([]);
      expect(figureFaults({ [n]: f.max + 1 }), n).toHaveLength(1);
      expect(figureFaults({ [n]: f.min - 1 }), n).toHaveLength(1);
    }
  });
  it("refuse what is none, by name", () => {
    expect(figureFaults({ horoscope: 1, reach: "high", tiredDays: 2.5, toString: 1 }).map((f) => f.path)).toEqual([
      "horoscope",
      "reach",
      "tiredDays",
      "toString",
    ]);
    expect(figureFaults({ reach: Number.NaN })).toHaveLength(1);
  });
  it("are kept only where they differ from the usual", () => {
    expect(ownFigures({ reach: 2000, tiredHours: 8 })).toEqual({ tiredHours: 8 });
    const shop = testShop();
    expect(figure(shop, "reach")).toBe(2000);
    shop.workshop.figures = { reach: 1900 };
    expect(figure(shop, "reach")).toBe(1900);
  });
});

describe("rules go by the house's figures", () => {
  it("of who is tired", () => {
    const shop = testShop();
    const cut = job(shop, "OP-04");
    const said = () => tiredWords(shop, cut, [], "b1", at("2027-03-03T17:30")).join();
    expect(said()).not.toMatch(/17:30/);
    shop.workshop.figures = { lateHour: 17 };
    expect(said()).toMatch(/it is 17:30/);
  });
  it("of a first time", () => {
    const shop = testShop();
    const words = () => firstTimeWords(shop, job(shop, "OP-04"), ["teo"])[0];
    expect(words()).toMatch(/allow 1.5 ×/);
    shop.workshop.figures = { firstTime: 2 };
    expect(words()).toMatch(/allow 2 ×, about 420 min/);
  });
  it("of small gaps", () => {
    const shop = testShop();
    job(shop, "ST-04").remainders = [{ text: "two screws" } as never];
    expect(slotOffers(shop, 15, at("2027-03-03T10:00"))).toEqual([]);
    shop.workshop.figures = { slotFrom: 10 };
    expect(slotOffers(shop, 15, at("2027-03-03T10:00"))).toHaveLength(1);
  });
});
