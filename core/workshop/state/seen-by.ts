// Which vans a fitter works on: what they may look at.

import type { Plan } from "../../plan/model";
import type { BuildRow, Shop } from "./model";

/**
 * The builds on which a fitter has a job, in fact or by the published plan, as somebody's helper too. A build that the published plan
 * does not know is anybody's, as its jobs are for whoever takes them up.
 */
export function buildsOf(shop: Pick<Shop, "builds">, published: Pick<Plan, "jobs"> | undefined, fitterId: string): BuildRow[] {
  const planned = new Map((published?.jobs ?? []).map((p) => [p.id, p]));
  return shop.builds.filter(
    (b) =>
      b.jobs.some((j) => {
        const p = planned.get(j.id);
        return j.fitters.includes(fitterId) || !!p?.fitters.includes(fitterId) || !!p?.helpers?.some((h) => h.fitter === fitterId);
      }) || !b.jobs.some((j) => planned.has(j.id)),
  );
}
