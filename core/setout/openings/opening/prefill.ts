// An opening starts from its field on the van and the hole that its unit asks for.

import type { Facts, Prefill } from "../../engine/facts";
import { typed } from "../../engine/handles";
import { fieldOf, sayCut } from "../field";

export function prefill(w: Facts): Prefill | undefined {
  const f = fieldOf(w);
  if (!f) return undefined;
  return {
    draft: {
      "cut.w": typed(f.cut.w),
      "cut.h": typed(f.cut.h),
      "cut.r": typed(f.cut.r),
      minLand: "25",
      flange: "",
      "place.along.mode": "centre",
      "place.along.by": "",
      "place.up.mode": "centre",
      "place.up.by": "",
      "field.left": typed(f.left),
      "field.right": typed(f.right),
      "field.bottom": typed(f.bottom),
      "field.top": typed(f.top),
      skin: f.skin,
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
