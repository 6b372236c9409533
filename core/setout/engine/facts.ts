// What a sheet of a build can start from: the van as measured, what was chosen, and what its units turned out to be.

import type { Options } from "../../library/options";
import type { Role } from "../../library/roles";
import type { Geometry } from "../../van/model";
import type { Draft } from "./form";

/** The hole that a unit asks for, mm. */
export interface Cut {
  w: number;
  h: number;
  r: number;
}

/** Where and when the plan has the job, as far as the forecast reaches. */
export interface Site {
  /** By the shop's clock. */
  clock: string;
  date: string;
  sunset: string;
  /** Hours that are forecast dry. */
  dry: readonly (readonly [from: string, to: string])[];
  /** A heated bay's own, else the middle of the day's forecast, whole °C. */
  tempC: number;
  /** The coldest of the night: the bay's own, else the forecast's. */
  nightC: number;
  people: number;
}

/** What a sheet may know of its job. */
export interface JobFacts {
  name: string;
  minutes: { best: number; likely: number; worst: number };
  people: number;
  /** Pieces that it makes; null: it is not counted in pieces. */
  pieces: number | null;
  holdMinutes: number;
  holdMinC: number | null;
  minTempC: number | null;
  /** Bought units that it sets: their parts by name, and how far they are. */
  units: readonly { name: string; arrived: boolean; checked: boolean }[];
}

/**
 * What the workshop knows of a build and its job: plan, forecast, stores, records. Each is worked out only when a sheet asks for it, and
 * undefined where nobody knows it.
 */
export interface Known {
  job(): JobFacts | undefined;
  site(): Site | undefined;
  /** The hours of the day on which the job is planned. */
  hours(): readonly { opens: string; closes: string }[];
  /** When the job is planned, by the shop's clock, and when the first that follows it begins, so many days on. */
  planned(): { start: string; weekday: number; needed?: { start: string; days: number } } | undefined;
  /** The longest time that the van stands between two pieces of work, whole days. */
  longestStand(): number | undefined;
  /** The first dry stretch that openings wait for, and which. */
  dryStretch(): { date: string; minutes: number; openings: readonly WaitingOpening[] } | undefined;
  cuttingDay(): string | undefined;
  goodsInDays(): number;
  /** The opening that is kept for the job. */
  opening(): { cut?: Cut; minLand?: number } | undefined;
  /** The unit as it was measured when its box was opened. */
  box(): { spigot?: { w: number; h: number }; flange?: { w: number; h: number } } | undefined;
  /** Batten and lining behind the hole that the job makes, mm, as far as somebody has measured them. */
  behindHole(): { battenMm?: number; liningMm?: number } | undefined;
  /** How warm it was where the job cures: the last stretch goes on. Readings that it stands on. */
  warmth(): { stretches: readonly { hours?: number; tempC: number }[]; readings: number } | undefined;
  /** The machine that the job works with. */
  machine(): { name: string; floorMm: number; lengthMm: number | null; outfeedMm: number | null } | undefined;
  /** The van's height, and of the bay in which its roof is worked on. */
  room(): { vanMm: number; bayMm: number | null };
  /** What is left of the build, and who has how many days for it. */
  work(): { hoursLeft: number; hoursADay?: number; people: readonly { name: string; days?: number }[]; days: number | undefined };
  /** Openings that are still to be cut, by name. */
  openCuts(): readonly string[];
  /** Holes, rust and removed items, as they are written down. */
  found(): FoundOnBody | undefined;
  /** The share of vans whose lettering left an outline. */
  ghostShare(): number | undefined;
  /** A window against what comes later. */
  window(): WindowFacts | undefined;
  /** The van's panels, with what a square metre of their kind takes this fitter, else the house. */
  panels(): readonly { name: string; m2: number; kind: "floor" | "ribs" | "flat"; norm?: number }[];
}

export interface WaitingOpening {
  name: string;
  minutes: number;
  side: "roof" | "front or rear" | "side";
  urgent: boolean;
  covered: boolean;
  chainDays: number;
}

export interface FoundOnBody {
  holes: readonly { d: number; count: number; place: string; throughSkin: boolean }[];
  rust: readonly { areaDm2: number; grade: number }[];
  items: readonly { name: string; kg: number; fate: string }[];
  kgOut: number;
}

export interface WindowFacts {
  from: number;
  to: number;
  cut: number;
  minLand: number;
  /** Where its cut begins. */
  wish: number;
  walls: readonly { name: string; at: number }[];
  opposite?: number;
  dents: readonly number[];
}

export interface Facts {
  geometry: Geometry;
  options: Options;
  /** What the job is to rules, and which of its copies it is (0, 1 …). */
  roles: readonly Role[];
  copy: number;
  /** Holes that its units ask for, as measured at goods-in: of the job itself, and of the units on the roof. */
  unit?: Cut;
  roofUnits?: { fan?: Cut; skylight?: Cut };
  /** What the layout puts where, mm behind the bulkhead. */
  uses?: readonly { name: string; at: number }[];
  /** Without it there is a van and its choices, and no workshop. */
  known?: Known;
}

export interface Prefill {
  draft: Draft;
  /** The facts it stands on, by name: when one of them changes, the sheet is contradicted. */
  basis: Record<string, number | string>;
  /** Some of what the calculator asks for is known to nobody but the tape or the client: it is left empty. */
  partial?: true;
}

/** A job's code without the letter of its copy, and which copy it is: the letter b is the second (1); no letter, no copy. */
export function copyOf(code: string): { kind: string; copy?: number } {
  const letter = /[a-d]$/.exec(code)?.[0];
  return letter ? { kind: code.slice(0, -1), copy: letter.charCodeAt(0) - 97 } : { kind: code };
}

/** What a job's sheets can start from, before anything of its build is known but the van and the choices. */
export function factsOf(job: { code: string; roles: readonly Role[] } | undefined, geometry: Geometry, options: Options): Facts {
  return { geometry, options, roles: job?.roles ?? [], copy: (job && copyOf(job.code).copy) ?? 0 };
}

/** What has changed beneath a sheet since it was filled, in words; empty when nothing has. */
export function contradictions(then: Prefill["basis"], now: Prefill["basis"] | undefined): string[] {
  if (!now) return Object.keys(then).length ? ["what it stood on is no longer part of this build"] : [];
  return Object.keys({ ...then, ...now }).flatMap((k) => {
    if (then[k] === now[k]) return [];
    if (!(k in now)) return [`${k} is gone (was ${then[k]})`];
    if (!(k in then)) return [`${k} is new: ${now[k]}`];
    return [`${k} is ${now[k]} now, was ${then[k]}`];
  });
}
