// A window against walls, the one opposite and dents: its own sheet, the lines of the layout, marks from taking bracing off.

import type { Facts, Prefill } from "../../engine/facts";
import { typed } from "../../engine/handles";

export function prefill({ known }: Facts): Prefill | undefined {
  const w = known?.window();
  if (!w) return undefined;
  return {
    draft: {
      "field.from": typed(w.from),
      "field.to": typed(w.to),
      cut: typed(w.cut),
      minLand: typed(w.minLand),
      wish: typed(w.wish),
      "opposite.from": w.opposite === undefined ? "" : typed(w.opposite),
      walls: w.walls.map((x) => ({ name: x.name, at: typed(x.at) })),
      dents: w.dents.map((at) => ({ at: typed(at) })),
    },
    basis: {
      field: `${typed(w.from)} to ${typed(w.to)}`,
      "cut width": w.cut,
      "wall lines": w.walls.map((x) => `${x.name} ${x.at}`).join(", ") || "none",
      "the one opposite": w.opposite ?? "not set out",
      dents: w.dents.join(", ") || "none",
    },
    partial: true,
  };
}
