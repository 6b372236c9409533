import { describe, expect, it } from "vitest";
import { opensSkin, SHEET_MINUTES, skinClock } from "./skin";
import { at, job, NOW, testShop } from "./testing/shop";

describe("skinClock", () => {
  it("ends outdoors with the dry window: latest start = end − worst − 20", () => {
    const shop = testShop();
    const fan = job(shop, "OP-04");
    const clock = skinClock(shop, fan, "b2", NOW);
    expect(clock).toMatchObject({ limit: at("2027-03-03T15:00"), binds: "rain" });
    expect(clock.latest).toBe(at("2027-03-03T15:00") - fan.minutes.worst - SHEET_MINUTES);
  });
  it("names the next day on which the whole of it fits, past one that is too short", () => {
    const shop = testShop();
    expect(skinClock(shop, job(shop, "OP-04"), "b2", NOW).otherDay).toBe("2027-03-05");
  });
  it("ends under a lit roof with the shift, whatever the weather", () => {
    const shop = testShop();
    expect(skinClock(shop, job(shop, "OP-04"), "b1", NOW)).toMatchObject({ limit: at("2027-03-03T17:00"), binds: "end of shift" });
  });
  it("ends with dusk where that comes before the shift's end", () => {
    const shop = testShop();
    shop.weather[0] = { ...shop.weather[0], dry: [["00:00", "24:00"]], sunset: "16:20" };
    expect(skinClock(shop, job(shop, "OP-04"), "b2", NOW)).toMatchObject({ limit: at("2027-03-03T16:20"), binds: "dusk" });
  });
  it("gives no time at all on a day without a dry hour left", () => {
    const shop = testShop();
    shop.weather[0] = { ...shop.weather[0], dry: [["00:00", "08:00"]] };
    const clock = skinClock(shop, job(shop, "OP-04"), "b2", NOW);
    expect(clock.binds).toBe("rain");
    expect(clock.latest).toBeLessThan(NOW);
  });
  it("leaves the other day open when the forecast has none", () => {
    const shop = testShop();
    shop.weather = shop.weather.slice(0, 2);
    expect(skinClock(shop, job(shop, "OP-04"), "b2", NOW).otherDay).toBeUndefined();
  });
  it("holds for cutting jobs only", () => {
    const shop = testShop();
    expect(opensSkin(job(shop, "OP-04"))).toBe(true);
    expect(opensSkin(job(shop, "IN-07"))).toBe(false);
    expect(opensSkin(job(shop, "OP-02"))).toBe(false);
  });
});
