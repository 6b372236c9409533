// A very small workshop in which times can be worked out by hand.

import { expect } from "vitest";
import { checkPlan } from "../check/check";
import type { Plan, Problem, ProblemJob } from "../model";
import { makePlan } from "../planner";
import { readPlan, readProblem } from "../read";

const day = [
  ["08:00", "12:00"],
  ["13:00", "17:00"],
];
/** One build of bench jobs j0, j1, … and two people, from a Monday morning on. */
export function problem(jobs: Partial<ProblemJob>[], more: Record<string, unknown> = {}): Problem {
  return readProblem({
    format: "wide-lane/problem@1",
    zone: "Europe/Lisbon",
    now: "2027-03-01T08:00",
    horizonDays: 20,
    calendars: [{ id: "shop", week: Object.fromEntries(["mon", "tue", "wed", "thu", "fri"].map((d) => [d, day])) }],
    bays: [{ id: "b1", name: "Bay", has: [] }],
    yard: { places: 3 },
    fitters: [
      { id: "ines", name: "Ines", calendar: "shop", skills: { body: 3 } },
      { id: "teo", name: "Teo", calendar: "shop", skills: { trim: 2 } },
    ],
    shuntMinutes: 15,
    ...more,
    builds: [
      {
        id: "a",
        name: "A",
        arrives: "2027-03-01T08:00",
        due: "2027-03-05T17:00",
        weight: 1,
        heightMm: 2500,
        lengthMm: 6000,
        insideCrew: 3,
        jobs: jobs.map((j, i) => ({ id: `j${i}`, stage: "openings", name: `Job ${i}`, place: "bench", zones: [], state: "todo", ...j })),
      },
    ],
  });
}

/** A plan of it that the checker has found valid. */
export const plan = (p: Problem) => {
  const made = makePlan(p, { iterations: 20 });
  expect(checkPlan(p, readPlan(made))).toEqual([]);
  return made;
};

export const at = (p: Plan, id: string) => p.jobs.find((j) => j.id === id)!;
