// Where a job's opening lies on the van, and the hole that its unit asks for.

import { hasRole } from "../../library/roles";
import type { Geometry } from "../../van/model";
import type { Cut, Facts, Prefill } from "../engine/facts";
import type { Draft } from "../engine/form";
import { typed } from "../engine/handles";

export interface OpeningField {
  name: string;
  left: number;
  right: number;
  bottom: number;
  top: number;
  skin: "single" | "double";
  cut: Cut;
}

/** Clear stretches between roof ribs, mm from the bulkhead. */
export function roofBays(g: Geometry): { from: number; to: number }[] {
  const edges = g.roofRibs.map((r) => ({ from: r.atMm - r.widthMm / 2, to: r.atMm + r.widthMm / 2 }));
  return [
    ...edges.map((e, i) => ({ from: i ? edges[i - 1].to : 0, to: e.from })),
    { from: edges.at(-1)!.to, to: g.inside.lengthMm },
  ].filter((b) => b.to > b.from);
}

/** The field in which a job's opening lies, and the cut of its unit; undefined for a job that cuts none. */
export function fieldOf(w: Facts): OpeningField | undefined {
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

export const sayCut = (c: Cut): string => `${typed(c.w)} × ${typed(c.h)}, corners ${typed(c.r)}`;

/** A sheet that starts from the cut of its opening: its edges, its perimeter, its size. */
export function fromCut(w: Facts, draft: (cut: Cut, f: OpeningField) => Draft): Prefill | undefined {
  const f = fieldOf(w);
  return f && { draft: draft(f.cut, f), basis: { "cut width": f.cut.w, "cut height": f.cut.h }, partial: true };
}
