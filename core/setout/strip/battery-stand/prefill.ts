// The battery has to last for the longest time that the van stands in the plan.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  const days = known?.longestStand();
  return days === undefined ? undefined : { draft: { standDays: String(days) }, basis: { "longest stand, days": days }, partial: true };
}
