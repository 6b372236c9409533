// The checker bites everywhere: plans of generated workshops, damaged in one way each, fail with the rule named.

import { describe, expect, it } from "vitest";
import { between, random } from "../../rng";
import type { Plan, Problem } from "../model";
import { makePlan } from "../planner";
import { readPlan, readProblem } from "../read";
import { workshop } from "../testing/workshop";
import { checkPlan, type RuleName } from "./check";

const minutes = (t: string, n: number) => new Date(Date.parse(`${t}Z`) + n * 60_000).toISOString().slice(0, 16);
const jobsOf = (p: Problem) => new Map(p.builds.flatMap((b) => b.jobs.map((j) => [j.id, j] as const)));
type PlanJob = Plan["jobs"][number];

/** Shifts a job and its stretches by minutes, its hold with it. */
function shift(j: PlanJob, n: number): void {
  j.start = minutes(j.start, n);
  j.end = minutes(j.end, n);
  j.work = j.work?.map(([a, b]) => [minutes(a, n), minutes(b, n)]);
  if (j.holdUntil) j.holdUntil = minutes(j.holdUntil, n);
}

interface Mutation {
  what: string;
  /** Any of these may be named: one damage can break more than one rule. */
  rules: RuleName[];
  /** Damages the plan; false when this plan has nothing to damage so. */
  damage(plan: Plan, problem: Problem, r: () => number): boolean;
}

const todo = (plan: Plan, problem: Problem): PlanJob[] => {
  const jobs = jobsOf(problem);
  return plan.jobs.filter((j) => jobs.get(j.id)!.state === "todo");
};
const some = <T>(list: readonly T[], r: () => number): T | undefined => list[Math.floor(r() * list.length)];

const MUTATIONS: Mutation[] = [
  {
    what: "a job moved before its predecessor's end",
    rules: ["precedence", "facts", "calendar", "crew", "zone", "bay"],
    damage: (plan, problem, r) => {
      const jobs = jobsOf(problem);
      const j = some(
        todo(plan, problem).filter((x) => jobs.get(x.id)!.after?.length),
        r,
      );
      const before = j && plan.jobs.find((x) => x.id === jobs.get(j.id)!.after![0].job);
      if (!j || !before) return false;
      shift(j, Math.round((Date.parse(`${before.start}Z`) - Date.parse(`${j.start}Z`)) / 60_000));
      return true;
    },
  },
  {
    what: "a crew of strangers to the problem's demands",
    rules: ["crew"],
    damage: (plan, problem, r) => {
      const j = some(
        todo(plan, problem).filter((x) => x.fitters.length > 0),
        r,
      );
      if (!j) return false;
      j.fitters = [...j.fitters, ...problem.fitters.map((f) => f.id).filter((f) => !j.fitters.includes(f))].slice(0, j.fitters.length + 1);
      return true;
    },
  },
  {
    what: "work in the middle of the night",
    rules: ["calendar", "conditions"],
    damage: (plan, problem, r) => {
      const j = some(
        todo(plan, problem).filter((x) => x.fitters.length > 0 && x.work!.length),
        r,
      );
      if (!j) return false;
      const night = `${j.start.slice(0, 10)}T03:00`;
      shift(j, Math.round((Date.parse(`${night}Z`) - Date.parse(`${j.start}Z`)) / 60_000) + 1440);
      return true;
    },
  },
  {
    what: "an hour of work left out",
    rules: ["calendar"],
    damage: (plan, problem, r) => {
      const j = some(
        todo(plan, problem).filter((x) => x.work!.length > 1),
        r,
      );
      if (!j) return false;
      j.work = j.work!.slice(0, -1);
      return true;
    },
  },
  {
    what: "van work where the van is not",
    rules: ["bay", "stay", "conditions"],
    damage: (plan, problem, r) => {
      const jobs = jobsOf(problem);
      const j = some(
        todo(plan, problem).filter((x) => jobs.get(x.id)!.place === "van"),
        r,
      );
      const other =
        j && problem.bays.find((b) => b.id !== j.place && !plan.stays.some((s) => s.place === b.id && s.from <= j.start && s.to >= j.end));
      if (!j || !other) return false;
      j.place = other.id;
      return true;
    },
  },
  {
    what: "a stay cut off before the work in it ends",
    rules: ["bay", "stay"],
    damage: (plan, problem) => {
      const jobs = jobsOf(problem);
      const j = todo(plan, problem).find((x) => jobs.get(x.id)!.place === "van");
      const build = j && problem.builds.find((b) => b.jobs.some((k) => k.id === j.id))!;
      const stay = j && plan.stays.find((s) => s.build === build!.id && s.place === j.place && s.from <= j.start && j.end <= s.to);
      if (!j || !stay) return false;
      stay.to = j.start;
      return true;
    },
  },
  {
    what: "two vans in one bay",
    rules: ["bay", "stay", "conditions"],
    damage: (plan, problem) => {
      const [a, b] = plan.stays.filter((s) => s.place !== "yard");
      const other = plan.stays.find((s) => s.build !== a?.build && s.place !== "yard" && s.place !== a?.place);
      if (!a || !b || !other || problem.builds.length < 2) return false;
      Object.assign(other, { place: a.place, from: a.from, to: a.to });
      return true;
    },
  },
  {
    what: "a job dropped without a word",
    rules: ["complete"],
    damage: (plan, _problem, r) => {
      plan.jobs.splice(between(r, 0, plan.jobs.length - 1), 1);
      return true;
    },
  },
  {
    what: "a finish that is told a day too early",
    rules: ["report"],
    damage: (plan) => {
      const b = plan.builds.find((x) => x.finish);
      if (!b) return false;
      b.finish = minutes(b.finish!, -1440);
      return true;
    },
  },
];

describe("damaged plans of generated workshops", () => {
  for (const m of MUTATIONS)
    it(`fail for ${m.what}`, () => {
      let bitten = 0;
      for (let seed = 500; seed < 530; seed++) {
        const problem = readProblem(workshop({ seed, builds: 2 + (seed % 3), jobsPerBuild: 10, wild: seed % 2 === 0 }));
        const plan = readPlan(structuredClone(makePlan(problem, { iterations: 0 })));
        const r = random(seed);
        if (!m.damage(plan, problem, r)) continue;
        const named = new Set(checkPlan(problem, plan).map((b) => b.rule));
        expect(
          m.rules.some((x) => named.has(x)),
          `seed ${seed}: ${[...named].join(", ") || "nothing"}`,
        ).toBe(true);
        bitten++;
      }
      expect(bitten).toBeGreaterThan(9);
    });
});
