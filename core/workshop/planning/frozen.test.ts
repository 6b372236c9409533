import { expect, it } from "vitest";
import { testBuild, testShop, zone } from "../testing/shop";
import { frozenUntil } from "./frozen";

const at = (text: string) => zone.parse(text);

it("leaves today and the next two working days alone, or as many as the house says", () => {
  const shop = testShop([testBuild("a")]);
  const until = (now: string, days?: number) => {
    shop.workshop.figures = days === undefined ? {} : { frozenDays: days };
    return zone.show(frozenUntil(shop, at(now)));
  };
  // A Wednesday: until Friday is over; a Thursday: over the weekend until Monday is.
  expect(until("2026-11-25T10:00")).toBe("2026-11-28T00:00");
  expect(until("2026-11-26T10:00")).toBe("2026-12-01T00:00");
  expect(until("2026-11-25T10:00", 0)).toBe("2026-11-26T00:00");
  expect(until("2026-11-25T10:00", 4)).toBe("2026-12-02T00:00");
});
