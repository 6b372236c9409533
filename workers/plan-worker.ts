// Worker thread that plans: a problem in, a plan out. Built to dist/ by scripts/build.ts.

import { parentPort, workerData } from "node:worker_threads";
import { makePlan } from "@/core/plan/planner";
import { readProblem } from "@/core/plan/read";

const { problem, iterations, seed } = workerData as { problem: unknown; iterations: number; seed: number };
try {
  const plan = makePlan(readProblem(problem), { iterations, seed });
  parentPort?.postMessage({ plan });
} catch (e) {
  parentPort?.postMessage({ error: (e as Error).message });
}
