// The land of the opening that is kept for the job, and the unit as it was measured when its box was opened.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  const land = known?.opening()?.minLand;
  const { spigot, flange } = known?.box() ?? {};
  if (land === undefined && !spigot && !flange) return undefined;
  return {
    draft: {
      ...(land === undefined ? {} : { land: String(land) }),
      ...(spigot ? { "spigot.w": String(spigot.w), "spigot.h": String(spigot.h) } : {}),
      ...(flange ? { "flange.w": String(flange.w), "flange.h": String(flange.h) } : {}),
    },
    basis: {
      ...(land === undefined ? {} : { "land asked for": land }),
      ...(spigot ? { spigot: `${spigot.w} × ${spigot.h}` } : {}),
      ...(flange ? { flange: `${flange.w} × ${flange.h}` } : {}),
    },
    partial: true,
  };
}
