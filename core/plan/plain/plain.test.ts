import { describe, expect, it } from "vitest";
import { between, random } from "../../rng";
import { checkPlan } from "../check/check";
import { compile } from "../compile";
import type { Problem } from "../model";
import { makePlan } from "../planner";
import { readPlan, readProblem } from "../read";
import { plainProblem, plainSet } from "../testing/plain";
import { workshop } from "../testing/workshop";
import { breed } from "./breed";
import { prove } from "./exact";
import { cableEndsFromStart, earliestStarts, inOrder, mirror, type Plain, plainOf, simpleBound } from "./model";
import { Scheduler } from "./schedule";
import { solvePlain } from "./solve";

const plain = (p: Problem) => plainOf(compile(readProblem(structuredClone(p))));
const tiny = (seed: number): Plain => {
  const r = random(seed);
  const full = plain(
    plainProblem({ seed, jobs: 7 + (seed % 2), complexity: 1.5, factor: 0.75, strength: (seed % 4) * 0.2, resources: 1 + (seed % 3) }),
  )!;
  // Heads, tails and lags, which the generator leaves out.
  return {
    ...full,
    heads: full.heads.map(() => (r() < 0.3 ? between(r, 1, 6) : 0)),
    tails: full.tails.map(() => (r() < 0.3 ? between(r, 1, 6) : 0)),
    lags: full.lags.map(() => (r() < 0.3 ? between(r, 1, 4) : 0)),
  };
};

/** The shortest schedule by trying every order: some list of the jobs lays an optimal one. */
function shortest(p: Plain): number {
  const s = new Scheduler(p);
  let best = Number.POSITIVE_INFINITY;
  const list = new Int32Array(p.n);
  const used = new Uint8Array(p.n);
  const go = (at: number): void => {
    if (at === p.n) {
      best = Math.min(best, s.lay(list));
      return;
    }
    for (let j = 0; j < p.n; j++) {
      if (used[j]) continue;
      let ready = true;
      for (let k = p.beforeAt[j]; k < p.beforeAt[j + 1]; k++) if (!used[p.before[k]]) ready = false;
      if (!ready) continue;
      used[j] = 1;
      list[at] = j;
      go(at + 1);
      used[j] = 0;
    }
  };
  go(0);
  return best;
}

/** Whether starts keep precedence and group sizes, by looking at every unit of time. */
function holds(p: Plain, starts: Int32Array, length: number): boolean {
  for (let j = 0; j < p.n; j++) {
    if (starts[j] < p.heads[j] || starts[j] + p.durations[j] + p.tails[j] > length) return false;
    for (let k = p.beforeAt[j]; k < p.beforeAt[j + 1]; k++)
      if (starts[j] < starts[p.before[k]] + p.durations[p.before[k]] + p.lags[k]) return false;
  }
  for (let t = 0; t < length; t++)
    for (let g = 0; g < p.sizes.length; g++) {
      let sum = 0;
      for (let j = 0; j < p.n; j++) if (starts[j] <= t && t < starts[j] + p.durations[j]) sum += p.demands[g][j];
      if (sum > p.sizes[g]) return false;
    }
  return true;
}

describe("plainOf", () => {
  it("knows a plain problem: groups, durations in their greatest common unit, demands", () => {
    const p = plain(plainProblem({ seed: 3, jobs: 30, complexity: 1.8, factor: 0.5, strength: 0.5 }))!;
    expect(p.n).toBe(30);
    expect(p.unit).toBe(30);
    expect(p.sizes).toHaveLength(4);
    expect(Math.max(...p.durations)).toBeLessThanOrEqual(10);
    for (const [g, d] of p.demands.entries()) expect(Math.max(...d)).toBeLessThanOrEqual(p.sizes[g]);
  });

  it.each<[string, (p: Problem) => void]>([
    ["van work", (p) => void (p.builds[0].jobs[0].place = "van")],
    ["hours that close", (p) => void (p.calendars[0].week.tue = [["08:00", "17:00"]])],
    ["an absence", (p) => void (p.fitters[0].away = [["2027-03-02T08:00", "2027-03-02T12:00"]])],
    ["a pin", (p) => void (p.builds[0].jobs[3].pin = { start: "2027-03-03T08:00" })],
    ["a second build", (p) => void p.builds.push({ ...structuredClone(p.builds[0]), id: "k2", jobs: [] })],
    ["a fitter of two groups", (p) => void (p.fitters[0].skills.electric = 1)],
    ["noise hours", (p) => void (p.noiseHours = ["08:00", "18:00"])],
  ])("leaves %s to the planner", (_name, change) => {
    const p = plainProblem({ seed: 3, jobs: 30, complexity: 1.8, factor: 0.5, strength: 0.5 });
    change(p);
    expect(plain(p)).toBeUndefined();
  });

  it("leaves workshops to the planner", () => {
    expect(plain(workshop({ seed: 1, builds: 1, jobsPerBuild: 10 }))).toBeUndefined();
  });
});

describe("bounds", () => {
  it("mirrors twice to the same, and lists predecessors first", () => {
    for (let seed = 1; seed < 20; seed++) {
      const p = tiny(seed);
      const twice = mirror(mirror(p));
      expect([...earliestStarts(twice)]).toEqual([...earliestStarts(p)]);
      const order = [...inOrder(p)];
      for (let j = 0; j < p.n; j++)
        for (let k = p.beforeAt[j]; k < p.beforeAt[j + 1]; k++) expect(order.indexOf(p.before[k])).toBeLessThan(order.indexOf(j));
      expect(Math.max(...earliestStarts(p).map((s, j) => s + cableEndsFromStart(p)[j]))).toBeLessThanOrEqual(simpleBound(p));
    }
  });
});

describe("scheduling, breeding and proof", () => {
  it("lays lists that hold, with one word of groups and with several", () => {
    for (let seed = 1; seed < 30; seed++) {
      const p = plain(plainProblem({ seed, jobs: 30, complexity: 1.8, factor: 0.6, strength: 0.3, resources: seed % 2 ? 3 : 6 }))!;
      const s = new Scheduler(p);
      const length = s.lay(inOrder(p));
      expect(holds(p, s.starts, length)).toBe(true);
      const better = s.justify(length);
      expect(better).toBeLessThanOrEqual(length);
      expect(holds(p, s.starts, Math.max(length, better))).toBe(true);
    }
  });

  it("proves what trying every order finds, on small problems", () => {
    for (let seed = 1; seed <= 60; seed++) {
      const p = tiny(seed);
      const best = shortest(p);
      expect(simpleBound(p)).toBeLessThanOrEqual(best);
      expect(prove(p, best, () => false).verdict).toBe("optimal");
      const above = prove(p, best + 2, () => false);
      expect(above.verdict).toBe("shorter");
      expect(above.length).toBeLessThan(best + 2);
      expect(holds(p, above.starts!, above.length!)).toBe(true);
    }
  });

  it("finds with breeding and proof together what each says alone", () => {
    for (const recipe of plainSet(30, 24)) {
      const p = plain(plainProblem(recipe))!;
      const solved = solvePlain(p, random(1), { stop: (steps) => steps > 20_000 });
      expect(holds(p, solved.starts, solved.length)).toBe(true);
      expect(solved.proven).toBeDefined();
      const s = new Scheduler(p);
      const best = { starts: new Int32Array(p.n), length: Number.POSITIVE_INFINITY };
      const children = breed(s, random(2), best);
      for (let i = 0; i < 2000; i++) children.next();
      expect(best.length).toBeGreaterThanOrEqual(solved.length);
      if (solved.length > simpleBound(p)) expect(prove(p, solved.length, () => false).verdict).toBe("optimal");
    }
  });

  it("stops when told to, with what it has by then", () => {
    const p = plain(plainProblem({ seed: 9, jobs: 60, complexity: 1.5, factor: 1, strength: 0.2 }))!;
    const few = solvePlain(p, random(1), { stop: (steps) => steps >= 5 });
    expect(few.steps).toBe(5);
    expect(holds(p, few.starts, few.length)).toBe(true);
    expect(prove(p, simpleBound(p) + 20, (n) => n >= 3).deadEnds).toBeLessThanOrEqual(3);
  });
});

describe("through the contract", () => {
  it("plans plain problems validly, the same on every run, ever shorter with more steps", () => {
    for (const recipe of plainSet(30, 6)) {
      const p = readProblem(plainProblem(recipe));
      const first = makePlan(p, { iterations: 0 });
      const more = makePlan(p, { iterations: 1500 });
      expect(checkPlan(p, readPlan(first))).toEqual([]);
      expect(checkPlan(p, readPlan(more))).toEqual([]);
      expect(more.builds[0].lateWorkingMinutes).toBeLessThanOrEqual(first.builds[0].lateWorkingMinutes!);
      expect(makePlan(p, { iterations: 1500 })).toEqual(more);
    }
  });

  it("tells of better plans and stops when asked", () => {
    const p = readProblem(plainProblem({ seed: 9, jobs: 60, complexity: 1.5, factor: 1, strength: 0.2 }));
    const costs: number[] = [];
    const plan = makePlan(p, {
      iterations: 5000,
      onBetter: (cost) => {
        costs.push(cost.total);
        return costs.length < 3;
      },
    });
    expect(costs).toHaveLength(3);
    expect(costs).toEqual([...costs].sort((a, b) => b - a));
    expect(plan.iterations).toBeLessThan(5000);
    expect(plan.cost!.total).toBeLessThanOrEqual(costs[2]);
  });
});
