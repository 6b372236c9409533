// One job split in two: a part prepared beforehand, or a part that somebody else does side by side with the rest.

import { around, extraJob, isExtra } from "../builds/extra-work";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow } from "../state/model";

export interface Split {
  /** prepare: set out, cut and dry-fitted before; the rest waits for it. beside: at the same time, by somebody else. */
  kind: "prepare" | "beside";
  /** Likely minutes of the part. */
  minutes: number;
  /** On the bench instead of the van. */
  bench: boolean;
  /** Of a part on the van done beside the rest: its zones, which are the rest's no more. */
  zones: string[];
  /** What the part waits for, of what the job waits for. */
  after: string[];
}

/** Neither half is shorter. */
const LEAST = 15;

const PREFIX = "split:";

/** What a part was split off, by the key that it is kept under; undefined for any other job. */
export function splitOf(job: Pick<JobRow, "extra">): { kind: Split["kind"]; jobId: string; minutes: number } | undefined {
  const [, kind, minutes, ...id] = job.extra?.startsWith(PREFIX) ? job.extra.split(":") : [];
  return kind ? { kind: kind as Split["kind"], minutes: Number(minutes), jobId: id.join(":") } : undefined;
}

/** What keeps a job from being split like that, by field; empty: nothing. */
export function splitFaults(job: JobRow, s: Split): { path: string; message: string }[] {
  const say = (path: string, message: string) => [{ path, message }];
  if (job.state !== "todo") return say("minutes", `${job.name} has already started`);
  if (isExtra(job)) return say("minutes", "a part is not split again");
  if (s.minutes < LEAST || s.minutes > job.minutes.likely - LEAST)
    return say("minutes", `has to leave ${LEAST} minutes on either side of ${job.minutes.likely}`);
  const wrong = s.after.find((a) => !job.after.some((x) => x.job === a));
  if (wrong) return say("after", `${wrong} is nothing that it waits for`);
  if (s.kind === "beside" && job.place === "van" && !s.bench) {
    if (!s.zones.length || s.zones.some((z) => !job.zones.includes(z))) return say("zones", "have to be some of the job's own");
    if (s.zones.length === job.zones.length) return say("zones", "leave the rest no place: two in one place are in each other's way");
  }
  return [];
}

const scaled = (m: JobRow["minutes"], share: number): JobRow["minutes"] => ({
  best: Math.max(1, Math.round(m.best * share)),
  likely: Math.max(1, Math.round(m.likely * share)),
  worst: Math.max(2, Math.round(m.worst * share)),
});

/** The build with a job split. `links`: jobs with what they now wait for besides. Ask `splitFaults` first. */
export function withSplit(build: BuildRow, job: JobRow, s: Split): { build: BuildRow; part: JobRow; rest: JobRow; links: JobRow[] } {
  const prepare = s.kind === "prepare";
  const onBench = s.bench || job.place === "bench";
  const made = extraJob(build, {
    key: `${PREFIX}${s.kind}:${s.minutes}:${job.id}`,
    name: `${job.name}: ${prepare ? "prepared" : "second part"}`,
    why: prepare ? `${job.name} is prepared before it is fixed` : `done side by side with ${job.name}`,
    minutes: around(s.minutes + (prepare ? figure(build, "settingUp") : 0)),
    stage: job.stage,
    zones: onBench ? [] : prepare ? job.zones : s.zones,
    skill: job.crew[0]?.skill ?? "any",
    level: job.crew[0]?.level ?? 1,
    steps: prepare
      ? ["Each piece labelled with its job and its place", "Stored, and the place written down"]
      : ["What is left is told to who does the rest"],
    shots: [],
    yardOk: job.yardOk,
    after: s.after,
    before: [],
  });
  const part: JobRow = { ...made, place: onBench ? "bench" : "van", bayHas: onBench ? [] : job.bayHas, tools: job.tools };
  const link = (reason: string) => ({ job: part.id, lag: 0, lagKind: "elapsed" as const, ignoreHold: false, reason: reason.slice(0, 200) });
  const rest: JobRow = {
    ...job,
    minutes: scaled(job.minutes, (job.minutes.likely - s.minutes) / job.minutes.likely),
    zones: !prepare && !onBench ? job.zones.filter((z) => !s.zones.includes(z)) : job.zones,
    after: prepare ? [...job.after, link("what is prepared comes first")] : job.after,
  };
  const follow = prepare ? [] : build.jobs.filter((j) => j.state === "todo" && j.after.some((a) => a.job === job.id));
  const followers = follow.map((j) => ({ ...j, after: [...j.after, link(`${part.name} has to be over too`)] }));
  const changed = new Map([rest, ...followers].map((j) => [j.id, j]));
  return {
    build: { ...build, jobs: [...build.jobs.map((j) => changed.get(j.id) ?? j), part] },
    part,
    rest,
    links: (prepare ? [rest] : followers).map((j) => ({ ...j, covers: [], after: j.after.filter((a) => a.job === part.id) })),
  };
}

/** The job that a part was split off, as it was: minutes and zones back. Undefined: it is begun, or is not there. */
export function rejoined(build: BuildRow, part: JobRow): JobRow | undefined {
  const of = splitOf(part);
  const rest = of && build.jobs.find((j) => j.id === of.jobId);
  if (!of || rest?.state !== "todo") return undefined;
  const share = (rest.minutes.likely + of.minutes) / rest.minutes.likely;
  return {
    ...rest,
    minutes: scaled(rest.minutes, share),
    zones: of.kind === "beside" && part.place === "van" ? [...new Set([...rest.zones, ...part.zones])] : rest.zones,
  };
}
