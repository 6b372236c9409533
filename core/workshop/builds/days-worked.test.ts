import { describe, expect, it } from "vitest";
import { at, done, job, testShop } from "../testing/shop";
import { daysWorked, sayDaysWorked } from "./days-worked";

describe("the days worked on a build", () => {
  /** Arrived on Monday the 1st; the strip on Monday, the next job from Tuesday 15:00 to Thursday 09:00. */
  function here() {
    const shop = testShop();
    const b = shop.builds[0];
    b.arrives = at("2027-03-01T08:00");
    for (const j of b.jobs) Object.assign(j, { state: "todo", startedAt: null, endedAt: null });
    Object.assign(b.jobs[0], { state: "done", startedAt: at("2027-03-01T09:00"), endedAt: at("2027-03-01T12:00") });
    Object.assign(b.jobs[1], { state: "done", startedAt: at("2027-03-02T15:00"), endedAt: at("2027-03-04T09:00") });
    return { shop, b };
  }
  it("are those of the shop in which a job was under way, of all days since arrival", () => {
    const { shop, b } = here();
    expect(daysWorked(shop, b, at("2027-03-08T10:00"))).toEqual({ worked: 4, calendar: 8 });
    // Under way over a weekend: the days on which the shop was shut do not count.
    Object.assign(b.jobs[2], { state: "started", startedAt: at("2027-03-05T16:00") });
    expect(daysWorked(shop, b, at("2027-03-08T10:00"))).toEqual({ worked: 6, calendar: 8 });
    expect(sayDaysWorked(daysWorked(shop, b, at("2027-03-08T10:00")))).toBe("worked on 6 of 8 days here");
  });
  it("do not count what others had done, nor are there any before arrival", () => {
    const { shop, b } = here();
    b.jobs[1].byOthers = "the client";
    expect(daysWorked(shop, b, at("2027-03-04T10:00"))).toEqual({ worked: 1, calendar: 4 });
    expect(daysWorked(shop, b, at("2027-02-27T10:00"))).toBeUndefined();
    expect(sayDaysWorked(undefined)).toBeNull();
  });
  it("end with the last job of a build that is done", () => {
    const { shop, b } = here();
    done(
      shop,
      b.jobs.map((j) => j.id.slice(2)),
      at("2027-03-03T12:00"),
    );
    expect(daysWorked(shop, b, at("2027-03-20T10:00"))!.calendar).toBe(3);
    expect(job(shop, "ST-01").state).toBe("done");
  });
});
