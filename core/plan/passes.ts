// The forward and the backward pass over the links of all jobs, in the hours of the shop, people and places ignored.

import type { Minute } from "../time/zone";
import type { Compiled } from "./compile";

/** When each build could be over at the soonest, were everybody free for it: by build, the end of its last job or hold. */
export function soonestFinish(c: Compiled): Minute[] {
  const end = new Float64Array(c.jobs.length).fill(Number.NaN);
  const visit = (i: number): number => {
    if (!Number.isNaN(end[i])) return end[i];
    const j = c.jobs[i];
    let t = j.release;
    for (const l of j.before) {
      const other = c.jobs[l.job];
      t = Math.max(t, visit(l.job) + (l.ignoreHold ? 0 : other.hold) + l.lag);
    }
    if (j.done) end[i] = j.done.end;
    else {
      const over = c.shop.after(c.shop.next(t), j.minutes);
      end[i] = Number.isFinite(over) ? over : t + j.minutes * 3;
    }
    return end[i];
  };
  for (const j of c.jobs) visit(j.index);
  return c.builds.map((b) => Math.max(c.now, ...b.jobs.map((i) => end[i] + c.jobs[i].hold)));
}

/** Latest finish of every job that still lets its build end at `ends` (by build; else at its date): the backward pass. */
export function latestFinish(c: Compiled, ends: readonly Minute[] = c.builds.map((b) => b.due)): Float64Array {
  const lf = new Float64Array(c.jobs.length).fill(Number.NaN);
  const visit = (i: number): number => {
    if (!Number.isNaN(lf[i])) return lf[i];
    const j = c.jobs[i];
    let t: Minute = ends[j.build];
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
export function back(c: Compiled, t: Minute, minutes: number): Minute {
  const s = c.shop.startFor(t, minutes);
  return Number.isFinite(s) ? s : t - minutes * 3;
}
