// How often a job was put off from one published plan to the next, and by how much: the third time asks for a decision.

import { figure, type House } from "../state/house-figures";
import type { JobRow } from "../state/model";
import { sayMinutes } from "../state/say";

export interface Delay {
  count: number;
  /** Elapsed minutes, all told. */
  minutes: number;
}

export const delayWords = (s: Delay): string => `put off ${s.count === 1 ? "once" : `${s.count} times`}, ${sayMinutes(s.minutes)} in all`;

/** Whether the lead is asked about it: often put off and still not begun. */
export const delayAsks = (house: House, job: Pick<JobRow, "state">, s: Delay | undefined): boolean =>
  job.state === "todo" && (s?.count ?? 0) >= figure(house, "delaysAsk");
