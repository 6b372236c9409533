// Work that could be done now though it is planned for later, with the people who are free for it.

import type { Plan } from "../../plan/model";
import { openHours } from "../../time/calendar";
import { minutesOf } from "../../time/clock";
import { type Minute, type Zone, zoneOf } from "../../time/zone";
import { calendarData } from "../builds/left";
import { notWatertight } from "../openings/holes";
import { hotWorkStop } from "../openings/hot-work";
import { crewFrom } from "../starts/crew-from";
import { jobsById, obstacles, startObstacles } from "../starts/ready";
import { carrying } from "../starts/tags";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow, Shop } from "../state/model";
import { CLOSING } from "../state/van-zones";
import { lastPart } from "../stores/parts";

export interface Forward {
  jobId: string;
  buildId: string;
  buildName: string;
  stage: string;
  name: string;
  place: string;
  /** Who could do it. */
  crew: string[];
  /** When the first of them is wanted elsewhere, or goes home. */
  freeUntil: Minute;
  /** When it is planned; null: not at all. */
  planned: Minute | null;
  /** Whether even the worst estimate ends before then. */
  fits: boolean;
  /** Working days of its build's date that hang on it by the plan: done now, so much may be won. 0: other work takes longer. */
  worth: number;
  /** Working days for which the bay that its van stands in would be free sooner: it is the last work of the stay. */
  frees: number;
  /** Minutes of moving the van there first; 0: it stands there. */
  shunt: number;
  /** Minutes of carrying sheets there first. */
  carry: number;
  /** What it would shut in that still waits for something, in words; null: nothing. */
  trap: string | null;
}

/** When each fitter has work again by the plan, from now on. */
function nextStarts(zone: Zone, plan: Plan | undefined, now: Minute): Map<string, Minute> {
  const out = new Map<string, Minute>();
  for (const p of plan?.jobs ?? [])
    for (const f of p.fitters) {
      const start = zone.parse(p.helpers?.find((h) => h.fitter === f)?.work[0]?.[0] ?? p.start);
      if (start >= now && start < (out.get(f) ?? Number.POSITIVE_INFINITY)) out.set(f, start);
    }
  return out;
}

/** Fitters with nothing to do now, each with the moment until which that lasts. */
export function freeFitters(shop: Shop, plan: Plan | undefined, now: Minute): Map<string, Minute> {
  const zone = zoneOf(shop.workshop.zone);
  const day = zone.dayOf(now);
  const busy = new Set(shop.builds.flatMap((b) => b.jobs.filter((j) => j.state === "started").flatMap((j) => j.fitters)));
  const out = new Map<string, Minute>();
  const next = nextStarts(zone, plan, now);
  for (const f of shop.fitters) {
    if (f.retired || busy.has(f.id)) continue;
    const calendar = shop.calendars.find((c) => c.id === f.calendarId);
    if (!calendar) continue;
    const open = openHours(zone, calendarData(calendar), day, day).open.without(f.absences.map((a) => [a.from, a.to]));
    if (!open.has(now)) continue;
    const today = open.stretches();
    const until = Math.min(today[today.length - 1][1], next.get(f.id) ?? Number.POSITIVE_INFINITY);
    if (open.minutes(now, until) >= figure(shop, "freeGap")) out.set(f.id, until);
  }
  return out;
}

/** Ready work of all builds that somebody free could take up, what traps nothing, fits whole in the gap and is worth most days first. */
export function pullForward(shop: Shop, plan: Plan | undefined, now: Minute): Forward[] {
  const zone = zoneOf(shop.workshop.zone);
  const free = freeFitters(shop, plan, now);
  if (!free.size) return [];
  const planned = new Map((plan?.jobs ?? []).map((j) => [j.id, zone.parse(j.start)]));
  const chained = new Set((plan?.builds ?? []).flatMap((b) => (b.chain ?? []).map((l) => l.job)));
  const calendar = shop.calendars.find((c) => c.id === "shop");
  const day = calendar ? longestDay(calendar) : 480;
  const out: Forward[] = [];
  const byId = jobsById(shop);
  const people = [...free.keys()];
  const today = zone.show(now).slice(0, 10);
  const soon = now + figure(shop, "freeGap");
  const moved = movedShops(shop);
  for (const b of shop.builds)
    for (const j of b.jobs) {
      if (j.state === "done" || j.state === "started") continue;
      const start = planned.get(j.id) ?? null;
      if (start !== null && start < soon) continue;
      // Most jobs wait for another one: no need to look at anything else of them.
      if (j.after.some((a) => (byId.get(a.job)?.state ?? "done") !== "done")) continue;
      const crew = crewFrom(shop, j, people, today);
      if (!crew) continue;
      const spot = spotFor(shop, b, j, crew, now, moved);
      if (!spot) continue;
      const { place, shunt } = spot;
      const until = Math.min(...crew.map((f) => free.get(f)!));
      out.push({
        jobId: j.id,
        buildId: b.id,
        buildName: b.name,
        stage: j.stage,
        name: j.name,
        place,
        crew,
        freeUntil: until,
        planned: start,
        shunt,
        carry: carrying(shop, j),
        frees: calendar && plan ? freesFor(zone, calendar, b, j, plan, now) : 0,
        fits: now + shunt + carrying(shop, j) + j.minutes.worst <= until,
        worth: chained.has(j.id) && start !== null && calendar ? workingDays(zone, calendar, now, start) : 0,
        trap: trapOf(shop, b, j, now),
      });
    }
  return out.sort(
    (x, y) =>
      Number(x.trap !== null) - Number(y.trap !== null) ||
      Number(y.fits) - Number(x.fits) ||
      daysWon(y, day) - daysWon(x, day) ||
      (x.planned ?? 0) - (y.planned ?? 0),
  );
}

/** Working days of the shop from one moment to a later one, to a quarter. */
function workingDays(zone: Zone, calendar: Shop["calendars"][number], from: Minute, to: Minute): number {
  const { open } = openHours(zone, calendarData(calendar), zone.dayOf(from), zone.dayOf(to));
  return Math.round((4 * open.minutes(from, to)) / longestDay(calendar)) / 4;
}

export const longestDay = (calendar: Shop["calendars"][number]): number =>
  Math.max(
    1,
    ...Array.from({ length: 7 }, (_, weekday) =>
      calendar.windows.filter((w) => w.weekday === weekday).reduce((n, w) => n + minutesOf(w.closes) - minutesOf(w.opens), 0),
    ),
  );

/** Days won on the date and for the bay, less moving and carrying. */
const daysWon = (f: Pick<Forward, "worth" | "frees" | "shunt" | "carry">, day: number): number =>
  f.worth + f.frees - (f.shunt + f.carry) / day;

/** Where it could be done now: where the van stands, else in a bay that is free and suits, once it is moved there. */
function spotFor(
  shop: Shop,
  b: BuildRow,
  j: JobRow,
  crew: readonly string[],
  now: Minute,
  moved: (build: string, bay: string) => Shop,
): { place: string; shunt: number } | undefined {
  // What lies in the work itself no place does away with.
  if (obstacles(shop, j, now).length) return undefined;
  if (j.place === "bench") return startObstacles(shop, j, crew, "bench", now).length ? undefined : { place: "bench", shunt: 0 };
  if (b.at === null) return undefined;
  if (!startObstacles(shop, j, crew, b.at, now).length) return { place: b.at, shunt: 0 };
  if (!mayMove(shop, b, now)) return undefined;
  const van = shop.vans.find((v) => v.id === b.vanId);
  for (const bay of shop.bays) {
    const taken = bay.retired || shop.builds.some((o) => o.at === bay.id) || bay.closures.some((c) => c.from <= now && now < c.to);
    const small = van && ((bay.maxHeightMm ?? Infinity) < van.heightMm || (bay.maxLengthMm ?? Infinity) < van.lengthMm);
    if (taken || small) continue;
    if (!startObstacles(moved(b.id, bay.id), j, crew, bay.id, now).length) return { place: bay.id, shunt: shop.workshop.shuntMinutes };
  }
  return undefined;
}

/** The shop with one van in another bay; made once, however many of its jobs are looked at. */
function movedShops(shop: Shop): (build: string, bay: string) => Shop {
  const made = new Map<string, Shop>();
  return (build, bay) => {
    const key = `${build} ${bay}`;
    let there = made.get(key);
    if (!there) made.set(key, (there = { ...shop, builds: shop.builds.map((o) => (o.id === build ? { ...o, at: bay } : o)) }));
    return there;
  };
}

/** Nobody works on it, no bond has to stand, no hole is bare, no swarf lies. */
const mayMove = (shop: Shop, b: BuildRow, now: Minute): boolean =>
  !b.jobs.some(
    (j) => j.place === "van" && (j.state === "started" || (j.state === "done" && j.hold.still && j.endedAt! + j.hold.minutes > now)),
  ) &&
  !notWatertight(b).length &&
  !hotWorkStop(shop, b, now).length;

/** Working days from its end, done now, to the end of the stay in the bay, where nothing else is left to be done in that stay. */
function freesFor(zone: Zone, calendar: Shop["calendars"][number], b: BuildRow, j: JobRow, plan: Plan, now: Minute): number {
  const stay = plan.stays.find(
    (s) => s.build === b.id && s.place === b.at && s.place !== "yard" && zone.parse(s.from) <= now && now < zone.parse(s.to),
  );
  if (!stay) return 0;
  const left = plan.jobs.filter((p) => {
    const k = b.jobs.find((o) => o.id === p.id);
    return k?.place === "van" && k.state !== "done" && p.start >= stay.from && p.start < stay.to;
  });
  if (left.length !== 1 || left[0].id !== j.id) return 0;
  return workingDays(zone, calendar, now + j.minutes.likely, zone.parse(stay.to));
}

/** A job that shuts something in, before work in the same zones that still waits for a part: it could only be done by opening it again. */
function trapOf(shop: Shop, build: BuildRow, j: JobRow, now: Minute): string | null {
  if (!CLOSING.has(j.irreversible ?? "")) return null;
  const waiting = build.jobs.find(
    (k) =>
      k.state === "todo" &&
      k.id !== j.id &&
      k.seq < j.seq &&
      k.zones.some((z) => j.zones.includes(z)) &&
      lastPart(k.parts, shop.suppliers, now, shop.workshop.goodsInMinutes) !== undefined,
  );
  return waiting ? `would shut in ${waiting.name}, which waits for its parts` : null;
}
