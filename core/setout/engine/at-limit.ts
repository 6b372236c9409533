// A value exactly at its limit passes, and is said to have no margin.

import { type Finding, round } from "./outcome";

/** Two figures that agree to a hundredth are the same: both were read off something. */
const same = (a: number, b: number): boolean => Math.abs(a - b) < 0.005;

/** A warning where a value stands exactly at its limit; none elsewhere. `what`: "the skin", with its unit. */
export const atLimit = (value: number, limit: number | undefined, about: string, what: string): Finding[] =>
  limit !== undefined && same(value, limit)
    ? [{ level: "warn", about, text: `${what} is exactly at the limit of ${round(limit)}: it passes, with no margin` }]
    : [];
