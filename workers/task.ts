// What the planner's worker thread takes: one task after the other, each answered before the next.

import type { Role } from "@/core/library/roles";
import type { Wish } from "@/core/plan/pinned";
import type { Variant } from "@/core/plan/variants";

interface Stoppable {
  /** One Int32 that becomes 1 when the thread should stop with what it has. */
  stop: SharedArrayBuffer;
}

interface Base extends Stoppable {
  problem: unknown;
  /** A plan to go on from. */
  start?: unknown;
}

export type PlanTask =
  | (Base & { kind: "plan"; seed: number; iterations?: number; ms?: number; local?: boolean })
  | (Base & { kind: "gain"; build: string; rate: number; variants: Variant[]; share: number })
  | (Base & { kind: "chance"; share: number })
  | (Base & { kind: "try"; job: string; wish: Wish })
  | (Base & { kind: "rehearse" })
  // A library file is read and tried with many choices.
  | (Stoppable & { kind: "library"; file: unknown; excused: readonly Role[] });
