// Worker thread that plans, and tries libraries: a task in, messages out. A shared flag stops it; what it has by then is its answer. It stays
// for the next task, so that the compiled code is warm. Built to dist/ by scripts/worker-bundle.ts.

import { parentPort } from "node:worker_threads";
import { readWholeLibrary } from "@/core/library/check-library";
import { chances } from "@/core/plan/chance";
import { cappedFaults, InputError } from "@/core/plan/fault";
import { type Gain, gains } from "@/core/plan/gain";
import { tryPin } from "@/core/plan/pinned";
import { makePlan } from "@/core/plan/planner";
import { readPlan, readProblem } from "@/core/plan/read";
import { rehearse } from "@/core/plan/rehearse";
import type { PlanTask } from "./task";

const post = (message: object) => parentPort?.postMessage(message);

function work(task: PlanTask): unknown {
  const flag = new Int32Array(task.stop);
  const stopped = () => Atomics.load(flag, 0) === 1;
  if (task.kind === "library")
    return readWholeLibrary(task.file, task.excused, (done, all) => {
      post({ progress: { done, all } });
      return !stopped();
    });
  const problem = readProblem(task.problem);
  if (task.kind === "rehearse") return rehearse(problem);
  const start = task.start === undefined ? undefined : readPlan(task.start);
  if (task.kind === "try") return tryPin(problem, start!, task.job, task.wish);
  if (task.kind === "gain") {
    const tell = (gain: Gain, done: number, all: number) => {
      post({ progress: { gain, done, all } });
      return !stopped();
    };
    gains(problem, start!, task.build, tell, task.rate, task.variants, { share: task.share });
    return null;
  }
  if (task.kind === "chance")
    return chances(problem, start!, { share: task.share }, (played, all) => {
      if (played % 5 === 0) post({ progress: { played, all } });
      return !stopped();
    });
  return makePlan(problem, {
    seed: task.seed,
    start,
    local: task.local,
    ...(task.ms === undefined ? { iterations: task.iterations ?? 0 } : { ms: task.ms, clock: () => performance.now() }),
    stopped,
    onBetter: (cost, step) => {
      post({ progress: { cost, step } });
      return undefined;
    },
  });
}

parentPort?.on("message", (task: PlanTask) => {
  try {
    post({ result: work(task) });
  } catch (e) {
    post(e instanceof InputError ? { faults: cappedFaults(e.faults) } : { error: (e as Error).message });
  }
});
