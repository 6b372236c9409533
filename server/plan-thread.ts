// Runs the planner on a worker thread, so that the server's event loop stays free.

import path from "node:path";
import { Worker } from "node:worker_threads";
import type { Plan, Problem } from "@/core/plan/model";

const file = () => process.env.WIDE_LANE_WORKER ?? path.join(/*turbopackIgnore: true*/ process.cwd(), "dist", "plan-worker.mjs");

/** Plans off the main thread; rejects with an AbortError when the signal fires. */
export function planInThread(problem: Problem, options: { iterations: number; seed: number }, signal?: AbortSignal): Promise<Plan> {
  return new Promise((resolve, reject) => {
    if (signal?.aborted) return reject(signal.reason);
    const worker = new Worker(file(), { workerData: { problem, ...options } });
    const stop = () => {
      void worker.terminate();
      reject(signal?.reason);
    };
    signal?.addEventListener("abort", stop, { once: true });
    const over = () => signal?.removeEventListener("abort", stop);
    worker.once("message", (m: { plan?: Plan; error?: string }) => {
      over();
      void worker.terminate();
      if (m.plan) resolve(m.plan);
      else reject(new Error(m.error));
    });
    worker.once("error", (e) => {
      over();
      reject(e);
    });
  });
}
