// From when other work on the same van lets a job begin, whoever may do it: looked at before anybody is asked.

import type { Minute } from "../time/zone";
import { type Board, workOf } from "./board";
import type { Job } from "./compile";

/**
 * No start of the job from `t` up to the minute returned can be had: work in its zone is under way or begins before it could be
 * over, a hold keeps it off, or as many are inside as fit. A bound: the start returned may still meet with a conflict (fit.ts).
 */
export function clearFrom(b: Board, job: Job, t: Minute): Minute {
  if (!job.van || job.started) return t;
  let at = t;
  for (;;) {
    const next = insideFrom(b, job, apartFrom(b, job, at));
    if (next === at) return at;
    at = next;
  }
}

/** The same by zones and holds alone. */
function apartFrom(b: Board, job: Job, t: Minute): Minute {
  const { c } = b;
  const { near, jobs, meets, keepsOff, n } = c.builds[job.build];
  const rows = near[job.row];
  let at = t;
  // Pushed by one, it may come to another that was passed before: on until none pushes.
  for (let k = 0, since = 0; since < rows.length; k = k + 1 === rows.length ? 0 : k + 1, since++) {
    const row = rows[k];
    const p = b.placed[jobs[row]];
    // It takes its minutes at least, however the hours are.
    if (!p || p.holdUntil <= at || p.start >= at + job.minutes) continue;
    const other = c.jobs[jobs[row]];
    let until = at;
    if (!other.done && meets[job.row * n + row] && p.end > at) until = p.end;
    else if (other.hold > 0 && keepsOff[row * n + job.row] && p.end < at + job.minutes) until = p.holdUntil;
    if (until <= at) continue;
    at = until;
    since = -1;
  }
  return at;
}

/** The same by how many fit inside: while those who work there leave no room, it can't begin. */
function insideFrom(b: Board, job: Job, t: Minute): Minute {
  const build = b.c.builds[job.build];
  if (!job.inside || job.aboard > build.insideCrew) return t;
  // A helper who comes later is not there yet when it begins.
  let here = job.partial ? job.demands.filter((d) => !d.part || d.part[0] === 0).length : job.demands.length;
  let first = Number.POSITIVE_INFINITY;
  for (const k of build.inside) {
    const p = b.placed[k];
    if (!p || p.end <= t || p.start > t || k === job.index) continue;
    const other = b.c.jobs[k];
    // All of a crew come and go together, but for helpers: each of them is looked at.
    for (let m = 0; m < (other.partial ? p.crew.length : 1); m++)
      for (const [from, to] of workOf(other, m, p.work)) {
        if (from > t) break;
        if (to <= t) continue;
        here += other.partial ? 1 : p.crew.length;
        if (to < first) first = to;
      }
  }
  return here > build.insideCrew ? first : t;
}
