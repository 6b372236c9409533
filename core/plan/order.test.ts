// The search over the order of builds: what it tries, that it is the same for the same seed, and that following a plan gives
// what laying it whole gives.

import { describe, expect, it } from "vitest";
import { random } from "../rng";
import { checkPlan } from "./check/check";
import { compile } from "./compile";
import { costOf } from "./cost";
import { type Generated, generate, type Rule } from "./generate";
import type { Problem } from "./model";
import { asItIs, firstOrders, searchOrders } from "./order";
import { latestFinish, soonestFinish } from "./passes";
import { makePlan } from "./planner";
import { readPlan, readProblem } from "./read";
import { rehearse } from "./rehearse";
import { rules } from "./rules";
import { workshop } from "./testing/workshop";

const problem = readProblem(workshop({ seed: 11, builds: 6, jobsPerBuild: 30, calm: true, fitters: 4, bays: 3 }));
const c = compile(problem);
const lf = latestFinish(c);

function laidOut(seed: number, most: number, times = lf, orders = firstOrders(c, times)) {
  const costs: number[] = [];
  const tried: Rule[] = [];
  const lay = (rule: Rule): Generated & { cost: { total: number } } => {
    const g = generate(c, rule);
    const cost = costOf(g.board, g.unplaced);
    costs.push(cost.total);
    tried.push(rule);
    return { ...g, cost };
  };
  searchOrders(c, random(seed), times, orders, lay, (laid) => laid < most);
  return { costs, tried };
}

describe("the order of builds", () => {
  it("starts from each order once", () => {
    const even = compile({ ...problem, builds: problem.builds.map((b) => ({ ...b, weight: 1 })) });
    // Where all weigh the same, how far weight pulls makes no difference.
    const alike = firstOrders(even, lf);
    expect(alike.map((o) => o.window / 1440)).toEqual([1000, 90, 1000, 12, 45, 20, 8, 90]);
    const one = compile({ ...problem, builds: problem.builds.map((b, k) => ({ ...b, weight: k ? 1 : 2 })) });
    const orders = firstOrders(one, lf);
    expect(orders.length).toBe(10);
    // Between what its date asks for and what it would need to be over as soon as it could be; what weighs more goes further forward.
    const soonest = latestFinish(one, soonestFinish(one));
    for (const o of orders)
      for (const j of one.jobs) {
        const ahead = Math.min(0, soonest[j.index] - lf[j.index]);
        const behind = Math.max(0, soonest[j.index] - lf[j.index]);
        expect(o.shift[j.index]).toBeLessThanOrEqual(behind);
        expect(o.shift[j.index]).toBeGreaterThanOrEqual(ahead - (j.build === 0 ? 12 * 1440 : 0));
      }
  });

  it("tries the same for the same seed, other orders for another, and stops when it is told", () => {
    const one = laidOut(3, 25);
    expect(one.costs.length).toBe(25);
    expect(laidOut(3, 25).costs).toEqual(one.costs);
    expect(laidOut(4, 25).costs).not.toEqual(one.costs);
    expect(laidOut(3, 0).costs).toEqual([]);
  });

  it("goes on from the best so far, one change at a time", () => {
    const { costs, tried } = laidOut(5, 40);
    const starts = firstOrders(c, lf).length;
    let best = 0;
    // Of two that cost the same it goes on from the later one.
    for (let k = 1; k < starts; k++) if (costs[k] <= costs[best]) best = k;
    for (let k = starts; k < costs.length; k++) {
      const from = tried[best];
      const moved = new Set(c.jobs.filter((_, i) => tried[k].priority[i] !== from.priority[i]).map((j) => j.build));
      expect(moved.size).toBeLessThanOrEqual(2);
      if (moved.size) expect([tried[k].window, tried[k].costs]).toEqual([from.window, from.costs]);
      if (costs[k] <= costs[best]) best = k;
    }
    expect(costs[best]).toBeLessThan(Math.min(...costs.slice(0, starts)));
  });

  it("lays by following its parent what it would lay from nothing", () => {
    const { tried, costs } = laidOut(7, 40);
    const followed = tried.filter((rule) => rule.follow);
    expect(followed.length).toBeGreaterThan(10);
    for (const rule of followed) {
      const whole = generate(c, { ...rule, follow: undefined });
      const cost = costOf(whole.board, whole.unplaced).total;
      expect(costs[tried.indexOf(rule)]).toBeCloseTo(cost, 6);
    }
  });

  it("queues work by its start in a plan where nothing is moved", () => {
    const first = generate(c, rules(c)[0]);
    const times = Float64Array.from(c.jobs, (j) => first.board.placed[j.index]?.start ?? 1e10);
    const { tried } = laidOut(1, 1, times, [asItIs(c)]);
    expect(tried[0].priority).toEqual(times);
    const { order } = generate(c, tried[0]).laid;
    const inTime = order.filter((i) => !c.jobs[i].before.length).map((i) => times[i]);
    expect(inTime).toEqual([...inTime].sort((x, y) => x - y));
  });

  it("has nothing to order with one build, or with all work done", () => {
    const alone = compile({ ...problem, builds: problem.builds.slice(0, 1) });
    let laid = 0;
    const lay = (rule: Rule) => {
      laid++;
      const g = generate(alone, rule);
      return { ...g, cost: costOf(g.board, g.unplaced) };
    };
    const times = latestFinish(alone);
    searchOrders(alone, random(1), times, firstOrders(alone, times), lay, () => true);
    expect(laid).toBe(firstOrders(alone, times).length);
  });

  it("gives plans that pass the checker, better than the first one", () => {
    for (let seed = 1; seed <= 4; seed++) {
      const wild = readProblem(workshop({ seed: 700 + seed, builds: 5, jobsPerBuild: 14, wild: true }));
      expect(checkPlan(wild, readPlan(makePlan(wild, { seed, iterations: 300 }))), `seed ${seed}`).toEqual([]);
    }
    const first = generate(c, rules(c)[0]);
    const plan = makePlan(problem, { iterations: 300 });
    expect(plan.cost!.total!).toBeLessThan(0.97 * costOf(first.board, first.unplaced).total);
  });
});

describe("a rehearsal", () => {
  it("replans around changes that nobody made, and leaves the problem as it was", () => {
    const plan = makePlan(problem, { iterations: 0 });
    const jobs = plan.jobs.map(({ why: _w, ...j }) => j);
    const known: Problem = { ...problem, published: { ...plan, jobs, stays: [], builds: [], unplaced: [], pinsBroken: [] } };
    const before = structuredClone(known);
    expect(rehearse(known)).toBe(6);
    expect(known).toEqual(before);
  });
  it("has nothing to rehearse where nothing is left to do", () => {
    expect(rehearse({ ...problem, builds: [] })).toBe(0);
  });
});
