import { describe, expect, it } from "vitest";
import { makePlan } from "../plan/planner";
import { readProblem } from "../plan/read";
import { toProblem } from "../workshop/state/problem";
import { done, NOW, testBuild, testShop } from "../workshop/testing/shop";
import { byBay, byFitter, fill, sketch, stageSpans } from "./groups";
import { lanes } from "./lanes";

const shop = testShop([testBuild("a"), { ...testBuild("b"), at: "yard" }]);
done(shop, ["ST-01", "ST-03"], NOW - 600);
const plan = makePlan(readProblem(toProblem(shop, NOW)), { iterations: 0 });
const all = lanes(shop, plan, undefined, NOW);
const jobs = all.flatMap((l) => l.blocks);

describe("groups", () => {
  it("shows every job once by place", () => {
    const rows = byBay(shop, all);
    expect(rows.map((r) => r.id)).toEqual(["b1", "b2", "yard", "bench"]);
    expect(rows.flatMap((r) => r.blocks).length).toBe(jobs.length);
  });
  it("has one van in a bay at a time", () => {
    for (const r of byBay(shop, all))
      for (let i = 1; i < r.stays.length; i++) expect(r.stays[i].from).toBeGreaterThanOrEqual(r.stays[i - 1].to);
  });
  it("shows a job once for each of its crew, and nobody twice at a time in what is planned", () => {
    const rows = byFitter(shop, all);
    expect(rows.flatMap((r) => r.blocks).length).toBe(jobs.reduce((n, j) => n + j.fitters.length, 0));
    for (const r of rows) {
      const work = plan.jobs
        .filter((j) => j.fitters.includes(r.id))
        .flatMap((j) => j.work ?? [])
        .sort((a, b) => a[0].localeCompare(b[0]));
      for (let i = 1; i < work.length; i++) expect(work[i][0] >= work[i - 1][1]).toBe(true);
    }
  });
  it("come back whole from their sketch, which says nothing that the lanes say already", () => {
    const first = jobs.find((j) => j.fitters.length)!;
    const helper = { fitter: first.fitters[0], from: first.from + 10, to: first.from + 70 };
    const helped = all.map((l) => ({ ...l, blocks: l.blocks.map((b) => (b === first ? { ...b, helpers: [helper] } : b)) }));
    for (const rows of [byBay(shop, helped), byFitter(shop, helped)]) {
      const sent = JSON.parse(JSON.stringify(sketch(rows)));
      expect(fill(sent, helped)).toEqual(rows);
      expect(JSON.stringify(sent).length).toBeLessThan(JSON.stringify(rows).length / 4);
    }
  });
  it("packs without overlap", () => {
    for (const r of [...byBay(shop, all), ...byFitter(shop, all)])
      for (const x of r.blocks)
        for (const y of r.blocks) if (x !== y && x.row === y.row) expect(x.to <= y.from || y.to <= x.from).toBe(true);
  });
});

describe("stageSpans", () => {
  it("covers all van work of each stage", () => {
    for (const lane of all) {
      const spans = stageSpans(lane);
      for (const b of lane.blocks.filter((x) => !x.bench))
        expect(spans.some((s) => s.stage === b.stage && s.from <= b.from && b.to <= s.to)).toBe(true);
      expect(spans.length).toBeLessThan(lane.blocks.length);
    }
  });
});
