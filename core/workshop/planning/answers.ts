// What an answer of the planner does to the published plan, in one line: how many jobs move, and whose date.

import { diffPlans, type Move } from "../../plan/diff";
import type { Plan } from "../../plan/model";
import { SAME_START } from "../../plan/replan/weight";
import { zoneOf } from "../../time/zone";
import { workingDays } from "../state/dates";
import { factJobs } from "../state/facts";
import type { Shop } from "../state/model";

export interface Answer {
  /** Jobs that begin more than a quarter of an hour from their published start, are done by others or elsewhere, or lose their place. */
  moved: number;
  /** Builds whose date moves, the furthest first: working days later than published; negative: earlier. */
  dates: { build: string; days: number }[];
}

/** How many of the moves count: a start within a quarter of an hour, by the same people at the same place, does not. */
export const countMoved = (moves: readonly Move[]): number =>
  moves.filter(
    (m) =>
      m.from === null ||
      m.to === null ||
      Math.abs(m.to - m.from) > SAME_START ||
      m.oldPlace !== m.newPlace ||
      m.oldFitters.some((f) => !m.newFitters.includes(f)),
  ).length;

/** An answer against the published plan. */
export function answerOf(shop: Shop, published: Plan, plan: Plan): Answer {
  const { moves, handovers } = diffPlans(zoneOf(shop.workshop.zone), published, plan, factJobs(shop));
  const names = new Map(shop.builds.map((b) => [b.id, b.name]));
  const dates = handovers
    .flatMap(({ build, from, to }) => {
      const name = names.get(build);
      return name && from !== null && to !== null ? [{ build: name, days: workingDays(shop, from, to) }] : [];
    })
    .filter((d) => d.days !== 0)
    .sort((x, y) => Math.abs(y.days) - Math.abs(x.days) || x.build.localeCompare(y.build));
  return { moved: countMoved(moves), dates };
}

/** So many dates are named, the others counted. */
const NAMED = 2;

/**
 * An answer in one line.
 *
 * Example: "3 jobs move, all dates as published"; "288 jobs move, Seed library 24 days earlier, Night bakery 2 days later, 1 more date moves".
 */
export function sayAnswer({ moved, dates }: Answer): string {
  const jobs = moved === 0 ? "nothing moves" : `${moved} ${moved === 1 ? "job moves" : "jobs move"}`;
  if (!dates.length) return `${jobs}, all dates as published`;
  const named = dates.slice(0, NAMED).map(({ build, days }) => {
    const n = Math.abs(days);
    return `${build} ${n} ${n === 1 ? "day" : "days"} ${days > 0 ? "later" : "earlier"}`;
  });
  const more = dates.length - named.length;
  return [jobs, ...named, ...(more > 0 ? [`${more} more ${more === 1 ? "date moves" : "dates move"}`] : [])].join(", ");
}
