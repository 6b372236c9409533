// A roof plan starts from the roof as measured, the units chosen for it, and what lies below.

import { ribMargin } from "../../../library/need";
import type { Facts, Prefill } from "../../engine/facts";
import type { Draft } from "../../engine/form";
import { typed } from "../../engine/handles";
import { sayCut } from "../field";

export function prefill({ geometry: g, options: o, roofUnits = {}, uses = [] }: Facts): Prefill {
  const items: Draft[] = [];
  const add = (name: string, l: number, wd: number, height: number, cut?: [number, number], at = "") =>
    items.push({
      name,
      "overall.length": typed(l),
      "overall.width": typed(wd),
      "cut.length": cut ? typed(cut[0]) : "",
      "cut.width": cut ? typed(cut[1]) : "",
      height: typed(height),
      "wish.at": at,
    });
  const fan = roofUnits.fan ?? { w: 400, h: 400 };
  const skylight = roofUnits.skylight ?? { w: 400, h: 700 };
  // The flange stands out over its hole: 20 a side for a fan, 30 and 40 for a skylight.
  if (o.fan) add("fan", fan.w + 40, fan.h + 40, 90, [fan.w, fan.h], "500");
  if (o.skylight) add("skylight", skylight.w + 60, skylight.h + 80, 110, [skylight.w, skylight.h]);
  for (let i = 0; i < o.solar; i++) add(`panel ${i + 1}`, 1000, 620, 40);
  const bars = o.rack ? [0.12, 0.5, 0.88].map((s) => ({ at: typed(g.inside.lengthMm * s), width: "60" })) : [];
  return {
    draft: {
      "roof.length": typed(g.inside.lengthMm),
      "roof.width": typed(g.inside.widthRoofMm),
      "roof.crown": typed(g.roofCrownMm),
      "margins.rib": typed(ribMargin.whole),
      "margins.ribShaved": typed(ribMargin.shaved),
      "margins.item": "40",
      "margins.edge": "60",
      items,
      uses: uses.map((u) => ({ name: u.name, at: typed(u.at) })),
      ribs: g.roofRibs.map((r) => ({ at: typed(r.atMm), width: typed(r.widthMm) })),
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
