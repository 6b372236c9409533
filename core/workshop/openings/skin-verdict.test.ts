// The clock of an open skin while it runs, the cold of the night, and what holds a promise back.

import { describe, expect, it } from "vitest";
import { decisions } from "../builds/decisions";
import { buildDates, promiseHeld } from "../state/dates";
import { entry } from "../testing/entry";
import { at, job, NOW, testShop } from "../testing/shop";
import { openings } from "./openings";
import { coldTonight } from "./skin";
import { skinVerdict } from "./skin-verdict";

/** The fan under way outdoors since 10:00; dry until 15:00; 174 minutes in nine cases of ten. */
function cutting(worked = 0) {
  const shop = testShop();
  const fan = job(shop, "OP-04");
  fan.minutes = { best: 174, likely: 174, worst: 174 };
  shop.builds[0].at = "b2";
  Object.assign(fan, { state: "started", startedAt: NOW, runningSince: NOW, workedMinutes: worked, fitters: ["ines"], actualPlace: "b2" });
  return { shop, b: shop.builds[0], fan };
}

describe("the verdict on an open skin", () => {
  it.each([
    // At 11:20, 80 worked: 94 left + 20; 220 to the rain.
    ["2027-03-03T11:20", false, 94, 220],
    ["2027-03-03T12:00", false, 54, 180],
  ])("at %s: sheet over %s", (clock, sheet, rest, left) => {
    const { shop, b, fan } = cutting();
    expect(skinVerdict(shop, b, fan, "b2", at(clock))).toMatchObject({ sheet, rest, left });
  });
  it("is sheet over once the rain comes sooner, and finish again when it clears", () => {
    const { shop, b, fan } = cutting();
    shop.weather[0].dry = [["00:00", "13:00"]];
    // 94 left + 20 at 11:20, 100 to the rain at 13:00.
    expect(skinVerdict(shop, b, fan, "b2", at("2027-03-03T11:20"))).toMatchObject({ sheet: true, rest: 94, left: 100 });
    shop.weather[0].dry = [["00:00", "13:14"]];
    expect(skinVerdict(shop, b, fan, "b2", at("2027-03-03T11:20"))).toMatchObject({ sheet: false, left: 114 });
    shop.weather[0].dry = [["00:00", "13:13"]];
    expect(skinVerdict(shop, b, fan, "b2", at("2027-03-03T11:20"))!.sheet).toBe(true);
  });
  it("takes a cut that outran its worst to last a little still", () => {
    const { shop, b, fan } = cutting(400);
    expect(skinVerdict(shop, b, fan, "b2", NOW + 10)!.rest).toBe(15);
  });
  it("is none of work that is not begun, or opens no skin", () => {
    const { shop, b, fan } = cutting();
    fan.state = "todo";
    expect(skinVerdict(shop, b, fan, "b2", NOW)).toBeUndefined();
    expect(skinVerdict(shop, b, { ...job(shop, "IN-07"), state: "started" }, "b2", NOW)).toBeUndefined();
  });
  it("going on against it has a name, and only since this start", () => {
    const { shop, b, fan } = cutting();
    shop.weather[0].dry = [["00:00", "12:00"]];
    b.records = [entry("goon", "Mara", { why: "five minutes of bead left" }, { jobId: fan.id, saidAt: NOW - 5 })];
    expect(skinVerdict(shop, b, fan, "b2", NOW)!.on).toBeUndefined();
    b.records = [entry("goon", "Mara", { why: "five minutes of bead left" }, { jobId: fan.id, saidAt: NOW + 5 })];
    expect(skinVerdict(shop, b, fan, "b2", NOW + 6)!.on).toEqual({ who: "Mara", why: "five minutes of bead left" });
  });
  it("stands in the yard as what has to be decided", () => {
    const { shop, b, fan } = cutting();
    shop.weather[0].dry = [["00:00", "12:00"]];
    const job = { id: fan.id, start: "2027-03-03T10:00", end: "2027-03-03T14:00", place: "b2", fitters: ["ines"] };
    const plan = { jobs: [job], stays: [], builds: [], unplaced: [], pinsBroken: [] } as never;
    const [d] = decisions(shop, plan, NOW).filter((x) => x.kind === "skin");
    expect(d.title).toBe(`${fan.name}: sheet over now`);
    expect(d.detail).toMatch(/2 h 54 of work in nine cases of ten and 20 min to sheet over, 2 h to rain/);
    b.records = [entry("goon", "Mara", { why: "nearly there" }, { jobId: fan.id, saidAt: NOW })];
    expect(decisions(shop, plan, NOW).find((x) => x.kind === "skin")!.title).toMatch(/Mara goes on against the clock/);
  });
});

describe("the cold of the night", () => {
  it("is told where nothing heats and the seal asks for more", () => {
    const shop = testShop();
    const fan = job(shop, "OP-04");
    fan.hold.minTempC = 10;
    expect(coldTonight(shop, fan, "b2", NOW)).toBe("too cold tonight: 8 °C, and what cures asks 10 °C");
    expect(coldTonight(shop, fan, "b1", NOW)).toBeUndefined();
    fan.hold.minTempC = 8;
    expect(coldTonight(shop, fan, "b2", NOW)).toBeUndefined();
    fan.hold.minTempC = 10;
    shop.builds[0].at = "b2";
    const o = openings(shop, shop.builds[0], undefined, NOW).find((x) => x.jobId === fan.id)!;
    expect(o.today!.reasons).toContain("too cold tonight: 8 °C, and what cures asks 10 °C");
    expect(o.today!.go).toBe(false);
  });
});

describe("the promise of a date", () => {
  it("is held back by what the client has not answered", () => {
    expect(promiseHeld({ openChoices: [] })).toBeNull();
    expect(promiseHeld({ openChoices: ["bed"] })).toMatch(/no date is to be promised: .* is open/);
    expect(promiseHeld({ openChoices: ["bed", "fan", "solar"] })).toMatch(/and 2 more are open/);
    const shop = testShop();
    shop.builds[0].openChoices = ["bed"];
    expect(buildDates(shop, undefined)[0].held).toMatch(/promised/);
  });
});
