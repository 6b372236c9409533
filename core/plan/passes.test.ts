import { describe, expect, it } from "vitest";
import { compile } from "./compile";
import { back, latestFinish, soonestFinish } from "./passes";
import { makePlan } from "./planner";
import { readProblem } from "./read";
import { workshop } from "./testing/workshop";

const problem = readProblem(workshop({ seed: 23, builds: 5, jobsPerBuild: 24, wild: true }));
const c = compile(problem);

describe("latestFinish", () => {
  it("never lets a follower begin before its predecessor has to be over", () => {
    const lf = latestFinish(c);
    for (const j of c.jobs)
      for (const l of j.before) {
        const before = c.jobs[l.job];
        expect(lf[l.job] + (l.ignoreHold ? 0 : before.hold) + l.lag).toBeLessThanOrEqual(back(c, lf[j.index], j.minutes));
      }
  });

  it("ends each build where it is told to, its date where it is not", () => {
    const ends = c.builds.map((b) => b.due + 1440 * (b.index + 1));
    const lf = latestFinish(c, ends);
    const byDue = latestFinish(c);
    for (const j of c.jobs)
      if (!j.followers.length) {
        expect(lf[j.index]).toBe(ends[j.build]);
        expect(byDue[j.index]).toBe(c.builds[j.build].due);
      }
  });
});

describe("soonestFinish", () => {
  it("is not before the work on a build's longest way through, nor before a thing that it waits for", () => {
    const soonest = soonestFinish(c);
    for (const j of c.jobs) {
      if (j.done) continue;
      expect(soonest[j.build]).toBeGreaterThanOrEqual(j.release + j.minutes + j.hold);
      for (const l of j.before)
        expect(soonest[j.build]).toBeGreaterThanOrEqual(c.jobs[l.job].done ? 0 : c.jobs[l.job].release + c.jobs[l.job].minutes + j.minutes);
    }
  });

  it("is what one build alone takes, where its people are there in all hours of the shop", () => {
    const one = readProblem(workshop({ seed: 4, builds: 1, jobsPerBuild: 3, calm: true, fitters: 4 }));
    one.fitters = one.fitters.map((f) => ({ ...f, calendar: "shop", away: [] }));
    one.builds[0].jobs = one.builds[0].jobs.map((j, k, all) => ({
      ...j,
      place: "bench",
      noisy: false,
      hold: undefined,
      partsFrom: undefined,
      notBefore: undefined,
      needs: undefined,
      after: k ? [{ job: all[k - 1].id }] : [],
      crew: [{ skill: "any", level: 0 }],
    })) as (typeof one.builds)[0]["jobs"];
    const alone = compile(one);
    const plan = makePlan(one, { iterations: 0 });
    expect(plan.builds[0].finish).toBe(alone.zone.show(soonestFinish(alone)[0]));
  });

  it("counts what is done at its time, and a build of which nothing is left from now on", () => {
    expect(soonestFinish(compile({ ...problem, builds: [] }))).toEqual([]);
    const over = { start: c.now - 100, end: c.now - 50, place: 0, fitters: [] };
    const done = { ...c, jobs: c.jobs.map((j) => (j.build === 0 ? { ...j, done: over, hold: 0 } : j)) };
    expect(soonestFinish(done)[0]).toBe(c.now);
    expect(soonestFinish(done).slice(1)).toEqual(soonestFinish(c).slice(1));
    // A hold behind what is done still counts.
    const held = { ...done, jobs: done.jobs.map((j) => (j.index === c.builds[0].jobs[0] ? { ...j, hold: 500 } : j)) };
    expect(soonestFinish(held)[0]).toBe(c.now + 450);
  });
});
