import { describe, expect, it } from "vitest";
import type { Plan } from "../../plan/model";
import { at, testBuild, testShop } from "../testing/shop";
import { buildDates, workingDays } from "./dates";

const shop = testShop([testBuild("a"), testBuild("b"), testBuild("c"), testBuild("d")]);
const plan = (finishes: Record<string, string | undefined>): Plan => ({
  format: "wide-lane/plan@1",
  jobs: [
    {
      id: "a.ST-01",
      start: "2027-03-03T10:00",
      end: "2027-03-03T12:00",
      place: "b1",
      fitters: [],
      why: [{ kind: "part", text: "waits for the fan" }],
    },
  ],
  stays: [],
  builds: Object.entries(finishes).map(([id, finish]) => ({
    id,
    ...(finish ? { finish } : {}),
    chain: [{ job: `${id}.ST-01`, kind: "part", minutes: 900 }],
  })),
  unplaced: [{ job: "d.ST-01", reason: "nobody has body at level 2" }],
  pinsBroken: [],
});

describe("workingDays", () => {
  it("counts shop days, weekends left out, both ways", () => {
    expect(workingDays(shop, at("2027-03-05T17:00"), at("2027-03-08T09:00"))).toBe(1);
    expect(workingDays(shop, at("2027-03-08T09:00"), at("2027-03-05T17:00"))).toBe(-1);
    expect(workingDays(shop, at("2027-03-05T09:00"), at("2027-03-05T17:00"))).toBe(0);
  });
  it("leaves closed days out", () => {
    const closed = testShop();
    closed.calendars[0].days.push({ id: "x", date: "2027-03-08", opens: null, closes: null, overtime: false, reason: "" });
    expect(workingDays(closed, at("2027-03-05T17:00"), at("2027-03-09T09:00"))).toBe(1);
  });
});

describe("buildDates", () => {
  const dates = buildDates(shop, plan({ a: "2027-05-04T12:00", b: "2027-04-30T12:00", c: "2027-04-20T12:00", d: "2027-04-01T12:00" }));
  it("puts the most threatened first, a build with unplaced work before all", () => {
    expect(dates.map((d) => [d.buildId, d.state, d.slackDays])).toEqual([
      ["d", "open", 0],
      ["a", "late", -2],
      ["b", "tight", 0],
      ["c", "safe", 8],
    ]);
  });
  it("is late by a day at least when it ends after the hour of its own day", () => {
    expect(buildDates(shop, plan({ a: "2027-04-30T17:30" })).find((d) => d.buildId === "a")).toMatchObject({
      state: "late",
      slackDays: -1,
    });
  });
  it("says what the longest wait is for", () => {
    expect(dates.find((d) => d.buildId === "a")!.why).toBe("Check in and measure: waits for the fan");
  });
  it("says that nothing is planned yet", () => {
    expect(buildDates(shop, undefined)[0]).toMatchObject({ state: "open", why: "not planned yet" });
  });
});
