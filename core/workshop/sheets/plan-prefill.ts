// Starts of sheets out of plan, forecast and stores: how warm it is where the job is planned, what stands open there, who is at it.

import type { Plan } from "../../plan/model";
import type { Prefill } from "../../setout/engine/facts";
import type { Draft } from "../../setout/engine/form";
import { roofBays } from "../../setout/openings/field";
import { MACHINE_MM, OUTFEED_MM } from "../../setout/time/machine-room/machine-room";
import { WEEKDAYS } from "../../time/calendar";
import { DAY, type Minute, weekdayOf, zoneOf } from "../../time/zone";
import { measuredVan } from "../builds/measured";
import { chainDays, exposureSide, litMinutes, standsCovered, waitingOpenings } from "../planning/dry-slots";
import { entriesOf } from "../records/kinds/of";
import { type Stretch, warmthSince } from "../records/waits";
import type { BuildRow, JobRow, Shop, WeatherRow } from "../state/model";
import { isUnit } from "../stores/parts";

interface Site {
  start: Minute;
  /** By the shop's clock. */
  clock: string;
  day: WeatherRow;
  /** A heated bay's own, else the middle of the day's forecast, whole °C. */
  tempC: number;
  /** The coldest of the night: the bay's own, else the forecast's. */
  nightC: number;
  people: number;
}

interface Asked {
  shop: Shop;
  build: BuildRow;
  job: JobRow | undefined;
  plan: Plan;
}

const CLOSED_UNTIL_CUT = "cut";
/** What the forecast must say at least for an hour to count as dry. */
const DRY_CHANCE = "0.7";

/** Where and when the plan has a job, as far as the forecast reaches; undefined for what is done or not planned. */
export function siteOf({ shop, job, plan }: Asked): Site | undefined {
  const p = job && job.state !== "done" ? plan.jobs.find((x) => x.id === job.id) : undefined;
  const day = p && shop.weather.find((w) => w.date === p.start.slice(0, 10));
  if (!p || !day) return undefined;
  const bay = shop.bays.find((b) => b.id === p.place);
  const own = bay?.has.includes("heated") ? bay.tempC : null;
  const tempC = own ?? Math.round((day.lowC + day.highC) / 2);
  const nightC = own ?? Math.round(day.lowC);
  return { start: zoneOf(shop.workshop.zone).parse(p.start), clock: p.start.slice(11, 16), day, tempC, nightC, people: p.fitters.length };
}

const warmth = (a: Asked): Prefill | undefined => {
  const site = siteOf(a);
  return site && { draft: { tempC: String(site.tempC) }, basis: { "temperature there": site.tempC }, partial: true };
};

/** What cures stands there through the night: the coldest of it counts. */
const overNight = (a: Asked): Prefill | undefined => {
  const site = siteOf(a);
  return site && { draft: { tempC: String(site.nightC) }, basis: { "coldest there": site.nightC }, partial: true };
};

function openSkin(a: Asked): Prefill | undefined {
  const { job } = a;
  const site = siteOf(a);
  if (!job || !site) return undefined;
  const { best, likely, worst } = job.minutes;
  const units = job.parts.filter((p) => isUnit(p.name));
  return {
    draft: {
      now: site.clock,
      sunset: site.day.sunset,
      people: String(site.people),
      peopleNeeded: String(job.crew.reduce((n, c) => n + c.people, 0)),
      tempC: String(site.tempC),
      minC: job.needs.minTempC === null ? "" : String(job.needs.minTempC),
      steps: [{ name: job.name, "minutes.best": String(best), "minutes.likely": String(likely), "minutes.worst": String(worst) }],
      dry: site.day.dry.map(([from, to]) => ({ from, to, chance: DRY_CHANCE })),
      units: units.map((p) => ({
        name: p.name,
        arrived: p.state === "arrived" || p.state === "checked",
        checked: p.state === "checked",
        dryFitted: false,
      })),
    },
    basis: {
      day: site.day.date,
      start: site.clock,
      dusk: site.day.sunset,
      "dry hours": site.day.dry.map(([x, y]) => `${x} to ${y}`).join(", ") || "none",
      temperature: site.tempC,
      people: site.people,
    },
    partial: true,
  };
}

/** The job, the light, the rain and the shift of the day it is planned on; which of its minutes are drying the fitter says. */
function goNoGo(a: Asked): Prefill | undefined {
  const { job, shop } = a;
  const site = siteOf(a);
  if (!job || !site) return undefined;
  const dry = site.day.dry.find(([from, to]) => from <= site.clock && site.clock < to);
  const rain = dry && dry[1] !== "24:00" ? dry[1] : "";
  const weekday = (new Date(`${site.day.date}T00:00Z`).getUTCDay() + 6) % 7;
  const windows = shop.calendars.find((c) => c.id === "shop")?.windows.filter((w) => w.weekday === weekday) ?? [];
  const shiftEnd =
    windows
      .map((w) => w.closes)
      .sort()
      .at(-1) ?? "";
  return {
    draft: {
      sunset: site.day.sunset,
      rain,
      shiftEnd,
      steps: [{ name: job.name, minutes: String(job.minutes.likely), drying: false }],
    },
    basis: { day: site.day.date, dusk: site.day.sunset, rain: rain || "none", "end of the shift": shiftEnd || "none" },
    partial: true,
  };
}

/** The longest stretch, in whole days, between two pieces of work in the van that are still to come. */
export function longestStand({ shop, build, plan }: Pick<Asked, "shop" | "build" | "plan">): number | undefined {
  const zone = zoneOf(shop.workshop.zone);
  const own = new Set(build.jobs.filter((j) => j.place === "van" && j.state !== "done").map((j) => j.id));
  const work = plan.jobs
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

function batteryStand(a: Asked): Prefill | undefined {
  const days = longestStand(a);
  return days === undefined ? undefined : { draft: { standDays: String(days) }, basis: { "longest stand, days": days }, partial: true };
}

/** Openings of every build that are planned soon, and the first dry stretch that one of them has. */
function goodSlot({ shop, plan }: Asked): Prefill | undefined {
  const zone = zoneOf(shop.workshop.zone);
  const { soon } = waitingOpenings(shop, plan);
  const day = soon.length ? shop.weather.find((w) => w.date >= zone.show(soon[0].start).slice(0, 10) && w.dry.length) : undefined;
  if (!day) return undefined;
  const long = Math.max(...day.dry.map(([from, to]) => litMinutes(from, to, day)));
  return {
    draft: {
      slot: String(long),
      openings: soon.map(({ name, build, job, start }) => ({
        name,
        minutes: String(job.minutes.likely),
        side: exposureSide(job),
        urgent: start < soon[0].start + DAY,
        covered: standsCovered(job),
        chainDays: String(chainDays(plan, build.id, job.id)),
      })),
    },
    basis: { day: day.date, "dry stretch, minutes": long },
  };
}

function unitChoice(a: Asked): Prefill | undefined {
  const { shop, build, job, plan } = a;
  const van = shop.vans.find((v) => v.id === build.vanId);
  const planned = plan.jobs.find(
    (p) => p.id === (job?.irreversible === CLOSED_UNTIL_CUT ? job.id : build.jobs.find((j) => j.irreversible === CLOSED_UNTIL_CUT)?.id),
  );
  if (!van) return undefined;
  const bays = roofBays(measuredVan(van.geometry, build));
  return {
    draft: {
      cuttingDay: planned ? planned.start.slice(0, 10) : "",
      goodsInDays: String(Math.ceil(shop.workshop.goodsInMinutes / DAY)),
      bays: bays.map((b, i) => ({ name: String(i + 1), clear: String(Math.round((b.to - b.from) * 10) / 10) })),
    },
    basis: {
      ...(planned ? { "cutting day": planned.start.slice(0, 10) } : {}),
      "rib bays": bays.map((b) => Math.round(b.to - b.from)).join(", "),
    },
    partial: true,
  };
}

/** What the opening's own sheet says of corners and land. */
function fromOpening({ build, job }: Asked): { cut?: { w: number; h: number; r: number }; minLand?: number } {
  return (build.sheets.find((s) => s.calculator === "opening" && s.jobId === job?.id)?.input ?? {}) as ReturnType<typeof fromOpening>;
}

function corners(a: Asked): Prefill | undefined {
  const r = fromOpening(a).cut?.r;
  return r === undefined ? undefined : { draft: { cutRadius: String(r) }, basis: { "corner of the cut": r }, partial: true };
}

/** The land of the opening's own sheet, and the unit as it was measured when its box was opened. */
function holeRange(a: Asked): Prefill | undefined {
  const land = fromOpening(a).minLand;
  const units = (a.job?.parts ?? []).filter((p) => isUnit(p.name)).map((p) => p.name.toLowerCase());
  const box = entriesOf(a.build.records, "contents").find((r) => units.some((u) => u.includes(r.title.toLowerCase())))?.data;
  const draft: Draft = {
    ...(land === undefined ? {} : { land: String(land) }),
    ...(box?.spigotW && box.spigotH ? { "spigot.w": String(box.spigotW), "spigot.h": String(box.spigotH) } : {}),
    ...(box?.flangeW && box.flangeH ? { "flange.w": String(box.flangeW), "flange.h": String(box.flangeH) } : {}),
  };
  if (!Object.keys(draft).length) return undefined;
  const basis = {
    ...(land === undefined ? {} : { "land asked for": land }),
    ...(box?.spigotW && box.spigotH ? { spigot: `${box.spigotW} × ${box.spigotH}` } : {}),
    ...(box?.flangeW && box.flangeH ? { flange: `${box.flangeW} × ${box.flangeH}` } : {}),
  };
  return { draft, basis, partial: true };
}

/** A hold as it was planned, and how warm it has been where it cures. */
function disturbedHold(a: Asked): Prefill | undefined {
  const { shop, build, job } = a;
  const site = siteOf(a);
  const night = site && job?.hold.minutes && job.state !== "done" ? [{ tempC: site.nightC }] : undefined;
  const known = job && (warmthSince(shop, build, job, zoneOf(shop.workshop.zone)) ?? night);
  if (!job || !known) return undefined;
  const read = entriesOf(build.records, "reading").filter((r) => r.jobId === job.id).length;
  return {
    draft: {
      holdH: String(Math.round((job.hold.minutes / 60) * 100) / 100),
      ...(job.hold.minTempC === null ? {} : { minC: String(job.hold.minTempC) }),
      stretches: known.map((s: Stretch) => ({ hours: s.hours === undefined ? "" : String(s.hours), tempC: String(s.tempC) })),
    },
    basis: { "hold planned": `${Math.round(job.hold.minutes / 60)} h`, "read off": read, "warm at first": known[0].tempC },
    partial: true,
  };
}

/** Pieces of a job and what one takes; how long its adhesive stays open is on the tub. */
function mixes({ job }: Asked): Prefill | undefined {
  if (!job) return undefined;
  const pieces = job.pieces?.count ?? 1;
  const each = Math.max(1, Math.round(job.minutes.likely / pieces));
  return { draft: { pieces: String(pieces), pieceMinutes: String(each) }, basis: { pieces, "minutes a piece": each }, partial: true };
}

/** When the job is planned, the hours of its day, and when the first that follows it wants it dry. Coats and their holds are on the tins. */
function coatChain(a: Asked): Prefill | undefined {
  const { shop, build, job, plan } = a;
  const p = job && plan.jobs.find((x) => x.id === job.id);
  if (!job || !p) return undefined;
  const zone = zoneOf(shop.workshop.zone);
  const day = zone.dayOf(zone.parse(p.start));
  const weekday = weekdayOf(day);
  const windows = shop.calendars.find((c) => c.id === "shop")?.windows.filter((w) => w.weekday === weekday) ?? [];
  const followers = build.jobs.filter((j) => j.after.some((x) => x.job === job.id)).map((j) => j.id);
  const next = plan.jobs
    .filter((x) => followers.includes(x.id))
    .map((x) => x.start)
    .sort()[0];
  const tempC = siteOf(a)?.tempC;
  return {
    draft: {
      weekday: WEEKDAYS[Math.min(weekday, 4)],
      from: p.start.slice(11, 16),
      coats: [{ name: job.name, minutes: String(Math.min(job.minutes.likely, 120)), holdH: String(Math.round(job.hold.minutes / 6) / 10) }],
      ...(windows.length
        ? {
            opens: windows.map((w) => w.opens).sort()[0],
            closes: windows
              .map((w) => w.closes)
              .sort()
              .at(-1)!,
          }
        : {}),
      ...(next ? { neededDay: String(zone.dayOf(zone.parse(next)) - day), neededAt: next.slice(11, 16) } : {}),
      ...(tempC === undefined ? {} : { tempC: String(tempC) }),
    },
    basis: { planned: p.start, ...(next ? { "needed by": next } : {}) },
    partial: true,
  };
}

/** The floor and the machine that the job works with; the boards are its own. */
function machineRoom({ shop, job }: Asked): Prefill | undefined {
  const tool = shop.tools.find((t) => t.floorMm !== null && job?.tools.includes(t.name));
  if (!tool) return undefined;
  const draft = {
    floor: String(tool.floorMm),
    machine: String(tool.lengthMm ?? MACHINE_MM),
    outfeed: String(tool.outfeedMm ?? OUTFEED_MM),
    boards: [{ name: "longest", length: "" }],
  };
  return { draft, basis: { machine: tool.name, "floor there": tool.floorMm! }, partial: true };
}

const BY_PLAN: Record<string, (a: Asked) => Prefill | undefined> = {
  cure: overNight,
  recoat: warmth,
  "dew-point": (a) => {
    const site = siteOf(a);
    const min = a.job?.needs.minTempC;
    const least: Draft = min == null ? {} : { minC: String(min) };
    return site && { draft: { airC: String(site.tempC), ...least }, basis: { "air there": site.tempC }, partial: true };
  },
  "open-skin": openSkin,
  "go-no-go": goNoGo,
  "battery-stand": batteryStand,
  "good-slot": goodSlot,
  "machine-room": machineRoom,
  "unit-choice": unitChoice,
  corners,
  "disturbed-hold": disturbedHold,
  mixes,
  "coat-chain": coatChain,
  "hole-range": holeRange,
};

export const startsFromPlan = (calculator: string): boolean => calculator in BY_PLAN;

/** Figures to start such a sheet from; undefined where the plan or the forecast does not reach. */
export const planPrefill = (calculator: string, asked: Asked): Prefill | undefined => BY_PLAN[calculator]?.(asked);
