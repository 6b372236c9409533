// The sizes and counts of one build, by which hours and kits scale: from the van's template and what is chosen.

import type { Geometry } from "../van/model";
import { DAMPING, floorBattens, matCover, matNeed } from "./need";
import type { Options } from "./options";

/** What each quantity is; the names may stand in the library's formulas. */
export const QUANTITIES = {
  windows: "side windows",
  rearWindows: "windows in the rear doors",
  roofUnits: "fan and skylight",
  pods: "side pods",
  solar: "solar panels",
  swivels: "seats that turn",
  units: "bought units that fill an opening",
  smallHoles: "inlets, fills, flues, vents and glands",
  openings: "all that pierces the skin above the floor",
  floorHoles: "drains, vents, bolts and flues through the floor",
  insideM: "inside length, m",
  floorM2: "floor, m²",
  wallM2: "both walls without their windows, m²",
  roofM2: "roof, m²",
  doorM2: "doors, m²",
  bareM2: "all bare metal that takes mats, m²",
  dampingSheets: "damping mats as chosen, sheets",
  dampingKg: "damping mats as chosen, kg",
  liningM2: "ceiling and walls to be lined, m²",
  ceilingBattenM: "ceiling battens, m",
  wallBattenM: "wall battens, m",
  floorBattens: "floor battens, one under each joint and none wider apart than they may be",
  floorBattenM: "floor battens, m",
  wetRoomM2: "walls of the wet room, m²",
  cabinets: "carcasses to be built",
  consumers: "lights, sockets and devices to be connected",
} as const;

export type Quantities = Record<keyof typeof QUANTITIES, number>;

export const QUANTITY_NAMES = Object.keys(QUANTITIES) as (keyof Quantities)[];

const round = (n: number, step = 0.1) => Math.round(n / step) * step;

export interface BarePanel {
  name: string;
  kind: "wall" | "roof" | "door" | "arches";
  m2: number;
}

/** What a side window takes of its wall, m². */
const WINDOW_M2 = 0.45;
/** So much of the walls stays bare metal however many windows there are. */
const LEAST_WALL_M2 = 2;

/** The bare metal inside, panel by panel; windows taken off the walls, shared out by their areas. */
export function barePanels(o: Options, g: Geometry): BarePanel[] {
  const kindOf = (p: Geometry["panels"][number]): BarePanel["kind"] | undefined => {
    if (p.id === "arches") return "arches";
    if (p.zone === "ceiling") return "roof";
    if (p.zone === "rear" || p.id === "slider") return "door";
    return p.zone === "left" || p.zone === "right" ? "wall" : undefined;
  };
  const all = g.panels.flatMap((p) => {
    const kind = kindOf(p);
    return kind ? [{ name: p.name, kind, m2: p.areaM2 }] : [];
  });
  const walls = all.filter((p) => p.kind === "wall").reduce((sum, p) => sum + p.m2, 0);
  const left = walls && Math.max(LEAST_WALL_M2, walls - WINDOW_M2 * o.windows) / walls;
  return all.map((p) => (p.kind === "wall" ? { ...p, m2: p.m2 * left } : p));
}

/**
 * Sizes in metres and square metres. A side window is taken at 0.45 m², a carcass wall of a wet room at 4.6 m².
 * Battens: ceiling four runs along and one at each rib; walls three runs a side and an upright every 0.6 m;
 * floor as `floorBattens` lays them.
 */
export function quantitiesOf(o: Options, g: Geometry): Quantities {
  const area = (pick: (zone: string, id: string) => boolean) =>
    g.panels.filter((p) => pick(p.zone, p.id)).reduce((sum, p) => sum + p.areaM2, 0);
  const yes = (b: boolean) => (b ? 1 : 0);
  const rearWindows = o.rearWindows ? 2 : 0;
  const roofUnits = yes(o.fan) + yes(o.skylight);
  const pods = o.pods ? 2 : 0;
  const insideM = g.inside.lengthMm / 1000;
  const floorM2 = area((_, id) => id === "floor");
  const bare = barePanels(o, g);
  const bareOf = (kind: BarePanel["kind"]) => bare.filter((p) => p.kind === kind).reduce((sum, p) => sum + p.m2, 0);
  const wallM2 = bareOf("wall");
  const roofM2 = bareOf("roof");
  const doorM2 = bareOf("door");
  const cover = matCover(o);
  const mats = matNeed(
    bare.map((p) => ({ m2: p.m2, cover })),
    { ...DAMPING.sheet, kgM2: DAMPING.kgM2 },
    DAMPING.waste,
  );
  const battens = floorBattens(g.inside.lengthMm).length;
  const smallHoles =
    yes(o.shore) +
    yes(o.water !== "none") +
    (o.gas === "tank" ? 1 : 0) +
    yes(o.heater !== "none") +
    yes(o.solar > 0) +
    // a vent for the kitchen's fridge, and one for the wet room
    yes(o.kitchen !== "none") +
    yes(o.wetRoom !== "none");
  const floorHoles =
    (o.water === "none" ? 0 : 1) +
    (o.water === "under-floor" ? 5 : 0) +
    (o.gas === "none" ? 0 : 2) +
    (o.heater === "none" ? 0 : 3) +
    (o.wetRoom === "none" ? 0 : 1);
  const r = (n: number) => Number(round(n).toFixed(1));
  return {
    windows: o.windows,
    rearWindows,
    roofUnits,
    pods,
    solar: o.solar,
    swivels: o.swivels,
    units: o.windows + yes(o.rearWindows) + roofUnits + yes(o.pods) + yes(o.rack) + yes(o.solar > 0) + smallHoles,
    smallHoles,
    openings: o.windows + rearWindows + roofUnits + pods + smallHoles,
    floorHoles,
    insideM: r(insideM),
    floorM2: r(floorM2),
    wallM2: r(wallM2),
    roofM2: r(roofM2),
    doorM2: r(doorM2),
    bareM2: r(bare.reduce((sum, p) => sum + p.m2, 0)),
    dampingSheets: mats.sheets,
    dampingKg: r(mats.massKg),
    liningM2: r(wallM2 + roofM2),
    ceilingBattenM: r(4 * insideM + (g.roofRibs.length * g.inside.widthRoofMm) / 1000),
    wallBattenM: r(2 * (3 * insideM + Math.ceil(insideM / 0.6) * (g.inside.heightMm / 1000))),
    floorBattens: battens,
    floorBattenM: r(battens * (g.inside.widthFloorMm / 1000)),
    wetRoomM2: o.wetRoom === "none" ? 0 : 4.6,
    cabinets:
      (o.kitchen === "none" ? 0 : 3) +
      (o.wallUnits ? 3 : 0) +
      (o.wardrobe ? 1 : 0) +
      (o.benchSeat ? 1 : 0) +
      1 /* the bed's box, which holds the batteries */,
    consumers:
      8 +
      yes(o.fan) +
      (o.kitchen === "none" ? 0 : 3) +
      yes(o.heater !== "none") +
      yes(o.water !== "none") +
      2 * yes(o.wetRoom !== "none") +
      2 * yes(o.shore),
  };
}
