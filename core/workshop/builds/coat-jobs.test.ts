import { describe, expect, it } from "vitest";
import { checkPlan } from "../../plan/check/check";
import { makePlan } from "../../plan/planner";
import { readPlan, readProblem } from "../../plan/read";
import type { BuildRow, SheetRow } from "../state/model";
import { toProblem } from "../state/problem";
import { NO_MACHINE, NOW, testShop } from "../testing/shop";
import { askedJobs } from "./asked-work";
import { chainOfCoats } from "./coat-jobs";
import { withExtra } from "./extra-work";

const shop = testShop();
const build = shop.builds[0];
const first = build.jobs.find(
  (j) => j.place === "bench" && build.jobs.some((k) => k.state === "todo" && k.after.some((a) => a.job === j.id)),
)!;
const input = {
  weekday: "wed",
  from: "08:00",
  opens: "08:00",
  closes: "17:00",
  tempC: 20,
  coats: [
    { name: "raw timber coat", minutes: 40, holdH: 4 },
    { name: "fill and sand", minutes: 60, holdH: 0 },
    { name: "finish coat", minutes: 30, holdH: 16 },
  ],
};
const sheet = { id: "s1", buildId: build.id, jobId: first.id, calculator: "coat-chain", input } as unknown as SheetRow;
const take = (b: BuildRow, k: number) => withExtra(b, chainOfCoats(b, sheet).find((a) => a.key === `coat:s1:${k}`)!).build;
const links = (b: BuildRow, key: string) => {
  const j = b.jobs.find((x) => x.extra === key)!;
  return { job: j, after: j.after.map((a) => a.job), needed: b.jobs.filter((x) => x.after.some((a) => a.job === j.id)).map((x) => x.id) };
};
const needs = build.jobs.filter((j) => j.after.some((a) => a.job === first.id)).map((j) => j.id);

describe("a chain of coats in the plan", () => {
  it("asks for each coat behind the first, at its minutes, its hold by temperature, and a drying place", () => {
    const list = chainOfCoats(build, sheet);
    expect(list.map((a) => a.name)).toEqual([`${first.name}, 2 of 3: fill and sand`, `${first.name}, 3 of 3: finish coat`]);
    expect(list.map((a) => [a.minutes.likely, a.holdMinutes, a.bench, a.tools])).toEqual([
      [60, 0, true, ["drying place"]],
      [30, 960, true, ["drying place"]],
    ]);
    const cold = chainOfCoats(build, { ...sheet, input: { ...input, tempC: 10 } });
    expect(cold[1].holdMinutes).toBe(1920);
    expect(chainOfCoats(build, { ...sheet, jobId: null })).toEqual([]);
    expect(askedJobs({ ...shop, builds: [{ ...build, sheets: [sheet] }] }, { ...build, sheets: [sheet] }, NOW).map((a) => a.key)).toEqual([
      "coat:s1:1",
      "coat:s1:2",
    ]);
  });

  it("holds together in whatever order its coats are taken on", () => {
    for (const order of [
      [1, 2],
      [2, 1],
    ]) {
      const whole = order.reduce(take, build);
      const [second, third] = [links(whole, "coat:s1:1"), links(whole, "coat:s1:2")];
      expect(second.after).toEqual([first.id]);
      expect(third.after).toContain(order[0] === 1 ? second.job.id : first.id);
      expect(second.needed).toContain(third.job.id);
      expect(third.needed).toEqual(expect.arrayContaining(needs));
      expect(askedJobs(shop, { ...whole, sheets: [sheet] }, NOW)).toEqual([]);
    }
  });

  it("is planned with its holds, at a drying place that it keeps until it is dry", () => {
    const whole = [1, 2].reduce(take, build);
    const tool = { id: "dry", name: "drying place", pieces: 1, held: true, state: "sound" as const, note: "", version: 1, ...NO_MACHINE };
    const made = { ...shop, builds: [whole], tools: [...shop.tools, tool] } as typeof shop;
    const problem = readProblem(toProblem(made, NOW));
    const plan = makePlan(problem, { iterations: 0 });
    expect(checkPlan(problem, readPlan(plan))).toEqual([]);
    const at = (id: string) => plan.jobs.find((j) => j.id === id)!;
    const third = links(whole, "coat:s1:2").job;
    expect(at(third.id).place).toBe("bench");
    for (const id of needs) expect(at(id).start >= at(third.id).holdUntil!).toBe(true);
    const booked = problem.builds[0].jobs.find((j) => j.id === third.id)!;
    expect(booked.tools).toEqual([{ id: "dry", held: true }]);
  });
});
