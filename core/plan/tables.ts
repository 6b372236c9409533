// Tables that a compiled problem looks things up in: which jobs meet in a zone, which hours are alike.

import type { OpenSet } from "../time/openset";
import type { ProblemJob } from "./model";

/** Numbers sets so that equal ones get the same number, from 0. */
export function classes(): (set: OpenSet) => number {
  const seen: OpenSet[] = [];
  return (set) => {
    const n = seen.findIndex((x) => x.equals(set));
    return n < 0 ? seen.push(set) - 1 : n;
  };
}

export interface Matrices {
  n: number;
  /** meets[a·n + b]: jobs a and b share a zone. */
  meets: Uint8Array;
  /** keepsOff[a·n + b]: the hold of a keeps b off. */
  keepsOff: Uint8Array;
  /** By row: the rows of others that meet it, are kept off by it or keep it off. */
  near: number[][];
}

/** Fills a build's matrices by its jobs, in their order. Bench jobs meet nobody. */
export function fillMatrices(build: Matrices, jobs: readonly ProblemJob[]): void {
  // Zones as bits, in as many words as it takes.
  const names = [...new Set(jobs.flatMap((j) => [...j.zones, ...(Array.isArray(j.hold?.keepOff) ? j.hold.keepOff : [])]))];
  const bit = new Map(names.map((z, i) => [z, i]));
  const words = Math.max(1, Math.ceil(names.length / 30));
  const mask = (zones: readonly string[]): number[] => {
    const m = new Array<number>(words).fill(0);
    for (const z of zones) m[Math.floor(bit.get(z)! / 30)] |= 1 << (bit.get(z)! % 30);
    return m;
  };
  const own = jobs.map((j) => (j.place === "van" ? mask(j.zones) : undefined));
  const off = jobs.map((j) =>
    j.place !== "van" || !j.hold?.keepOff ? undefined : j.hold.keepOff === "all" ? "all" : mask(j.hold.keepOff),
  );
  const touch = (a: readonly number[], b: readonly number[]) => {
    for (let w = 0; w < words; w++) if ((a[w] & b[w]) !== 0) return true;
    return false;
  };
  for (let i = 0; i < jobs.length; i++) {
    const a = own[i];
    if (!a) continue;
    const keep = off[i];
    for (let k = 0; k < jobs.length; k++) {
      const b = own[k];
      if (!b) continue;
      if (touch(a, b)) build.meets[i * build.n + k] = 1;
      if (keep && (keep === "all" ? jobs[k].zones.length > 0 : touch(keep, b))) build.keepsOff[i * build.n + k] = 1;
    }
  }
  const { n, meets, keepsOff } = build;
  build.near = jobs.map((_, i) => {
    const rows: number[] = [];
    for (let k = 0; k < n; k++) if (k !== i && (meets[i * n + k] || keepsOff[i * n + k] || keepsOff[k * n + i])) rows.push(k);
    return rows;
  });
}
