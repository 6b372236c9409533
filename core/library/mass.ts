// What choices weigh, dry, in kilograms: house figures to decide by until the parts themselves are weighed.

import type { Geometry } from "../van/model";
import { OPTION_KEYS, type OptionKey, type Options } from "./options";
import { type Quantities, quantitiesOf } from "./quantities";

type Kg = number | Readonly<Record<string, number>>;

/** A flag: what it adds. A number: each. A choice of words: each of them. What goes by the van's size stands in BY_SIZE. */
const KG: Partial<Record<OptionKey, Kg>> = {
  windows: 14,
  rearWindows: 18,
  fan: 6,
  skylight: 12,
  rack: 45,
  solar: 12,
  pods: 16,
  swivels: 11,
  shore: 3,
  water: { none: 0, inside: 22, "under-floor": 34 },
  wetRoom: { none: 0, panelled: 55, tiled: 95 },
  gas: { none: 0, locker: 28, tank: 42 },
  heater: { none: 0, diesel: 9, gas: 12 },
  kitchen: { none: 0, left: 62, right: 62 },
  wallUnits: 24,
  bed: { across: 26, lengthways: 30, fold: 28, slats: 18, lift: 48 },
  benchSeat: 35,
  wardrobe: 22,
  // Screws, inserts or beads of the whole furniture.
  fixing: { screws: 2, inserts: 3, adhesive: 4 },
};

/** Subfloor: 12 mm ply at 500 kg/m³. */
const SUBFLOOR = 6;
/** A batten of 45 × 22 mm at 480 kg/m³, kg/m. */
const BATTEN = 0.475;

/** What goes by the van's size: kilograms for each value, by the van's own quantities. Thickness × density of what is usual. */
const BY_SIZE: { readonly [K in OptionKey]?: Readonly<Record<string, (q: Quantities) => number>> } = {
  // 50 mm fibre at 20 kg/m³, 40 mm board at 32, 40 mm foam at 38; mixed: half and half of the first two.
  insulation: {
    fibre: (q) => 1 * q.liningM2,
    board: (q) => 1.28 * q.liningM2,
    spray: (q) => 1.52 * q.liningM2,
    mixed: (q) => 1.14 * q.liningM2,
  },
  // A membrane with its tape; foam at the joints alone.
  vapour: { none: () => 0, membrane: (q) => 0.2 * q.liningM2, foam: (q) => 0.1 * q.liningM2 },
  // Ply on battens; or ply on 30 mm board at 33 kg/m³ with its adhesive.
  floor: { battens: (q) => SUBFLOOR * q.floorM2 + BATTEN * q.floorBattenM, bonded: (q) => (SUBFLOOR + 1 + 0.4) * q.floorM2 },
  // Covering of 3 kg/m²; round the furniture about two thirds of the floor are covered.
  floorFinish: { "whole-floor": (q) => 3 * q.floorM2, "round-furniture": (q) => 2 * q.floorM2 },
  // Battens alone, or packed out to a plane: a tenth more wood.
  walls: {
    plane: (q) => 1.1 * BATTEN * (q.wallBattenM + q.ceilingBattenM),
    follow: (q) => BATTEN * (q.wallBattenM + q.ceilingBattenM),
  },
  // Ply of 6 mm with its face; felt and fabric on the metal.
  lining: { boards: (q) => 3.3 * q.liningM2, soft: (q) => 1 * q.liningM2 },
  damping: { part: (q) => q.dampingKg, full: (q) => q.dampingKg },
};

/** Kilograms of one choice. */
function kgOf(key: OptionKey, o: Options, q: Quantities): number {
  const value = o[key];
  const bySize = BY_SIZE[key]?.[String(value)];
  if (bySize) return bySize(q);
  const kg = KG[key];
  return kg === undefined ? 0 : typeof kg === "number" ? kg * Number(value) : (kg[String(value)] ?? 0);
}

/** Kilograms of what a build gets by its choices: house figures, and what goes by size from the van's own. */
export function massOf(o: Options, g: Geometry): number {
  const q = quantitiesOf(o, g);
  return OPTION_KEYS.reduce((sum, key) => sum + kgOf(key, o, q), 0);
}

/** The same choice by choice, those that weigh something. Kilograms to 0.1. */
export function massLines(o: Options, g: Geometry): { key: OptionKey; kg: number }[] {
  const q = quantitiesOf(o, g);
  return OPTION_KEYS.flatMap((key) => {
    const kg = Math.round(kgOf(key, o, q) * 10) / 10;
    return kg ? [{ key, kg }] : [];
  });
}
