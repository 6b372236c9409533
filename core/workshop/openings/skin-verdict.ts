// An open skin while it is worked on: finish, or sheet over now. Asked anew at each look, by the forecast and the work as they are.

import type { Minute } from "../../time/zone";
import { workedMinutes } from "../builds/left";
import { entriesOf } from "../records/kinds/of";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow, Shop } from "../state/model";
import { opensSkin, type SkinClock, skinClock, skinMinutes } from "./skin";

/** A cut that is nearly over still takes so long. */
const LEAST = 15;

export interface SkinVerdict {
  sheet: boolean;
  /** Minutes of work left in nine cases of ten, and to the limit. */
  rest: number;
  left: number;
  clock: SkinClock;
  /** Who goes on against it, and why. */
  on?: { who: string; why: string };
}

/** The limit in words: what ends the time. */
export const BOUND = { rain: "rain", dusk: "dusk", "end of shift": "the end of the shift" } as const;

/**
 * Of a job that is under way and has the skin open: sheet over once what is left in nine cases of ten and the time to sheet over come to
 * more than the time to rain, dusk or the end of the shift. Undefined for any other.
 */
export function skinVerdict(shop: Shop, build: BuildRow, job: JobRow, place: string, now: Minute): SkinVerdict | undefined {
  if (job.state !== "started" || !opensSkin(job)) return undefined;
  const clock = skinClock(shop, job, place, now);
  const rest = Math.max(LEAST, skinMinutes(job) - workedMinutes(shop, job, now));
  const left = clock.limit - now;
  const said = entriesOf(build.records, "goon").findLast((r) => r.jobId === job.id && r.saidAt >= (job.startedAt ?? now));
  return {
    sheet: rest + figure(shop, "sheetOver") > left,
    rest,
    left: Math.max(0, left),
    clock,
    ...(said ? { on: { who: said.title, why: said.data.why } } : {}),
  };
}
