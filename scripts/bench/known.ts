// The best known lengths of the plain benchmark problems, and how those that are proven were proven. Kept in a file, since
// finding them takes hours: each problem that is not proven is sought for as long as asked.

import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { compile } from "../../core/plan/compile";
import { plainOf } from "../../core/plan/plain/model";
import { solvePlain } from "../../core/plan/plain/solve";
import { readProblem } from "../../core/plan/read";
import { type PlainRecipe, plainProblem, plainSet } from "../../core/plan/testing/plain";
import { random } from "../../core/rng";
import { clock } from "./table";

const FILE = "scripts/bench/plain-known.json";

/** How many problems of each size are in the set. */
export const SETS: readonly [jobs: number, count: number][] = [
  [30, 100],
  [60, 48],
  [120, 40],
];

export interface Known {
  /** Units. */
  length: number;
  /** "bound": it meets the critical path or the shared-out work. "search": the exact method has shown that nothing is shorter. */
  proven?: "bound" | "search";
  /** Seconds that the longest search for it took. */
  seconds: number;
}

export const readKnown = (): Record<string, Known> => (existsSync(FILE) ? JSON.parse(readFileSync(FILE, "utf8")) : {});

export const plainOfRecipe = (recipe: PlainRecipe) => plainOf(compile(readProblem(plainProblem(recipe))))!;

/** Searches every problem that is not proven for so many seconds, and writes what is better. */
export function findKnown(seconds: number, only?: number): void {
  for (const [jobs, count] of SETS) {
    if (only !== undefined && jobs !== only) continue;
    for (const recipe of plainSet(jobs, count)) {
      const old = readKnown()[recipe.seed];
      if (old?.proven || (old?.seconds ?? 0) >= seconds) continue;
      const began = clock();
      const found = solvePlain(plainOfRecipe(recipe), random(7), { stop: () => clock() - began > seconds * 1000 });
      // Read again: other runs may write too.
      const known = readKnown();
      known[recipe.seed] = {
        length: Math.min(found.length, old?.length ?? found.length),
        ...(found.proven ? { proven: found.proven } : {}),
        seconds,
      };
      writeFileSync(FILE, `${JSON.stringify(known, null, 2)}\n`);
      console.log(`${jobs} jobs, seed ${recipe.seed}: ${old?.length ?? "-"} -> ${found.length} ${found.proven ?? "open"}`);
    }
  }
}
