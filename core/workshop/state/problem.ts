// The planning problem that the present state of the workshop is.

import type { Plan, Problem, ProblemJob } from "../../plan/model";
import { sayDay } from "../../plan/words";
import { type Zone, zoneOf } from "../../time/zone";
import { calendarData, leftMinutes } from "../builds/left";
import { frozenUntil } from "../planning/frozen";
import { behindMinutes, crewAsked, onIt } from "../planning/second-hand";
import { proofApproved } from "../proof/proof";
import { benchUntil } from "../records/waits";
import { barTicket, heldTickets } from "../starts/barred";
import { newTo } from "../starts/first-time";
import { heatOf } from "../starts/heat";
import { toolTimes } from "../starts/machine-hours";
import { type ReachLink, reachOrder } from "../starts/reach";
import { toolsAsked } from "../starts/tools";
import { lastPart } from "../stores/parts";
import type { BuildRow, JobRow, Shop } from "./model";

const OVER: Record<string, string> = {
  "to-check": "is here but not checked yet",
  overdue: "is overdue",
  ordered: "is ordered, no date promised",
  "not-ordered": "is not ordered yet",
  wrong: "came wrong",
};

/** What keeps a job's parts, in words: "waits for the fan, promised Mon 8 Mar". */
export function partWords(shop: Shop, job: JobRow, now: number): string | undefined {
  const last = lastPart(job.parts, shop.suppliers, now, shop.workshop.goodsInMinutes);
  if (!last) return undefined;
  const { part, available } = last;
  const said = available.kind === "promised" ? `promised ${sayDay(zoneOf(shop.workshop.zone), part.promisedAt!)}` : OVER[available.kind];
  return `waits for ${part.name}, ${said}`;
}

/** The planner knows dates, not parts: says which part it is that each job of a plan waits for. */
export function nameParts(plan: Plan, shop: Shop, now: number): void {
  const jobs = new Map(shop.builds.flatMap((b) => b.jobs.map((j) => [j.id, j] as const)));
  for (const j of plan.jobs)
    for (const w of j.why ?? []) {
      const job = jobs.get(j.id);
      if (w.kind === "part" && job) w.text = partWords(shop, job, now) ?? w.text;
    }
}

/**
 * The problem at `now`. Retired bays and fitters are left out, save those that a job under way or
 * done still names. A paused job is planned as what is left of it, free to be put elsewhere.
 */
export function toProblem(shop: Shop, now: number, published?: Plan): Problem {
  const zone = zoneOf(shop.workshop.zone);
  const w = shop.workshop;
  const named = new Set(shop.builds.flatMap((b) => [b.at, ...b.jobs.flatMap((j) => [...j.fitters, j.actualPlace])]));
  const bays = shop.bays.filter((b) => !b.retired || named.has(b.id));
  const places = new Set(bays.map((b) => b.id));
  const fitters = shop.fitters.filter((f) => !f.retired || named.has(f.id));
  // The planner knows no bars: what somebody is barred from is a ticket that the others hold.
  const barred = new Set(
    shop.builds.flatMap((b) =>
      b.jobs.flatMap((j) =>
        j.crew.flatMap((c) => {
          const ticket = j.state === "done" ? c.ticket : barTicket(shop.fitters, j, c.ticket);
          return ticket !== null && ticket !== c.ticket ? [ticket] : [];
        }),
      ),
    ),
  );
  return {
    format: "wide-lane/problem@1",
    zone: w.zone,
    now: zone.show(now),
    horizonDays: w.horizonDays,
    ...(published ? { frozenUntil: zone.show(frozenUntil(shop, now)) } : {}),
    calendars: shop.calendars.map((c) => ({ id: c.id, ...calendarData(c) })),
    ...(w.noiseFrom && w.noiseTo ? { noiseHours: [w.noiseFrom, w.noiseTo] } : {}),
    ...(Object.keys(w.noiseWeek).length ? { noiseWeek: w.noiseWeek } : {}),
    skinBelowC: w.skinBelowC,
    ...(shop.weather.length ? { weather: weatherOf(shop) } : {}),
    bays: bays.map((b) => ({
      id: b.id,
      name: b.name,
      ...(b.calendarId ? { calendar: b.calendarId } : {}),
      has: b.has,
      ...opt("tempC", b.tempC),
      ...opt("maxHeightMm", b.maxHeightMm),
      ...opt("maxLengthMm", b.maxLengthMm),
      closed: b.closures.map((x) => [zone.show(x.from), zone.show(x.to)]),
      ...heatOf(b, zone),
    })),
    // Vans that stand in the yard are there, however few places it is said to have.
    yard: { places: Math.max(w.yardPlaces, shop.builds.filter((b) => b.at === "yard").length), has: w.yardHas, work: w.yardWork },
    fitters: fitters.map((f) => ({
      id: f.id,
      name: f.name,
      calendar: f.calendarId,
      skills: f.skills,
      tickets: [...f.tickets, ...heldTickets(f, barred)].map((t) => ({ id: t.id, ...(t.until ? { until: t.until } : {}) })),
      away: f.absences.map((a) => [zone.show(a.from), zone.show(a.to)]),
    })),
    ...(shop.tools.length
      ? { tools: shop.tools.map((t) => ({ id: t.id, name: t.name, pieces: t.pieces, ...toolTimes(t, zone, now, w.horizonDays) })) }
      : {}),
    shuntMinutes: w.shuntMinutes,
    builds: shop.builds.map((b) => toBuild(shop, zone, b, now, places)),
    ...(published ? { published: onlyKnown(shop, published) } : {}),
    weights: w.weights,
  };
}

const opt = <K extends string>(key: K, value: number | null): Partial<Record<K, number>> =>
  value === null ? {} : ({ [key]: value } as Record<K, number>);

function weatherOf(shop: Shop): Problem["weather"] {
  const days = shop.weather.map((d) => ({
    date: d.date,
    sunrise: d.sunrise,
    sunset: d.sunset,
    dry: d.dry,
    tempC: [d.lowC, d.highC],
    ...opt("windMs", d.windMs),
  }));
  // Beyond the forecast: the light and warmth of its last day, and half the working day dry.
  const last = days[days.length - 1];
  return {
    days,
    default: { sunrise: last.sunrise, sunset: last.sunset, dry: [["08:00", "14:00"]], tempC: last.tempC },
  };
}

function toBuild(shop: Shop, zone: Zone, b: BuildRow, now: number, places: ReadonlySet<string>): Problem["builds"][number] {
  const reach = reachOrder(b).links;
  const van = shop.vans.find((v) => v.id === b.vanId);
  return {
    id: b.id,
    name: b.name,
    arrives: zone.show(b.arrives),
    due: zone.show(b.due),
    weight: b.weight,
    heightMm: van?.heightMm ?? 2600,
    lengthMm: van?.lengthMm ?? 6000,
    insideCrew: van?.insideCrew ?? 3,
    ...(b.at ? { at: b.at } : {}),
    jobs: b.jobs.map((j) => toJob(shop, zone, b, j, now, places, reach)),
  };
}

function toJob(
  shop: Shop,
  zone: Zone,
  b: BuildRow,
  j: JobRow,
  now: number,
  places: ReadonlySet<string>,
  reach: readonly ReachLink[],
): ProblemJob {
  const last = j.state === "done" ? undefined : lastPart(j.parts, shop.suppliers, now, shop.workshop.goodsInMinutes);
  const { needs, hold } = j;
  const slow = j.state === "todo" && shop.workshop.firstTimes ? newTo(shop, j) : [];
  const approved = proofApproved(j);
  const place = j.place === "bench" ? "bench" : (j.actualPlace ?? b.at ?? "yard");
  // A fact that names a place since removed is kept as having been in the yard.
  const asked = crewAsked(b, j, behindMinutes(shop, j, now));
  const { fitters, helpers } = j.state === "started" ? onIt(j, asked) : { fitters: j.fitters, helpers: [] };
  const was = place === "bench" || place === "yard" || places.has(place) ? place : "yard";
  return {
    id: j.id,
    stage: j.stage,
    name: j.name,
    minutes: j.state === "paused" ? leftMinutes(shop, j, now) : j.minutes,
    ...(slow.length ? { slow } : {}),
    place: j.place,
    yardOk: j.yardOk,
    bay: j.bayHas,
    zones: j.zones,
    crew: asked.map((c) => {
      // What is begun is a fact, whoever does it; not so who is still to come.
      const open = j.state === "todo" || j.state === "paused" || (j.state === "started" && c.during && !helpers.length);
      const ticket = open ? barTicket(shop.fitters, j, c.ticket) : c.ticket;
      return { skill: c.skill, level: c.level, count: c.people, ...(ticket ? { ticket } : {}), ...(c.during ? { during: c.during } : {}) };
    }),
    needs: {
      dry: needs.dry,
      daylight: needs.daylight,
      noisy: needs.noisy,
      sameDay: needs.sameDay,
      ...opt("minTempC", needs.minTempC),
      ...opt("maxTempC", needs.maxTempC),
      ...(needs.metal ? { metal: true } : {}),
      ...opt("maxWindMs", needs.maxWindMs),
    },
    after: [
      ...j.after.map((a) => ({ job: a.job, lag: a.lag, lagKind: a.lagKind, ignoreHold: a.ignoreHold })),
      ...(j.state === "todo"
        ? reach.filter((l) => l.job === j.id && !j.after.some((a) => a.job === l.after)).map((l) => ({ job: l.after }))
        : []),
    ],
    ...(hold.minutes > 0
      ? {
          hold: {
            minutes: hold.minutes,
            still: hold.still,
            ...(hold.keepOff ? { keepOff: hold.keepOff } : {}),
            ...opt("minTempC", hold.minTempC),
          },
        }
      : {}),
    covers: j.covers,
    ...toolsAsked(shop.tools, j),
    ...(approved === undefined ? {} : { proofApproved: approved }),
    ...(last ? { partsFrom: zone.show(Math.ceil(last.available.from)) } : {}),
    ...notBeforeOf(b, j, zone),
    ...pinOf(zone, j),
    state:
      j.state === "done"
        ? { done: { start: zone.show(j.startedAt!), end: zone.show(j.endedAt!), bay: was, fitters: j.fitters } }
        : j.state === "started"
          ? {
              started: {
                start: zone.show(j.startedAt!),
                bay: was,
                fitters,
                leftMinutes: leftMinutes(shop, j, now),
                ...(helpers.length ? { helpers } : {}),
              },
            }
          : "todo",
  };
}

function pinOf(zone: Zone, j: JobRow): Pick<ProblemJob, "pin"> {
  const { start, place, fitters } = j.pin;
  if (start === null && place === null && fitters.length === 0) return {};
  return {
    pin: {
      ...(start === null ? {} : { start: zone.show(start) }),
      ...(place === null ? {} : { bay: place }),
      ...(fitters.length ? { fitters } : {}),
    },
  };
}

/** The published plan without what no longer exists. */
function onlyKnown(shop: Shop, plan: Plan): Plan {
  const jobs = new Set(shop.builds.flatMap((b) => b.jobs.map((j) => j.id)));
  return {
    ...plan,
    jobs: plan.jobs.filter((j) => jobs.has(j.id)).map(({ why: _why, ...j }) => j),
    stays: [],
    builds: [],
    unplaced: [],
    pinsBroken: [],
  };
}

/** The day before which a job is not begun: as said, or until a zone of its is no bench any more. */
function notBeforeOf(b: BuildRow, j: JobRow, zone: Zone): Pick<ProblemJob, "notBefore"> {
  const bench = j.state === "todo" ? benchUntil(b, j, zone) : undefined;
  const at = Math.max(j.notBefore ?? Number.NEGATIVE_INFINITY, bench ?? Number.NEGATIVE_INFINITY);
  return Number.isFinite(at) ? { notBefore: zone.show(at) } : {};
}
