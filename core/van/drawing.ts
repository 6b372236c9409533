// A van's template as drawings: from above, both sides, rear, roof, and what lies under the floor. Millimetres, y downwards.

import type { Van } from "./model";

export const VIEWS = ["plan", "left", "right", "rear", "roof", "under"] as const;
export type ViewName = (typeof VIEWS)[number];

export const VIEW_LABEL: Record<ViewName, string> = {
  plan: "from above",
  left: "left side",
  right: "right side",
  rear: "rear",
  roof: "roof",
  under: "under the floor",
};

export interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

export type Part =
  | { kind: "path"; role: "outline" | "glass" | "line"; d: string }
  | {
      kind: "box";
      role: "bay" | "rib" | "field" | "double-field" | "arch" | "door" | "no-drill" | "keep-out" | "free";
      box: Box;
      label?: string;
    }
  | { kind: "circle"; role: "wheel"; x: number; y: number; r: number };

export interface VanDrawing {
  view: ViewName;
  /** Size of the whole; the drawing lies in 0…width, 0…height. */
  width: number;
  height: number;
  parts: Part[];
  /** Where each zone of work lies in this view. */
  zones: { zone: string; box: Box }[];
}

const WHEEL = 340;
/** From the ground to the load floor, mm: what the template's heights leave over. */
const FLOOR = 560;

/** One view of a van. In the right view and from below the nose points to the right, as one sees it. */
export function drawVan(v: Van, view: ViewName): VanDrawing {
  const make = { plan, left: (x: Van) => side(x, "left"), right: (x: Van) => side(x, "right"), rear, roof, under };
  return make[view](v);
}

const rect = (x: number, y: number, w: number, h: number): Box => ({ x, y, w, h });

function fromAbove(v: Van): string {
  const { lengthMm: L, widthMm: W } = v;
  const nose = Math.min(620, v.geometry.cabMm * 0.36);
  return `M ${nose} 0 H ${L - 90} Q ${L} 0 ${L} 90 V ${W - 90} Q ${L} ${W} ${L - 90} ${W} H ${nose} Q 0 ${W - 60} 0 ${W / 2} Q 0 60 ${nose} 0 Z`;
}

function plan(v: Van): VanDrawing {
  const g = v.geometry;
  const W = v.widthMm;
  const wall = (W - g.inside.widthFloorMm) / 2;
  const x0 = g.cabMm;
  const len = g.inside.lengthMm;
  const strip = W * 0.13;
  const { fromMm, lengthMm, depthMm } = g.arches;
  return {
    view: "plan",
    width: v.lengthMm,
    height: W,
    parts: [
      { kind: "path", role: "outline", d: fromAbove(v) },
      { kind: "path", role: "glass", d: `M ${g.cabMm - 640} 150 Q ${g.cabMm - 860} ${W / 2} ${g.cabMm - 640} ${W - 150}` },
      { kind: "box", role: "bay", box: rect(x0, wall, len, g.inside.widthFloorMm) },
      { kind: "box", role: "arch", box: rect(x0 + fromMm, wall, lengthMm, depthMm), label: "wheel arch" },
      { kind: "box", role: "arch", box: rect(x0 + fromMm, W - wall - depthMm, lengthMm, depthMm), label: "wheel arch" },
      {
        kind: "box",
        role: "door",
        box: rect(x0 + g.slider.fromMm, g.slider.side === "right" ? 0 : W - wall, g.slider.widthMm, wall),
        label: "slider",
      },
    ],
    zones: [
      { zone: "nose", box: rect(g.cabMm * 0.5, wall, g.cabMm * 0.46, W - 2 * wall) },
      { zone: "right", box: rect(x0, wall, len, strip) },
      { zone: "left", box: rect(x0, W - wall - strip, len, strip) },
      { zone: "rear", box: rect(x0 + len - 560, wall + strip, 560, W - 2 * (wall + strip)) },
      { zone: "floor", box: rect(x0, wall + strip, len - 560, W - 2 * (wall + strip)) },
    ],
  };
}

function side(v: Van, which: "left" | "right"): VanDrawing {
  const g = v.geometry;
  const { lengthMm: L, heightMm: H } = v;
  const ground = H - WHEEL;
  const mirror = which === "right";
  const at = (x: number, w: number) => (mirror ? L - x - w : x);
  const X = (x: number) => (mirror ? L - x : x);
  const floorY = H - FLOOR;
  const x0 = g.cabMm;
  const len = g.inside.lengthMm;
  const top = floorY - g.inside.heightMm;
  const rise = 70;
  const parts: Part[] = [
    {
      kind: "path",
      role: "outline",
      d: `M ${X(0)} ${ground} V ${H * 0.62} Q ${X(60)} ${H * 0.5} ${X(g.cabMm * 0.42)} ${H * 0.42} L ${X(g.cabMm * 0.78)} 120 Q ${X(g.cabMm * 0.85)} 0 ${X(g.cabMm * 1.05)} 0 H ${X(L - 160)} Q ${X(L)} 0 ${X(L)} 180 V ${ground} Z`,
    },
    {
      kind: "path",
      role: "glass",
      d: `M ${X(g.cabMm * 0.5)} ${H * 0.43} L ${X(g.cabMm * 0.82)} ${170} L ${X(g.cabMm * 0.95)} ${170} V ${H * 0.43} Z`,
    },
    ...g.sideRibs.map(
      (r): Part => ({ kind: "box", role: "rib", box: rect(at(x0 + r.atMm - r.widthMm / 2, r.widthMm), top, r.widthMm, g.inside.heightMm) }),
    ),
  ];
  if (g.slider.side === which)
    parts.push({
      kind: "box",
      role: "door",
      box: rect(at(x0 + g.slider.fromMm, g.slider.widthMm), floorY - g.slider.heightMm, g.slider.widthMm, g.slider.heightMm),
      label: "slider",
    });
  for (const f of g.windowFields)
    if (f.side === which)
      parts.push({
        kind: "box",
        role: f.skin === "double" ? "double-field" : "field",
        box: rect(at(x0 + f.fromMm, f.widthMm), floorY - f.bottomMm - f.heightMm, f.widthMm, f.heightMm),
        label: `window field ${f.widthMm} × ${f.heightMm}`,
      });
  parts.push({
    kind: "box",
    role: "arch",
    box: rect(at(x0 + g.arches.fromMm, g.arches.lengthMm), floorY - g.arches.heightMm, g.arches.lengthMm, g.arches.heightMm),
    label: "wheel arch",
  });
  for (const x of [g.frontAxleMm, g.frontAxleMm + v.wheelbaseMm])
    parts.push({ kind: "circle", role: "wheel", x: X(x), y: ground, r: WHEEL });
  return {
    view: which,
    width: L,
    height: H,
    parts,
    zones: [
      { zone: "roof", box: rect(at(x0, len), -rise, len, rise) },
      { zone: "ceiling", box: rect(at(x0, len), top, len, 170) },
      { zone: which, box: rect(at(x0, len), top + 170, len, g.inside.heightMm - 170 - 110) },
      { zone: "floor", box: rect(at(x0, len), floorY - 110, len, 110) },
      { zone: "underside", box: rect(at(x0, len), floorY + 40, len, 120) },
      { zone: "nose", box: rect(at(g.cabMm * 0.5, g.cabMm * 0.46), H * 0.46, g.cabMm * 0.46, H * 0.3) },
    ],
  };
}

function rear(v: Van): VanDrawing {
  const g = v.geometry;
  const { widthMm: W, heightMm: H } = v;
  const floorY = H - FLOOR;
  const left = (W - g.rearDoors.widthMm) / 2;
  const half = g.rearDoors.widthMm / 2;
  const top = floorY - g.rearDoors.heightMm;
  const inset = (W - g.inside.widthRoofMm) / 2;
  return {
    view: "rear",
    width: W,
    height: H,
    parts: [
      {
        kind: "path",
        role: "outline",
        d: `M 0 ${H - 250} V ${H * 0.45} Q 0 ${H * 0.2} ${inset * 0.55} ${H * 0.1} Q ${inset * 0.8} ${g.roofCrownMm} ${inset + 120} ${g.roofCrownMm} Q ${W / 2} ${-g.roofCrownMm} ${W - inset - 120} ${g.roofCrownMm} Q ${W - inset * 0.8} ${g.roofCrownMm} ${W - inset * 0.55} ${H * 0.1} Q ${W} ${H * 0.2} ${W} ${H * 0.45} V ${H - 250} Z`,
      },
      { kind: "box", role: "door", box: rect(left, top, half, g.rearDoors.heightMm), label: "rear door" },
      { kind: "box", role: "door", box: rect(left + half, top, half, g.rearDoors.heightMm), label: "rear door" },
      ...g.windowFields
        .filter((f) => f.side === "rear")
        .map(
          (f): Part => ({
            kind: "box",
            role: f.skin === "double" ? "double-field" : "field",
            box: rect(left + f.fromMm, floorY - f.bottomMm - f.heightMm, f.widthMm, f.heightMm),
            label: `window field ${f.widthMm} × ${f.heightMm}`,
          }),
        ),
      { kind: "box", role: "arch", box: rect(60, H - 400, 250, 400), label: "wheel" },
      { kind: "box", role: "arch", box: rect(W - 310, H - 400, 250, 400), label: "wheel" },
    ],
    zones: [
      { zone: "rear", box: rect(left, top, g.rearDoors.widthMm, g.rearDoors.heightMm) },
      { zone: "roof", box: rect(inset, -60, g.inside.widthRoofMm, 80) },
      { zone: "underside", box: rect(left, floorY + 60, g.rearDoors.widthMm, 130) },
    ],
  };
}

function roof(v: Van): VanDrawing {
  const g = v.geometry;
  const W = v.widthMm;
  const inset = (W - g.inside.widthRoofMm) / 2;
  return {
    view: "roof",
    width: v.lengthMm,
    height: W,
    parts: [
      { kind: "path", role: "outline", d: fromAbove(v) },
      { kind: "box", role: "bay", box: rect(g.cabMm, inset, g.inside.lengthMm, g.inside.widthRoofMm), label: "roof" },
      ...g.roofRibs.map(
        (r, i): Part => ({
          kind: "box",
          role: "rib",
          box: rect(g.cabMm + r.atMm - r.widthMm / 2, inset, r.widthMm, g.inside.widthRoofMm),
          label: `rib ${i + 1}`,
        }),
      ),
    ],
    zones: [{ zone: "roof", box: rect(g.cabMm, inset, g.inside.lengthMm, g.inside.widthRoofMm) }],
  };
}

function under(v: Van): VanDrawing {
  const g = v.geometry;
  const W = v.widthMm;
  const L = v.lengthMm;
  // Seen from below with the nose to the right, the van's left side stays at the bottom.
  const at = (x: number, w: number) => L - (g.cabMm + x) - w;
  const mid = W / 2;
  const parts: Part[] = [
    { kind: "path", role: "outline", d: mirrored(v) },
    {
      kind: "box",
      role: "bay",
      box: rect(at(0, g.inside.lengthMm), (W - g.inside.widthFloorMm) / 2, g.inside.lengthMm, g.inside.widthFloorMm),
    },
  ];
  for (const z of g.underZones) {
    const y = z.side === "centre" ? mid - z.widthMm / 2 : z.side === "right" ? z.insetMm : W - z.insetMm - z.widthMm;
    parts.push({
      kind: "box",
      role: z.use,
      box: rect(at(z.fromMm, z.toMm - z.fromMm), y, z.toMm - z.fromMm, z.widthMm),
      label: `${z.name}: ${z.why}`,
    });
  }
  return {
    view: "under",
    width: L,
    height: W,
    parts,
    zones: [{ zone: "underside", box: rect(at(0, g.inside.lengthMm), W * 0.08, g.inside.lengthMm, W * 0.84) }],
  };
}

function mirrored(v: Van): string {
  const { lengthMm: L, widthMm: W } = v;
  const nose = Math.min(620, v.geometry.cabMm * 0.36);
  return `M ${L - nose} 0 H 90 Q 0 0 0 90 V ${W - 90} Q 0 ${W} 90 ${W} H ${L - nose} Q ${L} ${W - 60} ${L} ${W / 2} Q ${L} 60 ${L - nose} 0 Z`;
}
