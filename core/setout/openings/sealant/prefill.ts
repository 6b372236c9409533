// Sealant starts from the joints round its opening, or round the small holes of the build.

import { quantitiesOf } from "../../../library/quantities";
import { hasRole } from "../../../library/roles";
import type { Facts, Prefill } from "../../engine/facts";
import { typed } from "../../engine/handles";
import { fieldOf } from "../field";

export function prefill(w: Facts): Prefill | undefined {
  const f = fieldOf(w);
  const joint = (length: number) => ({
    length: typed(length),
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
