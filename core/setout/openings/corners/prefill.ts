// The corner of the opening that is kept for the job.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  const r = known?.opening()?.cut?.r;
  return r === undefined ? undefined : { draft: { cutRadius: String(r) }, basis: { "corner of the cut": r }, partial: true };
}
