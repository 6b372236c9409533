import { describe, expect, it } from "vitest";
import { makePlan } from "../plan/planner";
import { readProblem } from "../plan/read";
import { toProblem } from "../workshop/state/problem";
import { done, job, NOW, testBuild, testShop } from "../workshop/testing/shop";
import { lanes } from "./lanes";

const withPlan = () => {
  const shop = testShop([testBuild("a"), { ...testBuild("b"), at: "yard" }]);
  done(shop, ["ST-01", "ST-03"], NOW - 600);
  const plan = makePlan(readProblem(toProblem(shop, NOW)), { iterations: 0 });
  return { shop, plan };
};

describe("lanes", () => {
  it("has a block for every job, facts where they happened and the rest where it is planned", () => {
    const { shop, plan } = withPlan();
    const [a, b] = lanes(shop, plan, undefined, NOW);
    expect(a.blocks.length).toBe(shop.builds[0].jobs.length);
    expect(b.blocks.length).toBe(shop.builds[1].jobs.length);
    expect(a.blocks.find((x) => x.code === "ST-03")).toMatchObject({ from: NOW - 660, to: NOW - 600, state: "done", place: "b1" });
    for (const x of a.blocks.filter((k) => k.state === "todo")) expect(x.from).toBeGreaterThanOrEqual(NOW);
  });
  it("never lets two blocks of one row overlap, on the road or on the shoulder", () => {
    const { shop, plan } = withPlan();
    for (const lane of lanes(shop, plan, undefined, NOW))
      for (const x of lane.blocks)
        for (const y of lane.blocks)
          if (x !== y && x.bench === y.bench && x.row === y.row) expect(x.to <= y.from || y.to <= x.from).toBe(true);
  });
  it("joins what happened and what is planned into stays that follow each other", () => {
    const { shop, plan } = withPlan();
    for (const lane of lanes(shop, plan, undefined, NOW)) {
      expect(lane.stays.length).toBeGreaterThan(0);
      for (let i = 1; i < lane.stays.length; i++) expect(lane.stays[i].from).toBeGreaterThanOrEqual(lane.stays[i - 1].to);
    }
  });
  it("puts a stop line with the number of missing photos before what covers them", () => {
    const { shop, plan } = withPlan();
    const [a] = lanes(shop, plan, undefined, NOW);
    const walls = a.stops.find((s) => s.jobId === "a.PA-04")!;
    const covered = job(shop, "PA-04").covers.map((c) => shop.builds[0].jobs.find((j) => j.id === c)!);
    expect(walls.missing).toBe(covered.reduce((n, c) => n + c.shots.filter((s) => s.beforeCloseUp).length, 0));
    expect(walls.at).toBe(a.blocks.find((x) => x.jobId === "a.PA-04")!.from);
  });
  it("shows a ghost where the published plan had a job half an hour or more elsewhere", () => {
    const { shop, plan } = withPlan();
    const other = structuredClone(plan);
    const moved = other.jobs.find((j) => j.id === "a.FU-01")!;
    Object.assign(moved, { start: "2027-05-03T08:00", end: "2027-05-03T10:00" });
    const ghosts = lanes(shop, plan, other, NOW).flatMap((l) => l.blocks.filter((x) => x.published));
    expect(ghosts.map((g) => g.jobId)).toEqual(["a.FU-01"]);
  });
  it("draws what is known without a plan", () => {
    const { shop } = withPlan();
    const [a] = lanes(shop, undefined, undefined, NOW);
    expect(a.blocks.map((x) => x.code)).toEqual(["ST-01", "ST-03"]);
    expect(a.date.state).toBe("open");
  });
});
