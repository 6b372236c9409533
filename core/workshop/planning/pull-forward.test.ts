import { describe, expect, it } from "vitest";
import { makePlan } from "../../plan/planner";
import { readProblem } from "../../plan/read";
import { toProblem } from "../state/problem";
import { at, done, job, NOW, testShop } from "../testing/shop";
import { freeFitters, pullForward } from "./pull-forward";

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
  it("says how much of its build's date hangs on it, and puts that first", () => {
    const shop = testShop();
    done(shop, ["ST-01"], NOW - 60);
    const plan = makePlan(readProblem(toProblem(shop, at("2027-03-08T08:00"))), { iterations: 0 });
    const offered = pullForward(shop, plan, NOW);
    const bench = offered.find((f) => f.jobId === "a.OP-02")!;
    // Taken into the chain: from Wednesday 10:00 to its planned start on Monday 8 March at the soonest, over two days and a half of work.
    const chained = { ...plan, builds: plan.builds.map((b) => ({ ...b, chain: [{ job: "a.OP-02", kind: "work", minutes: 60 }] })) };
    const again = pullForward(shop, chained, NOW).find((f) => f.jobId === "a.OP-02")!;
    expect(again.worth).toBeGreaterThanOrEqual(2.5);
    expect(again.worth * 4).toBe(Math.round(again.worth * 4));
    const outside = { ...plan, builds: plan.builds.map((b) => ({ ...b, chain: [] })) };
    expect(pullForward(shop, outside, NOW).find((f) => f.jobId === "a.OP-02")!.worth).toBe(0);
    expect(bench.trap).toBeNull();
  });
  it("names a trap: what shuts in work that still waits for a part comes last", () => {
    const shop = testShop();
    const b = shop.builds[0];
    for (const j of b.jobs) j.state = "done";
    const [late, cover] = b.jobs.filter((j) => j.zones.includes("left")).slice(-2);
    for (const j of [late, cover]) Object.assign(j, { state: "todo", after: [], covers: [], questions: [], remainders: [] });
    Object.assign(cover, {
      irreversible: "close-up",
      parts: [],
      place: "van",
      tools: [],
      needs: { ...cover.needs, dry: false, minTempC: null },
    });
    late.parts = [{ ...job(shop, "OP-04").parts[0], id: "x", jobId: late.id, state: "needed" }];
    for (const f of shop.fitters) for (const c of cover.crew) f.skills[c.skill] = 3;
    for (const c of cover.crew) c.ticket = null;
    cover.bayHas = [];
    const offered = () => pullForward(shop, undefined, NOW).find((f) => f.jobId === cover.id)!;
    expect(offered().trap).toBe(`would shut in ${late.name}, which waits for its parts`);
    late.parts = [];
    expect(offered().trap).toBeNull();
    late.parts = [{ ...job(shop, "OP-04").parts[0], id: "x", jobId: late.id, state: "needed" }];
    cover.irreversible = null;
    expect(offered().trap).toBeNull();
  });
  it("knows when the last work of a stay frees its bay, and for how long", () => {
    const shop = testShop();
    done(shop, ["ST-01"], NOW - 60);
    const stay = { build: "a", place: "b1", from: "2027-03-01T08:00", to: "2027-03-08T12:00" };
    const p = (id: string, start: string) => ({ id, start, end: `${start.slice(0, 10)}T17:00`, place: "b1", fitters: ["nils"] });
    const plan = (...jobs: ReturnType<typeof p>[]) => ({
      format: "wide-lane/plan@1" as const,
      jobs,
      stays: [stay],
      builds: [],
      unplaced: [],
      pinsBroken: [],
    });
    const safe = "a.ST-03";
    const frees = (...jobs: ReturnType<typeof p>[]) => pullForward(shop, plan(...jobs), NOW).find((f) => f.jobId === safe)?.frees;
    // From its end today to noon on Monday the 8th: the rest of today, Thursday, Friday and half a Monday.
    const alone = frees(p(safe, "2027-03-08T08:00"))!;
    expect(alone).toBeGreaterThan(2.5);
    expect(alone).toBeLessThan(3.5);
    expect(frees(p(safe, "2027-03-08T08:00"), p("a.ST-02", "2027-03-08T09:00"))).toBe(0);
    // Bench work keeps no bay.
    expect(frees(p(safe, "2027-03-08T08:00"), p("a.OP-02", "2027-03-08T09:00"))).toBe(alone);
  });
  it("counts moving a van to a free bay that suits, and leaves one alone that must stand", () => {
    const shop = testShop();
    done(shop, ["ST-01"], NOW - 60);
    const [b] = shop.builds;
    b.at = "yard";
    for (const j of b.jobs) j.yardOk = false;
    const offered = () => pullForward(shop, undefined, NOW).find((f) => f.jobId === "a.ST-03");
    expect(offered()).toMatchObject({ shunt: shop.workshop.shuntMinutes, place: expect.stringMatching(/^b/) });
    // A bond that nothing of this hangs on, but that must not be driven.
    done(shop, ["ST-02"], NOW - 10);
    const bond = job(shop, "ST-02");
    bond.hold = { minutes: 600, still: true, keepOff: null, minTempC: null };
    for (const j of b.jobs) j.after = j.after.filter((a) => a.job !== bond.id);
    expect(offered()).toBeUndefined();
    bond.hold.still = false;
    expect(offered()).toBeDefined();
    for (const bay of shop.bays) bay.closures = [{ id: "c", from: NOW - 60, to: NOW + 6000, reason: "" }];
    expect(offered()).toBeUndefined();
  });
  it("does not offer work to somebody who is not to do it", () => {
    const shop = testShop();
    done(shop, ["ST-01"], NOW - 60);
    const before = pullForward(shop, undefined, NOW).find((f) => f.jobId === "a.OP-02");
    expect(before).toBeDefined();
    const cut = { ...shop, fitters: shop.fitters.map((f) => ({ ...f, nots: ["metal cutting", "roof work"] })) };
    expect(pullForward(cut, undefined, NOW).some((f) => /^a\.OP-0[4-9]/.test(f.jobId))).toBe(false);
    expect(pullForward(cut, undefined, NOW).some((f) => f.jobId === "a.OP-02")).toBe(true);
  });
});
