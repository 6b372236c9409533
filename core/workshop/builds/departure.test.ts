import { describe, expect, it } from "vitest";
import { shipped } from "../../library/testing";
import type { Penetration } from "../records/kinds/hole";
import { done, job, NOW, testShop } from "../testing/shop";
import { DEPARTURE_TICKS, departureStops, departureTicks } from "./departure";

describe("before a van leaves the yard", () => {
  it("asks the same of every van, and for signed seats and belts where they were loose", () => {
    const shop = testShop();
    const b = shop.builds[0];
    expect(departureTicks(b)).toEqual([...DEPARTURE_TICKS]);
    const seat = { ...job(shop, "ST-07"), ...shipped("ST-08") };
    expect(departureTicks({ jobs: [...b.jobs, seat] })).toHaveLength(DEPARTURE_TICKS.length);
    expect(departureTicks({ jobs: [...b.jobs, { ...seat, state: "paused" }] }).at(-1)).toMatch(/^seats and belts/);
  });
  it("stops it while work goes on, while a bond may not be driven, and with a bare hole", () => {
    const shop = testShop();
    const b = shop.builds[0];
    expect(departureStops(shop, b, NOW)).toEqual([]);
    job(shop, "OP-09").state = "started";
    expect(departureStops(shop, b, NOW)).toEqual([`${job(shop, "OP-09").name} is under way`]);
    job(shop, "OP-09").state = "todo";
    const window = job(shop, "OP-06a");
    done(shop, ["OP-06a"], NOW - 60);
    expect(window.hold.minutes).toBeGreaterThan(60);
    expect(departureStops(shop, b, NOW)[0]).toMatch(/may not be moved before/);
    expect(departureStops(shop, b, NOW - 60 + window.hold.minutes)).toEqual([]);
    const hole: Penetration = { no: 4, side: "roof", place: "x", by: "us", state: "cut" };
    b.records = [
      {
        id: "h",
        kind: "penetration",
        jobId: null,
        title: "Fan",
        data: hole,
        saidBy: "u",
        saidAt: 1,
        closedAt: null,
        version: 1,
        photos: [],
      },
    ];
    const late = NOW + 100_000;
    expect(departureStops(shop, b, late)).toEqual(["hole 4, Fan is open with no cover"]);
    hole.cover = "board";
    expect(departureStops(shop, b, late)).toEqual([]);
  });
});
