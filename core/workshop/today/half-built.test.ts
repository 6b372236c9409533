// What may stay half-built, and what packing up takes.

import { describe, expect, it } from "vitest";
import type { JobRow, Shop } from "../state/model";
import { entry } from "../testing/entry";
import { job, NOW, testShop } from "../testing/shop";
import { dayEnd } from "./day-end";
import { halfBuilt, sayHalfBuilt } from "./half-built";

const started = (shop: Shop, code: string): JobRow =>
  Object.assign(job(shop, code), {
    state: "started",
    startedAt: NOW - 60,
    runningSince: null,
    workedMinutes: 60,
    fitters: [shop.fitters[0].id],
  });

describe("a job that is stopped", () => {
  it("may stay as it is where nothing is open or wet, with its minutes to pack up and those carried over", () => {
    const shop = testShop();
    const strip = started(shop, "ST-06");
    const h = halfBuilt(shop, shop.builds[0], strip, NOW)!;
    expect(h).toMatchObject({ stops: [], packUp: 15 });
    expect(h.carried).toBeGreaterThan(0);
    expect(sayHalfBuilt(h)).toBe(`${strip.name} may stay as it is: 15 min to pack up, ${h.carried} min are carried over`);
    expect(halfBuilt(shop, shop.builds[0], job(shop, "ST-07"), NOW)).toBeUndefined();
    expect(dayEnd(shop, undefined, shop.fitters[0].id, NOW).open).toContain(sayHalfBuilt(h));
  });
  it("may not while its hole is bare, its cut edge raw, or its adhesive wet; on the roof packing up takes twice as long", () => {
    const shop = testShop();
    const [b] = shop.builds;
    const fan = started(shop, "OP-04");
    const hole = (data: object) => [
      entry("penetration", "Fan", { no: 3, side: "roof", place: "bay 2", by: "us", state: "cut", ...data }, { jobId: fan.id }),
    ];
    const stops = () => halfBuilt(shop, b, fan, NOW)!.stops;
    b.records = hole({});
    expect(stops()).toEqual(["hole 3, Fan, has no cover"]);
    b.records = hole({ cover: "board" });
    expect(stops()).toEqual(["its cut edge is not safe yet: prime it, then cover"]);
    b.records = hole({ cover: "board", state: "protected" });
    expect(stops()).toEqual([]);
    const clock = entry("clock", "bead", { what: "open time", minutes: 20 }, { jobId: fan.id });
    b.records = [...hole({ cover: "board", state: "protected" }), clock];
    expect(stops()).toEqual(["open time of bead runs: finish it, or take it off"]);
    expect(halfBuilt(shop, b, fan, NOW)!.packUp).toBe(30);
    expect(sayHalfBuilt(halfBuilt(shop, b, fan, NOW)!)).toMatch(/may not stay as it is: open time of bead runs.* 30 min to pack up$/);
  });
});
