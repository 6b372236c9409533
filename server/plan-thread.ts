// Runs the planner on a worker thread, so that the server's event loop stays free.

import path from "node:path";
import { Worker } from "node:worker_threads";
import type { Gain } from "@/core/plan/gain";
import type { Cost, Plan, Problem } from "@/core/plan/model";
import type { PlanTask } from "@/workers/task";

const file = () => process.env.WIDE_LANE_WORKER ?? path.join(/*turbopackIgnore: true*/ process.cwd(), "dist", "plan-worker.mjs");

type Task = PlanTask extends infer T ? (T extends unknown ? Omit<T, "stop"> : never) : never;

export interface Better {
  cost: Cost;
  step: number;
}

export interface GainStep {
  gain: Gain;
  done: number;
  all: number;
}

/** Runs one task. When the signal fires the thread stops by itself and answers with what it has. */
function run<R, P>(task: Task, onProgress: (p: P) => void, signal?: AbortSignal): Promise<R> {
  return new Promise((resolve, reject) => {
    const stop = new SharedArrayBuffer(4);
    const flag = new Int32Array(stop);
    const onAbort = () => Atomics.store(flag, 0, 1);
    if (signal?.aborted) onAbort();
    signal?.addEventListener("abort", onAbort, { once: true });
    const worker = new Worker(file(), { workerData: { ...task, stop } satisfies PlanTask });
    const over = () => signal?.removeEventListener("abort", onAbort);
    worker.on("message", (m: { progress?: P; result?: R; error?: string }) => {
      if (m.progress !== undefined) return onProgress(m.progress);
      over();
      void worker.terminate();
      if (m.error === undefined) resolve(m.result as R);
      else reject(new Error(m.error));
    });
    worker.once("error", (e) => {
      over();
      reject(e);
    });
  });
}

/** Plans off the main thread, for a number of steps or for a time; the best so far when stopped. */
export const planInThread = (
  problem: Problem,
  options: { seed: number; iterations?: number; ms?: number; start?: Plan; local?: boolean },
  onBetter: (b: Better) => void = () => undefined,
  signal?: AbortSignal,
): Promise<Plan> => run<Plan, Better>({ kind: "plan", problem, ...options }, onBetter, signal);

/** Tries the measures that could gain a day for a build; each is told as it is done. */
export const gainsInThread = (
  problem: Problem,
  start: Plan,
  build: string,
  onGain: (g: GainStep) => void,
  signal?: AbortSignal,
): Promise<null> => run<null, GainStep>({ kind: "gain", problem, start, build }, onGain, signal);
