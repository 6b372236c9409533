// The first dry stretch, and the openings of every build that wait for it.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  const slot = known?.dryStretch();
  if (!slot) return undefined;
  return {
    draft: {
      slot: String(slot.minutes),
      openings: slot.openings.map((o) => ({ ...o, minutes: String(o.minutes), chainDays: String(o.chainDays) })),
    },
    basis: { day: slot.date, "dry stretch, minutes": slot.minutes },
  };
}
