// The air where the job is planned, and the least that its product takes; the skin is measured.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  const site = known?.site();
  if (!site) return undefined;
  const min = known?.job()?.minTempC ?? null;
  return {
    draft: { airC: String(site.tempC), ...(min === null ? {} : { minC: String(min) }) },
    basis: { "air there": site.tempC },
    partial: true,
  };
}
