// The one number that plans are compared by, and its parts.

import type { Minute } from "../time/zone";
import type { Board } from "./board";
import type { Cost } from "./model";

export interface BuildResult {
  finish?: Minute;
  lateMinutes: number;
}

/** Finish and lateness of every build: the latest end of its jobs and holds; shop minutes from due to finish. */
export function buildResults(b: Board): BuildResult[] {
  return b.c.builds.map((build) => {
    let finish = Number.NEGATIVE_INFINITY;
    for (const i of build.jobs) {
      const p = b.placed[i];
      if (p) finish = Math.max(finish, p.holdUntil);
    }
    if (!Number.isFinite(finish)) return { lateMinutes: 0 };
    return { finish, lateMinutes: Math.round(b.c.shop.minutes(build.due, finish)) };
  });
}

/**
 * Cost of a plan. late: weight · days^1.5 per build, so that ten days late cost far more than ten
 * times one (a build with unplaced jobs counts as late to the horizon); flow: weighted working days
 * to each finish; shunts: moves; churn: starts moved and crews changed against the published plan,
 * steepest within three working days; overtime: fitter-hours in extra windows marked so.
 */
export function costOf(b: Board, unplaced: ReadonlyMap<number, string>): Cost {
  const { c } = b;
  const w = c.weights;
  let late = 0;
  let flow = 0;
  const results = buildResults(b);
  c.builds.forEach((build, i) => {
    const missing = build.jobs.filter((j) => unplaced.has(j)).length;
    const finish = results[i].finish;
    let days = results[i].lateMinutes / c.dayMinutes;
    if (missing) days = c.shop.minutes(Math.min(build.due, c.horizon), c.horizon) / c.dayMinutes + 5 * missing;
    late += build.weight * days ** 1.5;
    if (finish !== undefined) flow += build.weight * (c.shop.minutes(c.now, finish) / c.dayMinutes);
  });
  let shunts = 0;
  for (const stays of b.stays) for (let i = 1; i < stays.length; i++) shunts++;
  const parts = {
    late: w.late * late,
    flow: w.flow * flow,
    shunts: w.shunts * shunts,
    churn: w.churn * churn(b),
    overtime: w.overtime * overtimeHours(b),
  };
  const round = (x: number) => Math.round(x * 100) / 100;
  const cost = {
    late: round(parts.late),
    flow: round(parts.flow),
    shunts: round(parts.shunts),
    churn: round(parts.churn),
    overtime: round(parts.overtime),
  };
  return { total: round(cost.late + cost.flow + cost.shunts + cost.churn + cost.overtime), ...cost };
}

function churn(b: Board): number {
  const { c } = b;
  let sum = 0;
  for (const j of c.jobs) {
    const p = b.placed[j.index];
    if (!p || !j.published || j.done || j.started) continue;
    const days = c.shop.minutes(c.now, Math.max(c.now, j.published.start)) / c.dayMinutes;
    const steep = days < 3 ? 4 : days < 8 ? 1.5 : 0.3;
    const moved = Math.abs(p.start - j.published.start);
    if (moved > 0) sum += steep * Math.min(1, 0.25 + moved / 1440);
    if (j.published.fitters.some((f) => !p.crew.includes(f))) sum += steep * 0.5;
  }
  return sum;
}

function overtimeHours(b: Board): number {
  let minutes = 0;
  for (const p of b.placed)
    if (p) for (const f of p.crew) if (b.c.overtimeOf[f].size) for (const [a, z] of p.work) minutes += b.c.overtimeOf[f].minutes(a, z);
  return minutes / 60;
}
