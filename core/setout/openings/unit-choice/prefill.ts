// Units are chosen for a cutting day and for the rib bays of this roof.

import type { Facts, Prefill } from "../../engine/facts";
import { typed } from "../../engine/handles";
import { roofBays } from "../field";

export function prefill({ known, geometry }: Facts): Prefill | undefined {
  if (!known) return undefined;
  const day = known.cuttingDay();
  const bays = roofBays(geometry);
  return {
    draft: {
      cuttingDay: day ?? "",
      goodsInDays: String(known.goodsInDays()),
      bays: bays.map((b, i) => ({ name: String(i + 1), clear: typed(b.to - b.from) })),
    },
    basis: { ...(day ? { "cutting day": day } : {}), "rib bays": bays.map((b) => Math.round(b.to - b.from)).join(", ") },
    partial: true,
  };
}
