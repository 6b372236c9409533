// Order from reach: a job that ends an access waits for all that still needs it; one that is fastened to something, for that.

import { entriesOf } from "../records/kinds/of";
import type { BuildRow, JobRow } from "../state/model";

export interface ReachLink {
  /** The job that waits, and what it waits for. */
  job: string;
  after: string;
  reason: string;
}

export interface ReachOrder {
  links: ReachLink[];
  /** What is wrong, in words. */
  wrong: string[];
  /** From which side each unit is fastened, in words. */
  sides: string[];
  /** Units of which no side is in reach any more, by the job that sets them. */
  lost: { job: string; text: string }[];
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
export function reachOrder(build: Build): ReachOrder {
  const after = new Map(build.jobs.map((j) => [j.id, j.after.map((a) => a.job)]));
  const links: ReachLink[] = [];
  const wrong: string[] = [];
  const sides: string[] = [];
  const lost: ReachOrder["lost"] = [];
  /** `job` waits for `first`, unless that is told already the other way round. */
  const link = (title: string, job: JobRow, first: JobRow, reason: string): boolean => {
    if (first.id === job.id || precedes(after, job.id, first.id)) {
      wrong.push(`${title}: ${job.name} would have to come after ${first.name}, which waits for it`);
      return false;
    }
    links.push({ job: job.id, after: first.id, reason });
    after.set(job.id, [...(after.get(job.id) ?? []), first.id]);
    return true;
  };
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
      else link(r.title, job, first, reason);
    }
    const known = (r.data.sides ?? []).flatMap((s): Side[] => {
      if (!s.side) return [];
      const [until, covered] = [byCode(build, s.until), byCode(build, s.covered)];
      const odd = [s.until, s.covered].find((code) => code && !byCode(build, code));
      if (odd) wrong.push(`${r.title}: ${odd} is no job of this build`);
      return [{ side: s.side, until, covered }];
    });
    if (!known.length || job.state === "done") continue;
    const side = bestSide(known);
    if (!side) {
      const ended = known.map((s) => `${s.side}: ${s.until!.name}`).join("; ");
      lost.push({ job: job.id, text: `${r.title} can't be fastened from any side any more (${ended})` });
      continue;
    }
    const { until, covered } = side;
    if (until) link(r.title, until, job, `${r.title} is fastened from ${side.side}, which it puts out of reach`);
    if (covered && covered !== until) link(r.title, covered, job, `${r.title} is fastened from ${side.side}, which it hides`);
    sides.push(
      `${r.title} is fastened from ${side.side}: in reach${until ? ` until ${until.name}` : ""}, ${covered ? `hidden by ${covered.name}` : "and it stays in sight"}`,
    );
  }
  return { links, wrong, sides, lost };
}

interface Side {
  side: string;
  until?: JobRow;
  covered?: JobRow;
}

/** In reach still, and hidden later if there is such a one; of those the first written down. */
function bestSide(sides: readonly Side[]): Side | undefined {
  const open = sides.filter((s) => !s.until || s.until.state === "todo");
  return open.find((s) => s.covered) ?? open[0];
}

/** What a job not begun would put out of reach, lacks to be fastened to, or can't be fastened from any more. */
export function reachBefore(build: Build, job: Pick<JobRow, "id">): string[] {
  const { links, lost } = reachOrder(build);
  return [
    ...lost.filter((l) => l.job === job.id).map((l) => l.text),
    ...links
      .filter((l) => l.job === job.id)
      .flatMap((l) => {
        const first = build.jobs.find((j) => j.id === l.after)!;
        return first.state === "done" ? [] : [`${first.name} first: ${l.reason}`];
      }),
  ];
}
