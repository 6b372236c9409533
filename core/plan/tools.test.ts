// Shared tools: who has them when, what waits for them, and what the checker makes of too few.

import { describe, expect, it } from "vitest";
import { checkPlan } from "./check/check";
import type { ProblemJob } from "./model";
import { makePlan } from "./planner";
import { readPlan, readProblem } from "./read";
import { at, plan, problem } from "./testing/small";
import { workshop } from "./testing/workshop";
import { addUse, type ToolUse } from "./tools";

const ines = { crew: [{ skill: "body", level: 2 }] };
const teo = { crew: [{ skill: "trim", level: 2 }] };
const uses = (id: string, count = 1, held = false): Partial<ProblemJob> => ({ tools: [{ id, count, held }] });
const house = (jobs: Partial<ProblemJob>[], pieces = 1) => problem(jobs, { tools: [{ id: "t", name: "laser", pieces }] });

describe("a shared tool", () => {
  it("keeps a second job waiting, and says so; two of them keep nobody", () => {
    const jobs = [
      { minutes: 120, ...ines, ...uses("t") },
      { minutes: 60, ...teo, ...uses("t") },
    ];
    const one = plan(house(jobs));
    const [first, second] = [at(one, "j0"), at(one, "j1")].sort((a, b) => a.start.localeCompare(b.start));
    expect(first.start).toBe("2027-03-01T08:00");
    expect(second.start).toBe(first.end);
    expect(second.why![0]).toMatchObject({ kind: "tool", ref: first.id, until: first.end });
    expect(second.why![0].text).toMatch(/^the laser is in use on Job \d until /);
    expect(plan(house(jobs, 2)).jobs.map((j) => j.start)).toEqual(["2027-03-01T08:00", "2027-03-01T08:00"]);
  });
  it("lies with its job over the break, nights included", () => {
    const made = plan(
      house([
        { minutes: 540, ...ines, ...uses("t"), pin: { start: "2027-03-01T08:00" } },
        { minutes: 30, ...teo, ...uses("t") },
      ]),
    );
    expect(at(made, "j0").end).toBe("2027-03-02T09:00");
    expect(at(made, "j1").start).toBe("2027-03-02T09:00");
  });
  it("stays with the work until the bond lets go where it is held, else is free at the end", () => {
    const jobs = (held: boolean) => [
      { minutes: 60, ...ines, hold: { minutes: 180 }, ...uses("t", 1, held), pin: { start: "2027-03-01T08:00" } },
      { minutes: 60, ...teo, ...uses("t") },
    ];
    expect(at(plan(house(jobs(false))), "j1").start).toBe("2027-03-01T09:00");
    expect(at(plan(house(jobs(true))), "j1").start).toBe("2027-03-01T13:00");
  });
  it("is counted: three of four and two more are one too many", () => {
    const jobs = (n: number) => [
      { minutes: 120, ...ines, ...uses("t", 3), pin: { start: "2027-03-01T08:00" } },
      { minutes: 60, ...teo, ...uses("t", n) },
    ];
    expect(at(plan(house(jobs(1), 4)), "j1").start).toBe("2027-03-01T08:00");
    expect(at(plan(house(jobs(2), 4)), "j1").start).toBe("2027-03-01T10:00");
  });
  it("leaves a job unplaced that asks for more of them than there are, and says which", () => {
    const made = plan(house([{ minutes: 60, ...ines, ...uses("t", 2) }]));
    expect(made.unplaced).toEqual([{ job: "j0", reason: "needs 2 of the laser, of which there is 1" }]);
  });
  it("is with what is under way, whatever there are, and with what was bonded before now", () => {
    const begun = (fitter: string) => ({ started: { start: "2027-03-01T07:00", bay: "bench", fitters: [fitter], leftMinutes: 60 } });
    const two = plan(
      house([
        { minutes: 120, ...ines, ...uses("t"), state: begun("ines") },
        { minutes: 120, ...teo, ...uses("t"), state: begun("teo") },
        { minutes: 60, ...ines, ...uses("t") },
      ]),
    );
    expect(two.jobs.map((j) => j.end)).toEqual(["2027-03-01T09:00", "2027-03-01T09:00", "2027-03-01T10:00"]);
    const done = { done: { start: "2027-03-01T06:00", end: "2027-03-01T07:30", bay: "bench", fitters: ["ines"] } };
    const held = plan(
      house([
        { minutes: 60, ...ines, hold: { minutes: 150 }, ...uses("t", 1, true), state: done },
        { minutes: 60, ...teo, ...uses("t") },
      ]),
    );
    expect(at(held, "j1").start).toBe("2027-03-01T10:00");
  });
  it.each([
    [
      [
        { id: "t", pieces: 1 },
        { id: "t", pieces: 2 },
      ],
      uses("t"),
      /t stands twice/,
    ],
    [[{ id: "t", pieces: 1 }], uses("saw"), /there is no tool saw/],
    [[{ id: "t", pieces: 1 }], { tools: [{ id: "t" }, { id: "t" }] }, /t stands twice/],
    [[{ id: "t", pieces: -1 }], uses("t"), /tools\[0\].pieces/],
  ])("is refused as %j, asked as %j", (tools, asks, fault) => {
    expect(() => problem([{ minutes: 60, ...ines, ...(asks as Partial<ProblemJob>) }], { tools })).toThrow(fault);
  });
});

describe("the checker", () => {
  it("finds too many pieces in use at once, whichever of two begins first", () => {
    const p = house([
      { minutes: 120, ...ines, ...uses("t") },
      { minutes: 60, ...teo, ...uses("t") },
    ]);
    const made = structuredClone(plan(p));
    for (const j of made.jobs)
      Object.assign(
        j,
        j.id === "j0" ? { start: "2027-03-01T08:00", end: "2027-03-01T10:00" } : { start: "2027-03-01T09:00", end: "2027-03-01T10:00" },
      );
    for (const j of made.jobs) j.work = [[j.start, j.end]];
    expect(checkPlan(p, readPlan(made)).map((b) => [b.rule, b.job])).toContainEqual(["tool", "j0"]);
    expect(checkPlan(p, readPlan(made)).map((b) => b.rule)).toContain("tool");
  });
  it("finds them in generated plans made with more pieces than there are: some wait for a tool there", () => {
    let found = 0;
    let waited = 0;
    for (let seed = 300; seed < 312; seed++) {
      const p = readProblem(workshop({ seed, builds: 3, jobsPerBuild: 20, wild: seed % 2 === 0, tools: true }));
      const many = structuredClone(p);
      for (const t of many.tools!) t.pieces = 99;
      const free = makePlan(many, { iterations: 0 });
      if (checkPlan(p, readPlan(free)).some((b) => b.rule === "tool")) found++;
      const kept = makePlan(p, { iterations: 0 });
      expect(checkPlan(p, readPlan(kept))).toEqual([]);
      waited += kept.jobs.filter((j) => j.why?.some((w) => w.kind === "tool")).length;
    }
    expect(found).toBeGreaterThan(6);
    expect(waited).toBeGreaterThan(6);
  });
});

describe("the list of a tool's uses", () => {
  it("stands by beginning, later ones of one moment behind", () => {
    const list: ToolUse[] = [];
    for (const [from, job] of [
      [5, 0],
      [2, 1],
      [9, 2],
      [5, 3],
    ])
      addUse(list, { from, to: from + 1, job, count: 1 });
    expect(list.map((u) => u.job)).toEqual([1, 0, 3, 2]);
  });
});
