import { describe, expect, it } from "vitest";
import { testShop } from "../testing/shop";
import { count, crewNames, initials, placeName, sayHours, sayMinutes } from "./say";

describe("words", () => {
  it("says durations as a colleague would", () => {
    expect([40, 60, 215, 2880, 3000].map(sayMinutes)).toEqual(["40 min", "1 h", "3 h 35", "2 days", "2 days 2 h"]);
    expect(sayHours(11_110)).toBe("185 h");
    expect(sayMinutes(-4)).toBe("0 min");
  });
  it("names places and people, and falls back to what it was given", () => {
    const shop = testShop();
    expect(["b1", "yard", "bench", "gone"].map((p) => placeName(shop, p))).toEqual(["Long bay", "the yard", "the bench", "gone"]);
    expect(crewNames(shop, ["ines", "teo", "x"])).toBe("Ines + Teo + x");
  });
  it("gives two letters and counts", () => {
    expect([initials("Ines"), initials("Ada Bell")]).toEqual(["IN", "AB"]);
    expect([count(1, "photo"), count(3, "photo")]).toEqual(["1 photo", "3 photos"]);
  });
});
