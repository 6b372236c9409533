import { describe, expect, it } from "vitest";
import { checkPlan } from "../../plan/check/check";
import { makePlan } from "../../plan/planner";
import { readPlan, readProblem } from "../../plan/read";
import { leftMinutes, shopMinutes, workedMinutes } from "../builds/left";
import { at, done, job, NOW, testBuild, testShop } from "../testing/shop";
import { nameParts, partWords, toProblem } from "./problem";
import { stageProgress } from "./progress";

describe("toProblem", () => {
  it("gives a problem that is read, planned and passes the checker", () => {
    const shop = testShop([testBuild("a"), { ...testBuild("b"), at: "yard" }]);
    done(shop, ["ST-01", "ST-03"], NOW - 600);
    Object.assign(job(shop, "ST-04"), {
      state: "started",
      startedAt: NOW - 60,
      runningSince: NOW - 60,
      actualPlace: "b1",
      fitters: ["teo", "rosa"],
    });
    const problem = readProblem(toProblem(shop, NOW));
    const plan = makePlan(problem, { iterations: 2 });
    expect(plan.unplaced).toEqual([]);
    expect(checkPlan(problem, readPlan(plan))).toEqual([]);
  });
  it("leaves out what is retired, save what a fact still names", () => {
    const shop = testShop();
    shop.bays[1].retired = true;
    shop.fitters[2].retired = true;
    const p = toProblem(shop, NOW);
    expect(p.bays.map((b) => b.id)).toEqual(["b1"]);
    expect(p.fitters.map((f) => f.id)).not.toContain("rosa");
    Object.assign(job(shop, "ST-01"), { state: "done", startedAt: NOW - 90, endedAt: NOW - 30, actualPlace: "b2", fitters: ["rosa"] });
    const q = toProblem(shop, NOW);
    expect(q.bays.map((b) => b.id)).toContain("b2");
    expect(q.fitters.map((f) => f.id)).toContain("rosa");
  });
  it("says which part a job waits for", () => {
    const shop = testShop();
    done(shop, ["ST-01"], NOW - 60);
    const part = job(shop, "OP-04").parts[0];
    Object.assign(part, { state: "promised", promisedAt: at("2027-04-20T10:00") });
    const plan = makePlan(readProblem(toProblem(shop, NOW)), { iterations: 0 });
    nameParts(plan, shop, NOW);
    expect(plan.jobs.find((j) => j.id === "a.OP-04")!.why![0]).toMatchObject({
      kind: "part",
      text: `waits for ${part.name}, promised Tue 20 Apr`,
    });
    expect(partWords(shop, job(shop, "ST-01"), NOW)).toBeUndefined();
  });
});

describe("what is left of a job", () => {
  const shop = testShop();
  it("counts shop minutes, breaks and nights left out", () => {
    expect(shopMinutes(shop, at("2027-03-03T11:30"), at("2027-03-03T13:15"))).toBe(60);
    expect(shopMinutes(shop, at("2027-03-05T16:00"), at("2027-03-08T09:00"))).toBe(120);
    expect(shopMinutes(shop, NOW, NOW - 5)).toBe(0);
  });
  it("takes earlier stretches and the running one from what is expected, a quarter of an hour at least", () => {
    const j = { ...job(shop, "ST-04"), state: "started" as const, workedMinutes: 100, runningSince: NOW - 60 };
    expect(workedMinutes(shop, j, NOW)).toBe(160);
    expect(leftMinutes(shop, { ...j, minutes: { best: 240, likely: 240, worst: 240 } }, NOW)).toBe(80);
    expect(leftMinutes(shop, { ...j, minutes: { best: 60, likely: 60, worst: 60 } }, NOW)).toBe(15);
  });
});

describe("stageProgress", () => {
  it("adds up to all jobs and all likely minutes", () => {
    const shop = testShop();
    done(shop, ["ST-01", "ST-03"], NOW);
    const rows = stageProgress(shop.builds[0]);
    expect(rows.reduce((n, r) => n + r.all, 0)).toBe(shop.builds[0].jobs.length);
    expect(rows[0]).toMatchObject({ stage: "strip", done: 2 });
    expect(rows[0].minutesDone).toBe(job(shop, "ST-01").minutes.likely + job(shop, "ST-03").minutes.likely);
  });
});
