// Four releases of a bond: where each comes from, and what waits for which.

import { describe, expect, it } from "vitest";
import { entry } from "../testing/entry";
import { done, job, NOW, testShop, zone } from "../testing/shop";
import { departureStops } from "./departure";
import { handoverStops } from "./handover";
import { curedAfter, notReleased, releaseAt, releaseFor, releasesBefore } from "./releases";

/** Worked case of the cure sheet: at 13 °C all takes twice as long as on the tube. */
const PRODUCT = { moveAfterH: 4, handsOffH: 1, soakAfterH: 24, mm24h: 3, minC: 5 };
const withSheet = () => {
  const shop = testShop();
  const b = shop.builds[0];
  done(shop, ["OP-06a"], NOW - 60);
  const window = job(shop, "OP-06a");
  b.sheets = [{ calculator: "cure", jobId: window.id, input: { product: PRODUCT, depth: 8, tempC: 13 } }] as never;
  return { shop, b, window };
};

describe("the four releases of a bond", () => {
  it("come from its cure sheet, counted from the end of the work", () => {
    const { b, window } = withSheet();
    expect(curedAfter(b, window.id)).toEqual({
      "hands off": 120,
      "may be moved": 480,
      "may be soaked": 2880,
      // (8 / 3)² · 2 = 14.22 days.
      "fully cured": 20_477,
    });
    expect(releaseAt(b, window, "may be moved")).toBe(NOW - 60 + 480);
    expect(releaseAt(b, window, "may be soaked")).toBe(NOW - 60 + 2880);
  });
  it("go by the clock that was started for it before the sheet, however early that is tapped off; by the hold without either", () => {
    const { b, window } = withSheet();
    b.records.push(
      entry("clock", "Bead", { what: "may be moved", minutes: 600 }, { jobId: window.id, saidAt: NOW - 30, closedAt: NOW - 10 }),
    );
    expect(releaseAt(b, window, "may be moved")).toBe(NOW + 570);
    b.records = [];
    b.sheets = [];
    expect(releaseAt(b, window, "may be moved")).toBe(NOW - 60 + window.hold.minutes);
    expect(releaseAt(b, window, "fully cured")).toBeUndefined();
    expect(releaseAt(b, job(testShop(), "OP-06a"), "may be moved")).toBeUndefined();
  });
  it("hold up the departure, the soak test and the handover each by its own", () => {
    const { shop, b, window } = withSheet();
    const soak = job(shop, "OP-13");
    expect([releaseFor(soak), releaseFor(window)]).toEqual(["may be soaked", "may be moved"]);
    expect(notReleased(b, "may be moved", NOW).map((x) => x.job.id)).toEqual([window.id]);
    const moved = NOW - 60 + 480;
    expect(departureStops(shop, b, moved - 1).join()).toContain(`${window.name} may not be moved before`);
    expect(departureStops(shop, b, moved)).toEqual([]);
    const follower = { ...soak, after: [{ job: window.id, reason: "wet" }] } as never;
    const say = (at: number) => zone.show(at);
    expect(releasesBefore(b, follower, moved, say)).toEqual([`${window.name} may be soaked from ${zone.show(NOW - 60 + 2880)}`]);
    expect(releasesBefore(b, follower, NOW - 60 + 2880, say)).toEqual([]);
    const full = releaseAt(b, window, "fully cured")!;
    expect(handoverStops(b, full - 1, zone).join()).toContain(`Bonds that still cure: ${window.name} fully cured from`);
    expect(handoverStops(b, full, zone).join()).not.toContain("still cure");
  });
});
