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

/** The library without a job: what waited for it waits for what it waited for; nothing covers it or leaves it anything any more. */
export function dropJob(jobs: readonly Entry[], code: string): Entry[] {
  const gone = jobs.find((j) => j.code === code);
  if (!gone) return [...jobs];
  return jobs
    .filter((j) => j !== gone)
    .map((j) => {
      if (!j.after.some((a) => a.job === code) && !j.covers?.some((c) => c.job === code) && !j.remainders?.some((r) => r.before === code))
        return j;
      const own = j.after.filter((a) => a.job !== code);
      const inherited = own.length < j.after.length ? gone.after.filter((a) => a.job !== j.code && !own.some((o) => o.job === a.job)) : [];
      return {
        ...j,
        after: [...own, ...inherited],
        ...(j.covers ? { covers: j.covers.filter((c) => c.job !== code) } : {}),
        ...(j.remainders ? { remainders: j.remainders.filter((r) => r.before !== code) } : {}),
      };
    });
}
