// Who of the people free could do a job.

import type { JobRow, Shop } from "../state/model";
import { barredFrom } from "./barred";

/** One fitter a demand, the pickiest demand first; undefined when they can't fill it. */
export function crewFrom(shop: Shop, job: JobRow, free: readonly string[], today: string): string[] | undefined {
  const demands = job.crew.flatMap((d) => Array.from({ length: d.people }, () => d));
  const able = demands.map((d) =>
    shop.fitters
      .filter((f) => free.includes(f.id) && !barredFrom(f, job).length)
      .filter((f) => (d.skill === "any" ? Math.max(0, ...Object.values(f.skills)) : (f.skills[d.skill] ?? 0)) >= d.level)
      .filter((f) => !d.ticket || f.tickets.some((t) => t.id === d.ticket && (!t.until || t.until >= today)))
      .map((f) => f.id),
  );
  const order = able.map((_, i) => i).sort((a, b) => able[a].length - able[b].length);
  const taken = new Set<string>();
  const seat = (k: number): boolean => {
    if (k === order.length) return true;
    for (const f of able[order[k]]) {
      if (taken.has(f)) continue;
      taken.add(f);
      if (seat(k + 1)) return true;
      taken.delete(f);
    }
    return false;
  };
  return seat(0) ? [...taken] : undefined;
}
