// Each build as a lane through time: road, blocks, holds, stop lines, flag. Computed in minutes; drawn elsewhere.

import type { Plan } from "../plan/model";
import { type Minute, type Zone, zoneOf } from "../time/zone";
import { openShots } from "../workshop/proof/proof";
import { type BuildDate, buildDates } from "../workshop/state/dates";
import type { BuildRow, JobRow, JobState, Shop } from "../workshop/state/model";
import { pack } from "./pack";

export interface Block {
  jobId: string;
  code: string;
  stage: string;
  name: string;
  from: Minute;
  to: Minute;
  /** Row on the road, or on the shoulder for bench work. */
  row: number;
  bench: boolean;
  state: JobState;
  place: string;
  fitters: string[];
  /** Who of them is there for a part only, and from when to when. */
  helpers: { fitter: string; from: Minute; to: Minute }[];
  /** In a helper's own row: by how much later than the job it begins. */
  lead?: number;
  holdUntil: Minute | null;
  pinned: boolean;
  /** Where the published plan has it, when it differs by `GHOST` minutes or more. */
  published: { from: Minute; to: Minute } | null;
}

export interface LaneStay {
  place: string;
  from: Minute;
  to: Minute;
}

export interface StopLine {
  /** The job that may not start before. */
  jobId: string;
  at: Minute;
  /** Photos of what it covers that are not approved yet; 0: the line is open. */
  missing: number;
}

export interface Lane {
  buildId: string;
  name: string;
  client: string;
  van: string;
  vanId: string;
  arrives: Minute;
  date: BuildDate;
  rows: number;
  benchRows: number;
  blocks: Block[];
  stays: LaneStay[];
  stops: StopLine[];
}

const GHOST = 30;

/** The lanes of all builds, earliest deadline first. `plan` is the working one. */
export function lanes(shop: Shop, plan: Plan | undefined, published: Plan | undefined, now: Minute): Lane[] {
  const zone = zoneOf(shop.workshop.zone);
  const planned = new Map((plan?.jobs ?? []).map((j) => [j.id, j]));
  const before = new Map((published?.jobs ?? []).map((j) => [j.id, j]));
  const dates = new Map(buildDates(shop, plan).map((d) => [d.buildId, d]));
  return shop.builds.map((b) => {
    const blocks = b.jobs.flatMap((j) => blockOf(zone, j, planned.get(j.id), before.get(j.id), now));
    const rows = pack(blocks.filter((x) => !x.bench));
    const benchRows = pack(blocks.filter((x) => x.bench));
    return {
      buildId: b.id,
      name: b.name,
      client: b.client,
      van: shop.vans.find((v) => v.id === b.vanId)?.name ?? b.vanId,
      vanId: b.vanId,
      arrives: b.arrives,
      date: dates.get(b.id)!,
      rows: Math.max(1, rows),
      benchRows,
      blocks,
      stays: [...pastStays(b, blocks, now), ...futureStays(zone, b, plan)],
      stops: stopsOf(b, blocks),
    };
  });
}

function blockOf(zone: Zone, j: JobRow, p: Plan["jobs"][number] | undefined, pub: Plan["jobs"][number] | undefined, now: Minute): Block[] {
  const fact = j.state !== "todo" && j.startedAt !== null;
  if (!fact && !p) return [];
  const from = fact && j.state !== "paused" ? j.startedAt! : p ? zone.parse(p.start) : j.startedAt!;
  const to = j.state === "done" ? j.endedAt! : p ? zone.parse(p.end) : Math.max(now, from + 15);
  const hold = j.hold.minutes > 0 ? to + j.hold.minutes : null;
  const was = pub && j.state === "todo" ? { from: zone.parse(pub.start), to: zone.parse(pub.end) } : null;
  return [
    {
      jobId: j.id,
      code: j.code,
      stage: j.stage,
      name: j.name,
      from,
      to: Math.max(to, from + 1),
      row: 0,
      bench: j.place === "bench",
      state: j.state,
      place: (fact ? j.actualPlace : null) ?? p?.place ?? "yard",
      fitters: j.state === "done" ? j.fitters : j.state === "started" ? [...new Set([...j.fitters, ...coming(j, p)])] : (p?.fitters ?? []),
      helpers:
        j.state === "todo" || j.state === "started"
          ? (p?.helpers ?? []).flatMap((h) =>
              h.work.length ? [{ fitter: h.fitter, from: zone.parse(h.work[0][0]), to: zone.parse(h.work[h.work.length - 1][1]) }] : [],
            )
          : [],
      holdUntil: hold,
      pinned: j.pin.start !== null || j.pin.place !== null || j.pin.fitters.length > 0,
      published: was && Math.abs(was.from - from) >= GHOST ? was : null,
    },
  ];
}

/** Who is planned to help with a job under way and is not on it yet. */
const coming = (j: JobRow, p: Plan["jobs"][number] | undefined): string[] =>
  (p?.helpers ?? []).map((h) => h.fitter).filter((f) => !j.helpers?.some((h) => h.fitter === f && h.freedAt !== null));

/** Where the van stood: by the places of the work that was done on it. */
function pastStays(b: BuildRow, blocks: readonly Block[], now: Minute): LaneStay[] {
  const out: LaneStay[] = [];
  for (const x of blocks.filter((k) => !k.bench && (k.state === "done" || k.state === "started")).sort((p, q) => p.from - q.from)) {
    const last = out[out.length - 1];
    if (last?.place === x.place) last.to = Math.max(last.to, Math.min(now, x.to));
    else out.push({ place: x.place, from: Math.max(x.from, last?.to ?? x.from), to: Math.min(now, x.to) });
  }
  const last = out[out.length - 1];
  if (b.at && b.arrives <= now) {
    if (last?.place === b.at) last.to = now;
    else out.push({ place: b.at, from: last?.to ?? Math.min(now, b.arrives), to: now });
  }
  // Between two stays nobody knows more than that the van waited: the earlier one reaches up to the later.
  for (let i = 0; i + 1 < out.length; i++) out[i].to = out[i + 1].from;
  return out.filter((s) => s.to > s.from);
}

const futureStays = (zone: Zone, b: BuildRow, plan: Plan | undefined): LaneStay[] =>
  (plan?.stays ?? []).filter((s) => s.build === b.id).map((s) => ({ place: s.place, from: zone.parse(s.from), to: zone.parse(s.to) }));

function stopsOf(b: BuildRow, blocks: readonly Block[]): StopLine[] {
  const byId = new Map(b.jobs.map((j) => [j.id, j]));
  const out: StopLine[] = [];
  for (const x of blocks) {
    const job = byId.get(x.jobId)!;
    if (job.state === "done" || job.state === "started") continue;
    const covered = job.covers.map((c) => byId.get(c)).filter((c) => c?.shots.some((s) => s.beforeCloseUp));
    if (!covered.length) continue;
    out.push({ jobId: x.jobId, at: x.from, missing: covered.reduce((n, c) => n + openShots(c!).length, 0) });
  }
  return out;
}
