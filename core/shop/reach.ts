// Order from reach: a job that ends an access waits for all that still needs it; one that is fastened to something, for that.

import { entriesOf } from "./docket/of";
import type { BuildRow, JobRow } from "./model";

export interface ReachLink {
  /** The job that waits, and what it waits for. */
  job: string;
  after: string;
  reason: string;
}

type Build = Pick<BuildRow, "records" | "jobs">;

const byCode = (build: Build, code: string | undefined): JobRow | undefined =>
  code ? build.jobs.find((j) => j.code.toLowerCase() === code.trim().toLowerCase()) : undefined;

/** Whether `first` has to be over before `then` by the links there are. */
function precedes(jobs: ReadonlyMap<string, readonly string[]>, first: string, then: string, seen = new Set<string>()): boolean {
  if (seen.has(then)) return false;
  seen.add(then);
  return (jobs.get(then) ?? []).some((a) => a === first || precedes(jobs, first, a, seen));
}

/**
 * The links that follow from what is written down, each only where it contradicts none before it; and what is wrong, in words: codes
 * that are no job of the build, and what would have to come both before and after something.
 */
export function reachOrder(build: Build): { links: ReachLink[]; wrong: string[] } {
  const after = new Map(build.jobs.map((j) => [j.id, j.after.map((a) => a.job)]));
  const links: ReachLink[] = [];
  const wrong: string[] = [];
  for (const r of entriesOf(build.records, "reach")) {
    if (r.closedAt !== null) continue;
    const job = byCode(build, r.data.code);
    if (!job) {
      wrong.push(`${r.title}: ${r.data.code} is no job of this build`);
      continue;
    }
    const asked = [
      ...(r.data.fixedTo ? [{ code: r.data.fixedTo, reason: `${r.title} is fastened to it` }] : []),
      ...(r.data.hides ?? []).flatMap((h) =>
        h.code ? [{ code: h.code, reason: `${r.title} hides it${h.what ? `: ${h.what}` : ""}` }] : [],
      ),
    ];
    for (const { code, reason } of asked) {
      const first = byCode(build, code);
      if (!first) wrong.push(`${r.title}: ${code} is no job of this build`);
      else if (first.id === job.id || precedes(after, job.id, first.id))
        wrong.push(`${r.title}: ${job.name} would have to come after ${first.name}, which waits for it`);
      else {
        links.push({ job: job.id, after: first.id, reason });
        after.set(job.id, [...(after.get(job.id) ?? []), first.id]);
      }
    }
  }
  return { links, wrong };
}

/** What a job not begun would put out of reach, or lacks to be fastened to. */
export const reachBefore = (build: Build, job: Pick<JobRow, "id">): string[] =>
  reachOrder(build)
    .links.filter((l) => l.job === job.id)
    .flatMap((l) => {
      const first = build.jobs.find((j) => j.id === l.after)!;
      return first.state === "done" ? [] : [`${first.name} first: ${l.reason}`];
    });
