import { expect, it } from "vitest";
import { NOW, testBuild, testShop } from "../testing/shop";
import { implausibleDates } from "./implausible-dates";

it("names each date that nobody can have meant, and the yard that is too full, and nothing else", () => {
  const shop = testShop([testBuild("a"), { ...testBuild("b"), at: "yard" }]);
  expect(implausibleDates(shop, NOW)).toEqual([]);
  shop.builds[0].due = Date.UTC(9999, 0, 1) / 60_000;
  shop.workshop.yardPlaces = 0;
  const part = shop.builds[1].jobs.flatMap((j) => j.parts)[0];
  Object.assign(part, { state: "promised", promisedAt: Date.UTC(9999, 0, 1) / 60_000 });
  const said = implausibleDates(shop, NOW);
  expect(said.map((s) => s.href)).toEqual(["/builds/a", `/stores?part=${encodeURIComponent(part.id)}`, "/workshop?tab=settings"]);
  expect(said[0].text).toContain("9999");
});
