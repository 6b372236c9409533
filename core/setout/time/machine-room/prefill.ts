// The floor and the machine that the job works with; the boards are its own.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  const m = known?.machine();
  if (!m) return undefined;
  return {
    draft: {
      floor: String(m.floorMm),
      ...(m.lengthMm === null ? {} : { machine: String(m.lengthMm) }),
      ...(m.outfeedMm === null ? {} : { outfeed: String(m.outfeedMm) }),
      boards: [{ name: "longest", length: "" }],
    },
    basis: { machine: m.name, "floor there": m.floorMm },
    partial: true,
  };
}
