// Lays blocks in as few rows as it takes, none over another.

import type { Minute } from "../time/zone";

/** Gives each block the first row that is free where it begins. How many rows there are. */
export function pack(blocks: { from: Minute; to: Minute; row: number }[]): number {
  const ends: Minute[] = [];
  for (const x of blocks.sort((a, b) => a.from - b.from || b.to - a.to)) {
    let row = ends.findIndex((e) => e <= x.from);
    if (row === -1) row = ends.push(0) - 1;
    x.row = row;
    ends[row] = x.to;
  }
  return ends.length;
}
