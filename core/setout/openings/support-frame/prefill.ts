// A support frame starts from its unit's hole and the narrowest bay that takes it.

import { ROOF_FRAME } from "../../../library/need";
import { hasRole } from "../../../library/roles";
import type { Facts, Prefill } from "../../engine/facts";
import { typed } from "../../engine/handles";
import { roofBays } from "../field";

export function prefill(w: Facts): Prefill {
  // The long pieces run across the van, so what has to fit between the ribs is the cut along it: 400 for both units.
  const own = w.unit && { w: w.unit.h, h: w.unit.w };
  const cut = own ?? (hasRole(w, "skylight") || (w.options.skylight && !w.options.fan) ? { w: 700, h: 400 } : { w: 400, h: 400 });
  const bays = roofBays(w.geometry).map((b) => b.to - b.from);
  const gap = bays.filter((b) => b >= cut.h + 10).sort((a, b) => a - b)[0] ?? Math.max(...bays);
  return {
    draft: {
      "cut.w": typed(cut.w),
      "cut.h": typed(cut.h),
      "batten.b": typed(ROOF_FRAME.b),
      "batten.t": typed(ROOF_FRAME.t),
      gap: typed(gap),
      play: typed(ROOF_FRAME.play),
    },
    basis: { "clear between ribs": gap },
  };
}
