import { describe, expect, it } from "vitest";
import { between, random } from "../../rng";
import { openSkin } from "../../setout/openings/open-skin/open-skin";
import { goNoGo } from "../../setout/time/go-no-go/go-no-go";
import { at, job, NOW, testShop } from "../testing/shop";
import { opensSkin, skinClock, skinMinutes } from "./skin";

describe("skinClock", () => {
  it("ends outdoors with the dry window: latest start = end − 45 − likely work × 1.4", () => {
    const shop = testShop();
    const fan = job(shop, "OP-04");
    const clock = skinClock(shop, fan, "b2", NOW);
    expect(clock).toMatchObject({ limit: at("2027-03-03T15:00"), binds: "rain", kept: { before: "rain", minutes: 45 } });
    expect(clock.latest).toBe(at("2027-03-03T15:00") - 45 - Math.round(1.4 * fan.minutes.likely));
  });
  it("goes by the house's own caution and margins, as its sheet does", () => {
    const shop = testShop();
    const fan = job(shop, "OP-04");
    shop.workshop.figures = { "go-no-go.caution": 2, "go-no-go.marginRain": 60 };
    expect(skinClock(shop, fan, "b2", NOW).latest).toBe(at("2027-03-03T15:00") - 60 - 2 * fan.minutes.likely);
  });
  it("says what its set-out sheet says, with the same figures, for any weather", () => {
    const r = random(7);
    for (let i = 0; i < 60; i++) {
      const shop = testShop();
      const fan = job(shop, "OP-04");
      fan.minutes = { best: 30, likely: between(r, 40, 300), worst: 400 };
      const clockOf = (m: number) => `${String(Math.floor(m / 60)).padStart(2, "0")}:${String(m % 60).padStart(2, "0")}`;
      const sunset = clockOf(between(r, 14 * 60, 20 * 60));
      const dryEnd = clockOf(between(r, 11 * 60, 19 * 60));
      shop.weather[0] = { ...shop.weather[0], dry: [["00:00", dryEnd]], sunset };
      const steps = [
        { name: "work", minutes: fan.minutes.likely - 20 },
        { name: "primer dries", minutes: 20, drying: true },
      ];
      // Every other time with a kept sheet of its own: other caution, drying apart.
      const input = { steps, sunset, rain: dryEnd, shiftEnd: "17:00", ...(i % 4 === 1 ? { caution: 1.7, marginRain: 60 } : {}) };
      const own = i % 2 === 1;
      if (own) shop.builds[0].sheets.push({ id: "s", jobId: fan.id, calculator: "go-no-go", input } as never);
      const asked = own ? input : { ...input, steps: [{ name: "all", minutes: fan.minutes.likely }] };
      const says = goNoGo.run(asked).results as { latestStart: string | null; limit: string; carefulMinutes: number };
      const clock = skinClock(shop, fan, "b2", NOW);
      expect(clock.careful).toBe(says.carefulMinutes);
      expect(clock.latest).toBe(
        says.latestStart ? at(`2027-03-03T${says.latestStart}`) : at(`2027-03-03T${says.limit}`) - says.carefulMinutes,
      );
    }
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
  it("takes a job's three times for a triangle, as the sheet does: between likely and worst, and exactly what can't vary", () => {
    // 200 − √(0.1 · 110 · 60) = 174.3, within what 4000 runs tell.
    expect(Math.abs(skinMinutes({ minutes: { best: 90, likely: 140, worst: 200 } }) - 174.3)).toBeLessThan(2);
    expect(skinMinutes({ minutes: { best: 60, likely: 60, worst: 60 } })).toBe(60);
    const fan = job(testShop(), "OP-04").minutes;
    const p = skinMinutes({ minutes: fan });
    expect(p).toBeGreaterThan(fan.likely);
    expect(p).toBeLessThan(fan.worst);
    const sheet = openSkin.run({
      now: "10:00",
      steps: [{ name: "fan", minutes: fan }],
      people: 1,
      peopleNeeded: 1,
      sunset: "18:00",
      dry: [{ from: "00:00", to: "24:00", chance: 1 }],
      tempC: 18,
      minC: 5,
      units: [],
    });
    expect((sheet.results as { p90: number }).p90).toBe(p);
  });
});
