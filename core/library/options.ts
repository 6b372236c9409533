// What a client chooses and which schools a house works by, for one build: the schema, and old choices read as new ones.

import type { FromSchema } from "json-schema-to-ts";

const flag = { type: "boolean" } as const;
const count = (most: number) => ({ type: "integer", minimum: 0, maximum: most }) as const;
const oneOf = <const T extends readonly string[]>(...values: T) => ({ type: "string", enum: values }) as const;

const properties = {
  exFleet: flag,
  partition: flag,
  loadFloor: oneOf("none", "screwed", "bonded"),
  roofPoints: oneOf("points", "rails", "none"),
  rearClimate: flag,
  sideDoors: oneOf("one", "two"),
  addedCircuits: flag,
  factoryDamping: flag,
  windows: count(4),
  windowKind: oneOf("bonded", "framed"),
  rearWindows: flag,
  fan: flag,
  skylight: flag,
  rack: flag,
  solar: count(4),
  pods: flag,
  swivels: count(2),
  lettering: flag,
  shore: flag,
  water: oneOf("none", "inside", "under-floor"),
  wetRoom: oneOf("none", "panelled", "tiled"),
  gas: oneOf("none", "locker", "tank"),
  heater: oneOf("none", "diesel", "gas"),
  kitchen: oneOf("none", "left", "right"),
  wallUnits: flag,
  bed: oneOf("across", "lengthways", "fold", "slats", "lift"),
  benchSeat: flag,
  wardrobe: flag,
  garageMm: count(1300),
  lining: oneOf("boards", "soft"),
  firstFix: oneOf("metal-side", "warm-side"),
  framing: oneOf("insulate-first", "frame-first"),
  insulation: oneOf("fibre", "board", "spray", "mixed"),
  vapour: oneOf("none", "membrane", "foam"),
  floor: oneOf("battens", "bonded"),
  floorFinish: oneOf("whole-floor", "round-furniture"),
  fixing: oneOf("screws", "inserts", "adhesive"),
  walls: oneOf("plane", "follow"),
  roofUnits: oneOf("bond", "bond-and-bolt"),
  cutFrom: oneOf("outside", "inside"),
  edges: oneOf("one-coat", "two-coats", "primer-alone"),
  sealing: oneOf("wet", "butyl"),
  damping: oneOf("part", "full"),
  drain: oneOf("straight", "elbows"),
  coats: oneOf("coat-first", "trial-first"),
} as const;

export type OptionKey = keyof typeof properties;

export const OPTION_KEYS = Object.keys(properties) as OptionKey[];

export const optionsSchema = {
  type: "object",
  additionalProperties: false,
  required: OPTION_KEYS,
  properties,
} as const;

/** Everything that is chosen for one build: what it gets, and by which schools it is built. */
export type Options = { [K in OptionKey]: FromSchema<(typeof properties)[K]> };

/** A sound middle, of a plain van: two windows, fan, solar, water inside, a kitchen on the left, a bed across. */
export const DEFAULT_OPTIONS: Options = {
  exFleet: false,
  partition: false,
  loadFloor: "screwed",
  roofPoints: "points",
  rearClimate: false,
  sideDoors: "one",
  addedCircuits: false,
  factoryDamping: false,
  windows: 2,
  windowKind: "bonded",
  rearWindows: false,
  fan: true,
  skylight: false,
  rack: false,
  solar: 2,
  pods: false,
  swivels: 0,
  lettering: false,
  shore: true,
  water: "inside",
  wetRoom: "none",
  gas: "none",
  heater: "diesel",
  kitchen: "left",
  wallUnits: true,
  bed: "lengthways",
  benchSeat: false,
  wardrobe: false,
  garageMm: 700,
  lining: "boards",
  firstFix: "metal-side",
  framing: "insulate-first",
  insulation: "fibre",
  vapour: "none",
  floor: "battens",
  floorFinish: "whole-floor",
  fixing: "screws",
  walls: "plane",
  roofUnits: "bond",
  cutFrom: "outside",
  edges: "one-coat",
  sealing: "wet",
  damping: "part",
  drain: "straight",
  coats: "coat-first",
};

/** The values a choice may take; for a flag no and yes, for a count 0 to its most (sizes in mm in steps of 100). */
export function valuesOf(key: OptionKey): readonly Options[OptionKey][] {
  const p = properties[key];
  if ("enum" in p) return p.enum;
  if (p.type === "boolean") return [false, true];
  const step = p.maximum > 100 ? 100 : 1;
  return Array.from({ length: Math.floor(p.maximum / step) + 1 }, (_, i) => i * step);
}

/** Choices stored by an earlier version, read as today's: what it did not ask stands at the default. */
export function completeOptions(stored: Record<string, unknown>): Options {
  const out: Record<string, unknown> = { ...DEFAULT_OPTIONS };
  for (const key of OPTION_KEYS) if (key in stored) out[key] = stored[key];
  if (stored.firstFix === "services-first") out.firstFix = "metal-side";
  if (stored.firstFix === "insulation-first") out.firstFix = "warm-side";
  if (typeof stored.solar === "boolean") out.solar = stored.solar ? 2 : 0;
  if (typeof stored.swivels === "boolean") out.swivels = stored.swivels ? 2 : 0;
  if (typeof stored.gas === "boolean") out.gas = stored.gas ? "locker" : "none";
  if (typeof stored.heater === "boolean") out.heater = stored.heater ? "diesel" : "none";
  return out as Options;
}
