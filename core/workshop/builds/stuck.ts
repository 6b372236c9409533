// What comes next in a build and why, and what is stuck: by what, who can free it, since when, and what it costs.

import type { Plan } from "../../plan/model";
import { DAY, type Minute, zoneOf } from "../../time/zone";
import { jobsById, type Obstacle, obstacles } from "../starts/ready";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow, Shop } from "../state/model";
import { crewNames, fitterName } from "../state/say";
import { lastPart } from "../stores/parts";
import { deciderOf } from "./deciders";
import { isExtra } from "./extra-work";

export interface NextJob {
  jobId: string;
  name: string;
  /** What freed it, or what the plan says. */
  why: string;
  at: Minute | null;
}

export interface StuckJob {
  jobId: string;
  name: string;
  /** What keeps it, the one that only somebody can free. */
  by: string;
  /** Who can free it. */
  who: string;
  /** Since when nothing else has kept it; null while work before it is still open. */
  since: Minute | null;
  /** Days of the build's date that hang on it by the plan; 0: other work takes longer. */
  days: number;
  /** Only a part is missing and the job is long enough: a half of it could be prepared meanwhile. */
  prepare: boolean;
}

/** Kinds of obstacle that somebody has to free, the most final first; the rest is work and time. */
const FREED: readonly Obstacle["kind"][] = ["remark", "choice", "part", "proof", "remainder", "opening", "tool", "question"];

const MOST = 5;

/** Next and stuck jobs of a build. `plan` is the one worked to. Stuck ones by the days they cost, then by how long they have been. */
export function nextAndStuck(shop: Shop, build: BuildRow, plan: Plan | undefined, now: Minute): { next: NextJob[]; stuck: StuckJob[] } {
  const zone = zoneOf(shop.workshop.zone);
  const byId = jobsById(shop);
  const planned = new Map((plan?.jobs ?? []).map((j) => [j.id, j]));
  const start = (j: JobRow) => (planned.has(j.id) ? zone.parse(planned.get(j.id)!.start) : Number.POSITIVE_INFINITY);
  const chain = new Map<string, number>();
  for (const l of plan?.builds.find((b) => b.id === build.id)?.chain ?? [])
    if (l.kind !== "work" && l.kind !== "hold") chain.set(l.job, (chain.get(l.job) ?? 0) + l.minutes);
  const next: NextJob[] = [];
  const stuck: StuckJob[] = [];
  const todo = build.jobs.filter((j) => j.state === "todo").sort((a, b) => start(a) - start(b) || a.seq - b.seq);
  for (const j of todo) {
    const list = obstacles(shop, j, now, byId);
    const at = planned.has(j.id) ? start(j) : null;
    if (!list.length) {
      if (next.length < MOST)
        next.push({ jobId: j.id, name: j.name, why: freedBy(j, byId) ?? planned.get(j.id)?.why?.[0]?.text ?? "nothing before it", at });
      continue;
    }
    const binding = FREED.flatMap((kind) => list.filter((o) => o.kind === kind))[0];
    const free = !list.some((o) => o.kind === "predecessor" || o.kind === "hold");
    const days = Math.round(((chain.get(j.id) ?? 0) / DAY) * 4) / 4;
    if (!binding || !(free || days > 0)) continue;
    stuck.push({
      jobId: j.id,
      name: j.name,
      by: binding.text,
      who: whoFrees(shop, build, j, binding, now, planned.get(j.id)?.fitters ?? []),
      since: free ? freeSince(build, j, byId) : null,
      days,
      prepare: binding.kind === "part" && !isExtra(j) && j.minutes.likely >= figure(shop, "prepareFrom"),
    });
  }
  stuck.sort((a, b) => b.days - a.days || (a.since ?? now) - (b.since ?? now));
  return { next, stuck: stuck.slice(0, 2 * MOST) };
}

/** The work before a job that was over last, holds and all. */
function lastBefore(j: JobRow, byId: ReadonlyMap<string, JobRow>): { job: JobRow; at: Minute } | undefined {
  let last: { job: JobRow; at: Minute } | undefined;
  for (const a of j.after) {
    const p = byId.get(a.job);
    if (p?.endedAt == null) continue;
    const at = p.endedAt + (a.ignoreHold ? 0 : p.hold.minutes);
    if (!last || at > last.at) last = { job: p, at };
  }
  return last;
}

const freedBy = (j: JobRow, byId: ReadonlyMap<string, JobRow>): string | undefined => {
  const last = lastBefore(j, byId);
  return last && `can start: ${last.job.name} is done`;
};

const freeSince = (build: BuildRow, j: JobRow, byId: ReadonlyMap<string, JobRow>): Minute =>
  Math.max(build.arrives, lastBefore(j, byId)?.at ?? build.arrives);

function whoFrees(shop: Shop, build: BuildRow, j: JobRow, o: Obstacle, now: Minute, planned: readonly string[]): string {
  const people = j.fitters.length ? j.fitters : planned;
  const crew = people.length ? crewNames(shop, people) : "its fitter";
  switch (o.kind) {
    case "part": {
      const part = lastPart(j.parts, shop.suppliers, now, shop.workshop.goodsInMinutes);
      if (!part || part.available.kind === "to-check") return "whoever does goods-in";
      if (part.available.kind === "not-ordered") return "the lead, by ordering it";
      return shop.suppliers.find((s) => s.id === part.part.supplierId)?.name ?? "its supplier";
    }
    case "choice":
      return [...new Set(j.undecided.map((key) => deciderOf(build, key).who))].join(" and ");
    case "proof": {
      if (o.text.includes("for the lead")) return "the lead";
      const by = build.jobs.find((k) => j.covers.includes(k.id) && k.fitters.length)?.fitters;
      return by ? crewNames(shop, by) : "who did it";
    }
    case "remainder": {
      const owner = build.jobs.flatMap((k) => k.remainders).find((r) => r.before === j.id)?.owner;
      return owner ? fitterName(shop, owner) : "nobody yet: give it an owner";
    }
    case "remark":
      return "the lead";
    case "tool":
      return "who looks after the tools";
    default:
      return crew;
  }
}
