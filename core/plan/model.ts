// The planner's types, derived from the schemas, and the small facts about a problem that everybody needs.

import type { FromSchema } from "json-schema-to-ts";
import type { planSchema, problemSchema, whyKinds } from "./schema";

export type Problem = FromSchema<typeof problemSchema>;
export type Plan = FromSchema<typeof planSchema>;
export type ProblemBuild = Problem["builds"][number];
export type ProblemJob = ProblemBuild["jobs"][number];
export type ProblemFitter = Problem["fitters"][number];
export type ProblemBay = Problem["bays"][number];
export type PlanJob = Plan["jobs"][number];
export type WhyKind = (typeof whyKinds)[number];
export type Why = NonNullable<PlanJob["why"]>[number];
export type Cost = Required<NonNullable<Plan["cost"]>>;
export type Minutes = ProblemJob["minutes"];

/** Default weights of the cost parts (a workshop setting). Units: per working day late, per working day of flow, per shunt, per moved start, per overtime hour. */
export const DEFAULT_WEIGHTS = { late: 1000, flow: 10, shunts: 4, churn: 6, overtime: 8 } as const;

/**
 * Planned working minutes of a job. Three points: ceil((best + 4·likely + worst) / 30) · 5 (the
 * three-point mean, rounded up to five minutes); one number stands as it is. At least 1.
 */
export function plannedMinutes(minutes: Minutes): number {
  const m = typeof minutes === "number" ? minutes : Math.ceil((minutes.best + 4 * minutes.likely + minutes.worst) / 30) * 5;
  return Math.max(1, m);
}

export const startedOf = (job: ProblemJob) => (typeof job.state === "object" && "started" in job.state ? job.state.started : undefined);

export const doneOf = (job: ProblemJob) => (typeof job.state === "object" && "done" in job.state ? job.state.done : undefined);
