// Part lines by who delivers them.

import type { PartRow, Shop } from "../state/model";

/** All part lines of the workshop, by the id of their supplier. */
export function partsBySupplier(shop: Pick<Shop, "builds">): Map<string, PartRow[]> {
  const out = new Map<string, PartRow[]>();
  for (const b of shop.builds)
    for (const j of b.jobs)
      for (const p of j.parts) {
        const mine = out.get(p.supplierId);
        if (mine) mine.push(p);
        else out.set(p.supplierId, [p]);
      }
  return out;
}
