// Figures of the house: bounded, kept only where they differ, and the rules go by them.

import { describe, expect, it } from "vitest";
import { disagreements } from "../../setout/engine/second";
import { readingStates, readingsOf } from "../../van/readings";
import { shellStates } from "../bare-body/zones";
import { measuredVan, readingLimits } from "../builds/measured";
import { isDead } from "../openings/circuits";
import { penetrationFaults } from "../openings/holes";
import { stamped, watchUntil } from "../openings/hot-work";
import { delayAsks } from "../planning/delays";
import { slotOffers } from "../planning/short-slot";
import { looseBolts } from "../records/kinds/seat";
import { firstTimeWords } from "../starts/first-time";
import { longDayWords } from "../starts/long-day";
import { noiseWords } from "../starts/noise";
import { carrying } from "../starts/tags";
import { at, job, testShop, zone } from "../testing/shop";
import { clockState } from "../today/clocks";
import { FIGURE_NAMES, figure, figureFaults, HOUSE_FIGURES, type OwnFigures, ownFigures } from "./house-figures";

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
  it("of holes: how long they are soaked, how dry timber is, how long one may be open", () => {
    const hole = { side: "roof", place: "bay 3", by: "us", state: "tested", soak: "dry", soakMinutes: 8, moisture: 16 } as const;
    const was = { ...hole, state: "closed" as const };
    expect(penetrationFaults({}, was, hole, "").map((f) => f.path)).toEqual(["soak"]);
    expect(penetrationFaults({ figures: { soakMinutes: 5 } }, was, hole, "")).toEqual([]);
    expect(penetrationFaults({ figures: { soakMinutes: 5, driest: 15 } }, was, hole, "").map((f) => f.path)).toEqual(["moisture"]);
  });
  it("of sparks: the fire watch and the second look", () => {
    const s = { tool: "grinder" as const, stamps: { last: { by: "Teo", at: 0 }, clean: { by: "Teo", at: 5 } } } as never;
    expect(watchUntil({}, s)).toBe(30);
    expect(watchUntil({ figures: { fireWatch: 60 } }, s)).toBe(60);
    expect(typeof stamped({}, s, "look", "Teo", 20, zone)).toBe("string");
    expect(typeof stamped({ figures: { secondLook: 10 } }, s, "look", "Teo", 20, zone)).toBe("object");
  });
  it("of clocks, circuits, seats, carrying and slips", () => {
    expect([clockState({}, "pot life", 0, 100, 65).tone, clockState({ figures: { clockWarns: 60 } }, "pot life", 0, 100, 65).tone]).toEqual(
      ["ok", "warn"],
    );
    const live = { volts: 1, end: "plugged" } as never;
    expect([isDead({}, live), isDead({ figures: { deadVolts: 2 } }, live)]).toEqual([false, true]);
    const bolts = [{ name: "b1", read: 46, asked: 50 }];
    expect([looseBolts({}, { bolts }).length, looseBolts({ figures: { torquePlay: 10 } }, { bolts }).length]).toEqual([1, 0]);
    expect(carrying({ figures: { carrying: 25 } }, { tags: ["big-sheet"] })).toBe(25);
    expect(delayAsks({ figures: { delaysAsk: 2 } }, { state: "todo" }, { count: 2, minutes: 90 })).toBe(true);
  });
  it("of a zone: how long degreased metal counts as clean", () => {
    const zone = { kind: "zone", data: { zone: "left", steps: { degrease: { by: "Teo", at: 0 } } } } as never;
    const stale = (figures: OwnFigures) =>
      shellStates({ records: [zone], figures }, 90)
        .find((z) => z.zone === "left")!
        .steps.at(-1)!.stale;
    expect([stale({}), stale({ degreased: 120 })]).toEqual([true, false]);
  });
  it("of who is tired", () => {
    const shop = testShop();
    const cut = job(shop, "OP-04");
    const said = () => longDayWords(shop, cut, [], "b1", at("2027-03-03T17:30")).join();
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
  it("of measuring: how far two readings may be apart, and a size from its template", () => {
    const shop = testShop();
    const van = shop.vans[1].geometry;
    const [r] = readingsOf(van);
    const nominal = r.of(van);
    const readings = [{ name: r.name, mm: nominal + 5, againMm: nominal + 8 }];
    const seen = (figures: OwnFigures) => readingStates(van, readings, readingLimits({ figures })).find((s) => s.name === r.name)!;
    expect([seen({}).state, seen({ readingsAgree: 3 }).state]).toEqual(["unlike", "agreed"]);
    expect([seen({}).offMm, seen({ readingDiffers: 6 }).offMm]).toEqual([5, null]);
    // What two readings don't agree on is not built upon.
    const build = { ...shop.builds[0], readings: readings as never };
    expect(r.of(measuredVan(van, build))).toBe(nominal);
    expect(r.of(measuredVan(van, { ...build, figures: { readingsAgree: 3 } }))).toBe(nominal + 5);
    const wanted = [{ name: "top", label: "top", expected: 100 }];
    expect([disagreements(wanted, { top: 102.5 }).length, disagreements(wanted, { top: 102.5 }, 3).length]).toEqual([1, 0]);
  });
  it("of quiet hours: how long before they are told", () => {
    const shop = testShop();
    Object.assign(shop.workshop, { noiseFrom: "08:00", noiseTo: "18:00", noiseWeek: {} });
    expect(noiseWords(shop, at("2027-03-03T15:30"))).toBeUndefined();
    shop.workshop.figures = { noiseSoon: 180 };
    expect(noiseWords(shop, at("2027-03-03T15:30"))).toMatch(/last noise in/);
  });
  it("of small gaps", () => {
    const shop = testShop();
    job(shop, "ST-04").remainders = [{ text: "two screws" } as never];
    expect(slotOffers(shop, 15, at("2027-03-03T10:00"))).toEqual([]);
    shop.workshop.figures = { slotFrom: 10 };
    expect(slotOffers(shop, 15, at("2027-03-03T10:00"))).toHaveLength(1);
  });
});
