import { describe, expect, it } from "vitest";
import { makePlan } from "../plan/planner";
import { readProblem } from "../plan/read";
import { decisions, orderBy } from "./decisions";
import type { Shop } from "./model";
import { toProblem } from "./problem";
import { at, done, job, NOW, testShop } from "./testing/shop";

const plan = (shop: Shop) => makePlan(readProblem(toProblem(shop, NOW)), { iterations: 0 });
const STRIP = ["ST-01", "ST-03", "ST-04", "ST-06", "ST-07"];
const of = (shop: Shop, kind: string, p = plan(shop)) => decisions(shop, p, NOW).filter((d) => d.kind === kind);

/** Everything up to the fan is done: it is the next thing on the van. */
function beforeTheCut(): Shop {
  const shop = testShop();
  done(shop, [...STRIP, "OP-01", "OP-02"], NOW - 600);
  return shop;
}

describe("decisions", () => {
  it("says nothing where nothing presses", () => {
    const shop = testShop();
    done(shop, ["ST-01"], NOW - 60);
    expect(decisions(shop, plan(shop), NOW)).toEqual([]);
  });
  it("tells until when the cut may begin, and what else there is", () => {
    const shop = beforeTheCut();
    const [d] = of(shop, "skin");
    expect(d.title).toMatch(/start by .* or leave it/);
    expect(d.detail).toContain("at worst");
  });
  it("asks a cut under way to be sealed or sheeted over", () => {
    const shop = beforeTheCut();
    Object.assign(job(shop, "OP-04"), {
      state: "started",
      startedAt: NOW - 60,
      runningSince: NOW - 60,
      actualPlace: "b1",
      fitters: ["ines", "teo"],
    });
    expect(of(shop, "skin").find((d) => d.jobId === "a.OP-04")!.title).toContain("sheeted over from 16:40");
  });
  it("counts the photos that a close-up of the next days waits for, with its start as the latest moment", () => {
    const shop = beforeTheCut();
    const p = plan(shop);
    const list = of(shop, "proof", p);
    const starts = p.jobs
      .filter((j) => job(shop, "OP-01") && shop.builds[0].jobs.find((k) => k.id === j.id)?.covers.includes("a.OP-01"))
      .map((j) => at(j.start));
    expect(list[0]).toMatchObject({ mark: "1", jobId: "a.OP-01", by: Math.min(...starts) });
  });
  it("is silent about photos that are approved", () => {
    const shop = beforeTheCut();
    job(shop, "OP-01").shots[0].photos.push({
      id: "p",
      shotId: "s",
      sha256: "",
      takenBy: "",
      takenAt: NOW,
      verdict: "approved",
      reason: null,
      reviewedBy: null,
    });
    expect(of(shop, "proof").filter((d) => d.jobId === "a.OP-01")).toEqual([]);
  });
  it("tells a part that comes too late for the plan, one that came wrong, and one to check", () => {
    const shop = beforeTheCut();
    const p = plan(shop);
    const fan = job(shop, "OP-04");
    Object.assign(fan.parts[0], { state: "promised", promisedAt: at("2027-03-12T10:00") });
    expect(of(shop, "part", p)[0].title).toContain("comes Fri 12 Mar, too late");
    Object.assign(fan.parts[0], { state: "wrong", note: "left hand" });
    expect(of(shop, "part", p)[0].detail).toContain("left hand");
    Object.assign(fan.parts[0], { state: "arrived" });
    expect(of(shop, "part", p)[0].title).toContain("check");
    Object.assign(fan.parts[0], { state: "promised", promisedAt: NOW - 1440 });
    expect(of(shop, "part", p)[0].title).toContain("overdue");
  });
  it("asks to order once the supplier's lead time has begun to run", () => {
    const shop = beforeTheCut();
    const p = plan(shop);
    job(shop, "OP-04").parts[0].state = "needed";
    expect(of(shop, "order", p)[0].title).toMatch(/^order .* today$/);
    expect(orderBy(shop, "s", at("2027-03-20T10:00"))).toBe(at("2027-03-15T09:00"));
  });
  it("passes on what was said from the bench, louder when work has stopped", () => {
    const shop = testShop();
    job(shop, "ST-01").remarks.push({
      id: "r1",
      jobId: "a.ST-01",
      kind: "short",
      text: "no key",
      stopsWork: true,
      saidBy: "ines",
      saidAt: NOW,
    });
    expect(of(shop, "remark")[0]).toMatchObject({ title: "no key", tone: "signal", refId: "r1" });
  });
  it("asks for the van to be moved when the plan wants it elsewhere today", () => {
    const shop = testShop();
    shop.builds[0].at = null;
    const [d] = of(shop, "move");
    expect(d.title).toMatch(/^to (Long bay|Wet bay|the yard) at/);
  });
  it("names the job that has no place, not all that follow it", () => {
    const shop = testShop();
    shop.fitters = shop.fitters.filter((f) => f.id !== "nils");
    const list = of(shop, "unplaced");
    expect(list.length).toBeGreaterThan(0);
    for (const d of list) expect(d.detail).toContain("nobody has");
  });
});
