// What another choice would change in a build: jobs that come, go, grow or wait for others. Also what hangs on an open choice.

import type { Geometry } from "../van/model";
import type { Entry } from "./library";
import { buildNetwork, type NetworkJob } from "./network";
import { type OptionKey, type Options, valuesOf } from "./options";

export interface Impact {
  added: NetworkJob[];
  removed: NetworkJob[];
  /** Jobs whose likely minutes, hold, crew, parts or other content changes. */
  changed: { before: NetworkJob; after: NetworkJob; minutes: number; what: string[] }[];
  /** Jobs that wait for other jobs than before, with what came to the wait and what went from it. */
  moved: { code: string; name: string; waitsFor: string[]; noLonger: string[] }[];
  /** Likely minutes of work more (or less). */
  minutes: number;
  /** Cost of parts more (or less). */
  cost: number;
}

const cost = (j: NetworkJob) => j.parts.reduce((sum, p) => sum + p.quantity * p.price, 0);

const FIELDS: [keyof NetworkJob, string][] = [
  ["minutes", "hours"],
  ["hold", "hold"],
  ["crew", "crew"],
  ["needs", "conditions"],
  ["parts", "parts"],
  ["pieces", "pieces"],
  ["steps", "steps"],
  ["zones", "place"],
  ["name", "name"],
];

/** Compares two networks of one build, job by job. Minutes are likely minutes of work. */
export function compareNetworks(old: readonly NetworkJob[], next: readonly NetworkJob[]): Impact {
  const was = new Map(old.map((j) => [j.code, j]));
  const will = new Map(next.map((j) => [j.code, j]));
  const added = next.filter((j) => !was.has(j.code));
  const removed = old.filter((j) => !will.has(j.code));
  const changed: Impact["changed"] = [];
  const moved: Impact["moved"] = [];
  for (const j of next) {
    const before = was.get(j.code);
    if (!before) continue;
    const what = FIELDS.filter(([f]) => JSON.stringify(before[f] ?? null) !== JSON.stringify(j[f] ?? null)).map(([, w]) => w);
    if (what.length) changed.push({ before, after: j, minutes: j.minutes.likely - before.minutes.likely, what });
    const a = new Set(before.after.map((x) => x.job));
    const b = new Set(j.after.map((x) => x.job));
    const waitsFor = [...b].filter((c) => !a.has(c) && was.has(c));
    const noLonger = [...a].filter((c) => !b.has(c) && will.has(c));
    if (waitsFor.length || noLonger.length) moved.push({ code: j.code, name: j.name, waitsFor, noLonger });
  }
  const sum = (list: readonly NetworkJob[], f: (j: NetworkJob) => number) => list.reduce((n, j) => n + f(j), 0);
  return {
    added,
    removed,
    changed,
    moved,
    minutes: sum(next, (j) => j.minutes.likely) - sum(old, (j) => j.minutes.likely),
    cost: Math.round(sum(next, cost) - sum(old, cost)),
  };
}

const hanging = new WeakMap<readonly Entry[], Map<string, readonly string[]>>();
/** Far more than the open choices of all builds of a shop. */
const MOST_KEPT = 400;

/** Codes of jobs that look different for any other value of a choice: what can't start while it is open. */
export function hangingOn(key: OptionKey, options: Options, geometry: Geometry, jobs: readonly Entry[]): readonly string[] {
  let known = hanging.get(jobs);
  if (!known) hanging.set(jobs, (known = new Map()));
  const asked = JSON.stringify([key, options, geometry]);
  const there = known.get(asked);
  if (there) return there;
  if (known.size >= MOST_KEPT) known.clear();
  const codes = lookedUp(key, options, geometry, jobs);
  known.set(asked, codes);
  return codes;
}

function lookedUp(key: OptionKey, options: Options, geometry: Geometry, jobs: readonly Entry[]): string[] {
  const now = buildNetwork(options, geometry, jobs);
  const codes = new Set<string>();
  for (const value of valuesOf(key)) {
    if (value === options[key]) continue;
    const i = compareNetworks(now, buildNetwork({ ...options, [key]: value }, geometry, jobs));
    for (const j of [...i.removed, ...i.added]) codes.add(j.code);
    for (const c of i.changed) codes.add(c.after.code);
    for (const m of i.moved) codes.add(m.code);
  }
  const order = new Map(now.map((j, n) => [j.code, n]));
  return [...codes].filter((c) => order.has(c)).sort((a, b) => order.get(a)! - order.get(b)!);
}
