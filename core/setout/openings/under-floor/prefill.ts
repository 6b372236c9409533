// What hangs below the floor, by the van's template, and the holes that the choices ask for.

import type { Facts, Prefill } from "../../engine/facts";
import type { Draft } from "../../engine/form";
import { typed } from "../../engine/handles";

export function prefill({ geometry: g, options: o }: Facts): Prefill {
  const W = g.inside.widthFloorMm;
  const zones = g.underZones
    .filter((z) => z.use !== "free")
    .map((z) => {
      const from = z.side === "centre" ? (W - z.widthMm) / 2 : z.side === "left" ? z.insetMm : W - z.insetMm - z.widthMm;
      const to = from + z.widthMm;
      const corner = (x: number, y: number) => `${typed(Math.max(0, x))}/${typed(Math.min(W, Math.max(0, y)))}`;
      return {
        name: z.name,
        polygon: [corner(z.fromMm, from), corner(z.toMm, from), corner(z.toMm, to), corner(z.fromMm, to)].join("; "),
        margin: z.use === "keep-out" ? "40" : "15",
      };
    });
  const free = g.underZones.find((z) => z.use === "free");
  const holes: Draft[] = [];
  const mid = free ? (free.fromMm + free.toMm) / 2 : g.inside.lengthMm / 2;
  const add = (name: string, along: number, across: number, d: number) =>
    holes.push({ name, along: typed(along), across: typed(Math.min(W - 30, Math.max(30, across))), d: typed(d) });
  if (o.water === "under-floor") add("tank outlet", mid, 640, 32);
  if (o.wetRoom !== "none") add("shower drain", mid + 300, W / 2, 44);
  if (o.heater !== "none") add("heater exhaust", mid + 150, W - 260, 27);
  if (o.gas !== "none") add("gas drop vent", g.inside.lengthMm - 300, 200, 40);
  if (!holes.length) add("drain", mid, W / 2, 25);
  return {
    draft: { "floor.length": typed(g.inside.lengthMm), "floor.width": typed(W), zones, holes, battens: [] },
    basis: {
      "floor length": g.inside.lengthMm,
      "floor width": W,
      "zones below": g.underZones.map((z) => `${z.name} ${z.fromMm}–${z.toMm}`).join("; "),
    },
  };
}
