// The planner rehearsed on the workshop's own plan, for nothing: a thread that has replanned a change or two answers the next one
// several times as fast as a new one.

import { type Problem, plannedMinutes } from "./model";
import { makePlan } from "./planner";
import { readProblem } from "./read";

/** How far through the work still to do the jobs are that are taken longer than they are. */
const SHARES = [0.1, 0.25, 0.4, 0.55, 0.7, 0.85];

/** Replans around a few changes that nobody made. The problem stays as it is. Returns how many there were. */
export function rehearse(problem: Problem): number {
  const todo = problem.builds.flatMap((b) => b.jobs.filter((j) => j.state === "todo"));
  for (const share of todo.length ? SHARES : []) {
    const { id } = todo[Math.floor(todo.length * share)];
    const longer = (j: Problem["builds"][number]["jobs"][number]) =>
      j.id === id ? { ...j, minutes: Math.ceil(1.5 * plannedMinutes(j.minutes)) } : j;
    const builds = problem.builds.map((b) => ({ ...b, jobs: b.jobs.map(longer) }));
    makePlan(readProblem({ ...problem, builds }), { iterations: 0, local: true });
  }
  return todo.length ? SHARES.length : 0;
}
