// Whether a job may be started now, and if not, what is in the way, in words.

import { choiceOf } from "../../library/choices";
import { sayClock, sayDay, sayTime } from "../../plan/words";
import { zoneOf } from "../../time/zone";
import { shellBefore } from "../bare-body/zones";
import { deciderOf } from "../builds/deciders";
import { releasesBefore } from "../builds/releases";
import { liveBefore } from "../openings/circuits";
import { holesBefore } from "../openings/holes";
import { crewAsked, hasSkill, neededAtStart } from "../planning/second-hand";
import { openShots, shotState } from "../proof/proof";
import { papersBefore } from "../records/papers";
import { sheetStops } from "../sheets/sheet-stops";
import type { BuildRow, JobRow, Shop } from "../state/model";
import { partWords } from "../state/problem";
import { lastPart } from "../stores/parts";
import { aloneFault } from "./alone";
import { crewBarred } from "./barred";
import { airAt, airNeeded } from "./heat";
import { shutNow } from "./machine-hours";
import { wantsRelease } from "./released";
import { templateMissing } from "./templates";
import { usersOf } from "./tools";

export interface Obstacle {
  kind:
    | "predecessor"
    | "hold"
    | "proof"
    | "part"
    | "place"
    | "crew"
    | "state"
    | "remark"
    | "conditions"
    | "question"
    | "remainder"
    | "choice"
    | "tool"
    | "opening";
  text: string;
}

const known = new WeakMap<readonly BuildRow[], { jobs: (readonly JobRow[])[]; counts: number[]; map: Map<string, JobRow> }>();

/** All jobs by their ids; found once for the same lists of jobs. */
export function jobsById(shop: Pick<Shop, "builds">): ReadonlyMap<string, JobRow> {
  const { builds } = shop;
  const there = known.get(builds);
  if (there?.jobs.length === builds.length && builds.every((b, i) => b.jobs === there.jobs[i] && b.jobs.length === there.counts[i]))
    return there.map;
  const map = new Map<string, JobRow>();
  for (const b of builds) for (const j of b.jobs) map.set(j.id, j);
  known.set(builds, { jobs: builds.map((b) => b.jobs), counts: builds.map((b) => b.jobs.length), map });
  return map;
}

/** Obstacles that lie in the work itself: what comes before, proof, parts, remarks. Empty: it could be done. */
export function obstacles(shop: Shop, job: JobRow, now: number, byId = jobsById(shop)): Obstacle[] {
  const zone = zoneOf(shop.workshop.zone);
  const out: Obstacle[] = [];
  if (job.state === "done") return [{ kind: "state", text: "it is done" }];
  for (const a of job.after) {
    const p = byId.get(a.job);
    if (!p) continue;
    if (p.state !== "done") out.push({ kind: "predecessor", text: `${p.name} is not done: ${a.reason}` });
    else if (!a.ignoreHold && p.endedAt! + p.hold.minutes > now)
      out.push({ kind: "hold", text: `${p.name} is left untouched until ${sayTime(zone, p.endedAt! + p.hold.minutes)}` });
  }
  for (const k of job.covers) {
    const covered = byId.get(k);
    if (!covered) continue;
    const open = openShots(covered);
    if (!open.length) continue;
    const waiting = open.filter((s) => shotState(s) === "waiting").length;
    out.push({
      kind: "proof",
      text:
        waiting === open.length
          ? `${count(waiting, "photo")} of ${covered.name} ${waiting === 1 ? "waits" : "wait"} for the lead`
          : `${count(open.length - waiting, "photo")} of ${covered.name} still to be taken: ${open.find((s) => shotState(s) !== "waiting")!.text}`,
    });
  }
  if (lastPart(job.parts, shop.suppliers, now, shop.workshop.goodsInMinutes)) out.push({ kind: "part", text: partWords(shop, job, now)! });
  if (job.state === "todo")
    for (const key of job.undecided)
      out.push({ kind: "choice", text: `${undecidedBy(shop, job, key)} has not decided: ${choiceOf(key).label.toLowerCase()}` });
  const open = job.questions.filter((q) => q.answeredAt === null);
  if (open.length && job.state === "todo")
    out.push({
      kind: "question",
      text: `${count(open.length, "question")} before the ${DEED[job.irreversible ?? ""] ?? "start"} ${open.length === 1 ? "is" : "are"} open: ${askedFirst(open)}`,
    });
  if (wantsRelease(shop, job) && !open.length)
    out.push({ kind: "question", text: `the ${DEED[job.irreversible ?? ""] ?? "step"} waits for the lead's release` });
  const build = shop.builds.find((b) => b.id === job.buildId);
  // What is left behind is left to a job of the same build.
  for (const other of build?.jobs ?? [])
    for (const r of other.remainders)
      if (r.before === job.id) out.push({ kind: "remainder", text: `${other.name} still has something to finish: ${r.text}` });
  for (const t of shop.tools)
    if (t.state !== "sound" && job.tools.includes(t.name) && job.state !== "started")
      out.push({ kind: "tool", text: `the ${t.name} is ${t.state}${t.note ? `: ${t.note}` : ""}` });
  if (build && job.state === "todo")
    for (const text of [
      ...holesBefore(build, job),
      ...shellBefore(build, job, now),
      ...liveBefore(build, job),
      ...papersBefore(
        build,
        job,
        shop.vans.find((v) => v.id === build.vanId),
      ),
      ...sheetStops(build, job),
      ...releasesBefore(build, job, now, (at) => sayTime(zone, at)),
    ])
      out.push({ kind: "opening", text });
  const template = build && job.state === "todo" ? templateMissing(shop, build, job) : undefined;
  if (template) out.push({ kind: "question", text: template });
  for (const r of job.remarks) if (r.stopsWork) out.push({ kind: "remark", text: `stopped: ${r.text}` });
  return out;
}

const DEED: Record<string, string> = {
  cut: "cut",
  bond: "bond",
  tank: "tanking",
  "screw-down": "screwing down",
  "close-up": "closing up",
};

/** The open question that is told: one that somebody is not sure of before the others. */
function askedFirst(open: JobRow["questions"]): string {
  const unsure = open.find((q) => q.unsureBy !== null);
  return unsure ? `${unsure.text} Somebody is not sure: somebody else looks` : open[0].text;
}

/** Whoever owns a choice, in words. */
function undecidedBy(shop: Shop, job: JobRow, key: JobRow["undecided"][number]): string {
  const build = shop.builds.find((b) => b.id === job.buildId);
  const owner = build && deciderOf(build, key);
  return !build || !owner || owner.who === build.client ? "the client" : owner.who;
}

const count = (n: number, word: string) => `${n} ${word}${n === 1 ? "" : "s"}`;

/**
 * Everything that keeps a fitter with a crew from starting the job now: the work's own obstacles,
 * where the van stands, who is on another job, and zones in work or under a hold.
 */
export function startObstacles(shop: Shop, job: JobRow, crew: readonly string[], place: string, now: number): Obstacle[] {
  const byId = jobsById(shop);
  const out = obstacles(shop, job, now, byId);
  if (job.state === "started") return [{ kind: "state", text: "it is under way" }];
  const build = shop.builds.find((b) => b.id === job.buildId)!;
  const name = (id: string) => shop.bays.find((b) => b.id === id)?.name ?? (id === "yard" ? "the yard" : id);
  if (job.place === "van") {
    if (build.at === null) out.push({ kind: "place", text: `${build.name} has not been brought in yet` });
    else if (build.at !== place) out.push({ kind: "place", text: `${build.name} stands in ${name(build.at)}, not in ${name(place)}` });
    out.push(...placeObstacles(shop, job, place, name), ...zoneObstacles(shop, job, now));
  }
  const begun: JobRow[] = [];
  for (const j of byId.values()) if (j.state !== "todo") begun.push(j);
  for (const j of begun)
    if (j.state === "started" && j.id !== job.id) {
      const both = j.fitters.filter((f) => crew.includes(f));
      for (const f of both)
        out.push({ kind: "crew", text: `${shop.fitters.find((x) => x.id === f)?.name ?? f} is on ${named(shop, j, job)}` });
    }
  out.push(...toolObstacles(shop, job, begun, now));
  const alone = aloneFault(shop, job, crew, now);
  if (alone) out.push({ kind: "crew", text: alone });
  out.push(...crewObstacles(shop, job, crew, now), ...weatherObstacles(shop, job, place, now));
  return out;
}

/** A job's name, with its build's where that is another one. */
const named = (shop: Shop, j: JobRow, beside: JobRow): string =>
  j.buildId === beside.buildId ? j.name : `${j.name} (${shop.builds.find((b) => b.id === j.buildId)?.name ?? j.buildId})`;

function placeObstacles(shop: Shop, job: JobRow, place: string, name: (id: string) => string): Obstacle[] {
  const has = place === "yard" ? shop.workshop.yardHas : (shop.bays.find((b) => b.id === place)?.has ?? []);
  const missing = job.bayHas.filter((p) => !has.includes(p));
  if (missing.length) return [{ kind: "place", text: `${name(place)} has no ${missing.join(", ")}` }];
  if (place === "yard" && !job.yardOk) return [{ kind: "place", text: "it is not for the yard" }];
  return [];
}

function zoneObstacles(shop: Shop, job: JobRow, now: number): Obstacle[] {
  const zone = zoneOf(shop.workshop.zone);
  const out: Obstacle[] = [];
  for (const o of shop.builds.find((b) => b.id === job.buildId)!.jobs) {
    if (o.id === job.id || o.place !== "van") continue;
    if (o.state === "started" && o.zones.some((z) => job.zones.includes(z)))
      out.push({ kind: "place", text: `${o.name} is being done in the same place` });
    const off = o.hold.keepOff;
    if (o.state !== "done" || !off || o.endedAt! + o.hold.minutes <= now) continue;
    if (off === "all" ? job.zones.length > 0 : off.some((z) => job.zones.includes(z)))
      out.push({ kind: "hold", text: `${o.name} keeps this part clear until ${sayTime(zone, o.endedAt! + o.hold.minutes)}` });
  }
  return out;
}

/** Shared tools that are all in use on other jobs, and machines that can't be worked with now. `begun`: jobs that are not still to do. */
function toolObstacles(shop: Shop, job: JobRow, begun: readonly JobRow[], now: number): Obstacle[] {
  const zone = zoneOf(shop.workshop.zone);
  return shop.tools
    .filter((t) => job.tools.includes(t.name))
    .flatMap((t) => {
      const shut = shutNow(t, zone, now);
      const users = usersOf(t, begun, now).filter((j) => j.id !== job.id);
      const busy = users.length < t.pieces ? undefined : `is in use on ${users.map((u) => named(shop, u, job)).join(", ")}`;
      return [shut, busy].flatMap((why) => (why ? [{ kind: "tool" as const, text: `the ${t.name} ${why}` }] : []));
    });
}

function crewObstacles(shop: Shop, job: JobRow, crew: readonly string[], now: number): Obstacle[] {
  const zone = zoneOf(shop.workshop.zone);
  const today = zone.show(now).slice(0, 10);
  const people = crew.map((id) => shop.fitters.find((f) => f.id === id)).filter((f) => f !== undefined);
  const out: Obstacle[] = crewBarred(people, job).map((text) => ({ kind: "crew", text }));
  // Whoever begins it may go on with it: the second one is called when needed, paused or not.
  const asked = crewAsked(
    shop.builds.find((b) => b.id === job.buildId),
    { ...job, state: "todo" },
  );
  const needed = neededAtStart(asked);
  if (people.length < needed) out.push({ kind: "crew", text: `it takes ${needed} people, ${people.length} are named` });
  for (const c of asked) {
    if (c.during && c.during.from > 0) continue;
    const able = people.filter(
      (f) => hasSkill(f, c) && (!c.ticket || f.tickets.some((t) => t.id === c.ticket && (!t.until || t.until >= today))),
    );
    if (able.length < c.people)
      out.push({
        kind: "crew",
        text: `it needs ${c.skill === "any" ? "somebody" : c.skill} at level ${c.level}${c.ticket ? ` with a valid ${c.ticket} ticket` : ""}`,
      });
  }
  return out;
}

function weatherObstacles(shop: Shop, job: JobRow, place: string, now: number): Obstacle[] {
  if (job.place !== "van") return [];
  const zone = zoneOf(shop.workshop.zone);
  const bay = shop.bays.find((b) => b.id === place);
  const has = bay?.has ?? (place === "yard" ? shop.workshop.yardHas : []);
  const day = shop.weather.find((d) => d.date === zone.show(now).slice(0, 10));
  if (!day) return [];
  const clock = sayClock(zone, now);
  const out: Obstacle[] = [];
  if (job.needs.dry && !has.includes("indoor") && !day.dry.some(([a, b]) => a <= clock && clock < b))
    out.push({ kind: "conditions", text: `no dry weather outdoors now (${sayDay(zone, now)})` });
  if (job.needs.daylight && !has.includes("lit") && (clock < day.sunrise || clock >= day.sunset))
    out.push({ kind: "conditions", text: `no daylight (${day.sunrise} to ${day.sunset})` });
  if (job.needs.maxWindMs !== null && !has.includes("indoor") && (day.windMs ?? 0) > job.needs.maxWindMs)
    out.push({
      kind: "conditions",
      text: `too windy outdoors: up to ${day.windMs} m/s where ${job.needs.maxWindMs} are the most; under a roof, or something else today`,
    });
  const air = airAt(bay, day, now, clock);
  if (job.needs.maxTempC !== null && air.highC > job.needs.maxTempC)
    out.push({
      kind: "conditions",
      text: `too warm: up to ${air.highC} °C where ${job.needs.maxTempC} are the most; shade, or before ten in the morning`,
    });
  if (job.needs.minTempC !== null) {
    const needed = airNeeded(job, job.needs.minTempC, air.kept, shop.workshop.skinBelowC);
    const metal = needed > job.needs.minTempC ? `, ${job.needs.minTempC} for the metal, which is colder than the air` : "";
    if (air.tempC < needed) out.push({ kind: "conditions", text: `too cold: ${air.tempC} °C where ${needed} are needed${metal}` });
  }
  return out;
}
