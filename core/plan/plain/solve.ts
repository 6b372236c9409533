// The two searches on a plain problem, in turns: breeding finds short schedules quickly, the proof finds the last units
// and knows when there is nothing left to find.

import type { Random } from "../../rng";
import { type Best, breed } from "./breed";
import { Prover } from "./exact";
import type { Plain } from "./model";
import { Scheduler } from "./schedule";

export interface SolveOptions {
  /** Asked after every step (a child, or a dead end of the proof); true ends the search. */
  stop(steps: number): boolean;
  onBetter?(best: Best, steps: number): void;
}

export interface Solved extends Best {
  steps: number;
  /** Nothing shorter exists: the length meets the bound of path and work, or the proof is complete. */
  proven?: "bound" | "search";
}

/** Children before the proof sets in, and in each of its turns; dead ends in each turn. The more jobs, the rarer the proof gets through, and the dearer a dead end is against a child. */
const turns = (n: number) =>
  n <= 45
    ? { first: 600, children: 300, deadEnds: 300 }
    : n <= 90
      ? { first: 1500, children: 1000, deadEnds: 150 }
      : { first: 3000, children: 3000, deadEnds: 50 };

/** Starts (units) of a short schedule. Deterministic for one random source and number of steps. */
export function solvePlain(p: Plain, r: Random, options: SolveOptions): Solved {
  const s = new Scheduler(p);
  const best: Best = { starts: new Int32Array(p.n), length: Number.POSITIVE_INFINITY };
  const children = breed(s, r, best);
  const { first, children: turn, deadEnds } = turns(p.n);
  let steps = 0;
  let told = Number.POSITIVE_INFINITY;
  const tell = () => {
    if (best.length >= told) return;
    told = best.length;
    options.onBetter?.(best, steps);
  };
  let prover: Prover | undefined;
  for (let round = 0; ; round++) {
    for (let i = round ? turn : first; i > 0; i--) {
      children.next();
      steps++;
      tell();
      if (best.length <= s.bound) return { ...best, steps, proven: "bound" };
      if (options.stop(steps)) return { ...best, steps };
    }
    prover ??= new Prover(p, best.length);
    prover.tighten(best.length, best.starts);
    for (let until = steps + deadEnds; steps < until; ) {
      let over = false;
      const proof = prover.run(() => {
        steps++;
        over = options.stop(steps);
        return over || steps >= until;
      });
      if (proof.verdict === "optimal") return { ...best, steps, proven: "search" };
      if (proof.verdict === "shorter") {
        best.length = proof.length!;
        best.starts.set(proof.starts!);
        tell();
        if (best.length <= s.bound) return { ...best, steps, proven: "bound" };
        prover.tighten(best.length, best.starts);
      }
      if (over) return { ...best, steps };
    }
  }
}
