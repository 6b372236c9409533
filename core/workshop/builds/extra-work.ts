// Jobs that no choice asks for but something that was found: they join the build's plan when the lead takes them on.

import { jobId, untouched } from "../state/from-network";
import type { BuildRow, JobRow } from "../state/model";

/** A job as it is asked for. Jobs are named by their ids. */
export interface AskedJob {
  /** What asks for it; while a job of the build has the same, it is not asked for again. */
  key: string;
  name: string;
  /** Why, in words that name what was found. */
  why: string;
  minutes: { best: number; likely: number; worst: number };
  stage: string;
  zones: readonly string[];
  skill: string;
  level: number;
  steps: readonly string[];
  shots: readonly string[];
  cautions?: readonly string[];
  /** Done on the bench instead of the van. */
  bench?: boolean;
  /** Shared tools that it books, by name. */
  tools?: readonly string[];
  tags?: JobRow["tags"];
  /** May be done in the yard. */
  yardOk?: boolean;
  /** Not before this minute. */
  notBefore?: number;
  /** Left untouched for so long behind it, minutes. */
  holdMinutes?: number;
  after: readonly string[];
  /** Jobs not begun that wait for it. */
  before: readonly string[];
  /** Why it can't be taken on yet. */
  stop?: string;
}

/** Codes of such jobs: no job of a library begins like this. */
const PREFIX = "EX-";

export const isExtra = (j: Pick<JobRow, "code">): boolean => j.code.startsWith(PREFIX);

/** Minutes by which a job that nobody has a norm for may be shorter or longer: as of the library's own. */
export const around = (likely: number): AskedJob["minutes"] => ({
  best: Math.max(1, Math.round(likely * 0.7)),
  likely: Math.max(1, Math.round(likely)),
  worst: Math.max(2, Math.round(likely * 1.6)),
});

/** The job of a build that an asked one becomes: a number of its own, nothing done. */
export function extraJob(build: Pick<BuildRow, "id" | "jobs">, a: AskedJob): JobRow {
  const numbers = build.jobs.filter(isExtra).map((j) => Number(j.code.slice(PREFIX.length)));
  const code = `${PREFIX}${String(Math.max(0, ...numbers) + 1).padStart(2, "0")}`;
  const id = jobId(build.id, code);
  const known = new Set(build.jobs.map((j) => j.id));
  return {
    id,
    buildId: build.id,
    code,
    extra: a.key,
    stage: a.stage,
    name: a.name.slice(0, 160),
    seq: Math.max(0, ...build.jobs.map((j) => j.seq)) + 1,
    minutes: a.minutes,
    place: a.bench ? "bench" : "van",
    yardOk: a.yardOk ?? false,
    bayHas: [],
    zones: a.bench ? [] : [...a.zones],
    needs: { dry: false, daylight: false, minTempC: null, maxTempC: null, metal: false, maxWindMs: null, noisy: false, sameDay: false },
    hold: { minutes: a.holdMinutes ?? 0, still: false, keepOff: a.holdMinutes && !a.bench ? [...a.zones] : null, minTempC: null },
    notBefore: a.notBefore ?? null,
    cautions: [...(a.cautions ?? [])],
    kit: [],
    tools: [...(a.tools ?? [])],
    roles: [],
    tags: [...(a.tags ?? [])],
    means: [a.why],
    irreversible: null,
    releasedBy: null,
    releasedAt: null,
    pieces: null,
    firstPiece: null,
    timeBox: 2,
    setOut: [],
    faults: [],
    undecided: [],
    leaves: [],
    ...untouched(),
    crew: [{ skill: a.skill, level: a.level, people: 1, ticket: null }],
    steps: a.steps.map((text, i) => ({ n: i + 1, text, does: null, doneAt: null, doneBy: null, waivedWhy: null })),
    questions: [],
    after: a.after
      .filter((j) => known.has(j))
      .map((job) => ({ job, lag: 0, lagKind: "elapsed" as const, ignoreHold: false, reason: a.why.slice(0, 200) })),
    covers: [],
    parts: [],
    shots: a.shots.map((text, i) => ({ id: `${id}.shot${i + 1}`, n: i + 1, text, beforeCloseUp: true, version: 1, photos: [] })),
  };
}

/** The build with the job taken on: those that wait for it know it. */
export function withExtra(build: BuildRow, a: AskedJob): { build: BuildRow; job: JobRow; waits: string[] } {
  const job = extraJob(build, a);
  const waits = build.jobs.filter((j) => a.before.includes(j.id) && j.state === "todo").map((j) => j.id);
  const jobs = build.jobs.map((j) =>
    waits.includes(j.id)
      ? {
          ...j,
          after: [
            ...j.after,
            { job: job.id, lag: 0, lagKind: "elapsed" as const, ignoreHold: false, reason: `${job.name} comes first`.slice(0, 200) },
          ],
        }
      : j,
  );
  return { build: { ...build, jobs: [...jobs, job] }, job, waits };
}
