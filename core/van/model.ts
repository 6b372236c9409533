// A van template: true-to-life geometry of one make and size. x runs from the bulkhead to the rear, heights from the floor's crest.

import type { FromSchema } from "json-schema-to-ts";
import { type Fault, InputError, reader } from "../plan/fault";
import data from "./vans.json";

const mm = { type: "integer", minimum: 0, maximum: 12_000 } as const;
const kg = { type: "integer", minimum: 1, maximum: 10_000 } as const;
const id = { type: "string", minLength: 1, maxLength: 40 } as const;
const name = { type: "string", minLength: 1, maxLength: 120 } as const;

const object = <const P extends Record<string, object>>(properties: P) =>
  ({
    type: "object",
    additionalProperties: false,
    required: Object.keys(properties) as readonly (keyof P & string)[],
    properties,
  }) as const;

const rib = object({ atMm: mm, widthMm: mm, depthMm: mm });

export const geometrySchema = object({
  cabMm: mm,
  frontAxleMm: mm,
  inside: object({
    lengthMm: mm,
    lengthWaistMm: mm,
    widthFloorMm: mm,
    widthWaistMm: mm,
    widthRoofMm: mm,
    waistMm: mm,
    heightMm: mm,
    betweenArchesMm: mm,
  }),
  arches: object({ fromMm: mm, lengthMm: mm, heightMm: mm, depthMm: mm }),
  roofRibs: { type: "array", minItems: 2, items: rib },
  sideRibs: { type: "array", minItems: 2, items: rib },
  windowFields: {
    type: "array",
    items: object({
      id,
      side: { type: "string", enum: ["left", "right", "rear"] },
      fromMm: mm,
      bottomMm: mm,
      widthMm: mm,
      heightMm: mm,
      skin: { type: "string", enum: ["single", "double"] },
    }),
  },
  slider: object({ side: { type: "string", enum: ["left", "right"] }, fromMm: mm, widthMm: mm, heightMm: mm, liningMm: mm }),
  rearDoors: object({ widthMm: mm, heightMm: mm }),
  roofCrownMm: mm,
  floorCrestMm: mm,
  seatRailMm: mm,
  underZones: {
    type: "array",
    items: object({
      id,
      name,
      fromMm: mm,
      toMm: mm,
      side: { type: "string", enum: ["left", "right", "centre"] },
      insetMm: mm,
      widthMm: mm,
      use: { type: "string", enum: ["free", "no-drill", "keep-out"] },
      why: name,
    }),
  },
  axles: object({ kerbFrontKg: kg, kerbRearKg: kg, maxFrontKg: kg, maxRearKg: kg, grossKg: kg }),
  panels: {
    type: "array",
    minItems: 1,
    items: object({
      id,
      name,
      zone: { type: "string", enum: ["left", "right", "rear", "ceiling", "floor"] },
      areaM2: { type: "number", exclusiveMinimum: 0 },
    }),
  },
});

const vanSchema = object({
  id,
  name,
  lengthMm: mm,
  widthMm: mm,
  heightMm: mm,
  wheelbaseMm: mm,
  insideCrew: { type: "integer", minimum: 1, maximum: 8 },
  geometry: geometrySchema,
});

export type Geometry = FromSchema<typeof geometrySchema>;

export interface Van {
  id: string;
  name: string;
  lengthMm: number;
  widthMm: number;
  heightMm: number;
  wheelbaseMm: number;
  insideCrew: number;
  geometry: Geometry;
}

const read = reader<Van[]>({ type: "array", items: vanSchema });

/** Van templates, checked: fields, and that what lies inside fits inside. Throws InputError naming van and field. */
export function readVans(value: unknown): Van[] {
  const vans = read(value);
  const faults: Fault[] = [];
  vans.forEach((v, i) => {
    const g = v.geometry;
    const fault = (path: string, message: string) => faults.push({ path: `[${i}].geometry.${path}`, message });
    const { lengthMm, widthFloorMm, heightMm } = g.inside;
    if (g.cabMm + lengthMm > v.lengthMm) fault("inside.lengthMm", "is longer than the van");
    if (g.inside.betweenArchesMm !== widthFloorMm - 2 * g.arches.depthMm) fault("inside.betweenArchesMm", "does not fit the arches");
    if (g.arches.fromMm + g.arches.lengthMm > lengthMm) fault("arches", "reach beyond the load bay");
    for (const key of ["roofRibs", "sideRibs"] as const)
      g[key].forEach((r, k) => {
        if (r.atMm > lengthMm) fault(`${key}[${k}]`, "lies beyond the load bay");
        if (k && r.atMm <= g[key][k - 1].atMm) fault(`${key}[${k}]`, "does not lie behind the one before");
      });
    g.windowFields.forEach((f, k) => {
      const long = f.side === "rear" ? g.rearDoors.widthMm : lengthMm;
      if (f.fromMm + f.widthMm > long) fault(`windowFields[${k}]`, "reaches beyond its side");
      if (f.bottomMm + f.heightMm > heightMm) fault(`windowFields[${k}]`, "reaches above the roof");
    });
    if (g.slider.fromMm + g.slider.widthMm > lengthMm) fault("slider", "reaches beyond the load bay");
  });
  if (faults.length) throw new InputError(faults);
  return vans;
}

/** The templates that ship with Wide Lane. */
export const vans: readonly Van[] = readVans(data);
