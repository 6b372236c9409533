// The real van against its template: which sizes are read at check-in, and what differs.

import type { Geometry } from "./model";

export interface Reading {
  name: string;
  label: string;
  /** Where it is measured from, so that the second reading can come from the other end. */
  datum: string;
  of(g: Geometry): number;
  /** The template with the real size in its place. */
  put(g: Geometry, mm: number): Geometry;
}

const inside =
  (key: keyof Geometry["inside"]) =>
  (g: Geometry, mm: number): Geometry => ({ ...g, inside: { ...g.inside, [key]: mm } });

/** Sizes of every van that later sums stand on; mm. */
export const READINGS: readonly Reading[] = [
  {
    name: "length",
    label: "Inside length, floor",
    datum: "bulkhead flange to rear sill",
    of: (g) => g.inside.lengthMm,
    put: inside("lengthMm"),
  },
  {
    name: "lengthWaist",
    label: "Inside length, waist",
    datum: "bulkhead to rear door's inner skin",
    of: (g) => g.inside.lengthWaistMm,
    put: inside("lengthWaistMm"),
  },
  {
    name: "widthFloor",
    label: "Width at the floor",
    datum: "left sill to right sill",
    of: (g) => g.inside.widthFloorMm,
    put: inside("widthFloorMm"),
  },
  {
    name: "widthWaist",
    label: "Width at the waist",
    datum: "skin to skin behind the second rib",
    of: (g) => g.inside.widthWaistMm,
    put: inside("widthWaistMm"),
  },
  {
    name: "widthRoof",
    label: "Width at the roof",
    datum: "gutter rib to gutter rib",
    of: (g) => g.inside.widthRoofMm,
    put: inside("widthRoofMm"),
  },
  {
    name: "height",
    label: "Height on the centre line",
    datum: "crest of the floor to roof skin",
    of: (g) => g.inside.heightMm,
    put: inside("heightMm"),
  },
  {
    name: "arches",
    label: "Between the wheel arches",
    datum: "arch to arch at half height",
    of: (g) => g.inside.betweenArchesMm,
    put: inside("betweenArchesMm"),
  },
  {
    name: "archHeight",
    label: "Height of the arches",
    datum: "floor crest to top of arch",
    of: (g) => g.arches.heightMm,
    put: (g, mm) => ({ ...g, arches: { ...g.arches, heightMm: mm } }),
  },
  {
    name: "slider",
    label: "Slider opening, width",
    datum: "post to post at waist",
    of: (g) => g.slider.widthMm,
    put: (g, mm) => ({ ...g, slider: { ...g.slider, widthMm: mm } }),
  },
  {
    name: "sliderLining",
    label: "Slider's clearance to a lining",
    datum: "inner skin to door, least of three heights",
    of: (g) => g.slider.liningMm,
    put: (g, mm) => ({ ...g, slider: { ...g.slider, liningMm: mm } }),
  },
  {
    name: "rearDoors",
    label: "Rear opening, width",
    datum: "post to post",
    of: (g) => g.rearDoors.widthMm,
    put: (g, mm) => ({ ...g, rearDoors: { ...g.rearDoors, widthMm: mm } }),
  },
  {
    name: "crown",
    label: "Crown of the roof",
    datum: "straight edge across, rise at the middle",
    of: (g) => g.roofCrownMm,
    put: (g, mm) => ({ ...g, roofCrownMm: mm }),
  },
  {
    name: "floorCrest",
    label: "Crest to trough of the floor",
    datum: "straight edge over two crests, down to the sheet",
    of: (g) => g.floorCrestMm,
    put: (g, mm) => ({ ...g, floorCrestMm: mm }),
  },
];

type RibSize = "atMm" | "widthMm" | "depthMm";

const rib =
  (key: "roofRibs" | "sideRibs", i: number, size: RibSize) =>
  (g: Geometry, mm: number): Geometry => ({ ...g, [key]: g[key].map((r, k) => (k === i ? { ...r, [size]: mm } : r)) });

/** What is read of a rib: its middle, from one end for all of them, so that bays between ribs are numbered from there; width; depth. */
const RIB: readonly [suffix: string, size: RibSize, label: string, datum: string][] = [
  ["", "atMm", "its middle", "from the bulkhead flange; the second time back from the rear"],
  ["Width", "widthMm", "its width", "flange to flange at half height"],
  ["Depth", "depthMm", "its depth", "from the inside of the skin to the crest of the rib"],
];

const ribReadings = (g: Geometry, key: "roofRibs" | "sideRibs", word: string): Reading[] =>
  g[key].flatMap((_, i) =>
    RIB.map(([suffix, size, label, datum]) => ({
      name: `${key}${i + 1}${suffix}`,
      label: `${word} ${i + 1}, ${label}`,
      datum,
      of: (geo: Geometry) => geo[key][i][size],
      put: rib(key, i, size),
    })),
  );

/** All sizes that are read of a van of this template: those of every van, and its own ribs. */
export const readingsOf = (g: Geometry): Reading[] => [
  ...READINGS,
  ...ribReadings(g, "roofRibs", "Roof rib"),
  ...ribReadings(g, "sideRibs", "Side rib"),
];

/** More than this from the template, or between two readings, is told; mm. Where the house says nothing else. */
export interface ReadingLimits {
  differs: number;
  agree: number;
}
export const USUAL_LIMITS: ReadingLimits = { differs: 4, agree: 2 };

/** Real less template, when that is over the tolerance; undefined when it is as the template. mm. */
export function differs(r: Reading, g: Geometry, mm: number, limits = USUAL_LIMITS): number | undefined {
  const d = mm - r.of(g);
  return Math.abs(d) > limits.differs ? d : undefined;
}

export interface ReadingState {
  name: string;
  label: string;
  datum: string;
  templateMm: number;
  mm: number | null;
  againMm: number | null;
  /** open: not read; once: read once; unlike: two readings that don't agree; agreed: two that do. */
  state: "open" | "once" | "unlike" | "agreed";
  /** Real less template where over the tolerance. */
  offMm: number | null;
}

/** Every size with what was read of it. */
export function readingStates(
  g: Geometry,
  read: readonly { name: string; mm: number; againMm: number | null }[],
  limits = USUAL_LIMITS,
): ReadingState[] {
  return readingsOf(g).map((r) => {
    const x = read.find((o) => o.name === r.name);
    const state = !x ? "open" : x.againMm === null ? "once" : Math.abs(x.mm - x.againMm) <= limits.agree ? "agreed" : "unlike";
    return {
      name: r.name,
      label: r.label,
      datum: r.datum,
      templateMm: r.of(g),
      mm: x?.mm ?? null,
      againMm: x?.againMm ?? null,
      state,
      offMm: x ? (differs(r, g, x.mm, limits) ?? null) : null,
    };
  });
}

/** The template with what was really measured in its place: later sums stand on this. Unlike readings are left out. */
export function asMeasured(
  g: Geometry,
  read: readonly { name: string; mm: number; againMm: number | null }[],
  limits = USUAL_LIMITS,
): Geometry {
  let out = g;
  const all = new Map(readingsOf(g).map((r) => [r.name, r]));
  for (const s of readingStates(g, read, limits)) if (s.mm !== null && s.state !== "unlike") out = all.get(s.name)!.put(out, s.mm);
  return out;
}
