// What follows from things put aside: parked things that wake up, zones lent as a bench, who stays with a hold, how warm it was.

import { formatDate, type Minute, type Zone } from "../../time/zone";
import type { Decision } from "../builds/decisions";
import { airAt } from "../starts/heat";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow, Shop } from "../state/model";
import { entriesOf } from "./kinds/of";
import type { Kept } from "./records";

const openOf = <K extends "parked" | "attend" | "zonebench">(records: BuildRow["records"], kind: K): Kept<K>[] =>
  entriesOf(records, kind).filter((r) => r.closedAt === null);

export interface ParkedState {
  record: Kept<"parked">;
  awake: boolean;
  /** Why it is awake, or what it waits for. */
  text: string;
}

/** Parked things of a build: those awake first. A trigger that does not exist wakes at once, so that somebody looks. */
export function parkedStates(build: Pick<BuildRow, "records" | "jobs">, today: string): ParkedState[] {
  const state = (record: Kept<"parked">): ParkedState => {
    const d = record.data;
    const say = (awake: boolean, text: string) => ({ record, awake, text });
    if (d.wakes === "day") return say(today >= d.on!, today >= d.on! ? `its day, ${d.on}, has come` : `sleeps until ${d.on}`);
    if (d.wakes === "job") {
      const job = build.jobs.find((j) => j.code.toLowerCase() === d.code!.trim().toLowerCase());
      if (!job) return say(true, `${d.code} is no job of this build`);
      return job.state === "done" ? say(true, `${job.name} is done`) : say(false, `sleeps until ${job.name} is done`);
    }
    const lines = build.jobs.flatMap((j) => j.parts).filter((p) => p.name.toLowerCase().includes(d.part!.trim().toLowerCase()));
    if (!lines.length) return say(true, `no part of this build is called ${d.part}`);
    const here = lines.find((p) => p.state === "arrived" || p.state === "checked");
    return here ? say(true, `${here.name} is here`) : say(false, `sleeps until ${lines[0].name} is here`);
  };
  return openOf(build.records, "parked")
    .map(state)
    .sort((a, b) => Number(b.awake) - Number(a.awake));
}

/** Parked things that nobody has done, for the handover. */
export const parkedLeft = (records: BuildRow["records"]): string[] => openOf(records, "parked").map((r) => `${r.title} (${r.data.owner})`);

/** Who stays with a job's hold or open hole, in words. */
export const attendWords = (build: Pick<BuildRow, "records">, job: Pick<JobRow, "id">): string[] =>
  openOf(build.records, "attend")
    .filter((r) => r.jobId === job.id)
    .map((r) => `${r.data.who} stays with it: ${r.data.why}${r.data.until ? `, until ${r.data.until}` : ""}`);

const lent = (build: Pick<BuildRow, "records">, job: Pick<JobRow, "zones" | "place">) =>
  job.place !== "van" ? [] : openOf(build.records, "zonebench").filter((r) => job.zones.includes(r.data.zone));

/** What has to be cleared before a job of that zone is begun. */
export const benchBefore = (build: Pick<BuildRow, "records">, job: Pick<JobRow, "zones" | "place">): string[] =>
  lent(build, job).map((r) => `its zone still serves as a bench for ${r.title}: ${r.data.owner} clears it`);

/** The day from which a job's zones are its own again (its first minute): work is not planned before. Undefined: they are. */
export function benchUntil(build: Pick<BuildRow, "records">, job: Pick<JobRow, "zones" | "place">, zone: Zone): Minute | undefined {
  const days = lent(build, job).map((r) => zone.parse(`${r.data.until}T00:00`));
  return days.length ? Math.max(...days) : undefined;
}

interface Look {
  shop: Pick<Shop, "workshop">;
  zone: Zone;
  now: Minute;
  planned: ReadonlyMap<string, { start: string }>;
}

/** What the lead is asked: parked things that are awake, zones to be cleared in time. */
export function waitDecisions(x: Look, b: BuildRow): Decision[] {
  const today = formatDate(x.zone.dayOf(x.now));
  const base = { kind: "opening" as const, tone: "amber" as const, who: b.name, buildId: b.id };
  const out: Decision[] = parkedStates(b, today)
    .filter((p) => p.awake)
    .map((p) => ({ ...base, mark: "Z", title: `Parked: ${p.record.title}`, detail: `${p.text}; ${p.record.data.owner} has it`, by: null }));
  for (const r of openOf(b.records, "zonebench")) {
    const first = b.jobs
      .filter((j) => j.state === "todo" && j.place === "van" && j.zones.includes(r.data.zone) && x.planned.has(j.id))
      .map((j) => ({ j, at: x.zone.parse(x.planned.get(j.id)!.start) }))
      .sort((m, n) => m.at - n.at)[0];
    if (first && first.at - x.now <= figure(x.shop, "waitsAhead") * 1440)
      out.push({
        ...base,
        mark: "B",
        title: `Ask the ${r.data.zone} back from ${r.title}`,
        detail: `${first.j.name} is the first work there; ${r.data.owner} clears it`,
        by: first.at,
        jobId: first.j.id,
      });
  }
  return out;
}

export interface Stretch {
  /** Hours; undefined: it goes on. */
  hours?: number;
  tempC: number;
}

/**
 * How warm it was since a job's hold began: by what was read off at the job, each reading until the next; before the first, and
 * without any, by the bay's own warmth or the day's mean. The last one goes on. Undefined: nothing holds there, or nothing is known.
 */
export function warmthSince(shop: Shop, build: BuildRow, job: JobRow, zone: Zone): Stretch[] | undefined {
  if (job.state !== "done" || !job.hold.minutes) return undefined;
  const from = job.endedAt!;
  const read = entriesOf(build.records, "reading")
    .filter((r) => r.jobId === job.id)
    .map((r) => ({ at: Math.max(from, zone.parse(`${r.data.on}T${r.data.at}`)), tempC: r.data.tempC }))
    .sort((a, b) => a.at - b.at);
  const day = shop.weather.find((d) => d.date === zone.show(from).slice(0, 10));
  const bay = shop.bays.find((b) => b.id === job.actualPlace);
  const start = day || bay?.tempC != null ? airAt(bay, day ?? { lowC: bay!.tempC!, highC: bay!.tempC! }, from).tempC : read[0]?.tempC;
  if (start === undefined) return undefined;
  const marks = [{ at: from, tempC: start }, ...read];
  const out: Stretch[] = [];
  marks.forEach((m, i) => {
    const next = marks[i + 1];
    if (!next) out.push({ tempC: m.tempC });
    else if (next.at > m.at) out.push({ hours: Math.round(((next.at - m.at) / 60) * 100) / 100, tempC: m.tempC });
  });
  return out;
}
