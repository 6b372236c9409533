import { describe, expect, it } from "vitest";
import { zoneOf } from "../time/zone";
import { checkPlan } from "./check/check";
import { compile } from "./compile";
import { diffPlans } from "./diff";
import { type Plan, type Problem, plannedMinutes } from "./model";
import { makePlan } from "./planner";
import { pushOn } from "./push";
import { readPlan, readProblem } from "./read";
import { at, plan, problem } from "./testing/small";
import { workshop } from "./testing/workshop";

const publish = (p: Problem, made: Plan): Problem => ({ ...structuredClone(p), published: structuredClone(made) });
const show = (p: Problem, starts: Float64Array, i: number) => zoneOf(p.zone).show(starts[i]);

// Ines: two hours, then one of another chain; Teo's work hangs on the first.
const small = () =>
  problem([
    { minutes: 120, crew: [{ skill: "body", count: 1 }] },
    { minutes: 60, crew: [{ skill: "trim", count: 1 }], after: [{ job: "j0" }] },
    { minutes: 60, crew: [{ skill: "body", count: 1 }] },
    { minutes: 60, crew: [{ skill: "trim", count: 1 }] },
  ]);

describe("pushing on", () => {
  it("moves nothing where nothing has changed, in small and generated workshops", () => {
    const p = small();
    expect(pushOn(compile(readProblem(publish(p, plan(p)))))!.share).toBe(0);
    for (const seed of [1, 2, 3, 4, 5, 6]) {
      const wide = readProblem(workshop({ seed, builds: 5, jobsPerBuild: 24, helpers: seed % 2 === 0, tools: seed % 3 === 0 }));
      const made = makePlan(wide, { iterations: 30, seed });
      if (made.unplaced.length) continue;
      expect(pushOn(compile(readProblem(publish(wide, made))))!.share).toBe(0);
    }
  });

  it("pushes by hand's reckoning what follows and what the same person does next, nothing else", () => {
    const p = small();
    const made = plan(p);
    expect([0, 1, 2, 3].map((k) => at(made, `j${k}`).start.slice(11))).toEqual(["08:00", "10:00", "10:00", "08:00"]);
    const next = publish(p, made);
    next.builds[0].jobs[0].minutes = 180;
    const pushed = pushOn(compile(readProblem(next)))!;
    expect([0, 1, 2, 3].map((k) => show(p, pushed.starts, k).slice(11))).toEqual(["08:00", "11:00", "11:00", "08:00"]);
    expect(pushed.share).toBe(0.5);
  });

  it("gives up past the share asked for, on a lost skill, on work never published, on a pin that does not fit", () => {
    const p = small();
    const made = plan(p);
    const longer = publish(p, made);
    longer.builds[0].jobs[0].minutes = 180;
    expect(pushOn(compile(readProblem(longer)), 0.4)).toBeUndefined();
    const unskilled = publish(p, made);
    unskilled.fitters[0].skills = { trim: 1 };
    unskilled.fitters[1].skills = { trim: 2, body: 2 };
    expect(pushOn(compile(readProblem(unskilled)))).toBeUndefined();
    const fresh = publish(p, made);
    fresh.published!.jobs = fresh.published!.jobs.filter((j) => j.id !== "j3");
    expect(pushOn(compile(readProblem(fresh)))).toBeUndefined();
    const pinned = publish(p, made);
    pinned.builds[0].jobs[1].pin = { start: "2027-03-01T09:00" };
    expect(pushOn(compile(readProblem(pinned)))).toBeUndefined();
  });

  it("goes round a pinned start, and keeps the van after it in the bay as far behind as it was", () => {
    const p = problem([
      { minutes: 120, place: "van", crew: [{ skill: "body", count: 1 }] },
      { minutes: 60, crew: [{ skill: "body", count: 1 }] },
    ]);
    const made = plan(p);
    const next = publish(p, made);
    next.builds[0].jobs[1].pin = { start: "2027-03-01T10:30" };
    const pushed = pushOn(compile(readProblem(next)))!;
    expect(show(p, pushed.starts, 1)).toBe("2027-03-01T10:30");
  });

  it("is what a replan does where it reaches few, in a workshop in which every date is lost", () => {
    const wide = readProblem(workshop({ seed: 11, builds: 8, jobsPerBuild: 56, fitters: 5, bays: 3 }));
    const made = makePlan(wide, { iterations: 60 });
    let local = 0;
    for (let n = 0; n < 8; n++) {
      const next = publish(wide, made);
      const todo = made.jobs.filter((j) => next.builds.some((b) => b.jobs.some((x) => x.id === j.id && x.state === "todo")));
      const id = todo.sort((x, y) => x.start.localeCompare(y.start))[Math.floor((todo.length * (n + 0.5)) / 8)].id;
      const job = next.builds.flatMap((b) => b.jobs).find((j) => j.id === id)!;
      job.minutes = Math.round(plannedMinutes(job.minutes) * 1.5);
      const read = readProblem(next);
      const pushed = pushOn(compile(read), 0.1);
      if (!pushed) continue;
      local++;
      const moved = diffPlans(zoneOf(wide.zone), made, makePlan(read, { iterations: 0, local: true }), new Set()).moves;
      expect(moved.length / made.jobs.length).toBeLessThan(0.1);
    }
    expect(local).toBeGreaterThan(0);
  });

  it("keeps a change that reaches few to few jobs, whatever dates more moves would save", () => {
    let local = 0;
    for (let seed = 1; seed <= 6; seed++) {
      const p = readProblem(workshop({ seed: 70 + seed, builds: 6, jobsPerBuild: 30, fitters: 4, bays: 3, calm: seed % 2 === 0 }));
      const made = makePlan(p, { iterations: 120, seed });
      for (let n = 0; n < 9; n++) {
        const next = publish(p, made);
        const todo = made.jobs.filter((j) => next.builds.some((b) => b.jobs.some((x) => x.id === j.id && x.state === "todo")));
        const id = todo.sort((x, y) => x.start.localeCompare(y.start))[Math.floor((todo.length * (n + 0.5)) / 9)].id;
        const job = next.builds.flatMap((b) => b.jobs).find((j) => j.id === id)!;
        if (n % 3 === 0) job.minutes = plannedMinutes(job.minutes) * 2;
        else if (n % 3 === 1) job.partsFrom = `2027-03-${String(8 + n).padStart(2, "0")}T10:00`;
        else next.fitters[n % next.fitters.length].away!.push([`2027-03-0${2 + (n % 3)}T07:00`, `2027-03-0${3 + (n % 3)}T18:00`]);
        const read = readProblem(next);
        if (!pushOn(compile(read), 0.1)) continue;
        local++;
        const plan = makePlan(read, { iterations: 0, local: true });
        expect(checkPlan(read, readPlan(plan)), `workshop ${seed}, change ${n}`).toEqual([]);
        const { moves } = diffPlans(zoneOf(p.zone), made, plan, new Set());
        expect(moves.length / made.jobs.length, `workshop ${seed}, change ${n}`).toBeLessThan(0.1);
      }
    }
    expect(local).toBeGreaterThan(10);
  });
});
