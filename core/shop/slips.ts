// How often a job was put off from one published plan to the next, and by how much: the third time asks for a decision.

import type { JobRow } from "./model";
import { sayMinutes } from "./say";

export interface Slip {
  count: number;
  /** Elapsed minutes, all told. */
  minutes: number;
}

/** A start that is later by less than this is no slip, minutes; so many slips ask. House figures. */
export const SLIP_FROM = 60;
export const SLIPS_ASK = 3;

export const slipWords = (s: Slip): string => `put off ${s.count === 1 ? "once" : `${s.count} times`}, ${sayMinutes(s.minutes)} in all`;

/** Whether the lead is asked about it: often put off and still not begun. */
export const slipAsks = (job: Pick<JobRow, "state">, s: Slip | undefined): boolean => job.state === "todo" && (s?.count ?? 0) >= SLIPS_ASK;
