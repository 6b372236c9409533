// The priority rules that compete for the first plan.

import type { Random } from "../rng";
import type { Minute } from "../time/zone";
import type { Compiled } from "./compile";
import type { Rule } from "./generate";

const DAY = 1440;
const COSTS = { move: 90, evict: 240 };

/** Latest finish of every job that still lets its build keep its date (backward pass in shop time, crews ignored). */
export function latestFinish(c: Compiled): Float64Array {
  const lf = new Float64Array(c.jobs.length).fill(Number.NaN);
  const visit = (i: number): number => {
    if (!Number.isNaN(lf[i])) return lf[i];
    const j = c.jobs[i];
    let t: Minute = c.builds[j.build].due;
    lf[i] = t;
    for (const f of j.followers) {
      const job = c.jobs[f];
      const start = back(c, visit(f), job.minutes);
      for (const l of job.before) if (l.job === i) t = Math.min(t, start - l.lag - (l.ignoreHold ? 0 : j.hold));
    }
    lf[i] = t;
    return t;
  };
  for (const j of c.jobs) visit(j.index);
  return lf;
}

/** `minutes` of shop time before t; plain minutes where the calendar does not reach. */
function back(c: Compiled, t: Minute, minutes: number): Minute {
  const s = c.shop.startFor(t, minutes);
  return Number.isFinite(s) ? s : t - minutes * 3;
}

/** Working minutes of a job and all that follows it. */
function tail(c: Compiled): Float64Array {
  const sum = new Float64Array(c.jobs.length).fill(-1);
  const visit = (i: number): number => {
    if (sum[i] >= 0) return sum[i];
    sum[i] = 0;
    let longest = 0;
    for (const f of c.jobs[i].followers) longest = Math.max(longest, visit(f));
    sum[i] = longest + c.jobs[i].minutes + c.jobs[i].hold / 3;
    return sum[i];
  };
  for (const j of c.jobs) visit(j.index);
  return sum;
}

/** The rules, best all-rounder first. */
export function rules(c: Compiled): Rule[] {
  const lf = latestFinish(c);
  const rest = tail(c);
  const by = (name: string, f: (i: number) => number, window: number, costs = COSTS): Rule => ({
    name,
    priority: Float64Array.from(c.jobs, (_, i) => f(i)),
    window,
    costs,
  });
  const slack = (i: number) => back(c, lf[i], c.jobs[i].minutes) - c.jobs[i].release;
  const weighted = (i: number) => lf[i] - (c.builds[c.jobs[i].build].weight - 1) * 3 * DAY;
  const list = [
    by("latest finish", weighted, DAY),
    by("latest finish, far sight", weighted, 4 * DAY),
    by("least slack", slack, DAY),
    by("longest tail", (i) => -rest[i], DAY),
    by("earliest due build", (i) => c.builds[c.jobs[i].build].due + lf[i] / 1e6, 2 * DAY),
    by("latest finish, vans stay put", weighted, DAY, { move: 600, evict: 1200 }),
  ];
  if (c.jobs.some((j) => j.published)) {
    const order = (i: number) => c.jobs[i].published?.start ?? lf[i];
    list.push(by("as published", order, 2 * DAY), by("as published, strictly", order, 30 * DAY), {
      ...by("kept as published", order, 400 * DAY),
      keep: true,
    });
  }
  return list;
}

/** A rule with its order shaken: each priority moved by up to `days` days. */
export function shaken(rule: Rule, r: Random, days: number): Rule {
  const scale = rule.name === "longest tail" ? days * 300 : days * DAY;
  return {
    name: `${rule.name}, shaken`,
    priority: Float64Array.from(rule.priority, (p) => p + (r() - 0.5) * 2 * scale),
    window: rule.window * (0.5 + r() * 1.5),
    ...(rule.keep ? { keep: true } : {}),
    costs: r() < 0.5 ? rule.costs : { move: 60 + r() * 500, evict: 120 + r() * 900 },
  };
}
