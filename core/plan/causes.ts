// Why jobs move together: each moved job is traced back, by the binding reasons of the new plan, to the one that started it.

import type { Move } from "./diff";
import type { Plan, PlanJob } from "./model";

/**
 * By moved job, the moved job that its move comes from; itself where its own reason is no other move (a part, an absence,
 * the weather, a pin). Follows predecessors and holds by name, people and bays by who had them just before.
 */
export function causes(after: Plan, moves: readonly Move[]): Map<string, string> {
  const moved = new Set(moves.map((m) => m.job));
  const byId = new Map(after.jobs.map((j) => [j.id, j]));
  const known = new Map<string, string>();
  const rootOf = (id: string, seen: Set<string>): string => {
    const old = known.get(id);
    if (old !== undefined) return old;
    seen.add(id);
    const job = byId.get(id);
    const from = job && parent(after, job, moved);
    const root = from !== undefined && !seen.has(from) ? rootOf(from, seen) : id;
    known.set(id, root);
    return root;
  };
  for (const m of moves) rootOf(m.job, new Set());
  return known;
}

function parent(after: Plan, job: PlanJob, moved: ReadonlySet<string>): string | undefined {
  const why = job.why?.[0];
  if (!why) return undefined;
  if (why.ref !== undefined && moved.has(why.ref)) return why.ref;
  if (why.kind !== "fitter" && why.kind !== "bay" && why.kind !== "yard" && why.kind !== "shunt") return undefined;
  let last: PlanJob | undefined;
  for (const p of after.jobs) {
    if (p.id === job.id || p.end > job.start || (last && p.end <= last.end)) continue;
    if (why.kind === "fitter" ? p.fitters.includes(why.ref ?? "") || p.fitters.some((f) => job.fitters.includes(f)) : p.place === job.place)
      last = p;
  }
  return last && moved.has(last.id) ? last.id : undefined;
}
