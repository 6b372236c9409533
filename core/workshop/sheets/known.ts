// What the workshop knows of a build and its job, for the sheets that start from it: plan, forecast, stores, records.

import type { Plan } from "../../plan/model";
import type { JobFacts, Known, Site, WaitingOpening } from "../../setout/engine/facts";
import { DAY, weekdayOf, zoneOf } from "../../time/zone";
import type { Van } from "../../van/model";
import { foundOnBody } from "../bare-body/marks";
import { handDays, hoursADay } from "../builds/hands-for-date";
import { penetrationsIn } from "../openings/holes";
import { zoneNorm } from "../openings/opening-times";
import { chainDays, exposureSide, litMinutes, standsCovered, waitingOpenings } from "../planning/dry-slots";
import { entriesOf } from "../records/kinds/of";
import { warmthSince } from "../records/waits";
import type { BuildRow, JobRow, Shop } from "../state/model";
import { isUnit } from "../stores/parts";
import { windowFacts } from "./window-facts";

export interface Asked {
  shop: Shop;
  build: BuildRow;
  job: JobRow | undefined;
  /** Without a plan nothing of time and place is known. */
  plan: Plan | undefined;
  now?: number;
}

export const knownOf = (a: Asked, van: Van): Known => ({
  job: () => a.job && jobFacts(a.job),
  site: () => siteOf(a),
  hours: () => hoursOf(a),
  planned: () => plannedOf(a),
  longestStand: () => longestStand(a),
  dryStretch: () => dryStretch(a),
  cuttingDay: () => cuttingDay(a),
  goodsInDays: () => Math.ceil(a.shop.workshop.goodsInMinutes / DAY),
  opening: () => a.build.sheets.find((s) => s.calculator === "opening" && s.jobId === a.job?.id)?.input as ReturnType<Known["opening"]>,
  box: () => boxOf(a),
  behindHole: () => penetrationsIn(a.build.records).find((r) => r.jobId !== null && r.jobId === a.job?.id)?.data,
  warmth: () => warmthOf(a),
  machine: () => machineOf(a),
  room: () => roomOf(a, van),
  work: () => workOf(a),
  openCuts: () => a.build.jobs.filter((j) => j.stage === "openings" && j.irreversible === "cut" && j.state === "todo").map((j) => j.name),
  found: () => foundOnBody(a.build.records),
  ghostShare: () => ghostShare(a.shop),
  window: () => windowFacts(a.build, a.job, van),
  panels: () => panelsOf(a, van),
});

const jobFacts = (j: JobRow): JobFacts => ({
  name: j.name,
  minutes: { best: j.minutes.best, likely: j.minutes.likely, worst: j.minutes.worst },
  people: j.crew.reduce((n, c) => n + c.people, 0),
  pieces: j.pieces?.count ?? null,
  holdMinutes: j.hold.minutes,
  holdMinC: j.hold.minTempC,
  minTempC: j.needs.minTempC,
  units: j.parts
    .filter((p) => isUnit(p.name))
    .map((p) => ({ name: p.name, arrived: p.state === "arrived" || p.state === "checked", checked: p.state === "checked" })),
});

/** Where and when the plan has the job; undefined for what is done, not planned, or beyond the forecast. */
export function siteOf({ shop, job, plan }: Pick<Asked, "shop" | "job" | "plan">): Site | undefined {
  const p = job && job.state !== "done" ? plan?.jobs.find((x) => x.id === job.id) : undefined;
  const day = p && shop.weather.find((w) => w.date === p.start.slice(0, 10));
  if (!p || !day) return undefined;
  const bay = shop.bays.find((b) => b.id === p.place);
  const own = bay?.has.includes("heated") ? bay.tempC : null;
  return {
    clock: p.start.slice(11, 16),
    date: day.date,
    sunset: day.sunset,
    dry: day.dry,
    tempC: own ?? Math.round((day.lowC + day.highC) / 2),
    nightC: own ?? Math.round(day.lowC),
    people: p.fitters.length,
  };
}

/** The shop's hours on the weekday on which the job is planned. */
function hoursOf({ shop, job, plan }: Asked): { opens: string; closes: string }[] {
  const start = job && plan?.jobs.find((x) => x.id === job.id)?.start;
  if (!start) return [];
  const weekday = (new Date(`${start.slice(0, 10)}T00:00Z`).getUTCDay() + 6) % 7;
  return shop.calendars.find((c) => c.id === "shop")?.windows.filter((w) => w.weekday === weekday) ?? [];
}

function plannedOf({ shop, build, job, plan }: Asked): ReturnType<Known["planned"]> {
  const p = job && plan?.jobs.find((x) => x.id === job.id);
  if (!job || !p) return undefined;
  const zone = zoneOf(shop.workshop.zone);
  const day = zone.dayOf(zone.parse(p.start));
  const followers = new Set(build.jobs.filter((j) => j.after.some((x) => x.job === job.id)).map((j) => j.id));
  const next = plan!.jobs
    .filter((x) => followers.has(x.id))
    .map((x) => x.start)
    .sort()[0];
  return {
    start: p.start,
    weekday: weekdayOf(day),
    ...(next ? { needed: { start: next, days: zone.dayOf(zone.parse(next)) - day } } : {}),
  };
}

/** The longest stretch, in whole days, between two pieces of work in the van that are still to come. */
export function longestStand({ shop, build, plan }: Pick<Asked, "shop" | "build" | "plan">): number | undefined {
  const zone = zoneOf(shop.workshop.zone);
  const own = new Set(build.jobs.filter((j) => j.place === "van" && j.state !== "done").map((j) => j.id));
  const work = (plan?.jobs ?? [])
    .filter((p) => own.has(p.id))
    .map((p) => [zone.parse(p.start), zone.parse(p.end)] as const)
    .sort((x, y) => x[0] - y[0]);
  if (!work.length) return undefined;
  let until = work[0][1];
  let longest = 0;
  for (const [start, end] of work) {
    longest = Math.max(longest, start - until);
    until = Math.max(until, end);
  }
  return Math.ceil(longest / DAY);
}

/** Openings of every build that are planned soon, and the first dry stretch that one of them has. */
function dryStretch({ shop, plan }: Asked): ReturnType<Known["dryStretch"]> {
  if (!plan) return undefined;
  const zone = zoneOf(shop.workshop.zone);
  const { soon } = waitingOpenings(shop, plan);
  const day = soon.length ? shop.weather.find((w) => w.date >= zone.show(soon[0].start).slice(0, 10) && w.dry.length) : undefined;
  if (!day) return undefined;
  return {
    date: day.date,
    minutes: Math.max(...day.dry.map(([from, to]) => litMinutes(from, to, day))),
    openings: soon.map(
      ({ name, build, job, start }): WaitingOpening => ({
        name,
        minutes: job.minutes.likely,
        side: exposureSide(job),
        urgent: start < soon[0].start + DAY,
        covered: standsCovered(job),
        chainDays: chainDays(plan, build.id, job.id),
      }),
    ),
  };
}

function cuttingDay({ build, job, plan }: Asked): string | undefined {
  const cut = job?.irreversible === "cut" ? job : build.jobs.find((j) => j.irreversible === "cut");
  return plan?.jobs.find((p) => p.id === cut?.id)?.start.slice(0, 10);
}

function boxOf({ build, job }: Asked): ReturnType<Known["box"]> {
  const units = (job?.parts ?? []).filter((p) => isUnit(p.name)).map((p) => p.name.toLowerCase());
  const d = entriesOf(build.records, "contents").find((r) => units.some((u) => u.includes(r.title.toLowerCase())))?.data;
  return {
    ...(d?.spigotW && d.spigotH ? { spigot: { w: d.spigotW, h: d.spigotH } } : {}),
    ...(d?.flangeW && d.flangeH ? { flange: { w: d.flangeW, h: d.flangeH } } : {}),
  };
}

function warmthOf(a: Asked): ReturnType<Known["warmth"]> {
  const { shop, build, job } = a;
  if (!job) return undefined;
  const site = siteOf(a);
  const night = site && job.hold.minutes && job.state !== "done" ? [{ tempC: site.nightC }] : undefined;
  const stretches = warmthSince(shop, build, job, zoneOf(shop.workshop.zone)) ?? night;
  return stretches && { stretches, readings: entriesOf(build.records, "reading").filter((r) => r.jobId === job.id).length };
}

function machineOf({ shop, job }: Asked): ReturnType<Known["machine"]> {
  const t = shop.tools.find((x) => x.floorMm !== null && job?.tools.includes(x.name));
  return t && { name: t.name, floorMm: t.floorMm!, lengthMm: t.lengthMm, outfeedMm: t.outfeedMm };
}

/** The yard has no beam. */
function roomOf({ shop, build, plan }: Asked, van: Van): ReturnType<Known["room"]> {
  const onRoof = new Set(build.jobs.filter((j) => j.stage === "openings" && j.zones.includes("roof")).map((j) => j.id));
  const place = plan?.jobs.find((p) => onRoof.has(p.id) && p.place !== "bench")?.place;
  return { vanMm: van.heightMm, bayMm: shop.bays.find((b) => b.id === place)?.maxHeightMm ?? null };
}

/** Hours by the likely minutes of the jobs and their crews, less what is worked. */
function workOf({ shop, build, plan, now }: Asked): ReturnType<Known["work"]> {
  const minutes = build.jobs
    .filter((j) => j.state !== "done")
    .reduce((n, j) => n + Math.max(0, j.minutes.likely - j.workedMinutes) * j.crew.reduce((k, c) => k + c.people, 0), 0);
  const days = now === undefined ? [] : handDays(shop, build, plan, now);
  return {
    hoursLeft: Math.round(minutes / 6) / 10,
    ...(days.length ? { hoursADay: hoursADay(shop) } : {}),
    people: days.length ? days : shop.fitters.filter((f) => !f.retired).map((f) => ({ name: f.name })),
    days: days.length ? Math.round(days.reduce((n, d) => n + d.days, 0)) : undefined,
  };
}

/** Of the vans whose outline was judged: how many had one. */
export function ghostShare(shop: Pick<Shop, "ghosts">): number | undefined {
  const n = shop.ghosts.length;
  return n ? Math.round((shop.ghosts.filter((g) => g.ghost !== "none").length / n) * 100) / 100 : undefined;
}

/** Kinds of the van's panels, as cleaning goes over them. */
const KIND = { floor: "floor", ceiling: "ribs", left: "ribs", right: "ribs", rear: "flat" } as const;

/** What a square metre takes whoever is planned for it, else the house. */
function panelsOf({ shop, job, plan }: Asked, van: Van): ReturnType<Known["panels"]> {
  const fitter = job?.fitters[0] ?? plan?.jobs.find((p) => p.id === job?.id)?.fitters[0];
  return van.geometry.panels.map((p) => {
    const norm = zoneNorm(shop, KIND[p.zone], fitter);
    return { name: p.name, m2: p.areaM2, kind: KIND[p.zone], ...(norm === undefined ? {} : { norm }) };
  });
}
