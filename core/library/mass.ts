// What choices weigh, dry, in kilograms: house figures to decide by until the parts themselves are weighed.

import type { Geometry } from "../van/model";
import { OPTION_KEYS, type OptionKey, type Options } from "./options";
import { quantitiesOf } from "./quantities";

type Kg = number | Readonly<Record<string, number>>;

/** A flag: what it adds. A number: each. A choice of words: each of them. Schools that only say how it is built are left out. */
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
  lining: { boards: 62, soft: 24 },
};

/** Kilograms of what a build gets by its choices: house figures, and damping mats by the van's own bare metal. */
export function massOf(o: Options, g: Geometry): number {
  return OPTION_KEYS.reduce((sum, key) => {
    if (key === "damping") return sum + quantitiesOf(o, g).dampingKg;
    const kg = KG[key];
    const value = o[key];
    if (kg === undefined) return sum;
    if (typeof kg === "number") return sum + kg * Number(value);
    return sum + (kg[String(value)] ?? 0);
  }, 0);
}
