// What was found on the bare body, treated or not, so that it stays true while the work goes on; and what came out, as far as its fate is decided.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  const f = known?.found();
  if (!f) return undefined;
  return {
    draft: {
      holes: f.holes.map((h) => ({ d: String(h.d), count: String(h.count), place: h.place, throughSkin: h.throughSkin })),
      rust: f.rust.map((r) => ({ areaDm2: String(r.areaDm2), grade: String(r.grade) })),
      items: f.items.map((i) => ({ name: i.name, kg: String(i.kg), fate: i.fate })),
    },
    basis: {
      "holes to be closed": f.holes.reduce((n, h) => n + h.count, 0),
      "dm² of rust": Math.round(f.rust.reduce((n, r) => n + r.areaDm2, 0) * 100) / 100,
      ...(f.items.length ? { "kg removed": f.kgOut } : {}),
    },
  };
}
