// When a hold is over: after its minutes, or at the end of the repeated hour that this would fall into.

import type { Stretch } from "../time/openset";
import type { Minute } from "../time/zone";

/** Instants whose wall time occurs twice, as the compiled problem has them. */
interface Clocks {
  twice: readonly Stretch[];
}

/** A plan says times as clocks show them, so a hold never ends at a time that exists twice: it goes on to the end of that hour. */
export function holdEnd(c: Clocks, end: Minute, hold: number): Minute {
  if (hold === 0) return end;
  const at = end + hold;
  for (const [from, to] of c.twice) if (at >= from && at < to) return to;
  return at;
}
