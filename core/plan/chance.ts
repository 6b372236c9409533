// The chance of each date: the plan played through many times with times of work drawn between best and worst, everybody keeping to the
// planned order, crews and bays.

import { type Random, random } from "../rng";
import { type Minute, zoneOf } from "../time/zone";
import { compile, type Job } from "./compile";
import type { Plan, Problem, ProblemJob } from "./model";
import { clampPart } from "./part";
import { pushOn } from "./push";

export interface BuildChance {
  build: string;
  /** Share of the times played through in which it is done by its deadline, 0 to 1. */
  byDue: number;
  /** When it is done in half of them, and in the share asked for; local wall times. */
  half: string;
  at: string;
}

export interface Chances {
  /** Share asked for, as 0.8. */
  share: number;
  /** Times played through, and those that could not be (a pin or a ticket was in the way of pushing the plan on). */
  played: number;
  lost: number;
  /** Of those played, in how many a job of one day had to count as planned: as long as it was drawn no day was long enough for it. */
  shortened: number;
  /** Builds with work whose every job has a place in the plan. */
  builds: BuildChance[];
}

/** Two of these make one number of a normal distribution (Box and Muller). */
const normal = (r: Random): number => Math.sqrt(-2 * Math.log(1 - r())) * Math.cos(2 * Math.PI * r());

/** A number of the gamma distribution of shape k ≥ 1, scale 1 (Marsaglia and Tsang). */
function gamma(r: Random, k: number): number {
  const d = k - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = normal(r);
    const v = (1 + c * x) ** 3;
    if (v > 0 && Math.log(1 - r()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
  }
}

/**
 * A time of work between best and worst, minutes, at least 1: a beta distribution whose mean is (best + 4·likely + worst) ÷ 6, the
 * three-point mean that the plan itself goes by. One number stands as it is.
 */
export function drawMinutes(r: Random, minutes: ProblemJob["minutes"]): number {
  if (typeof minutes === "number") return minutes;
  const { best, likely, worst } = minutes;
  if (worst <= best) return Math.max(1, best);
  const a = gamma(r, 1 + (4 * (likely - best)) / (worst - best));
  const b = gamma(r, 1 + (4 * (worst - likely)) / (worst - best));
  return Math.max(1, Math.round(best + (a / (a + b)) * (worst - best)));
}

/** The smallest value that a share of a sorted list does not pass. */
export const quantile = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.max(0, Math.ceil(share * sorted.length) - 1))];

/**
 * Plays `plan` through `times` times. Times of work of jobs not begun are drawn; parts, weather, people and openings of calendars are as
 * in the problem. A job is begun no earlier than planned: a gain is not taken, a loss is passed on. Deterministic by the seed.
 * `tell` is called after each; returning false stops, with what has been played by then.
 * E.g. one build of one job of 60 to 120 min planned at 90, due at the end of its day: byDue 1.
 */
export function chances(
  problem: Problem,
  plan: Plan,
  { times = 200, seed = 1, share = 0.8 }: { times?: number; seed?: number; share?: number } = {},
  tell?: (played: number, all: number) => boolean | undefined,
): Chances {
  const r = random(seed);
  const zone = zoneOf(problem.zone);
  const placed = new Set(plan.jobs.map((j) => j.id));
  const whole = problem.builds.filter(
    (b) => b.jobs.length > 0 && b.jobs.every((j) => placed.has(j.id) || (typeof j.state === "object" && "done" in j.state)),
  );
  const wholeIds = new Set(whole.map((b) => b.id));
  // A pinned start is a wish here: what is late pushes it on like everything else.
  const base: Problem = {
    ...problem,
    published: plan,
    builds: problem.builds.map((b) => ({ ...b, jobs: b.jobs.filter((j) => placed.has(j.id) || j.state !== "todo").map(unpinned) })),
  };
  const finishes = new Map<string, Minute[]>(whole.map((b) => [b.id, []]));
  const due = new Map(whole.map((b) => [b.id, zone.parse(b.due)]));
  // Read once: only the minutes differ from one time to the next.
  const c = compile(base);
  const minutes = base.builds.flatMap((b) => b.jobs.map((j) => (j.state === "todo" ? j.minutes : undefined)));
  let lost = 0;
  let shortened = 0;
  let played = 0;
  for (; played < times; played++) {
    const jobs = c.jobs.map((j, i) => {
      const drawn = minutes[i];
      return drawn === undefined ? j : lasting(j, drawMinutes(r, drawn));
    });
    let pushed = pushOn({ ...c, jobs });
    if (!pushed) {
      // What has to be done in one day is done in one, however slow: where no day is long enough it counts as planned.
      pushed = pushOn({ ...c, jobs: jobs.map((j, i) => (j.sameDay && j.minutes > c.jobs[i].minutes ? c.jobs[i] : j)) });
      if (pushed) shortened++;
    }
    if (!pushed) lost++;
    else for (const [i, b] of base.builds.entries()) if (wholeIds.has(b.id)) finishes.get(b.id)!.push(pushed.finishes[i]);
    if (tell?.(played + 1, times) === false) {
      played++;
      break;
    }
  }
  return {
    share,
    played,
    lost,
    shortened,
    builds: whole.flatMap((b) => {
      const sorted = finishes.get(b.id)!.sort((x, y) => x - y);
      if (!sorted.length) return [];
      return [
        {
          build: b.id,
          byDue: sorted.filter((f) => f <= due.get(b.id)!).length / sorted.length,
          half: zone.show(quantile(sorted, 0.5)),
          at: zone.show(quantile(sorted, share)),
        },
      ];
    }),
  };
}

/** A job that takes so many minutes; helpers are there for the same minutes of it, as far as it goes. */
function lasting(j: Job, minutes: number): Job {
  if (!j.partial) return { ...j, minutes };
  return {
    ...j,
    minutes,
    demands: j.demands.map((d) => (d.part ? { ...d, part: clampPart({ from: d.part[0], to: d.part[1] }, minutes) } : d)),
    parts: j.parts.map((p) => p && clampPart({ from: p[0], to: p[1] }, minutes)),
  };
}

function unpinned(j: ProblemJob): ProblemJob {
  if (!j.pin?.start) return j;
  const { start: _start, ...pin } = j.pin;
  return { ...j, pin };
}
