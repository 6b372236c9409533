// Which two jobs of a build could be in work at the same time as things stand: they don't meet, and there are people for both.

import type { Plan } from "../../plan/model";
import { zoneOf } from "../../time/zone";
import { crewFrom } from "../starts/crew-from";
import { startObstacles } from "../starts/ready";
import type { BuildRow, JobRow, Shop } from "../state/model";
import { crewNames } from "../state/say";
import { freeFitters } from "./pull-forward";

export interface Side {
  jobId: string;
  name: string;
  /** Who is on it, or could be, in words. */
  crew: string;
  /** Where it is done, in words. */
  where: string;
  underWay: boolean;
}

export interface SidePair {
  one: Side;
  other: Side;
  /** The build's date hangs on one of them by the plan. */
  chained: boolean;
}

/** So many ready jobs are looked at, the first by the plan, and so many pairs told. */
const LOOKED = 10;
const TOLD = 5;

interface Candidate {
  job: JobRow;
  crew: readonly string[];
  place: string;
}

/** The shop as it would be with a job in work. */
const begun = (shop: Shop, { job, crew, place }: Candidate, now: number): Shop => ({
  ...shop,
  builds: shop.builds.map((b) =>
    b.id === job.buildId
      ? {
          ...b,
          jobs: b.jobs.map((j) =>
            j.id === job.id
              ? {
                  ...j,
                  state: "started" as const,
                  fitters: [...crew],
                  startedAt: now,
                  runningSince: now,
                  actualPlace: place,
                }
              : j,
          ),
        }
      : b,
  ),
});

/**
 * Pairs of a build's jobs that could both be in work now, at least one of them not begun: each passes every question of a start while
 * the other is under way. Those on which the build's date hangs come first, then the earliest by the plan.
 */
export function sideBySide(shop: Shop, build: BuildRow, plan: Plan | undefined, now: number): SidePair[] {
  const today = zoneOf(shop.workshop.zone).show(now).slice(0, 10);
  const free = [...freeFitters(shop, undefined, now).keys()];
  const planned = new Map((plan?.jobs ?? []).map((j) => [j.id, j.start]));
  const chain = new Set((plan?.builds.find((b) => b.id === build.id)?.chain ?? []).map((l) => l.job));
  const placeOf = (j: JobRow) => (j.place === "bench" ? "bench" : build.at);
  const ready = (s: Shop, j: JobRow, people: readonly string[]): Candidate | undefined => {
    const place = placeOf(j);
    const crew = place === null ? undefined : crewFrom(s, j, people, today);
    return crew && place !== null && !startObstacles(s, j, crew, place, now).length ? { job: j, crew, place } : undefined;
  };
  const first = (j: JobRow) => planned.get(j.id) ?? "9";
  const order = (a: JobRow, b: JobRow) => (first(a) === first(b) ? a.seq - b.seq : first(a) < first(b) ? -1 : 1);
  const open = build.jobs
    .filter((j) => j.state === "todo" || j.state === "paused")
    .sort(order)
    .flatMap((j) => ready(shop, j, free) ?? [])
    .slice(0, LOOKED);
  const under = build.jobs.filter((j) => j.state === "started");
  const out: SidePair[] = [];
  const bays = new Map(shop.bays.map((b) => [b.id, b.name]));
  const side = ({ job, crew, place }: Candidate): Side => ({
    jobId: job.id,
    name: job.name,
    crew: crew.length ? crewNames(shop, [...crew]) : "nobody needed",
    where: place === "bench" ? "the bench" : `${bays.get(place) ?? "the yard"}${job.zones.length ? `, ${job.zones.join(", ")}` : ""}`,
    underWay: job.state === "started",
  });
  const tell = (one: Candidate, other: Candidate) =>
    out.push({ one: side(one), other: side(other), chained: chain.has(one.job.id) || chain.has(other.job.id) });
  for (const j of under)
    for (const other of open)
      tell({ job: j, crew: j.fitters, place: j.place === "bench" ? "bench" : (j.actualPlace ?? build.at ?? "yard") }, other);
  open.forEach((one, i) => {
    const then = begun(shop, one, now);
    for (const k of open.slice(i + 1)) {
      const other = ready(
        then,
        k.job,
        free.filter((f) => !one.crew.includes(f)),
      );
      if (other) tell(one, other);
    }
  });
  return out.sort((a, b) => Number(b.chained) - Number(a.chained)).slice(0, TOLD);
}
