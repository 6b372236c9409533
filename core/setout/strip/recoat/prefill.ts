// The next coat starts from how warm it is where the job is planned.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  const site = known?.site();
  return site && { draft: { tempC: String(site.tempC) }, basis: { "temperature there": site.tempC }, partial: true };
}
