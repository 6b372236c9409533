// What a build that is another, or any other change of the problem, would do to the dates: planned, not stored.

import type { Plan, Problem } from "@/core/plan/model";
import type { DateMove } from "@/core/workshop/builds/previews";
import type { BuildRow } from "@/core/workshop/state/model";
import { toProblem } from "@/core/workshop/state/problem";
import { planInThread } from "./plan-thread";
import type { State } from "./planning";

/** Dates that move by planning another problem, and one build's own in any case. */
export const datesOf = async (state: State, problem: Problem, own: string): Promise<DateMove[]> =>
  (await planWith(state, problem, own)).dates;

/** The same with the plan that was made. */
export async function planWith({ shop, zone, working }: State, problem: Problem, own: string): Promise<{ plan: Plan; dates: DateMove[] }> {
  const plan = await planInThread(problem, { seed: 1, iterations: 0, local: true });
  const dates = shop.builds.flatMap((b) => {
    const before = working?.plan.builds.find((x) => x.id === b.id)?.finish ?? null;
    const after = plan.builds.find((x) => x.id === b.id)?.finish ?? null;
    if (before === after && b.id !== own) return [];
    return [{ build: b.name, before, after, late: after !== null && zone.parse(after) > b.due }];
  });
  return { plan, dates };
}

/** The same for a build that is another. */
export async function datesWith(state: State, changed: BuildRow): Promise<DateMove[]> {
  const { shop, now, published } = state;
  const builds = shop.builds.map((b) => (b.id === changed.id ? changed : b));
  return datesOf({ ...state, shop: { ...shop, builds } }, toProblem({ ...shop, builds }, now, published?.plan), changed.id);
}
