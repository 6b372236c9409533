// Checks a build's network: that its order can be worked, that nothing is covered without proof, that all of it leads to the handover.

import type { Fault } from "../plan/fault";
import type { NetworkJob } from "./network";

/** The codes of all jobs that must be over before this one. */
export function ancestors(jobs: readonly NetworkJob[]): Map<string, Set<string>> {
  const by = new Map(jobs.map((j) => [j.code, j]));
  const out = new Map<string, Set<string>>();
  const walk = (code: string): Set<string> => {
    const old = out.get(code);
    if (old) return old;
    const set = new Set<string>();
    out.set(code, set);
    for (const a of by.get(code)?.after ?? []) {
      set.add(a.job);
      for (const b of walk(a.job)) set.add(b);
    }
    return set;
  };
  for (const j of jobs) walk(j.code);
  return out;
}

/** A round of precedences, as codes in turn, the first repeated at the end; undefined when there is none. */
export function cycleIn(jobs: readonly NetworkJob[]): string[] | undefined {
  const by = new Map(jobs.map((j) => [j.code, j]));
  const done = new Set<string>();
  const path: string[] = [];
  const visit = (code: string): string[] | undefined => {
    const at = path.indexOf(code);
    if (at >= 0) return [...path.slice(at), code].reverse();
    if (done.has(code)) return undefined;
    path.push(code);
    for (const a of by.get(code)?.after ?? []) {
      const found = visit(a.job);
      if (found) return found;
    }
    path.pop();
    done.add(code);
    return undefined;
  };
  for (const j of jobs) {
    const found = visit(j.code);
    if (found) return found;
  }
  return undefined;
}

/**
 * Faults of a network: a cycle; a job that covers another without waiting for it, or one without a photo to be taken
 * before; a photo asked before close-up of what nothing closes; a job that leads nowhere (nothing but the last job of all may have no follower).
 */
export function checkNetwork(jobs: readonly NetworkJob[]): Fault[] {
  const cycle = cycleIn(jobs);
  if (cycle) return [{ path: cycle[0], message: `waits for itself: ${cycle.join(", then ")}` }];
  const faults: Fault[] = [];
  const before = ancestors(jobs);
  const by = new Map(jobs.map((j) => [j.code, j]));
  for (const j of jobs)
    for (const c of j.covers) {
      if (!before.get(j.code)!.has(c)) faults.push({ path: `${j.code}.covers`, message: `covers ${c} without waiting for it` });
      if (!by.get(c)?.proof.some((p) => p.beforeCloseUp))
        faults.push({ path: `${j.code}.covers`, message: `covers ${c}, which has no photo to be taken before` });
    }
  const covered = new Set(jobs.flatMap((j) => j.covers));
  for (const j of jobs)
    if (j.proof.some((p) => p.beforeCloseUp) && !covered.has(j.code))
      faults.push({ path: `${j.code}.proof`, message: "asks for a photo before close-up, but nothing closes it up" });
  const last = jobs.at(-1);
  if (last) {
    const all = before.get(last.code)!;
    for (const j of jobs)
      if (j !== last && !all.has(j.code)) faults.push({ path: j.code, message: `leads nowhere: ${last.code} does not wait for it` });
  }
  return faults;
}
