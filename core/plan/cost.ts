// The one number that plans are compared by, and its parts.

import type { Minute } from "../time/zone";
import { type Board, workOf } from "./board";
import type { Compiled } from "./compile";
import type { Cost } from "./model";

export interface BuildResult {
  finish?: Minute;
  lateMinutes: number;
}

/** Finish and lateness of a build: the latest end of its jobs and holds; shop minutes from due to finish. */
export function buildResult(b: Board, build: number): BuildResult {
  let finish = Number.NEGATIVE_INFINITY;
  for (const i of b.c.builds[build].jobs) {
    const p = b.placed[i];
    if (p && p.holdUntil > finish) finish = p.holdUntil;
  }
  if (!Number.isFinite(finish)) return { lateMinutes: 0 };
  return { finish, lateMinutes: Math.round(b.c.shop.minutes(b.c.builds[build].due, finish)) };
}

export const buildResults = (b: Board): BuildResult[] => b.c.builds.map((_, i) => buildResult(b, i));

/** What one build adds to the cost. `missing`: jobs of it that can't be placed. */
export function buildCost(b: Board, build: number, result: BuildResult, missing: number) {
  const { c } = b;
  const { weight, due } = c.builds[build];
  let days = result.lateMinutes / c.dayMinutes;
  if (missing) days = c.shop.minutes(Math.min(due, c.horizon), c.horizon) / c.dayMinutes + 5 * missing;
  return {
    late: c.weights.late * weight * days ** 1.5,
    flow: result.finish === undefined ? 0 : c.weights.flow * weight * (c.shop.minutes(c.now, result.finish) / c.dayMinutes),
    shunts: c.weights.shunts * Math.max(0, b.stays[build].length - 1),
  };
}

/** What one placed job adds to the cost: for being moved against the published plan, and for overtime. */
export function jobCost(b: Board, job: number) {
  const { c } = b;
  const j = c.jobs[job];
  const p = b.placed[job];
  if (!p) return { churn: 0, overtime: 0 };
  return {
    churn: j.published && !j.done && !j.started ? c.weights.churn * churnOf(b, job) : 0,
    overtime: (c.weights.overtime * overtimeMinutes(b, job)) / 60,
  };
}

/**
 * Cost of a plan. late: weight · days^1.5 per build, so that ten days late cost far more than ten
 * times one (a build with unplaced jobs counts as late to the horizon); flow: weighted working days
 * to each finish; shunts: moves; churn: starts moved and crews changed against the published plan,
 * steepest within three working days; overtime: fitter-hours in extra windows marked so.
 */
export function costOf(b: Board, unplaced: ReadonlyMap<number, string>): Cost {
  const { c } = b;
  const sum = { late: 0, flow: 0, shunts: 0, churn: 0, overtime: 0 };
  c.builds.forEach((build, i) => {
    const part = buildCost(b, i, buildResult(b, i), build.jobs.filter((j) => unplaced.has(j)).length);
    sum.late += part.late;
    sum.flow += part.flow;
    sum.shunts += part.shunts;
  });
  for (const j of c.jobs) {
    const part = jobCost(b, j.index);
    sum.churn += part.churn;
    sum.overtime += part.overtime;
  }
  const round = (x: number) => Math.round(x * 100) / 100;
  const cost = {
    late: round(sum.late),
    flow: round(sum.flow),
    shunts: round(sum.shunts),
    churn: round(sum.churn),
    overtime: round(sum.overtime),
  };
  return { total: round(cost.late + cost.flow + cost.shunts + cost.churn + cost.overtime), ...cost };
}

/** Cost of a plan of which only the one build's finish is known: no vans, no published plan, no overtime. */
export function costOfFinish(c: Compiled, finish: Minute): Cost {
  const build = c.builds[0];
  const days = Math.round(c.shop.minutes(build.due, finish)) / c.dayMinutes;
  const late = Math.round(c.weights.late * build.weight * days ** 1.5 * 100) / 100;
  const flow = Math.round(c.weights.flow * build.weight * (c.shop.minutes(c.now, finish) / c.dayMinutes) * 100) / 100;
  return { total: Math.round((late + flow) * 100) / 100, late, flow, shunts: 0, churn: 0, overtime: 0 };
}

function churnOf(b: Board, job: number): number {
  const { c } = b;
  const p = b.placed[job]!;
  const published = c.jobs[job].published!;
  const moved = Math.abs(p.start - published.start);
  const changed = published.fitters.some((f) => !p.crew.includes(f));
  if (!moved && !changed) return 0;
  const days = c.shop.minutes(c.now, Math.max(c.now, published.start)) / c.dayMinutes;
  const steep = days < 3 ? 4 : days < 8 ? 1.5 : 0.3;
  return (moved ? steep * Math.min(1, 0.25 + moved / 1440) : 0) + (changed ? steep * 0.5 : 0);
}

function overtimeMinutes(b: Board, job: number): number {
  const p = b.placed[job]!;
  let minutes = 0;
  const j = b.c.jobs[job];
  p.crew.forEach((f, k) => {
    const { size, from, to } = b.c.overtimeOf[f];
    if (size && p.start < to[size - 1] && p.end > from[0])
      for (const [a, z] of workOf(j, k, p.work)) minutes += b.c.overtimeOf[f].minutes(a, z);
  });
  return minutes;
}
