// A hold as it was planned, and how warm it has been where it cures.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  const [job, warmth] = [known?.job(), known?.warmth()];
  if (!job || !warmth) return undefined;
  return {
    draft: {
      holdH: String(Math.round((job.holdMinutes / 60) * 100) / 100),
      ...(job.holdMinC === null ? {} : { minC: String(job.holdMinC) }),
      stretches: warmth.stretches.map((s) => ({ hours: s.hours === undefined ? "" : String(s.hours), tempC: String(s.tempC) })),
    },
    basis: {
      "hold planned": `${Math.round(job.holdMinutes / 60)} h`,
      "read off": warmth.readings,
      "warm at first": warmth.stretches[0].tempC,
    },
    partial: true,
  };
}
