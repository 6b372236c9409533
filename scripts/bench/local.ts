// How far a change reaches by itself: what moves when all that it hits is only pushed on. The yardstick for what a replan moves.

import { compile } from "../../core/plan/compile";
import type { Problem } from "../../core/plan/model";
import { pushOn } from "../../core/plan/push";

/** Share of the published work that pushing on moves; 1 where that can't be done, or where work comes in that was never published. */
export const reachOf = (problem: Problem): number => pushOn(compile(problem))?.share ?? 1;
