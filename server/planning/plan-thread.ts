// Runs the planner on a worker thread, so that the server's event loop stays free.

import path from "node:path";
import { Worker } from "node:worker_threads";
import type { Entry } from "@/core/library/library";
import type { Role } from "@/core/library/roles";
import type { Chances } from "@/core/plan/chance";
import { type Fault, InputError } from "@/core/plan/fault";
import type { Gain } from "@/core/plan/gain";
import type { Cost, Plan, Problem } from "@/core/plan/model";
import type { Verdict, Wish } from "@/core/plan/pinned";
import type { Variant } from "@/core/plan/variants";
import type { PlanTask } from "@/workers/task";
import { Refusal } from "../refusal";

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

/** Threads that wait for a task; kept, since a warm one plans several times as fast as a new one. */
const idle: Worker[] = [];
const KEEP = 1;

/** So many plan at once; more would only take each other's time. The others wait, and a crowd is told to come back. */
const AT_ONCE = 2;
const MOST_WAITING = 24;
const waiting: (() => void)[] = [];
let running = 0;

async function inThread<R, P>(task: Task, onProgress: (p: P) => void, signal?: AbortSignal): Promise<R> {
  if (running < AT_ONCE) running++;
  else {
    if (waiting.length >= MOST_WAITING) throw new Refusal(503, "Much is being planned at this moment. Try again in a little while.");
    await new Promise<void>((go) => waiting.push(go));
  }
  try {
    return await run<R, P>(task, onProgress, signal);
  } finally {
    const next = waiting.shift();
    if (next) next();
    else running--;
  }
}

let warmed = false;

/** Has a thread ready with its code compiled: rehearses on the problem, for nothing, the first time this is called. */
export function warmUp(problem: () => Problem): void {
  if (warmed) return;
  warmed = true;
  run({ kind: "rehearse", problem: problem() }, () => undefined).catch(() => {
    warmed = false;
  });
}

/** Runs one task. When the signal fires the thread stops by itself and answers with what it has. */
function run<R, P>(task: Task, onProgress: (p: P) => void, signal?: AbortSignal): Promise<R> {
  return new Promise((resolve, reject) => {
    const stop = new SharedArrayBuffer(4);
    const flag = new Int32Array(stop);
    const onAbort = () => Atomics.store(flag, 0, 1);
    if (signal?.aborted) onAbort();
    signal?.addEventListener("abort", onAbort, { once: true });
    const worker = idle.pop() ?? new Worker(file(), { resourceLimits: { maxOldGenerationSizeMb: 700, maxYoungGenerationSizeMb: 24 } });
    worker.ref();
    // Only these handlers are taken off: a worker listens to itself too.
    const over = () => {
      signal?.removeEventListener("abort", onAbort);
      worker.off("message", onMessage);
      worker.off("error", onError);
    };
    const onMessage = (m: { progress?: P; result?: R; error?: string; faults?: Fault[] }) => {
      if (m.progress !== undefined) return onProgress(m.progress);
      over();
      if (m.error === undefined && idle.length < KEEP) {
        worker.unref();
        idle.push(worker);
      } else void worker.terminate();
      if (m.faults) reject(new InputError(m.faults));
      else if (m.error === undefined) resolve(m.result as R);
      else reject(new Error(m.error));
    };
    const onError = (e: Error) => {
      over();
      reject(e);
    };
    worker.on("message", onMessage);
    worker.once("error", onError);
    worker.postMessage({ ...task, stop } satisfies PlanTask);
  });
}

/** Plans off the main thread, for a number of steps or for a time; the best so far when stopped. */
export const planInThread = (
  problem: Problem,
  options: { seed: number; iterations?: number; ms?: number; start?: Plan; local?: boolean },
  onBetter: (b: Better) => void = () => undefined,
  signal?: AbortSignal,
): Promise<Plan> => inThread<Plan, Better>({ kind: "plan", problem, ...options }, onBetter, signal);

/** Tries the measures that could gain a day for a build; each is told as it is done. `rate`: what an hour of work costs. */
export const gainsInThread = (
  problem: Problem,
  start: Plan,
  build: string,
  rate: number,
  variants: Variant[],
  share: number,
  onGain: (g: GainStep) => void,
  signal?: AbortSignal,
): Promise<null> => inThread<null, GainStep>({ kind: "gain", problem, start, build, rate, variants, share }, onGain, signal);

/** Plays a plan through by chance; the share asked for as 0.8. What was played when it is stopped. */
export const chancesInThread = (
  problem: Problem,
  start: Plan,
  share: number,
  onPlayed: (p: { played: number; all: number }) => void,
  signal?: AbortSignal,
): Promise<Chances> => inThread<Chances, { played: number; all: number }>({ kind: "chance", problem, start, share }, onPlayed, signal);

/** What a pin would do, against the plan at hand. */
export const tryInThread = (problem: Problem, start: Plan, job: string, wish: Wish): Promise<Verdict> =>
  inThread<Verdict, never>({ kind: "try", problem, start, job, wish }, () => undefined);

/**
 * Reads a library file and tries it with many choices; tells how far it is. Throws InputError with the place of every fault. `excused`:
 * roles that it may lack.
 */
export const readLibraryInThread = (
  file: unknown,
  excused: readonly Role[] = [],
  onTry: (p: { done: number; all: number }) => void = () => undefined,
  signal?: AbortSignal,
): Promise<Entry[]> => inThread<Entry[], { done: number; all: number }>({ kind: "library", file, excused }, onTry, signal);
