// What a set-out sheet starts from when it belongs to a build: the van's template as measured, and what was chosen.

import { DAMPING, ROOF_FRAME, ribMargin } from "../library/need";
import type { Options } from "../library/options";
import { barePanels, quantitiesOf } from "../library/quantities";
import { hasRole, type Role } from "../library/roles";
import type { Geometry } from "../van/model";
import { MORE_PREFILLS } from "./prefill-more";

/** A form's figures as they are typed: text, ticks, rows of the same; keys are the form's paths. */
export type SheetDraft = { [key: string]: string | boolean | SheetDraft[] };

export interface World {
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
}

interface Cut {
  w: number;
  h: number;
  r: number;
}

export interface Prefill {
  draft: SheetDraft;
  /** The facts it stands on, by name: when one of them changes, the sheet is contradicted. */
  basis: Record<string, number | string>;
  /** Some of what the calculator asks for is known to nobody but the tape or the client: it is left empty. */
  partial?: true;
}

const t = (n: number) => String(Math.round(n * 10) / 10);

/** A job's code without the letter of its copy, and which copy it is: the letter b is the second (1); no letter, no copy. */
export function copyOf(code: string): { kind: string; copy?: number } {
  const letter = /[a-d]$/.exec(code)?.[0];
  return letter ? { kind: code.slice(0, -1), copy: letter.charCodeAt(0) - 97 } : { kind: code };
}

/** What a job's sheets can start from, before anything of its build is known but the van and the choices. */
export function worldOf(job: { code: string; roles: readonly Role[] } | undefined, geometry: Geometry, options: Options): World {
  return { geometry, options, roles: job?.roles ?? [], copy: (job && copyOf(job.code).copy) ?? 0 };
}

/** Figures to start a calculator's sheet from; undefined where nothing of the van or the choices goes into it. */
export function prefill(name: string, w: World): Prefill | undefined {
  return PREFILLS[name]?.(w);
}

const PREFILLS: Record<string, (w: World) => Prefill | undefined> = {
  opening,
  "roof-plan": roofPlan,
  "support-frame": supportFrame,
  damping,
  "under-floor": underFloor,
  sealant,
  ...MORE_PREFILLS,
  "edge-side": (w) => fromCut("edge-side", w),
  "bead-clock": (w) => fromCut("bead-clock", w),
  "set-unit": (w) => fromCut("set-unit", w),
};

interface Field {
  name: string;
  left: number;
  right: number;
  bottom: number;
  top: number;
  skin: "single" | "double";
  cut: { w: number; h: number; r: number };
}

/** Clear stretches between roof ribs, mm from the bulkhead. */
export function roofBays(g: Geometry): { from: number; to: number }[] {
  const edges = g.roofRibs.map((r) => ({ from: r.atMm - r.widthMm / 2, to: r.atMm + r.widthMm / 2 }));
  return [
    ...edges.map((e, i) => ({ from: i ? edges[i - 1].to : 0, to: e.from })),
    { from: edges.at(-1)!.to, to: g.inside.lengthMm },
  ].filter((b) => b.to > b.from);
}

/** The field in which a job's opening lies, and the cut of its unit. */
function fieldOf(w: World): Field | undefined {
  const { geometry: g, copy, unit } = w;
  const fan = hasRole(w, "roof-fan");
  if (fan || hasRole(w, "skylight")) {
    const cut = unit ?? (fan ? { w: 400, h: 400, r: 30 } : { w: 400, h: 700, r: 40 });
    const bays = roofBays(g);
    const bay = bays.find((b) => b.to - b.from >= cut.w + 50) ?? bays.reduce((a, b) => (b.to - b.from > a.to - a.from ? b : a));
    return { name: "roof bay", left: bay.from, right: bay.to, bottom: 0, top: g.inside.widthRoofMm, skin: "single", cut };
  }
  const rear = hasRole(w, "rear-window");
  const side = rear ? "rear" : hasRole(w, "side-window") ? (copy % 2 ? "right" : "left") : undefined;
  const f = side && g.windowFields.filter((x) => x.side === side)[rear ? 0 : Math.floor(copy / 2)];
  if (!f) return undefined;
  // The hole of the unit that has come; until then one that leaves a land of 30 all round.
  const cut = unit ?? { w: Math.floor((f.widthMm - 60) / 10) * 10, h: Math.floor((f.heightMm - 60) / 10) * 10, r: 60 };
  return {
    name: `field ${f.id}`,
    left: f.fromMm,
    right: f.fromMm + f.widthMm,
    bottom: f.bottomMm,
    top: f.bottomMm + f.heightMm,
    skin: f.skin,
    cut,
  };
}

function opening(w: World): Prefill | undefined {
  const f = fieldOf(w);
  if (!f) return undefined;
  return {
    draft: {
      "cut.w": t(f.cut.w),
      "cut.h": t(f.cut.h),
      "cut.r": t(f.cut.r),
      minLand: "25",
      flange: "",
      "along.mode": "centre",
      "along.by": "",
      "up.mode": "centre",
      "up.by": "",
      "field.left": t(f.left),
      "field.right": t(f.right),
      "field.bottom": t(f.bottom),
      "field.top": t(f.top),
      skin: f.skin,
      d1: "",
      d2: "",
      s1: "",
      s2: "",
      s3: "",
      s4: "",
      keepOuts: [],
    },
    basis: {
      [`${f.name}, from`]: f.left,
      [`${f.name}, to`]: f.right,
      [`${f.name}, lower crease`]: f.bottom,
      [`${f.name}, upper crease`]: f.top,
      skin: f.skin,
      ...(w.unit ? { "unit's cut-out": sayCut(w.unit) } : {}),
    },
  };
}

const sayCut = (c: Cut) => `${t(c.w)} × ${t(c.h)}, corners ${t(c.r)}`;

function roofPlan({ geometry: g, options: o, roofUnits = {}, uses = [] }: World): Prefill {
  const items: SheetDraft[] = [];
  const add = (name: string, l: number, wd: number, height: number, cut?: [number, number], at = "") =>
    items.push({
      name,
      "overall.length": t(l),
      "overall.width": t(wd),
      "cut.length": cut ? t(cut[0]) : "",
      "cut.width": cut ? t(cut[1]) : "",
      height: t(height),
      "wish.at": at,
    });
  const fan = roofUnits.fan ?? { w: 400, h: 400 };
  const skylight = roofUnits.skylight ?? { w: 400, h: 700 };
  // The flange stands out over its hole: 20 a side for a fan, 30 and 40 for a skylight.
  if (o.fan) add("fan", fan.w + 40, fan.h + 40, 90, [fan.w, fan.h], "500");
  if (o.skylight) add("skylight", skylight.w + 60, skylight.h + 80, 110, [skylight.w, skylight.h]);
  for (let i = 0; i < o.solar; i++) add(`panel ${i + 1}`, 1000, 620, 40);
  const bars = o.rack ? [0.12, 0.5, 0.88].map((s) => ({ at: t(g.inside.lengthMm * s), width: "60" })) : [];
  return {
    draft: {
      "roof.length": t(g.inside.lengthMm),
      "roof.width": t(g.inside.widthRoofMm),
      "roof.crown": t(g.roofCrownMm),
      "margins.rib": t(ribMargin.whole),
      "margins.ribShaved": t(ribMargin.shaved),
      "margins.item": "40",
      "margins.edge": "60",
      items,
      uses: uses.map((u) => ({ name: u.name, at: t(u.at) })),
      ribs: g.roofRibs.map((r) => ({ at: t(r.atMm), width: t(r.widthMm) })),
      bars,
    },
    basis: {
      "roof length": g.inside.lengthMm,
      "roof width": g.inside.widthRoofMm,
      crown: g.roofCrownMm,
      ribs: g.roofRibs.map((r) => r.atMm).join(", "),
      "roof fan": o.fan ? (roofUnits.fan ? sayCut(roofUnits.fan) : "yes") : "no",
      skylight: o.skylight ? (roofUnits.skylight ? sayCut(roofUnits.skylight) : "yes") : "no",
      panels: o.solar,
      rack: o.rack ? "yes" : "no",
      ...(uses.length ? { "lines of the layout": uses.map((u) => `${u.name} ${u.at}`).join(", ") } : {}),
    },
  };
}

function supportFrame(w: World): Prefill {
  // The long pieces run across the van, so what has to fit between the ribs is the cut along it: 400 for both units.
  const own = w.unit && { w: w.unit.h, h: w.unit.w };
  const cut = own ?? (hasRole(w, "skylight") || (w.options.skylight && !w.options.fan) ? { w: 700, h: 400 } : { w: 400, h: 400 });
  const bays = roofBays(w.geometry).map((b) => b.to - b.from);
  const gap = bays.filter((b) => b >= cut.h + 10).sort((a, b) => a - b)[0] ?? Math.max(...bays);
  return {
    draft: {
      "cut.w": t(cut.w),
      "cut.h": t(cut.h),
      "batten.b": t(ROOF_FRAME.b),
      "batten.t": t(ROOF_FRAME.t),
      gap: t(gap),
      play: t(ROOF_FRAME.play),
    },
    basis: { "clear between ribs": gap },
  };
}

function damping({ geometry: g, options: o }: World): Prefill {
  const cover = String(DAMPING.cover[o.damping]);
  // A panel is known by its area: laid out as a strip a metre high.
  const panels = barePanels(o, g).map((p) => ({
    name: p.name,
    w: t(p.m2 * 1000),
    h: "1000",
    count: "1",
    cover,
    factoryPad: false,
    cutOut: false,
  }));
  return {
    draft: {
      "sheet.w": t(DAMPING.sheet.w),
      "sheet.h": t(DAMPING.sheet.h),
      "sheet.kgM2": String(DAMPING.kgM2),
      waste: String(DAMPING.waste),
      panels,
    },
    basis: { cover: o.damping, ...Object.fromEntries(g.panels.map((p) => [p.name, p.areaM2])) },
  };
}

function underFloor({ geometry: g, options: o }: World): Prefill {
  const W = g.inside.widthFloorMm;
  const zones = g.underZones
    .filter((z) => z.use !== "free")
    .map((z) => {
      const from = z.side === "centre" ? (W - z.widthMm) / 2 : z.side === "left" ? z.insetMm : W - z.insetMm - z.widthMm;
      const to = from + z.widthMm;
      const corner = (x: number, y: number) => `${t(Math.max(0, x))}/${t(Math.min(W, Math.max(0, y)))}`;
      return {
        name: z.name,
        polygon: [corner(z.fromMm, from), corner(z.toMm, from), corner(z.toMm, to), corner(z.fromMm, to)].join("; "),
        margin: z.use === "keep-out" ? "40" : "15",
      };
    });
  const free = g.underZones.find((z) => z.use === "free");
  const holes: SheetDraft[] = [];
  const mid = free ? (free.fromMm + free.toMm) / 2 : g.inside.lengthMm / 2;
  const add = (name: string, along: number, across: number, d: number) =>
    holes.push({ name, along: t(along), across: t(Math.min(W - 30, Math.max(30, across))), d: t(d) });
  if (o.water === "under-floor") add("tank outlet", mid, 640, 32);
  if (o.wetRoom !== "none") add("shower drain", mid + 300, W / 2, 44);
  if (o.heater !== "none") add("heater exhaust", mid + 150, W - 260, 27);
  if (o.gas !== "none") add("gas drop vent", g.inside.lengthMm - 300, 200, 40);
  if (!holes.length) add("drain", mid, W / 2, 25);
  return {
    draft: { "floor.length": t(g.inside.lengthMm), "floor.width": t(W), zones, holes, battens: [] },
    basis: {
      "floor length": g.inside.lengthMm,
      "floor width": W,
      "zones below": g.underZones.map((z) => `${z.name} ${z.fromMm}–${z.toMm}`).join("; "),
    },
  };
}

function sealant(w: World): Prefill | undefined {
  const f = fieldOf(w);
  const joint = (length: number) => ({
    length: t(length),
    "bead.kind": "triangle",
    "bead.w": "8",
    "bead.h": "12",
    "bead.t": "",
    "bead.d": "",
  });
  if (f) {
    const length = 2 * (f.cut.w + f.cut.h);
    return { draft: { pack: "310", waste: "0.1", joints: [joint(length)] }, basis: { "cut width": f.cut.w, "cut height": f.cut.h } };
  }
  if (!hasRole(w, "small-holes")) return undefined;
  const n = quantitiesOf(w.options, w.geometry).smallHoles;
  return {
    draft: { pack: "310", waste: "0.1", joints: Array.from({ length: Math.max(1, n) }, () => joint(200)) },
    basis: { "small holes": n },
  };
}

/** Sheets that start from the cut of their opening: its edges, its perimeter, its size. */
const FROM_CUT: Record<string, (cut: { w: number; h: number }, f: Field) => SheetDraft> = {
  "edge-side": (c, f) => ({
    edges: [
      ["top", c.w, (f.top - f.bottom - c.h) / 2],
      ["bottom", c.w, (f.top - f.bottom - c.h) / 2],
      ["front", c.h, (f.right - f.left - c.w) / 2],
      ["rear", c.h, (f.right - f.left - c.w) / 2],
    ].map(([name, length, toInner]) => ({ name: String(name), length: t(+length), toInner: t(Math.max(0, +toInner)), hidden: false })),
  }),
  "bead-clock": (c) => ({ perimeter: t(2 * (c.w + c.h)), flanges: "1" }),
  "set-unit": (c) => ({ "opening.w": t(c.w), "opening.h": t(c.h) }),
};

function fromCut(name: string, w: World): Prefill | undefined {
  const f = fieldOf(w);
  if (!f) return undefined;
  return { draft: FROM_CUT[name](f.cut, f), basis: { "cut width": f.cut.w, "cut height": f.cut.h }, partial: true };
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
