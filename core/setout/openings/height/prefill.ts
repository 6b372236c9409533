// The van's height, and that of the bay in which its roof is worked on by the plan; the yard has no beam.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  if (!known) return undefined;
  const { vanMm, bayMm } = known.room();
  return {
    draft: { van: String(vanMm), ...(bayMm === null ? {} : { bay: String(bayMm) }) },
    basis: { "van's height": vanMm, ...(bayMm === null ? {} : { "bay's height": bayMm }) },
    partial: true,
  };
}
