// The search over the order of builds: every job queues by a time, moved by so many days with its build or a part of it, and each
// order is laid as a whole plan. Which build goes before which matters more than what steps from job to job find afterwards, the
// more so the more builds there are, as measured.

import type { Random } from "../rng";
import type { Minute } from "../time/zone";
import type { Compiled } from "./compile";
import type { Generated, Laid, Rule } from "./generate";
import { isFree } from "./moves";
import { latestFinish, soonestFinish } from "./passes";

const DAY = 1440;

/** How far work is moved in the queue, and how it is laid. */
export interface Order {
  /** Minutes by which each job is moved; negative: forwards. */
  shift: Float64Array;
  /** How far it looks beyond the soonest start. */
  window: Minute;
  costs: Rule["costs"];
}

const COSTS = { move: 90, evict: 240 };
/** Days of sight: how far is best differs by workshop; the calmer it is, the nearer. With less the order decides too little. */
const SIGHTS = [6, 8, 12, 20, 30, 45, 60, 90, 1000];
/**
 * Where to start from: days that a build goes forward for each unit of weight above one, days of sight, and by what it queues: by
 * what its date asks for (0), by what it would need to be over as soon as it could be (1), or between the two. Which is best
 * differs by workshop; these are, of fifty, those of which one was near the best in each that was measured.
 */
const FIRST: readonly (readonly [days: number, sight: number, soonest: number])[] = [
  [12, 1000, 0.5],
  [6, 90, 0],
  [12, 1000, 1],
  [6, 12, 1],
  [0, 45, 0],
  [12, 20, 0.5],
  [12, 90, 0],
  [0, 1000, 0.5],
  [6, 8, 0],
  [6, 90, 1],
];
/** How often the sight, and how often what a move of a van is worth, changes instead of the order. */
const OTHER = 0.05;
/** Work is moved by so many days at most at a time, every other time by few only. */
const FAR = 40;
const FEW = 8;
/** How often only a part of a build is moved: all before one of its jobs, or all behind it. */
const PART = 0.6;
/** So many orders a build without a better one, and it is over. */
const IDLE = 25;

/** Lays a rule as a whole plan, and weighs it. */
export type Lay = (rule: Rule) => Generated & { cost: { total: number } };

/** The orders to start from, each once: where all builds weigh the same, some are alike. `times`: by job, when it queues. */
export function firstOrders(c: Compiled, times: Float64Array): Order[] {
  const known = new Map<string, Order>();
  const soonest = latestFinish(c, soonestFinish(c));
  for (const [days, sight, share] of FIRST) {
    const shift = Float64Array.from(c.jobs, (j, i) => share * (soonest[i] - times[i]) - (c.builds[j.build].weight - 1) * days * DAY);
    known.set(`${shift.join()} ${sight}`, { shift, window: sight * DAY, costs: COSTS });
  }
  return [...known.values()];
}

/** The order of the times themselves. */
export const asItIs = (c: Compiled): Order => ({
  shift: new Float64Array(c.jobs.length),
  window: Number.POSITIVE_INFINITY,
  costs: COSTS,
});

/**
 * Changes the best of some orders for as long as `go` says, which is told how many were laid. `times`: by job, when it queues if it is
 * not moved. What is found is what `lay` was asked for. Deterministic for one random source.
 */
export function searchOrders(
  c: Compiled,
  r: Random,
  times: Float64Array,
  orders: readonly Order[],
  lay: Lay,
  go: (laid: number) => boolean,
): void {
  const moving = c.builds.map((b) => b.jobs.filter((j) => isFree(c.jobs[j]))).filter((jobs) => jobs.length);
  let best: { order: Order; cost: number; laid: Laid } | undefined;
  let laid = 0;
  let idle = 0;
  const tryOut = (order: Order, follow?: Laid): void => {
    const priority = times.map((t, i) => t + order.shift[i]);
    const plan = lay({ name: "order of builds", priority, window: order.window, costs: order.costs, follow });
    laid++;
    idle++;
    if (best && plan.cost.total > best.cost) return;
    // One that is no worse is gone on from: the way over a plain.
    if (!best || plan.cost.total < best.cost) idle = 0;
    best = { order, cost: plan.cost.total, laid: plan.laid };
  };
  for (const order of orders) {
    if (!go(laid)) return;
    tryOut(order);
  }
  // One build alone can't go before another.
  if (moving.length < 2) return;
  while (idle < IDLE * moving.length && go(laid)) {
    const { order } = best!;
    const next = changed(order, moving, times, r);
    const alike = next.window === order.window && next.costs === order.costs;
    tryOut(next, alike ? best!.laid : undefined);
  }
}

/** A sight a step or two further or nearer. */
function nextSight(window: Minute, r: Random): Minute {
  const at = SIGHTS.findIndex((days) => days * DAY >= window);
  const next = (at < 0 ? SIGHTS.length : at) + (r() < 0.5 ? -1 : 1) * (1 + Math.floor(r() * 2));
  return SIGHTS[Math.max(0, Math.min(SIGHTS.length - 1, next))] * DAY;
}

/** An order with one change by chance: mostly a build moved, or a part of it; else the sight, or what moving a van is worth. */
function changed(order: Order, moving: readonly (readonly number[])[], times: Float64Array, r: Random): Order {
  const kind = r();
  if (kind < OTHER) return { ...order, window: nextSight(order.window, r) };
  if (kind < 2 * OTHER) return { ...order, costs: r() < 0.5 ? COSTS : { move: 30 + r() * 600, evict: 60 + r() * 1200 } };
  const shift = Float64Array.from(order.shift);
  const jobs = moving[Math.floor(r() * moving.length)];
  const by = (r() + r() - 1) * (r() < 0.5 ? FEW : FAR) * DAY;
  const cut = r() < PART ? times[jobs[Math.floor(r() * jobs.length)]] : Number.NEGATIVE_INFINITY;
  const behind = cut === Number.NEGATIVE_INFINITY || r() < 0.5;
  for (const j of jobs) if (behind ? times[j] >= cut : times[j] <= cut) shift[j] += by;
  return { ...order, shift };
}
