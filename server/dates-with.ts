// What a build that is another would do to the dates, of its own and of the others: planned, not stored.

import type { BuildRow } from "@/core/shop/model";
import type { OptionPreview } from "@/core/shop/previews";
import { toProblem } from "@/core/shop/problem";
import { planInThread } from "./plan-thread";
import type { State } from "./planning";

/** Dates that move, and the build's own in any case. */
export async function datesWith({ shop, now, zone, working, published }: State, changed: BuildRow): Promise<OptionPreview["dates"]> {
  const builds = shop.builds.map((b) => (b.id === changed.id ? changed : b));
  const plan = await planInThread(toProblem({ ...shop, builds }, now, published?.plan), { seed: 1, iterations: 0, local: true });
  return builds.flatMap((b) => {
    const before = working?.plan.builds.find((x) => x.id === b.id)?.finish ?? null;
    const after = plan.builds.find((x) => x.id === b.id)?.finish ?? null;
    if (before === after && b.id !== changed.id) return [];
    return [{ build: b.name, before, after, late: after !== null && zone.parse(after) > b.due }];
  });
}
