import { describe, expect, it } from "vitest";
import { makePlan } from "../../plan/planner";
import { readProblem } from "../../plan/read";
import { toProblem } from "../state/problem";
import { NOW, testBuild, testShop, zone } from "../testing/shop";
import { answerOf, sayAnswer } from "./answers";

describe("an answer against the published plan", () => {
  const shop = testShop([testBuild("a"), { ...testBuild("b"), at: "yard" }]);
  const plan = makePlan(readProblem(toProblem(shop, NOW)), { iterations: 0 });
  const later = (id: string, minutes: number, change: (j: (typeof plan.jobs)[number]) => void = () => undefined) => {
    const next = structuredClone(plan);
    const j = next.jobs.find((x) => x.id === id)!;
    j.start = zone.show(zone.parse(j.start) + minutes);
    change(j);
    return next;
  };
  const open = plan.jobs.find((j) => shop.builds.flatMap((b) => b.jobs).find((x) => x.id === j.id)?.state === "todo")!.id;
  it("counts a job that begins more than a quarter of an hour off, or is done by others or elsewhere", () => {
    expect(answerOf(shop, plan, plan)).toEqual({ moved: 0, dates: [] });
    expect(answerOf(shop, plan, later(open, 15)).moved).toBe(0);
    expect(answerOf(shop, plan, later(open, 16)).moved).toBe(1);
    expect(
      answerOf(
        shop,
        plan,
        later(open, 0, (j) => (j.fitters = ["somebody"])),
      ).moved,
    ).toBe(1);
    const without = structuredClone(plan);
    without.jobs = without.jobs.filter((j) => j.id !== open);
    expect(answerOf(shop, plan, without).moved).toBe(1);
  });
  it("tells the dates that move in working days, the furthest first", () => {
    const next = structuredClone(plan);
    const [first, second] = next.builds;
    first.finish = zone.show(zone.parse(first.finish!) + 7 * 1440);
    second.finish = zone.show(zone.parse(second.finish!) - 14 * 1440);
    const { dates } = answerOf(shop, plan, next);
    const name = (id: string) => shop.builds.find((b) => b.id === id)!.name;
    expect(dates.map((d) => d.build)).toEqual([name(second.id), name(first.id)]);
    expect(dates[0].days).toBeLessThan(0);
    expect(dates[1].days).toBe(5);
  });
  it("says it in one line", () => {
    expect(sayAnswer({ moved: 0, dates: [] })).toBe("nothing moves, all dates as published");
    expect(sayAnswer({ moved: 3, dates: [] })).toBe("3 jobs move, all dates as published");
    expect(sayAnswer({ moved: 1, dates: [{ build: "Seed library", days: -24 }] })).toBe("1 job moves, Seed library 24 days earlier");
    const dates = ["A", "B", "C"].map((build, k) => ({ build, days: 3 - k }));
    expect(sayAnswer({ moved: 9, dates })).toBe("9 jobs move, A 3 days later, B 2 days later, 1 more date moves");
  });
});
