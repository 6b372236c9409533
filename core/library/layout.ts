// A sketch of what is chosen, laid into the van's drawings: to see what a choice means, not to build from.

import type { Box, ViewName } from "../van/drawing";
import type { Van } from "../van/model";
import type { OptionKey, Options } from "./options";

export interface LayoutItem {
  key: OptionKey;
  label: string;
  view: ViewName;
  box: Box;
  /** dashed: there only by night, or out of the way by day */
  look: "unit" | "dashed" | "glass" | "panel" | "soft" | "tank";
}

const FLOOR = 560;

/** Everything chosen that can be drawn, in every view where it shows. Millimetres of the drawing. */
export function layoutOf(o: Options, v: Van): LayoutItem[] {
  return [...openings(o, v), ...inside(o, v), ...below(o, v)];
}

/** How long the bed is to lie on, mm: across the van at the floor's width, else along it as far as the room goes. */
export const bedLengthMm = (o: Pick<Options, "bed">, v: Pick<Van, "geometry">): number => {
  const { widthFloorMm, lengthMm } = v.geometry.inside;
  return o.bed === "across" ? widthFloorMm - 40 : Math.min(1950, lengthMm - 700);
};

function openings(o: Options, v: Van): LayoutItem[] {
  const g = v.geometry;
  const out: LayoutItem[] = [];
  const floorY = v.heightMm - FLOOR;
  const add = (key: OptionKey, label: string, view: ViewName, x: number, y: number, w: number, h: number, look: LayoutItem["look"]) =>
    out.push({ key, label, view, box: { x, y, w, h }, look });
  const fields = (side: string) => g.windowFields.filter((f) => f.side === side);
  const sideX = (side: string, from: number, w: number) => (side === "right" ? v.lengthMm - (g.cabMm + from) - w : g.cabMm + from);
  // Windows alternate, as their jobs do; each fills a field but for its land.
  for (const [side, n] of [
    ["left", Math.ceil(o.windows / 2)],
    ["right", Math.floor(o.windows / 2)],
  ] as const)
    for (const f of fields(side).slice(0, n))
      add(
        "windows",
        "window",
        side,
        sideX(side, f.fromMm + 60, f.widthMm - 120),
        floorY - f.bottomMm - f.heightMm + 50,
        f.widthMm - 120,
        f.heightMm - 100,
        "glass",
      );
  if (o.rearWindows) {
    const left = (v.widthMm - g.rearDoors.widthMm) / 2;
    for (const f of fields("rear"))
      add(
        "rearWindows",
        "window",
        "rear",
        left + f.fromMm + 40,
        floorY - f.bottomMm - f.heightMm + 40,
        f.widthMm - 80,
        f.heightMm - 80,
        "glass",
      );
  }
  const mid = v.widthMm / 2;
  let x = g.cabMm + 260;
  if (o.fan) {
    add("fan", "fan", "roof", x, mid - 200, 400, 400, "unit");
    x += 400 + 160;
  }
  if (o.skylight) {
    add("skylight", "skylight", "roof", x, mid - 350, 400, 700, "glass");
    x += 400 + 160;
  }
  for (let i = 0; i < o.solar; i++)
    add("solar", "panel", "roof", x + Math.floor(i / 2) * 1060, i % 2 ? mid + 20 : mid - 640, 1000, 620, "panel");
  if (o.rack) {
    const inset = (v.widthMm - g.inside.widthRoofMm) / 2;
    add("rack", "rail", "roof", g.cabMm + 60, inset - 10, g.inside.lengthMm - 120, 60, "unit");
    add("rack", "rail", "roof", g.cabMm + 60, v.widthMm - inset - 50, g.inside.lengthMm - 120, 60, "unit");
  }
  if (o.pods) {
    const at = g.cabMm + g.inside.lengthMm - 1250;
    add("pods", "pod", "plan", at, -110, 1100, 150, "unit");
    add("pods", "pod", "plan", at, v.widthMm - 40, 1100, 150, "unit");
    const y = floorY - 1500;
    add("pods", "pod", "left", at, y, 1100, 560, "unit");
    add("pods", "pod", "right", v.lengthMm - at - 1100, y, 1100, 560, "unit");
  }
  return out;
}

function inside(o: Options, v: Van): LayoutItem[] {
  const g = v.geometry;
  const out: LayoutItem[] = [];
  const wall = (v.widthMm - g.inside.widthFloorMm) / 2;
  const W = g.inside.widthFloorMm;
  const end = g.cabMm + g.inside.lengthMm;
  /** y of a box of that depth against the left or right wall, seen from above. */
  const against = (side: "left" | "right", depth: number) => (side === "right" ? wall : v.widthMm - wall - depth);
  const add = (key: OptionKey, label: string, x: number, y: number, w: number, h: number, look: LayoutItem["look"] = "unit") =>
    out.push({ key, label, view: "plan", box: { x, y, w, h }, look });
  const long = bedLengthMm({ bed: "lengthways" }, v);
  const bedLong = o.bed === "across" ? 1350 : long;
  const byNight = o.bed === "fold" || o.bed === "slats" || o.bed === "lift";
  add("bed", o.bed === "across" ? "bed across" : "bed", end - bedLong - 30, wall + 20, bedLong, W - 40, byNight ? "dashed" : "soft");
  const kitchen = o.kitchen === "none" ? undefined : o.kitchen;
  const behindSlider = g.cabMm + g.slider.fromMm + g.slider.widthMm + 60;
  const room = end - bedLong - 60;
  if (kitchen) {
    const x = kitchen === "right" ? Math.min(behindSlider, room - 700) : g.cabMm + 300;
    add("kitchen", "kitchen", x, against(kitchen, 460), Math.max(700, Math.min(1600, room - x)), 460);
    if (o.wallUnits) add("wallUnits", "", x, against(kitchen, 300), Math.max(700, Math.min(1600, room - x)), 300, "dashed");
  }
  const far = kitchen === "right" ? "left" : "right";
  let x = far === "right" ? behindSlider : g.cabMm + 300;
  const farUnits: [OptionKey, string, boolean, number, number][] = [
    ["wetRoom", "wet room", o.wetRoom !== "none", 760, 720],
    ["wardrobe", "wardrobe", o.wardrobe, 500, 460],
    ["benchSeat", "bench", o.benchSeat, 900, 480],
  ];
  for (const [key, label, there, w, d] of farUnits) {
    if (!there) continue;
    const at = Math.min(x, end - w - 40);
    add(key, label, at, against(far, d), w, d, key === "benchSeat" ? "soft" : "unit");
    x = at + w + 40;
  }
  for (let i = 0; i < o.swivels; i++) add("swivels", "turns", g.cabMm - 620, wall + (i ? W - 620 : 90), 520, 520, "soft");
  if (o.garageMm) {
    const floorY = v.heightMm - FLOOR;
    for (const side of ["left", "right"] as const) {
      const w = o.bed === "across" ? 1350 : long;
      const bx = end - w - 30;
      out.push({
        key: "garageMm",
        label: `garage ${o.garageMm}`,
        view: side,
        box: { x: side === "right" ? v.lengthMm - bx - w : bx, y: floorY - o.garageMm, w, h: o.garageMm },
        look: "dashed",
      });
    }
  }
  return out;
}

function below(o: Options, v: Van): LayoutItem[] {
  const g = v.geometry;
  const free = g.underZones.find((z) => z.use === "free");
  const out: LayoutItem[] = [];
  const wall = (v.widthMm - g.inside.widthFloorMm) / 2;
  if (o.water === "under-floor" && free)
    out.push({
      key: "water",
      label: "water",
      view: "under",
      box: {
        x: v.lengthMm - (g.cabMm + free.fromMm) - (free.toMm - free.fromMm),
        y: v.widthMm - free.insetMm - free.widthMm,
        w: free.toMm - free.fromMm,
        h: free.widthMm,
      },
      look: "tank",
    });
  const end = g.cabMm + g.inside.lengthMm;
  if (o.water === "inside")
    out.push({ key: "water", label: "water", view: "plan", box: { x: end - 700, y: wall + 40, w: 560, h: 320 }, look: "tank" });
  if (o.gas !== "none")
    out.push(
      o.gas === "tank"
        ? { key: "gas", label: "gas", view: "under", box: { x: v.lengthMm - end + 120, y: v.widthMm * 0.12, w: 620, h: 300 }, look: "tank" }
        : { key: "gas", label: "gas", view: "plan", box: { x: end - 420, y: v.widthMm - wall - 380, w: 360, h: 340 }, look: "tank" },
    );
  if (o.heater !== "none")
    out.push({ key: "heater", label: "heater", view: "plan", box: { x: end - 1150, y: wall + 40, w: 330, h: 220 }, look: "tank" });
  return out;
}

/** The view in which a choice shows best. */
export const SHOWS_IN: Partial<Record<OptionKey, ViewName>> = {
  windows: "left",
  windowKind: "left",
  rearWindows: "rear",
  fan: "roof",
  skylight: "roof",
  rack: "roof",
  solar: "roof",
  pods: "plan",
  swivels: "plan",
  kitchen: "plan",
  wallUnits: "plan",
  bed: "plan",
  benchSeat: "plan",
  wardrobe: "plan",
  wetRoom: "plan",
  garageMm: "left",
  heater: "plan",
};
