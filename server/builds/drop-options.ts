// What a client could go without to gain a day: each option whose work is all still to do, as a build of its own to be planned.

import { CHOICES, leftOut, sayChoice } from "@/core/library/choices";
import { conflictsOf } from "@/core/library/conflicts";
import type { Options } from "@/core/library/options";
import type { Variant } from "@/core/plan/variants";
import type { BuildRow, Shop } from "@/core/workshop/state/model";
import { toProblem } from "@/core/workshop/state/problem";
import { optionChange } from "./option-change";

/** So many are tried: those with most work in them. */
const MOST = 3;

export async function droppable(shop: Shop, build: BuildRow, now: number): Promise<Variant[]> {
  const geometry = shop.vans.find((v) => v.id === build.vanId)?.geometry;
  const out: { minutes: number; variant: Variant }[] = [];
  for (const c of CHOICES) {
    if (c.kind !== "option") continue;
    const value = leftOut(c.key, build.options);
    if (value === undefined) continue;
    const options = { ...build.options, [c.key]: value } as Options;
    if (conflictsOf(options, geometry).some((x) => x.level === "stop")) continue;
    const change = await optionChange(undefined, shop, build, options);
    // Only what nobody has begun: taking out again gains no day.
    if (change.lost.length || change.reopened.length || change.minutes >= 0) continue;
    const changed = { ...build, options, jobs: change.jobs };
    const problem = toProblem({ ...shop, builds: shop.builds.map((b) => (b.id === build.id ? changed : b)) }, now);
    out.push({
      minutes: change.minutes,
      variant: {
        kind: "drop",
        text: `the client goes without: ${sayChoice(c.key, build.options[c.key])}`,
        price: `${Math.abs(change.cost)} ${shop.workshop.currency} of parts less${change.wasted ? `, ${change.wasted} of it ordered already` : ""}`,
        build: problem.builds.find((b) => b.id === build.id)!,
      },
    });
  }
  return out
    .sort((a, b) => a.minutes - b.minutes)
    .slice(0, MOST)
    .map((x) => x.variant);
}
