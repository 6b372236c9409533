// The workshop's clock. WIDE_LANE_NOW (wall time in the workshop's zone) stops it for tests and pictures.

import type { Zone } from "@/core/time/zone";

/** Now in minutes since 1970 (UTC). */
export function nowMinute(zone: Zone): number {
  const fixed = process.env.WIDE_LANE_NOW;
  if (!fixed) return Math.floor(Date.now() / 60_000);
  const t = zone.parse(fixed);
  if (Number.isNaN(t)) throw new Error(`WIDE_LANE_NOW is ${fixed}; expected YYYY-MM-DDTHH:MM`);
  return t;
}
