// The openings that are still to be cut; the minutes of cutting and of setting are the fitter's to say.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  const names = known?.openCuts() ?? [];
  if (!names.length) return undefined;
  return { draft: { openings: names.map((name) => ({ name, cut: "", set: "" })) }, basis: {}, partial: true };
}
