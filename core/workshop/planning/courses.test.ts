// What a job over its time box could do next, planned through.

import { describe, expect, it } from "vitest";
import { checkPlan } from "../../plan/check/check";
import { makePlan } from "../../plan/planner";
import { readPlan, readProblem } from "../../plan/read";
import { toProblem } from "../state/problem";
import { at, done, job, NOW, testShop, zone } from "../testing/shop";
import { nextMorning, type Tried, withCourse, withMorning } from "./courses";

/** The fan, begun by Ines alone, in its bay. */
function underWay() {
  const shop = testShop();
  const fan = job(shop, "OP-04");
  done(
    shop,
    fan.after.map((a) => a.job.slice(2)),
    NOW - 3000,
  );
  shop.builds[0].at = "b2";
  Object.assign(fan, { state: "started", startedAt: NOW - 60, runningSince: NOW, workedMinutes: 60, actualPlace: "b2", fitters: ["ines"] });
  return { shop, fan };
}
const MORNING = "2027-03-04T08:00";
function tried(course: Tried, left = 240) {
  const { shop, fan } = underWay();
  const problem = readProblem(withCourse(toProblem(shop, NOW), fan.id, course, left, MORNING));
  const plan = makePlan(problem);
  expect(checkPlan(problem, readPlan(plan))).toEqual([]);
  return plan.jobs.find((j) => j.id === fan.id)!;
}
const worked = (j: ReturnType<typeof tried>) => j.work!.reduce((n, [a, b]) => n + zone.parse(b) - zone.parse(a), 0);

describe("a job over its time box", () => {
  it("goes on as it is for what it still needs", () => {
    const j = tried("go on");
    expect([worked(j), j.fitters]).toEqual([240, ["ines"]]);
  });
  it("takes half of that with a second person, who is found and booked", () => {
    const j = tried("second person", 241);
    expect(worked(j)).toBe(121);
    expect(j.fitters).toHaveLength(2);
    expect(j.helpers!.map((h) => h.fitter)).toEqual(j.fitters.filter((f) => f !== "ines"));
  });
  it("waits for the next morning when it is parked", () => {
    const j = tried("park");
    expect(j.start >= MORNING).toBe(true);
    expect(worked(j)).toBe(240);
  });
  it("asks two of a paused one, and nothing of one that is not there or done", () => {
    const { shop, fan } = underWay();
    Object.assign(fan, { state: "paused", fitters: ["ines"] });
    const p = withCourse(toProblem(shop, NOW), fan.id, "second person", 100, MORNING)!;
    const again = p.builds[0].jobs.find((j) => j.id === fan.id)!;
    expect([again.minutes, again.crew.length, again.state]).toEqual([50, fan.crew.length + 1, "todo"]);
    expect(withCourse(toProblem(shop, NOW), "nobody", "go on", 100, MORNING)).toBeUndefined();
    Object.assign(fan, { state: "done", endedAt: NOW - 5 });
    expect(withCourse(toProblem(shop, NOW), fan.id, "go on", 100, MORNING)).toBeUndefined();
  });
  it("that is not begun is left for the morning, or for as late as it was wanted; one that is begun is not", () => {
    const shop = testShop();
    const strip = job(shop, "ST-01");
    strip.pin = { start: NOW + 10, place: null, fitters: ["ines"] };
    const left = withMorning(toProblem(shop, NOW), strip.id, MORNING)!.builds[0].jobs.find((j) => j.id === strip.id)!;
    expect([left.notBefore, left.pin]).toEqual([MORNING, { fitters: ["ines"] }]);
    strip.notBefore = at("2027-03-09T08:00");
    expect(withMorning(toProblem(shop, NOW), strip.id, MORNING)!.builds[0].jobs.find((j) => j.id === strip.id)!.notBefore).toBe(
      "2027-03-09T08:00",
    );
    const { shop: begun, fan } = underWay();
    expect(withMorning(toProblem(begun, NOW), fan.id, MORNING)).toBeUndefined();
    expect(withMorning(toProblem(begun, NOW), "nobody", MORNING)).toBeUndefined();
  });
  it("knows when the shop opens next: not today, not on a closed day", () => {
    const shop = testShop();
    const calendar = shop.calendars.find((c) => c.id === "shop");
    expect(zone.show(nextMorning(shop.workshop.zone, calendar, NOW))).toBe("2027-03-04T08:00");
    expect(zone.show(nextMorning(shop.workshop.zone, calendar, at("2027-03-05T10:00")))).toBe("2027-03-08T08:00");
    expect(zone.show(nextMorning(shop.workshop.zone, undefined, NOW))).toBe("2027-03-04T00:00");
  });
});
