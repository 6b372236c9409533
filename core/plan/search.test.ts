// The search's parts: what a step frees and keeps, and that the pieces it rests on behave.

import { describe, expect, it } from "vitest";
import { random } from "../rng";
import { checkPlan } from "./check/check";
import { compile } from "./compile";
import { costOf } from "./cost";
import { canFill, matchCrew } from "./crew";
import { generate, generateWithin } from "./generate";
import type { Plan, Problem } from "./model";
import { makePlan } from "./planner";
import { readPlan, readProblem } from "./read";
import { fromPlan, keptRules, rules } from "./rules";
import { displaced, latestFirst, slackOf, stepRule } from "./search";
import { workshop } from "./testing/workshop";

const problem = readProblem(workshop({ seed: 21, builds: 4, jobsPerBuild: 20 }));
const c = compile(problem);
const first = generate(c, rules(c)[0]);
const at = { placed: first.board.placed, lateDays: c.builds.map(() => 1) };
const withPlan = (p: Problem, plan: Plan): Problem => ({
  ...p,
  published: { ...plan, jobs: plan.jobs.map(({ why: _w, ...j }) => j), stays: [], builds: [], unplaced: [], pinsBroken: [] },
});

describe("stepRule", () => {
  it("keeps most and frees some, never what is done or under way", () => {
    const r = random(5);
    let freed = 0;
    for (let k = 0; k < 200; k++) {
      const rule = stepRule(c, at, r);
      if (!rule.keep) continue;
      c.jobs.forEach((j, i) => {
        if (!j.done && !j.started && at.placed[i] && !rule.keep![i]) freed++;
        if (rule.keep![i]) expect(rule.keep![i]).toMatchObject({ start: at.placed[i]!.start, place: at.placed[i]!.place });
      });
    }
    expect(freed).toBeGreaterThan(200);
    expect(freed / 200).toBeLessThan(c.jobs.length * 0.6);
  });
  it("lays an unchanged plan down again exactly when nothing is freed", () => {
    const keep = c.jobs.map((_, i) => {
      const p = at.placed[i];
      return p && { start: p.start, place: p.place, crew: p.crew, placed: p };
    });
    const again = generate(c, {
      name: "all",
      priority: Float64Array.from(c.jobs, (_, i) => at.placed[i]?.start ?? 0),
      window: 1e12,
      costs: { move: 90, evict: 240 },
      keep,
    });
    c.jobs.forEach((_, i) => expect(again.board.placed[i]?.start).toBe(at.placed[i]?.start));
    expect(costOf(again.board, again.unplaced).total).toBe(costOf(first.board, first.unplaced).total);
  });
  it("knows by how much each job could wait, and lays what can wait least first", () => {
    const slack = slackOf(c, at, false);
    const tail = (k: number) => Math.max(...c.builds[k].jobs.map((j) => at.placed[j]?.holdUntil ?? 0));
    c.jobs.forEach((j, i) => {
      const p = at.placed[i];
      if (!p || j.done) return;
      expect(slack[i]).toBeGreaterThanOrEqual(0);
      expect(p.holdUntil + slack[i]).toBeLessThanOrEqual(tail(j.build));
      // Started so much later, it still lets every follower be as late as that one may be.
      for (const f of j.followers) {
        const link = c.jobs[f].before.find((l) => l.job === i)!;
        const q = at.placed[f]!;
        const from = (link.ignoreHold ? p.end : p.holdUntil) + link.lag + slack[i];
        expect(from).toBeLessThanOrEqual(Math.max(q.start, (link.ignoreHold ? p.end : p.holdUntil) + link.lag) + slack[f]);
      }
    });
    // Each build has a last job, which can't wait; by the due date all of a build that is early can.
    c.builds.forEach((b, k) => expect(Math.min(...b.jobs.filter((j) => at.placed[j]).map((j) => slack[j])), `build ${k}`).toBe(0));
    const byDue = slackOf(c, at, true);
    for (const [i, s] of slack.entries()) expect(byDue[i]).toBeGreaterThanOrEqual(s);
    const rule = latestFirst(c, at, false, { move: 90, evict: 240 });
    c.jobs.forEach((_, i) => expect(rule.priority[i]).toBe((at.placed[i]?.start ?? 0) + slack[i]));
  });
  it("lays all anew that way, and brings a plan of short sight well down; no search gives less than its start", () => {
    const p = readProblem(workshop({ seed: 11, builds: 5, jobsPerBuild: 40, fitters: 4, bays: 2 }));
    const k = compile(p);
    const short = generate(k, rules(k).find((x) => x.name === "latest finish, far sight")!);
    const before = costOf(short.board, short.unplaced).total;
    let board = short.board;
    let best = before;
    for (let n = 0; n < 12; n++) {
      const next = generate(k, latestFirst(k, { placed: board.placed }, n % 2 === 1, { move: 90, evict: 240 }));
      const cost = costOf(next.board, next.unplaced).total;
      if (cost >= best) continue;
      best = cost;
      board = next.board;
    }
    expect(best).toBeLessThan(0.9 * before);
    const one = makePlan(p, { iterations: 0 });
    const more = makePlan(p, { iterations: 12 });
    expect(checkPlan(p, readPlan(more))).toEqual([]);
    expect(more.cost!.total!).toBeLessThanOrEqual(one.cost!.total!);
    expect(one.cost!.total!).toBeLessThan(before);
  });
  it("gives only plans that pass the checker, step after step", () => {
    for (let seed = 1; seed <= 8; seed++) {
      const p = readProblem(workshop({ seed: 300 + seed, builds: 3, jobsPerBuild: 14, wild: true }));
      expect(checkPlan(p, readPlan(makePlan(p, { seed, iterations: 40 }))), `seed ${seed}`).toEqual([]);
    }
  });
});

describe("going on from a plan", () => {
  it("starts no worse than the plan it was given", () => {
    const plan = makePlan(problem, { iterations: 15 });
    const on = makePlan(problem, { iterations: 1, start: { ...plan, jobs: plan.jobs.map(({ why: _w, ...j }) => j) } });
    expect(on.cost!.total!).toBeLessThanOrEqual(plan.cost!.total! * 1.0001);
  });
  it("copes with a plan that knows nothing of the problem, or names people who have gone", () => {
    const plan = makePlan(problem, { iterations: 0 });
    plan.jobs = plan.jobs.slice(5).map((j) => ({ ...j, fitters: j.fitters.map(() => "nobody") }));
    expect(fromPlan(c, plan).keep!.filter(Boolean).length).toBe(plan.jobs.length);
    expect(checkPlan(problem, readPlan(makePlan(problem, { iterations: 2, start: plan })))).toEqual([]);
  });
});

describe("a local replan", () => {
  const plan = makePlan(problem, { iterations: 10 });
  it("finds nothing displaced in the published plan itself, and everything in a foreign one", () => {
    const known = compile(withPlan(problem, plan));
    const kept = generate(known, rules(known)[0]);
    expect(displaced(known, { placed: kept.board.placed, lateDays: [] }).size).toBe(0);
    expect(displaced(c, at).size).toBe(c.jobs.filter((j) => !j.done && !j.started && at.placed[j.index]).length);
  });
  it("is given up where it moves more than is allowed, and is the same where it does not", () => {
    const late = structuredClone(withPlan(problem, plan));
    for (const j of late.builds[0].jobs.slice(0, 4)) if (j.state === "todo") j.minutes = 900;
    const known = compile(late);
    const rule = keptRules(known)[0];
    expect(rule.most).toBeUndefined();
    const whole = generate(known, rule);
    expect(generateWithin(known, { ...rule, most: 0 })).toBeUndefined();
    const within = generateWithin(known, { ...rule, most: known.jobs.length })!;
    expect(within.board.placed.map((p) => p?.start)).toEqual(whole.board.placed.map((p) => p?.start));
    // As published nothing moves: the least allowance is enough.
    expect(generateWithin(compile(withPlan(problem, plan)), { ...keptRules(compile(withPlan(problem, plan)))[0], most: 0 })).toBeDefined();
  });
  it("places a new build without moving most of the others", () => {
    const more = structuredClone(withPlan(problem, plan));
    const extra = structuredClone(more.builds[0]);
    extra.id = "new";
    delete extra.at;
    extra.due = "2027-09-01T17:00";
    extra.jobs = extra.jobs.map((j) => ({
      ...j,
      id: `new.${j.id}`,
      state: "todo" as const,
      pin: undefined,
      after: j.after?.filter((a) => extra.jobs.some((x) => x.id === a.job)).map((a) => ({ ...a, job: `new.${a.job}` })),
      covers: j.covers?.filter((k) => extra.jobs.some((x) => x.id === k)).map((k) => `new.${k}`),
    }));
    more.builds.push(extra);
    const read = readProblem(JSON.parse(JSON.stringify(more)));
    const next = makePlan(read, { iterations: 30, local: true });
    expect(checkPlan(read, readPlan(next))).toEqual([]);
    const starts = new Map(plan.jobs.map((j) => [j.id, j.start]));
    const moved = next.jobs.filter((j) => starts.has(j.id) && starts.get(j.id) !== j.start).length;
    expect(moved / plan.jobs.length).toBeLessThan(0.35);
  });
});

describe("crews", () => {
  const job = c.jobs.find((j) => j.demands.length === 2)!;
  it("takes whom it wastes least, and those who must be in it", () => {
    const all = matchCrew(job, () => true)!;
    expect(all.length).toBe(2);
    expect(new Set(all).size).toBe(2);
    expect(canFill(job, all)).toBe(true);
    const must = job.candidates.at(-1)!;
    const crew = matchCrew(job, () => true, [must]);
    if (crew) expect(crew).toContain(must);
  });
  it("finds none where too few are free", () => {
    expect(matchCrew(job, (f) => f === job.candidates[0])).toBeUndefined();
    expect(canFill(job, [job.candidates[0]])).toBe(false);
  });
});
