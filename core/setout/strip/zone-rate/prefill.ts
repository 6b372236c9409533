// Zones out of the van's panels, with what a square metre of their kind takes.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  if (!known) return undefined;
  const panels = known.panels();
  return {
    draft: {
      zones: panels.map((p) => ({
        name: p.name,
        m2: String(p.m2),
        minutes: "",
        kind: p.kind,
        norm: p.norm === undefined ? "" : String(p.norm),
      })),
    },
    basis: Object.fromEntries(panels.map((p) => [p.name, p.m2])),
    partial: true,
  };
}
