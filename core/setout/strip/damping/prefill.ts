// Damping starts from the bare panels of the van and the cover that was chosen.

import { DAMPING, matCover } from "../../../library/need";
import { barePanels } from "../../../library/quantities";
import type { Facts, Prefill } from "../../engine/facts";
import { typed } from "../../engine/handles";

export function prefill({ geometry: g, options: o }: Facts): Prefill {
  const cover = String(matCover(o));
  // A panel is known by its area: laid out as a strip a metre high.
  const panels = barePanels(o, g).map((p) => ({
    name: p.name,
    w: typed(p.m2 * 1000),
    h: "1000",
    count: "1",
    cover,
    factoryPad: false,
    cutOut: false,
  }));
  return {
    draft: {
      "sheet.w": typed(DAMPING.sheet.w),
      "sheet.h": typed(DAMPING.sheet.h),
      "sheet.kgM2": String(DAMPING.kgM2),
      waste: String(DAMPING.waste),
      panels,
    },
    basis: {
      cover: o.damping,
      "mats from the factory": o.factoryDamping ? "yes" : "no",
      ...Object.fromEntries(g.panels.map((p) => [p.name, p.areaM2])),
    },
  };
}
