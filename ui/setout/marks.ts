// Findings in the order in which they are read, and the numbers by which those that point into the drawing are found there.

import type { Finding, Level } from "@/core/setout/engine/outcome";

export interface Mark {
  n: number;
  level: Level;
  at: [number, number];
}

const ORDER: readonly Level[] = ["stop", "warn", "ok"];

/** The worst first; what is in order or points nowhere has no number. */
export function numbered(list: readonly Finding[]): (Finding & { n?: number })[] {
  let n = 0;
  return [...list]
    .sort((a, b) => ORDER.indexOf(a.level) - ORDER.indexOf(b.level))
    .map((f) => (f.at && f.level !== "ok" ? { ...f, n: ++n } : f));
}

export const marksOf = (list: readonly Finding[]): Mark[] =>
  numbered(list).flatMap((f) => (f.n && f.at ? [{ n: f.n, level: f.level, at: f.at }] : []));
