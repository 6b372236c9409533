// Helpers who are there for a part of a job: which minutes, who else gets them then, and what the checker makes of it.

import { describe, expect, it } from "vitest";
import { checkPlan } from "./check/check";
import type { Plan, Problem, ProblemJob } from "./model";
import { clampPart, cutWork } from "./part";
import { makePlan } from "./planner";
import { readPlan } from "./read";
import { at, plan, problem } from "./testing/small";

describe("a part of a job's work", () => {
  const work: [number, number][] = [
    [100, 160],
    [200, 240],
    [300, 400],
  ];
  it.each([
    [[0, 30], [[100, 130]]],
    [[30, 60], [[130, 160]]],
    // Over the break: ten minutes before it, fifteen behind.
    [
      [50, 75],
      [
        [150, 160],
        [200, 215],
      ],
    ],
    [
      [0, 200],
      [
        [100, 160],
        [200, 240],
        [300, 400],
      ],
    ],
    [[100, 101], [[300, 301]]],
    [[199, 200], [[399, 400]]],
  ] as [[number, number], [number, number][]][])("minutes %j are %j", (part, out) => {
    expect(cutWork(work, part)).toEqual(out);
  });
  it("lies within the job, and is a minute at least", () => {
    expect(clampPart({ from: 20, to: 50 }, 100)).toEqual([20, 50]);
    expect(clampPart({ from: 20, to: 500 }, 100)).toEqual([20, 100]);
    expect(clampPart({ from: 120, to: 500 }, 100)).toEqual([99, 100]);
  });
});

const pair = (during?: { from: number; to: number }): ProblemJob["crew"] => [
  { skill: "body", level: 2 },
  { skill: "any", level: 1, ...(during ? { during } : {}) },
];

describe("a helper", () => {
  it("is free for other work until needed, where a whole crew would not be", () => {
    // The cut takes two hours; Teo's own job two and a half. Whole, one waits for the other: done at 13:30.
    const jobs = (during?: { from: number; to: number }) => [
      { minutes: 240, crew: pair(during) },
      { minutes: 180, crew: [{ skill: "trim", level: 2 }] },
    ];
    const whole = plan(problem(jobs()));
    expect([at(whole, "j0").end, at(whole, "j1").end].sort()[1]).toBe("2027-03-01T16:00");
    const part = plan(problem(jobs({ from: 180, to: 240 })));
    expect([at(part, "j0").end, at(part, "j1").end]).toEqual(["2027-03-01T12:00", "2027-03-01T11:00"]);
    expect(at(part, "j0").helpers).toEqual([{ fitter: "teo", work: [["2027-03-01T11:00", "2027-03-01T12:00"]] }]);
    expect(at(whole, "j0").helpers).toBeUndefined();
  });
  it("lets the job begin so long before it is free as the part begins later", () => {
    // Teo is on his own job to 13:30, is needed from minute 90 on: the cut begins at 11:00, with the noon between.
    const p = problem([
      { minutes: 120, crew: pair({ from: 90, to: 120 }) },
      { minutes: 270, crew: [{ skill: "trim", level: 2 }], pin: { start: "2027-03-01T08:00" } },
    ]);
    const made = plan(p);
    expect(at(made, "j0").start).toBe("2027-03-01T11:00");
    expect(at(made, "j0").helpers![0].work).toEqual([["2027-03-01T13:30", "2027-03-01T14:00"]]);
    expect(at(made, "j0").why?.[0].text).toMatch(/Teo is on Job 1/);
  });
  const begun = (fitters: string[], leftMinutes: number, helpers?: string[]) => ({
    started: { start: "2027-03-01T08:00", bay: "bench", fitters, leftMinutes, ...(helpers ? { helpers } : {}) },
  });
  it("is on all of what is under way with everybody who is asked for", () => {
    const made = plan(problem([{ minutes: 120, crew: pair({ from: 100, to: 120 }), state: begun(["ines", "teo"], 60) }]));
    expect(at(made, "j0").helpers).toBeUndefined();
  });
  it("comes for the part of what is left of work under way, and does other work until then", () => {
    const p = problem([
      { minutes: 240, crew: pair({ from: 120, to: 150 }), state: begun(["ines"], 180) },
      { minutes: 120, crew: [{ skill: "trim", level: 2 }] },
    ]);
    const made = plan(p);
    expect(at(made, "j0")).toMatchObject({ fitters: ["ines", "teo"], end: "2027-03-01T11:00" });
    expect(at(made, "j0").helpers).toEqual([{ fitter: "teo", work: [["2027-03-01T10:00", "2027-03-01T10:30"]] }]);
    expect(at(made, "j1")).toMatchObject({ start: "2027-03-01T08:00", end: "2027-03-01T10:00" });
  });
  it("is free behind the part of work under way that they are on", () => {
    const p = problem([
      { minutes: 240, crew: pair({ from: 0, to: 30 }), state: begun(["ines", "teo"], 180, ["teo"]) },
      { minutes: 120, crew: [{ skill: "trim", level: 2 }] },
    ]);
    expect(at(plan(p), "j1").start).toBe("2027-03-01T08:30");
  });
  it("helps with work under way although both have work of their own: that waits until then", () => {
    const p = problem([
      { minutes: 240, crew: pair({ from: 60, to: 90 }), state: begun(["ines"], 120) },
      { minutes: 240, crew: pair({ from: 30, to: 40 }), state: begun(["teo"], 90) },
    ]);
    const made = plan(p);
    expect(made.unplaced).toEqual([]);
    expect(at(made, "j0").helpers![0]).toEqual({ fitter: "teo", work: [["2027-03-01T09:00", "2027-03-01T09:30"]] });
    expect(at(made, "j1").work).toEqual([["2027-03-01T09:30", "2027-03-01T11:00"]]);
    expect(at(made, "j1").helpers![0].work).toEqual([["2027-03-01T10:00", "2027-03-01T10:10"]]);
  });
  it("does not go on where nobody can come", () => {
    const crew = [
      { skill: "body", level: 2 },
      { skill: "any", level: 1, ticket: "gas", during: { from: 0, to: 10 } },
    ];
    const made = plan(problem([{ minutes: 240, crew, state: begun(["ines"], 120) }]));
    expect(made.unplaced.map((u) => u.job)).toEqual(["j0"]);
  });
  it.each([
    [["ines"], ["teo"], /teo is not on j0/],
    [["ines"], ["ines"], /somebody has to be there for all of it/],
    [["ines", "teo"], ["teo", "teo"], /teo stands twice/],
  ])("refuses work under way by %j with the helpers %j", (fitters, helpers, fault) => {
    expect(() => problem([{ minutes: 240, crew: pair({ from: 0, to: 10 }), state: begun(fitters, 60, helpers) }])).toThrow(fault);
  });
  it("refuses a helper of work under way that asks nobody for a part", () => {
    const crew = [
      { skill: "body", level: 2 },
      { skill: "any", level: 1 },
    ];
    expect(() => problem([{ minutes: 240, crew, state: begun(["ines", "teo"], 60, ["teo"]) }])).toThrow(/asks nobody for a part of it/);
  });
  it("keeps its part when the plan is laid down again, whichever order its people are named in", () => {
    const p = problem([
      {
        minutes: 240,
        crew: [
          { skill: "any", level: 1 },
          { skill: "any", level: 1, during: { from: 180, to: 240 } },
        ],
      },
      { minutes: 180, crew: [{ skill: "trim", level: 2 }] },
    ]);
    const made = plan(p);
    const turned = { ...made, jobs: made.jobs.map((j) => ({ ...j, fitters: [...j.fitters].reverse() })) };
    const again = makePlan({ ...p, published: turned } as Problem, { iterations: 0, local: true });
    expect(again.jobs.map((j) => [j.id, j.start, j.helpers])).toEqual(made.jobs.map((j) => [j.id, j.start, j.helpers]));
  });
});

describe("how many are inside", () => {
  const fitters = ["ines", "teo", "rui"].map((id) => ({ id, name: id, calendar: "shop", skills: { any: 1, body: 2 } }));
  const inside = (crew: ProblemJob["crew"], more: Partial<ProblemJob> = {}) => ({
    place: "van" as const,
    zones: ["floor"],
    yardOk: true,
    crew,
    ...more,
  });
  const helpers = (...parts: [number, number][]) => [
    { skill: "body", level: 2 },
    ...parts.map(([from, to]) => ({ skill: "any", level: 1, during: { from, to } })),
  ];
  const small = (jobs: Partial<ProblemJob>[]) => {
    const p = problem(jobs, { fitters });
    p.builds[0].insideCrew = 2;
    return p;
  };
  it("counts helpers who are never aboard together one at a time", () => {
    const made = plan(small([inside(helpers([0, 30], [30, 60]), { minutes: 120 })]));
    expect(made.unplaced).toEqual([]);
    expect(at(made, "j0").helpers!.map((h) => h.work)).toEqual([
      [["2027-03-01T08:00", "2027-03-01T08:30"]],
      [["2027-03-01T08:30", "2027-03-01T09:00"]],
    ]);
  });
  it("says so where those who are aboard together are too many", () => {
    const made = plan(small([inside(helpers([0, 40], [30, 60]), { minutes: 120 })]));
    expect(made.unplaced).toEqual([{ job: "j0", reason: "needs 3 people inside, where 2 fit" }]);
  });
  it("lets another in beside, where the helper comes once that one is out", () => {
    const made = plan(
      small([
        inside(helpers([60, 90]), { minutes: 120 }),
        inside([{ skill: "any", level: 1 }], { minutes: 90, zones: ["left wall"], pin: { start: "2027-03-01T08:00", fitters: ["rui"] } }),
      ]),
    );
    // In from minute 60 on, and there is room from 09:30.
    expect([at(made, "j0").start, at(made, "j0").helpers![0].work]).toEqual([
      "2027-03-01T08:30",
      [["2027-03-01T09:30", "2027-03-01T10:00"]],
    ]);
  });
  it("is one too many for the checker while the helper is there", () => {
    const p = small([
      inside(helpers([60, 90]), { minutes: 120 }),
      inside([{ skill: "any", level: 1 }], { minutes: 90, zones: ["left wall"], pin: { fitters: ["rui"] } }),
    ]);
    const wide = structuredClone(p);
    wide.builds[0].insideCrew = 3;
    expect(checkPlan(p, readPlan(plan(wide))).map((b) => b.text)).toContain("3 people inside a at once, 2 fit");
  });
});

describe("the checker", () => {
  const p = problem([
    { minutes: 240, crew: pair({ from: 180, to: 240 }) },
    { minutes: 180, crew: [{ skill: "trim", level: 2 }] },
  ]);
  const broken = (change: (j: Plan["jobs"][number]) => void): string[] => {
    const made = structuredClone(plan(p));
    change(at(made, "j0"));
    return checkPlan(p, readPlan(made)).map((b) => b.rule);
  };
  it.each([
    ["a helper who comes late", (j: Plan["jobs"][number]) => void (j.helpers![0].work = [["2027-03-01T11:30", "2027-03-01T12:00"]])],
    ["one who goes early", (j: Plan["jobs"][number]) => void (j.helpers![0].work = [["2027-03-01T11:00", "2027-03-01T11:59"]])],
    ["nobody for all of it", (j: Plan["jobs"][number]) => void j.helpers!.push({ fitter: "ines", work: j.helpers![0].work })],
    ["a helper who is not on it", (j: Plan["jobs"][number]) => void (j.helpers![0].fitter = "nobody")],
    ["all of it, while on other work", (j: Plan["jobs"][number]) => void delete j.helpers],
  ])("finds %s", (_name, change) => {
    expect(broken(change)).toContain("crew");
  });
  const under = problem([
    {
      minutes: 240,
      crew: pair({ from: 120, to: 150 }),
      state: { started: { start: "2027-03-01T08:00", bay: "bench", fitters: ["ines"], leftMinutes: 180 } },
    },
  ]);
  it.each([
    ["the helper forgotten", (j: Plan["jobs"][number]) => void Object.assign(j, { helpers: undefined, fitters: ["ines"] })],
    ["the helper there for all of it", (j: Plan["jobs"][number]) => void delete j.helpers],
    ["a helper at other minutes", (j: Plan["jobs"][number]) => void (j.helpers![0].work = [["2027-03-01T09:00", "2027-03-01T09:30"]])],
    ["who is on it made a helper", (j: Plan["jobs"][number]) => void (j.helpers = [{ ...j.helpers![0], fitter: "ines" }])],
    ["somebody else in place of who is on it", (j: Plan["jobs"][number]) => void (j.fitters = ["teo"])],
  ])("finds, of work under way, %s", (_name, change) => {
    const made = structuredClone(plan(under));
    change(at(made, "j0"));
    const rules = checkPlan(under, readPlan(made)).map((b) => b.rule);
    expect(rules.some((r) => r === "crew" || r === "facts")).toBe(true);
  });
  it("refuses a job that nobody would be there for all of, and a part that ends before it begins", () => {
    const only = [{ minutes: 60, crew: [{ skill: "any", level: 1, during: { from: 0, to: 10 } }] }];
    expect(() => problem(only)).toThrow(/somebody has to be there for all of it/);
    expect(() => problem([{ minutes: 60, crew: pair({ from: 10, to: 10 }) }])).toThrow(/ends before it begins/);
  });
});
