// How far dates may lie away: beyond these, a date is a slip of the finger, and a walk over its days would not end.

import { DAY, type Minute } from "./zone";

/** Years that a date may have, first and last. */
export const YEARS = [2000, 2099] as const;

/** So many days are looked at in one walk at most; what lies behind counts as closed. */
export const MOST_DAYS = 4000;

/** So far ahead a date may be set: as far as the longest planning horizon reaches. */
export const AHEAD_DAYS = 1500;

/** So far back a date may be set. */
export const BACK_DAYS = 3650;

/**
 * What is wrong with an instant that somebody sets; undefined: nothing.
 * @example farFault(now + 9 * 365 * 1440, now) // "lies more than 1,500 days ahead"
 */
export function farFault(t: Minute, now: Minute): string | undefined {
  if (t > now + AHEAD_DAYS * DAY) return "lies more than 1,500 days ahead";
  if (t < now - BACK_DAYS * DAY) return "lies more than ten years back";
  return undefined;
}

/** The last day of a walk from one day to another. */
export const lastOfWalk = (first: number, last: number): number => Math.min(last, first + MOST_DAYS);
