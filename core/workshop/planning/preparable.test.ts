import { describe, expect, it } from "vitest";
import { gains } from "../../plan/gain";
import { makePlan } from "../../plan/planner";
import { readProblem } from "../../plan/read";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow } from "../state/model";
import { toProblem } from "../state/problem";
import { NOW, testShop } from "../testing/shop";
import { preparable, preparedVariants } from "./preparable";
import { withSplit } from "./split";

const DAY = 1440;

/** One build of the test shop in which the longest job on the van is kept back until a day two months on. */
function waiting() {
  const shop = testShop();
  const build = shop.builds[0];
  const late = build.jobs
    .filter((j) => j.state === "todo" && j.place === "van" && j.after.length > 0)
    .sort((a, b) => b.minutes.likely - a.minutes.likely)[0];
  const part: JobRow["parts"][number] = {
    ...shop.builds.flatMap((b) => b.jobs.flatMap((j) => j.parts))[0],
    jobId: late.id,
    state: "promised",
    promisedAt: NOW + 60 * DAY,
  };
  const changed: BuildRow = { ...build, jobs: build.jobs.map((j) => (j.id === late.id ? { ...j, parts: [part] } : j)) };
  const one = { ...shop, builds: [changed] };
  const problem = readProblem(toProblem(one, NOW));
  return { shop: one, build: changed, late, problem, plan: makePlan(problem, { iterations: 10 }) };
}

describe("what could be prepared", () => {
  it("is a job that waits for a part and is long enough, behind all that it waits for itself", () => {
    const { build, late, plan } = waiting();
    const found = preparable(build, plan).find((x) => x.job.id === late.id)!;
    expect(found.waits).toContain("waits for its parts");
    expect(found.split).toEqual({
      kind: "prepare",
      minutes: Math.round(late.minutes.likely / 2),
      bench: true,
      zones: [],
      after: late.after.map((a) => a.job),
    });
  });

  it("does not wait for what cures, but for all else that the job waits for", () => {
    const { build, late, plan } = waiting();
    const [first, ...others] = late.after.map((a) => a.job);
    const why = [{ kind: "hold" as const, ref: first, until: "2027-03-10T08:00", text: "it is left untouched" }];
    const cures = { jobs: plan.jobs.map((j) => (j.id === late.id ? { ...j, why } : j)) };
    expect(preparable(build, cures).find((x) => x.job.id === late.id)!.split.after).toEqual(others);
  });

  it("is nothing that is short, begun, split already, or waits for other work only", () => {
    const { build, late, plan } = waiting();
    const has = (b: BuildRow) => preparable(b, plan).some((x) => x.job.id === late.id);
    const withJob = (more: Partial<JobRow>): BuildRow => ({
      ...build,
      jobs: build.jobs.map((j) => (j.id === late.id ? { ...j, ...more } : j)),
    });
    expect(has(build)).toBe(true);
    expect(has(withJob({ minutes: { best: 20, likely: figure({}, "prepareFrom") - 1, worst: 200 } }))).toBe(false);
    expect(has(withJob({ state: "started" }))).toBe(false);
    const { split } = preparable(build, plan).find((x) => x.job.id === late.id)!;
    expect(has(withSplit(build, late, split).build)).toBe(false);
    const others = { jobs: plan.jobs.map((j) => ({ ...j, why: [{ kind: "predecessor" as const, until: j.start, text: "after it" }] })) };
    expect(preparable(build, others)).toEqual([]);
  });

  it("is tried as a measure with the price of a second setting-up, and gains where the part holds the build's date", () => {
    const { shop, build, late, problem, plan } = waiting();
    const variants = preparedVariants(shop, build, plan, NOW);
    expect(variants.length).toBeGreaterThan(0);
    expect(variants.length).toBeLessThanOrEqual(3);
    const own = variants.find((v) => v.text.includes(late.name))!;
    expect(own).toMatchObject({ kind: "prepare", money: Math.round((figure(shop, "settingUp") / 60) * shop.workshop.hourRate) });
    expect(own.build.jobs.length).toBe(build.jobs.length + 1);
    const tried = gains(problem, plan, build.id, undefined, shop.workshop.hourRate, [own]).find((g) => g.kind === "prepare")!;
    expect(tried.money).toBeGreaterThanOrEqual(own.money!);
    expect(tried.days).toBeGreaterThan(0);
  });
});
