// What moves from one plan to another: jobs, crews, places and handovers.

import type { Zone } from "../time/zone";
import type { Plan, PlanJob } from "./model";

export interface Move {
  job: string;
  /** Start in minutes; null where the plan has no place for it. */
  from: number | null;
  to: number | null;
  oldFitters: string[];
  newFitters: string[];
  oldPlace: string | null;
  newPlace: string | null;
  /** The binding reason of the new start. */
  why: string;
}

export interface HandoverMove {
  build: string;
  from: number | null;
  to: number | null;
}

export interface Diff {
  moves: Move[];
  handovers: HandoverMove[];
}

const same = (a: readonly string[], b: readonly string[]) => a.length === b.length && a.every((x) => b.includes(x));

/**
 * Compares two plans of one workshop. `fixed` names jobs that are facts by now and can't move.
 * A job counts as moved when its start, its crew or its place differs.
 */
export function diffPlans(zone: Zone, before: Plan | undefined, after: Plan, fixed: ReadonlySet<string>): Diff {
  const old = new Map((before?.jobs ?? []).map((j) => [j.id, j]));
  const fresh = new Map(after.jobs.map((j) => [j.id, j]));
  const at = (j: PlanJob | undefined) => (j ? zone.parse(j.start) : null);
  const moves: Move[] = [];
  for (const id of new Set([...old.keys(), ...fresh.keys(), ...after.unplaced.map((u) => u.job)])) {
    if (fixed.has(id)) continue;
    const a = old.get(id);
    const b = fresh.get(id);
    if (!a && !b) continue;
    if (a && b && a.start === b.start && a.place === b.place && same(a.fitters, b.fitters)) continue;
    moves.push({
      job: id,
      from: at(a),
      to: at(b),
      oldFitters: a?.fitters ?? [],
      newFitters: b?.fitters ?? [],
      oldPlace: a?.place ?? null,
      newPlace: b?.place ?? null,
      why: b?.why?.[0]?.text ?? after.unplaced.find((u) => u.job === id)?.reason ?? "it is no longer in the plan",
    });
  }
  moves.sort((x, y) => (x.to ?? x.from ?? 0) - (y.to ?? y.from ?? 0));
  const finish = (p: Plan | undefined, id: string) => {
    const f = p?.builds.find((b) => b.id === id)?.finish;
    return f ? zone.parse(f) : null;
  };
  const ids = new Set([...(before?.builds ?? []), ...after.builds].map((b) => b.id));
  const handovers = [...ids]
    .map((build) => ({ build, from: finish(before, build), to: finish(after, build) }))
    .filter((h) => h.from !== h.to);
  return { moves, handovers };
}
