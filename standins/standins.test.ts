import { describe, expect, it } from "vitest";
import { DAY, zoneOf } from "../core/time/zone";
import { job, NOW, testShop } from "../core/workshop/testing/shop";
import { askSuppliers } from "./suppliers";
import { forecast } from "./weather";

const zone = zoneOf("Europe/Lisbon");
const place = { latitude: 38.52, longitude: -8.89 };

describe("the weather feed", () => {
  const days = forecast(place, zone, NOW, 14);
  it("gives consecutive days, the same each time it is asked", () => {
    expect(days.length).toBe(14);
    expect(days[0].date).toBe("2027-03-03");
    expect(forecast(place, zone, NOW, 14)).toEqual(days);
    expect(forecast(place, zone, NOW + DAY, 13)[0].sunrise).toBe(days[1].sunrise);
  });
  it("has light from astronomy, windows that run forward and lows below highs", () => {
    for (const d of days) {
      expect(d.sunrise >= "06:40" && d.sunrise <= "07:08").toBe(true);
      expect(d.sunset >= "18:28" && d.sunset <= "18:46").toBe(true);
      expect(d.lowC).toBeLessThan(d.highC);
      for (const [a, b] of d.dry) expect(a < b).toBe(true);
    }
  });
  it("is warmer and drier in summer than in winter, and the other way round south of the equator", () => {
    const mean = (at: string, latitude: number) => {
      const list = forecast({ latitude, longitude: 0 }, zoneOf("UTC"), zoneOf("UTC").parse(at), 60);
      return { warm: list.reduce((n, d) => n + d.highC, 0) / 60, dry: list.filter((d) => d.dry[0]?.[1] === "24:00").length };
    };
    expect(mean("2027-07-01T00:00", 40).warm).toBeGreaterThan(mean("2027-01-01T00:00", 40).warm + 8);
    expect(mean("2027-07-01T00:00", 40).dry).toBeGreaterThan(mean("2027-01-01T00:00", 40).dry);
    expect(mean("2027-01-01T00:00", -35).warm).toBeGreaterThan(mean("2027-07-01T00:00", -35).warm);
  });
  it("does without a sunrise beyond the polar circle", () =>
    expect(forecast({ latitude: 80, longitude: 0 }, zoneOf("UTC"), zoneOf("UTC").parse("2027-12-20T00:00"), 1)[0].sunrise).toBe("06:00"));
});

describe("the supplier feed", () => {
  it("promises what was ordered for a weekday within the supplier's span, and says the same when asked twice", () => {
    const shop = testShop();
    job(shop, "OP-04").parts[0].state = "ordered";
    const answers = askSuppliers(shop, NOW, zone);
    expect(answers.length).toBe(1);
    expect(answers[0].text).toContain("Bay Glass promises");
    const days = zone.dayOf(answers[0].promisedAt) - zone.dayOf(NOW);
    expect(days).toBeGreaterThanOrEqual(1);
    expect(days).toBeLessThanOrEqual(14);
    expect((zone.dayOf(answers[0].promisedAt) + 3) % 7).toBeLessThan(5);
    expect(askSuppliers(shop, NOW, zone)).toEqual(answers);
  });
  it("lets some first promises slip, later and only once", () => {
    const shop = testShop();
    const part = job(shop, "OP-04").parts[0];
    let slips = 0;
    for (let d = 0; d < 60; d++) {
      const now = NOW + d * DAY;
      Object.assign(part, { state: "promised", promisedAt: now + 2 * DAY, firstPromisedAt: now + 2 * DAY });
      const [a] = askSuppliers(shop, now, zone);
      if (!a) continue;
      slips++;
      expect(a.promisedAt).toBeGreaterThan(part.promisedAt!);
      expect(a.text).toContain(" moves ");
    }
    expect(slips).toBeGreaterThan(2);
    expect(slips).toBeLessThan(25);
    part.promisedAt! += DAY;
    expect(askSuppliers(shop, NOW, zone)).toEqual([]);
  });
});
