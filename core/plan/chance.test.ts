// Chances of dates: the draw against its mean and bounds, small plans against what can be worked out by hand, generated workshops.

import { describe, expect, it } from "vitest";
import { random } from "../rng";
import { zoneOf } from "../time/zone";
import { chances, drawMinutes, quantile } from "./chance";
import { compile } from "./compile";
import { plannedMinutes } from "./model";
import { makePlan } from "./planner";
import { pushOn } from "./push";
import { readProblem } from "./read";
import { plan, problem } from "./testing/small";
import { workshop } from "./testing/workshop";

const three = (best: number, likely: number, worst: number) => ({ best, likely, worst });

describe("a drawn time", () => {
  it("lies between best and worst, with the three-point mean that the plan goes by", () => {
    for (const m of [three(60, 90, 180), three(30, 30, 300), three(100, 200, 200)]) {
      const r = random(7);
      const list = Array.from({ length: 4000 }, () => drawMinutes(r, m));
      expect(Math.min(...list)).toBeGreaterThanOrEqual(m.best);
      expect(Math.max(...list)).toBeLessThanOrEqual(m.worst);
      const mean = list.reduce((n, x) => n + x, 0) / list.length;
      expect(mean).toBeGreaterThan(0.97 * ((m.best + 4 * m.likely + m.worst) / 6));
      expect(mean).toBeLessThan(1.03 * ((m.best + 4 * m.likely + m.worst) / 6));
      expect(Math.abs(mean - plannedMinutes(m))).toBeLessThan(12);
    }
    expect(drawMinutes(random(1), 45)).toBe(45);
    expect(drawMinutes(random(1), three(50, 50, 50))).toBe(50);
  });
  it("a share of a sorted list is its smallest value that many do not pass", () => {
    expect([0, 0.5, 0.8, 1].map((s) => quantile([1, 2, 3, 4, 5], s))).toEqual([1, 3, 4, 5]);
  });
});

describe("chances of a date", () => {
  const crew = [{ skill: "body", count: 1 }];
  it("are certain where every time is certain, and the same for the same seed", () => {
    const p = problem([
      { minutes: 120, crew },
      { minutes: 60, crew, after: [{ job: "j0" }] },
    ]);
    const c = chances(p, plan(p), { times: 12 });
    expect(c).toMatchObject({ played: 12, lost: 0, share: 0.8 });
    expect(c.builds).toEqual([{ build: "a", byDue: 1, half: "2027-03-01T11:00", at: "2027-03-01T11:00" }]);
  });
  it("one job of 60 to 240 min due at 10:30: done in time as often as its time is 150 at most; half by the median, 80 % later", () => {
    const p = problem([{ minutes: three(60, 150, 240), crew }]);
    p.builds[0].due = "2027-03-01T10:30";
    const made = plan(p);
    const c = chances(p, made, { times: 600 });
    const [b] = c.builds;
    // Even about 150.
    expect(b.byDue).toBeGreaterThan(0.44);
    expect(b.byDue).toBeLessThan(0.56);
    expect(Math.abs(Date.parse(`${b.half}Z`) - Date.parse("2027-03-01T10:30Z"))).toBeLessThan(6 * 60_000);
    expect(b.at > b.half).toBe(true);
    // At 240 it ends at 12:00 at the latest.
    expect(b.at < "2027-03-01T12:00").toBe(true);
    expect(chances(p, made, { times: 600 })).toEqual(c);
  });
  it("a loss is passed on, a gain is not taken: the follower never begins before its planned start", () => {
    const p = problem([
      { minutes: three(30, 60, 120), crew },
      { minutes: 60, crew, after: [{ job: "j0" }] },
    ]);
    const [b] = chances(p, plan(p), { times: 200 }).builds;
    // Planned 65 + 60 minutes from 08:00.
    expect(b.half >= "2027-03-01T10:05").toBe(true);
  });
  it("builds with work that has no place get none; a pinned start is pushed on like the rest", () => {
    const p = problem([
      { minutes: three(60, 120, 240), crew },
      { minutes: 60, crew, after: [{ job: "j0" }] },
    ]);
    const made = plan(p);
    p.builds[0].jobs[1].pin = { start: made.jobs.find((j) => j.id === "j1")!.start };
    expect(chances(p, made, { times: 40 })).toMatchObject({ lost: 0, builds: [{ build: "a" }] });
    expect(chances(p, { ...made, jobs: made.jobs.slice(0, 1) }, { times: 5 }).builds).toEqual([]);
  });
  it("stops when told, and says how many were played", () => {
    const p = problem([{ minutes: 60, crew }]);
    expect(chances(p, plan(p), { times: 50 }, (n) => n < 3)).toMatchObject({ played: 3, lost: 0 });
  });
  it("what has to be done in one day counts as planned where it was drawn longer than any day, and is told", () => {
    const p = problem([{ minutes: three(60, 300, 900), crew, needs: { sameDay: true } } as never]);
    const c = chances(p, plan(p), { times: 60 });
    expect(c.lost).toBe(0);
    expect(c.shortened).toBeGreaterThan(0);
    expect(c.shortened).toBeLessThan(60);
    expect(c.builds[0].at < "2027-03-01T18:00").toBe(true);
  });
  it("are the same when the plan is read again for each time, helpers or not", () => {
    for (const helpers of [false, true]) {
      const p = readProblem(workshop({ seed: 3, builds: 3, jobsPerBuild: 12, helpers }));
      const made = makePlan(p, { iterations: 0 });
      const r = random(4);
      const again: number[][] = [];
      for (let i = 0; i < 15; i++) {
        const jobs = (b: (typeof p.builds)[number]) =>
          b.jobs.map((j) => (j.state === "todo" ? { ...j, pin: undefined, minutes: drawMinutes(r, j.minutes) } : j));
        const drawn = { ...p, published: made, builds: p.builds.map((b) => ({ ...b, jobs: jobs(b) })) } as typeof p;
        again.push([...pushOn(compile(drawn))!.finishes]);
      }
      const zone = zoneOf(p.zone);
      for (const b of chances(p, made, { times: 15, seed: 4 }).builds) {
        const i = p.builds.findIndex((x) => x.id === b.build);
        const sorted = again.map((f) => f[i]).sort((x, y) => x - y);
        expect([b.half, b.at]).toEqual([zone.show(quantile(sorted, 0.5)), zone.show(quantile(sorted, 0.8))]);
      }
    }
  });
  it("in generated workshops: no build's 80 % date before its half date, nor its half before what best times allow", () => {
    for (const seed of [2, 5]) {
      const p = readProblem(workshop({ seed, builds: 4, jobsPerBuild: 14 }));
      const made = makePlan(p, { iterations: 10, seed });
      const c = chances(p, made, { times: 30, seed });
      expect(c.lost).toBeLessThan(10);
      for (const b of c.builds) {
        expect(b.at >= b.half).toBe(true);
        expect(b.byDue).toBeGreaterThanOrEqual(0);
        expect(b.byDue).toBeLessThanOrEqual(1);
      }
    }
  });
});
