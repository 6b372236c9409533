// Edits of a whole library: a job put in like another, a job taken out without losing the order it held.

import type { Entry } from "./library";

/**
 * The library with a job in place of the one with its code, or new behind the last of its stage.
 * `like` names a job: whatever waits for that one waits for the new one too, for the same reason.
 */
export function putJob(jobs: readonly Entry[], job: Entry, like?: string): Entry[] {
  const at = jobs.findIndex((j) => j.code === job.code);
  if (at >= 0) return jobs.with(at, job);
  const last = jobs.findLastIndex((j) => j.stage === job.stage);
  return jobs.toSpliced(last + 1, 0, job).map((j) => {
    if (!like || j === job) return j;
    const more = j.after.filter((a) => a.job === like).map((a) => ({ ...a, job: job.code }));
    return more.length ? { ...j, after: [...j.after, ...more] } : j;
  });
}

/**
 * The library without a job: what waited for it waits for what it waited for, and what it closed up is closed up by
 * those that come next (by what can't be undone among them, if there is any); nothing covers it or leaves it anything.
 */
export function dropJob(jobs: readonly Entry[], code: string): Entry[] {
  const gone = jobs.find((j) => j.code === code);
  if (!gone) return [...jobs];
  const next = jobs.filter((j) => j.after.some((a) => a.job === code));
  const closing = next.some((j) => j.irreversible) ? next.filter((j) => j.irreversible) : next;
  return jobs
    .filter((j) => j !== gone)
    .map((j) => {
      const own = j.after.filter((a) => a.job !== code);
      const after =
        own.length < j.after.length ? [...own, ...gone.after.filter((a) => a.job !== j.code && !own.some((o) => o.job === a.job))] : own;
      const covers = (j.covers ?? []).filter((c) => c.job !== code);
      const heirs = closing.includes(j) ? (gone.covers ?? []).filter((c) => c.job !== j.code && !covers.some((o) => o.job === c.job)) : [];
      return {
        ...j,
        after,
        ...(j.covers || heirs.length ? { covers: [...covers, ...heirs] } : {}),
        ...(j.remainders ? { remainders: j.remainders.filter((r) => r.before !== code) } : {}),
      };
    });
}
