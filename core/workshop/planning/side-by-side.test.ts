import { describe, expect, it } from "vitest";
import { makePlan } from "../../plan/planner";
import { readProblem } from "../../plan/read";
import { startObstacles } from "../starts/ready";
import { toProblem } from "../state/problem";
import { at, done, job, NOW, testShop } from "../testing/shop";
import { handToHand } from "./hand-to-hand";
import { sideBySide } from "./side-by-side";

const names = (p: ReturnType<typeof sideBySide>[number]) => [p.one.jobId, p.other.jobId];

describe("side by side", () => {
  it("pairs bench and van, with other people for each, and never what meets", () => {
    const shop = testShop();
    const [build] = shop.builds;
    const pairs = sideBySide(shop, build, undefined, NOW);
    expect(pairs.length).toBeGreaterThan(0);
    expect(pairs.length).toBeLessThanOrEqual(5);
    const pair = pairs.find((p) => names(p).includes("a.OP-02") && names(p).includes("a.ST-01"))!;
    expect([pair.one.where, pair.other.where]).toContain("the bench");
    expect(pair.one.crew).not.toBe(pair.other.crew);
    for (const p of pairs) {
      const [x, y] = names(p).map((id) => build.jobs.find((j) => j.id === id)!);
      expect(x.place === "bench" || y.place === "bench" || x.zones.every((z) => !y.zones.includes(z))).toBe(true);
    }
  });

  it("sets what is under way beside what could be begun, and falls silent where nobody is free", () => {
    const shop = testShop();
    Object.assign(job(shop, "ST-01"), {
      state: "started",
      fitters: ["ines"],
      startedAt: NOW - 30,
      runningSince: NOW - 30,
      actualPlace: "b1",
    });
    const pairs = sideBySide(shop, shop.builds[0], undefined, NOW);
    const pair = pairs.find((p) => p.one.jobId === "a.ST-01")!;
    expect(pair.one).toMatchObject({ underWay: true, crew: "Ines" });
    expect(pair.other).toMatchObject({ jobId: "a.OP-02", underWay: false });
    expect(pair.other.crew).not.toContain("Ines");
    for (const f of shop.fitters) if (f.id !== "ines") f.absences.push({ id: f.id, from: NOW - 60, to: NOW + 6000, reason: "" });
    expect(sideBySide(shop, shop.builds[0], undefined, NOW)).toEqual([]);
  });

  it("tells those first on which the build's date hangs", () => {
    const shop = testShop();
    const plan = makePlan(readProblem(toProblem(shop, NOW)), { iterations: 0 });
    const chained = { ...plan, builds: plan.builds.map((b) => ({ ...b, chain: [{ job: "a.OP-02", kind: "work", minutes: 60 }] })) };
    const list = sideBySide(shop, shop.builds[0], chained, NOW);
    expect(list[0].chained).toBe(true);
    expect(list.map((p) => p.chained)).toEqual(list.map((p) => p.chained).sort((a, b) => Number(b) - Number(a)));
  });
});

describe("hand to hand", () => {
  const planOf = (shop: ReturnType<typeof testShop>) => makePlan(readProblem(toProblem(shop, NOW)), { iterations: 0 });

  it("says what is made, what dries until when, and what is ready, with who needs it and by when", () => {
    const shop = testShop();
    const [build] = shop.builds;
    const bench = build.jobs.find((j) => j.place === "bench" && build.jobs.some((k) => k.after.some((a) => a.job === j.id)))!;
    const now = (id = bench.id) => handToHand(shop, build, planOf(shop), NOW).find((b) => b.jobId === id);
    expect(now()).toBeUndefined();
    Object.assign(bench, {
      state: "started",
      fitters: ["rosa"],
      startedAt: NOW - 60,
      runningSince: NOW - 60,
      actualPlace: "bench",
      pieces: { name: "fronts", count: 8, done: 3 },
    });
    expect(now()).toMatchObject({ state: "making", maker: "Rosa", pieces: { name: "fronts", ready: 3, of: 8 }, until: null });
    expect(now()!.next.stop).toBe(`${bench.name} is not over`);
    Object.assign(bench, {
      state: "done",
      endedAt: NOW - 30,
      runningSince: null,
      hold: { minutes: 120, still: false, keepOff: null, minTempC: null },
    });
    for (const s of bench.steps) Object.assign(s, { doneAt: NOW - 30 });
    const drying = now()!;
    expect(drying).toMatchObject({ state: "drying", until: NOW + 90, pieces: { ready: 8, of: 8 } });
    expect(drying.next.stop).toContain(bench.name);
    bench.hold.minutes = 0;
    const ready = now()!;
    expect(ready).toMatchObject({ state: "ready", until: null, late: false });
    expect(ready.neededBy).toBe(at(planOf(shop).jobs.find((j) => j.id === ready.next.jobId)!.start));
    const next = build.jobs.find((j) => j.id === ready.next.jobId)!;
    const asked = startObstacles(shop, next, ready.next.crew, next.place === "bench" ? "bench" : build.at!, NOW);
    expect(ready.next.stop === null).toBe(asked.length === 0);
    for (const o of asked.slice(0, 2)) expect(ready.next.stop).toContain(o.text);
    if (asked.length > 2) expect(ready.next.stop).toContain(`and ${asked.length - 2} more`);
  });

  it("falls silent once the next job is begun, and calls late what dries past its need", () => {
    const shop = testShop();
    const [build] = shop.builds;
    done(shop, ["OP-02"], NOW - 30);
    const made = job(shop, "OP-02");
    const next = build.jobs.filter((j) => j.after.some((a) => a.job === made.id));
    const plan = planOf(shop);
    const soon = { ...plan, jobs: plan.jobs.map((j) => (next.some((n) => n.id === j.id) ? { ...j, start: "2027-03-03T11:00" } : j)) };
    made.hold.minutes = 600;
    const late = handToHand(shop, build, soon, NOW).find((b) => b.jobId === made.id)!;
    expect(late).toMatchObject({ state: "drying", late: true, neededBy: at("2027-03-03T11:00") });
    for (const n of next) n.state = "started";
    expect(handToHand(shop, build, soon, NOW).some((b) => b.jobId === made.id)).toBe(false);
  });
});
