// Every hole through the skin of a van, by number: how far it is, what covers it, whether it held water out, and what waits for it.

import { hasRole, jobWith } from "../../library/roles";
import { sayDay, sayTime } from "../../plan/words";
import { DAY, type Minute, zoneOf } from "../../time/zone";
import { shippedPoints } from "../../van/leaks";
import type { Penetration, PenetrationState } from "../records/kinds/hole";
import type { BuildRecord } from "../records/records";
import { figure, type House } from "../state/house-figures";
import type { BuildRow, JobRow, LeakPoint, Shop } from "../state/model";
import { count, sayMinutes } from "../state/say";

export type PenetrationRecord = Extract<BuildRecord, { kind: "penetration" }>;

/** The way of a hole. The first three leave the van whole, the next two open, the last two shut. */
export const WAY = ["wanted", "set out", "cut", "protected", "closed", "tested"] as const satisfies readonly PenetrationState[];

export const SIDE_WORDS = { roof: "roof", left: "left side", right: "right side", rear: "rear", floor: "floor" } as const;

/** Zones of a van that lie behind a hole on each side: what gets wet there. */
const BEHIND: Record<Penetration["side"], readonly string[]> = {
  roof: ["roof", "ceiling"],
  left: ["left"],
  right: ["right"],
  rear: ["rear"],
  floor: ["floor", "underside"],
};

/** Zones behind a hole of a side. */
export const behindHole = (side: Penetration["side"]): readonly string[] => BEHIND[side];

/** Stages whose work is shut in behind, or lies open to, a hole. */
const INNER = new Set(["insulation", "panels", "furniture"]);

/** The holes of a build by their numbers. */
export function penetrationsIn(records: readonly BuildRecord[]): (PenetrationRecord & { no: number })[] {
  return records
    .filter((r): r is PenetrationRecord => r.kind === "penetration")
    .map((r) => ({ ...r, no: r.data.no ?? 0 }))
    .sort((a, b) => a.no - b.no || a.saidAt - b.saidAt);
}

/** The number that the next hole gets. */
export const nextNumber = (records: readonly BuildRecord[]): number => Math.max(0, ...penetrationsIn(records).map((r) => r.no)) + 1;

/** Holes through the skin that nobody has seen dry under water. */
export const notTested = (records: readonly BuildRecord[]): string[] =>
  penetrationsIn(records)
    .filter((r) => r.data.state !== "tested")
    .map((r) => r.title);

const step = (s: PenetrationState) => WAY.indexOf(s);

export const isOpen = (p: Pick<Penetration, "state">): boolean => p.state === "cut" || p.state === "protected";

/** Water came in: it is shut, but not tight. */
export const leaks = (p: Penetration): boolean => p.soak === "damp" || p.soak === "drip";

/**
 * Why a hole may not become what is asked, by field; empty where it may. `soakFrom`: until when its bond may not be soaked.
 * Making the edge safe can be left out, and a step gone back, only with a reason.
 */
export function penetrationFaults(
  house: House,
  was: Penetration | undefined,
  next: Penetration,
  why: string,
  soakFrom?: { until: Minute; says: string; now: Minute },
): { path: string; message: string }[] {
  const faults: { path: string; message: string }[] = [];
  const [soakMinutes, driest] = [figure(house, "soakMinutes"), figure(house, "driest")];
  const from = was ? step(was.state) : next.by === "us" ? 0 : step("closed");
  const to = step(next.state);
  if (was && to < from && !why.trim()) faults.push({ path: "why", message: `is missing: it was "${was.state}", say why it goes back` });
  if (from < step("protected") && to > step("protected") && !why.trim())
    faults.push({ path: "why", message: "is missing: its edge was never made safe, say who allows that and why" });
  if (next.soak !== undefined && to < step("closed"))
    faults.push({ path: "soak", message: `is for a closed hole, this one is ${next.state}` });
  if (next.soak !== undefined && soakFrom && soakFrom.until > soakFrom.now && was?.soak === undefined)
    faults.push({ path: "soak", message: `is too early: ${soakFrom.says}` });
  if (next.state === "tested" && (next.soak !== "dry" || (next.soakMinutes ?? 0) < soakMinutes))
    faults.push({ path: "soak", message: `is missing: tested means ${soakMinutes} minutes of water, and dry inside` });
  if (next.moisture !== undefined && next.moisture > driest)
    faults.push({ path: "moisture", message: `is too much: ${driest} % at most before anything is bonded or shut in` });
  if (was?.wet && next.moisture === undefined && to > from)
    faults.push({ path: "moisture", message: "is missing: rain came in here, dry it out, clean, prime and read the timber first" });
  if (was?.tagged && !next.tagged && next.soak !== "dry")
    faults.push({ path: "tagged", message: "stays until it has been soaked and is dry: it was sealed in rain or in the dark" });
  return faults;
}

/** What the ring that closes a hole has to span, mm: skin + batten + lining; undefined while one of them is not known. Source: OP-n31. */
export const ringDepth = (p: Pick<Penetration, "skinMm" | "battenMm" | "liningMm">): number | undefined =>
  p.skinMm === undefined || p.battenMm === undefined || p.liningMm === undefined
    ? undefined
    : Math.round((p.skinMm + p.battenMm + p.liningMm) * 10) / 10;

/** In words: how far it is, and what is wrong with it. */
export function sayPenetration(p: Penetration): string {
  return [
    p.state === "closed" && p.bead === "holding" ? "closed but for backfill" : p.state,
    isOpen(p) && (p.cover ? `covered: ${p.cover}` : "no cover"),
    leaks(p) && `leaks (${p.soak})`,
    p.wet && `wet: ${p.wet.where}`,
    p.tagged && "sealed in rain or dark",
    ringDepth(p) !== undefined && `ring ${ringDepth(p)} mm deep`,
    p.by !== "us" &&
      p.state !== "tested" &&
      `made by ${p.by === "client" ? "the client" : "the factory or the owner before"}, not accepted`,
  ]
    .filter(Boolean)
    .join(" · ");
}

/** Since when a hole has been open: the last time it became cut. */
export function openSince(r: PenetrationRecord): Minute | undefined {
  if (!isOpen(r.data)) return undefined;
  return r.data.history?.findLast((h) => h.state === "cut")?.at ?? r.data.history?.at(-1)?.at ?? r.saidAt;
}

/** What a job has to wait for: an open or leaking hole in front of what it would shut in. */
export function holesBefore(build: Pick<BuildRow, "records">, job: Pick<JobRow, "stage" | "zones">): string[] {
  if (!INNER.has(job.stage)) return [];
  return penetrationsIn(build.records)
    .filter((r) => (isOpen(r.data) || leaks(r.data) || r.data.wet) && BEHIND[r.data.side].some((z) => job.zones.includes(z)))
    .map((r) => `hole ${r.no}, ${r.title}, ${leaks(r.data) ? "leaks" : r.data.wet ? "is wet behind" : "is open"}`);
}

/** What keeps the soak test from being over: holes that nobody has seen dry under water, the client's own among them. */
export function soakOpen(build: Pick<BuildRow, "records">, job: Pick<JobRow, "roles">): string[] {
  if (!hasRole(job, "soak-test")) return [];
  return penetrationsIn(build.records)
    .filter((r) => r.data.state !== "tested")
    .map((r) => `hole ${r.no}, ${r.title}: ${sayPenetration(r.data)}`);
}

/** Holes that make a van not watertight where nothing keeps the rain off: open, and not covered. */
export const notWatertight = (build: Pick<BuildRow, "records">): string[] =>
  penetrationsIn(build.records)
    .filter((r) => isOpen(r.data) && !r.data.cover?.trim())
    .map((r) => `hole ${r.no}, ${r.title}`);

/** Holes that have been open for longer than the house allows, or will be uncovered through the night. */
export function openTooLong(shop: Shop, build: BuildRow, now: Minute): { no: number; title: string; says: string }[] {
  const zone = zoneOf(shop.workshop.zone);
  return penetrationsIn(build.records).flatMap((r) => {
    const since = openSince(r);
    if (since === undefined) return [];
    const long = now - since > figure(shop, "openDays") * DAY;
    const bare = !r.data.cover?.trim();
    if (!long && !bare) return [];
    const says = [
      `open since ${sayDay(zone, since)}`,
      bare && "nothing covers it for the night",
      long && `more than ${count(figure(shop, "openDays"), "day")}`,
    ];
    return [{ no: r.no, title: r.title, says: says.filter(Boolean).join(", ") }];
  });
}

/** Holes that rain can come in through: open, or shut but never seen dry under water. */
export const rainFinds = (p: Pick<Penetration, "state">): boolean => isOpen(p) || p.state === "closed";

/**
 * A hole after rain: what lies behind it waits until it is dried out, and a seal that was not tested carries the tag that
 * only a passed soak takes off.
 */
export function rainedOn(p: Penetration, where: string, by: string, at: Minute): Penetration {
  const { moisture: _before, ...was } = p;
  return {
    ...was,
    wet: { at, where, by },
    ...(p.state === "closed" ? { tagged: true } : {}),
    history: [...(p.history ?? []), { state: p.state, why: `rain came in: ${where}`, by, at }],
  };
}

/** Until when the bond of a hole's job may not be soaked, by its hold. */
export function soakFrom(shop: Shop, build: BuildRow, jobId: string | null, now: Minute) {
  const job = build.jobs.find((j) => j.id === jobId);
  if (job?.state !== "done" || job.endedAt === null) return undefined;
  const until = job.endedAt + job.hold.minutes;
  return { until, now, says: `${job.name} is left untouched until ${sayTime(zoneOf(shop.workshop.zone), until)}` };
}

/** A hole that the order asks for; or, without a job, a factory point that has leaked on vans of the type. */
export interface Asked {
  title: string;
  side: Penetration["side"];
  jobId: string | null;
  place?: string;
  note?: string;
}

/**
 * What the build's jobs cut, bond or drill through the skin and is not in the list yet, piece by piece; then the points that
 * have leaked on other vans of the type, and those that its list names.
 */
export function askedFor(build: Pick<BuildRow, "jobs" | "records" | "vanId">, leaks: readonly LeakPoint[]): Asked[] {
  const have = penetrationsIn(build.records);
  const known = (w: Pick<LeakPoint, "side" | "title">) =>
    have.some((r) => r.data.by === "before" && r.data.side === w.side && r.title === w.title);
  const points = leaks
    .filter((w) => w.vanId === build.vanId && !known(w))
    .map((w): Asked => ({ title: w.title, side: w.side, jobId: null, place: w.place, note: `leaked on ${w.found}` }));
  const listed = shippedPoints(build.vanId)
    .filter((p) => !known(p) && !points.some((w) => w.side === p.side && w.title === p.title))
    .map((p): Asked => ({ title: p.title, side: p.side, jobId: null, place: p.place, note: "on the list of its type" }));
  const pieces = build.jobs
    .filter((j) => j.stage === "openings" && (j.irreversible === "cut" || j.irreversible === "bond"))
    .flatMap((j) => {
      const pieces = j.pieces?.count ?? 1;
      const known = have.filter((r) => r.jobId === j.id).length;
      return Array.from({ length: Math.max(0, pieces - known) }, (_, i) => ({
        title: pieces > 1 ? `${j.name}, ${known + i + 1} of ${pieces}` : j.name,
        side: sidesOf(j)[(known + i) % sidesOf(j).length],
        jobId: j.id,
      }));
    });
  return [...pieces, ...points, ...listed];
}

/** A factory point that leaks is one of the type of van from now on; undefined where it is none, or holds. */
export const leakOf = (build: Pick<BuildRow, "vanId" | "name">, title: string, p: Penetration): LeakPoint | undefined =>
  p.by === "before" && leaks(p) ? { vanId: build.vanId, side: p.side, title, place: p.place, found: build.name } : undefined;

/** The side of the van that a job pierces. */
export function sideOf(j: Pick<JobRow, "zones">): Penetration["side"] {
  return sidesOf(j)[0];
}

/** All of them: a pair has one on each. */
function sidesOf(j: Pick<JobRow, "zones">): Penetration["side"][] {
  if (j.zones.includes("roof")) return ["roof"];
  if (j.zones.includes("underside") || j.zones.includes("floor")) return ["floor"];
  const sides = (["left", "right", "rear"] as const).filter((side) => j.zones.includes(side));
  return sides.length ? sides : ["roof"];
}

export interface LateHole {
  minutes: number;
  says: string;
}

/**
 * What a hole on this side costs more when it is made now than it would have before what lies behind it was begun: cover,
 * swarf a second time, cleaning, the lining's own cut. Undefined while nothing behind it is begun.
 */
export function lateHole(build: Pick<BuildRow, "jobs" | "figures">, side: Penetration["side"]): LateHole | undefined {
  const begun = build.jobs.filter((j) => INNER.has(j.stage) && j.state !== "todo" && BEHIND[side].some((z) => j.zones.includes(z)));
  if (!begun.length) return undefined;
  const swarf = jobWith(build.jobs, "swarf")?.minutes.likely ?? 0;
  const lined = begun.some((j) => j.stage !== "insulation");
  const [cover, lining] = [figure(build, "lateCover"), figure(build, "lateLining")];
  const minutes = cover + swarf + (lined ? lining : 0);
  const parts = [`cover ${cover}`, `swarf and cleaning once more ${swarf}`, ...(lined ? [`the lining's own cut ${lining}`] : [])];
  return {
    minutes,
    says: `${begun[0].name} has started behind it: ${sayMinutes(minutes)} more (${parts.join(", ")} min), and the edge dries first`,
  };
}

/** Glue behind or below a hole that is still to cure: nothing is cut over it. In words; undefined where there is none. */
export function freshBelow(build: Pick<BuildRow, "jobs">, side: Penetration["side"], now: Minute): string | undefined {
  const below = new Set([...BEHIND[side], "floor"]);
  const fresh = build.jobs.find(
    (j) =>
      j.state === "done" &&
      j.stage !== "openings" &&
      j.hold.minutes > 0 &&
      j.endedAt !== null &&
      j.endedAt + j.hold.minutes > now &&
      j.zones.some((z) => below.has(z)),
  );
  return fresh && `${fresh.name} is still curing there: swarf would lie in it`;
}

/** The holes that a job is about: those it makes; for the soak test every one that was not seen dry yet. */
export const holesOf = (build: Pick<BuildRow, "records">, job: Pick<JobRow, "id" | "roles">): (PenetrationRecord & { no: number })[] =>
  penetrationsIn(build.records).filter((r) => (hasRole(job, "soak-test") ? r.data.state !== "tested" : r.jobId === job.id));

export const isSoak = (job: Pick<JobRow, "roles">): boolean => hasRole(job, "soak-test");

/** What a form may send of a hole: without what the server keeps of it. */
export function sendable(p: Penetration): Omit<Penetration, "no" | "wet" | "history" | "chain"> {
  const { no: _no, wet: _wet, history: _history, chain: _chain, ...rest } = p;
  return rest;
}

/** What a job's fitter has to know of the holes it makes, or tests. */
export function holeWords(build: Pick<BuildRow, "records">, job: Pick<JobRow, "id" | "roles" | "state">): string[] {
  if (job.state === "done") return [];
  const all = penetrationsIn(build.records);
  const own = all.filter((r) => r.jobId === job.id).map((r) => `Hole ${r.no}, ${r.title}: ${sayPenetration(r.data)}`);
  const soak = soakOpen(build, job);
  return [
    ...own,
    ...(soak.length ? [`To be soaked: ${count(soak.length, "hole")}`, ...soak.map((s) => s[0].toUpperCase() + s.slice(1))] : []),
  ];
}
