// Cure starts from the coldest that it gets where the job is planned: what cures stands there through the night.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  const site = known?.site();
  return site && { draft: { tempC: String(site.nightC) }, basis: { "coldest there": site.nightC }, partial: true };
}
