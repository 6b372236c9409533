import { describe, expect, it } from "vitest";
import { makePlan } from "../plan/planner";
import { readProblem } from "../plan/read";
import { freeFitters, pullForward } from "./forward";
import { toProblem } from "./problem";
import { at, done, job, NOW, testShop } from "./testing/shop";

describe("pullForward", () => {
  it("offers ready bench work of later days to somebody free who can do it", () => {
    const shop = testShop();
    done(shop, ["ST-01"], NOW - 60);
    // Everybody planned away: the plan of another day.
    const plan = makePlan(readProblem(toProblem(shop, at("2027-03-08T08:00"))), { iterations: 0 });
    const list = pullForward(shop, plan, NOW);
    expect(list.length).toBeGreaterThan(0);
    const offered = list.find((f) => f.jobId === "a.OP-02")!;
    expect(offered.crew.length).toBe(1);
    expect(offered.planned).toBeGreaterThan(NOW);
  });
  it("never offers work whose predecessors are open, whose parts are missing, or whose crew is busy", () => {
    const shop = testShop();
    job(shop, "OP-02").parts.push({ ...job(shop, "OP-04").parts[0], id: "x", jobId: "a.OP-02", state: "needed" });
    const list = pullForward(shop, undefined, NOW).map((f) => f.jobId);
    expect(list).toContain("a.ST-01");
    expect(list).not.toContain("a.OP-02");
    expect(list).not.toContain("a.ST-04");
    for (const f of shop.fitters) f.absences.push({ id: "h", from: NOW - 60, to: NOW + 6000, reason: "" });
    expect(pullForward(shop, undefined, NOW)).toEqual([]);
  });
  it("knows until when a fitter is free: the next planned job, or the end of the day", () => {
    const shop = testShop();
    const planned = (id: string, fitter: string, start: string) => ({ id, start, end: "2027-03-03T16:00", place: "b1", fitters: [fitter] });
    const plan = {
      format: "wide-lane/plan@1" as const,
      jobs: [planned("x", "rosa", "2027-03-03T14:00"), planned("y", "ines", "2027-03-03T10:05")],
      stays: [],
      builds: [],
      unplaced: [],
      pinsBroken: [],
    };
    const free = freeFitters(shop, plan, NOW);
    expect(free.get("rosa")).toBe(at("2027-03-03T14:00"));
    expect(free.get("teo")).toBe(at("2027-03-03T17:00"));
    expect(free.has("ines")).toBe(false);
  });
});
