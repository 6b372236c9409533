// From a client's options to the network of jobs of one build.

import { type Entry, library } from "./library";
import type { Options } from "./schema";

export interface NetworkJob extends Omit<Entry, "after" | "covers" | "coversBySchool" | "when" | "each"> {
  after: { job: string; reason: string; ignoreHold?: boolean }[];
  covers: string[];
}

const INNER = ["ceiling", "left", "right", "rear", "floor", "nose"];
const ALL = [...INNER, "roof", "underside", "outside"];

const expand = (zones: readonly string[]): string[] => [
  ...new Set(zones.flatMap((z) => (z === "inside" ? INNER : z === "all" ? ALL : [z]))),
];

/**
 * The jobs of a build, in the library's order. A job that the options leave out passes its
 * predecessors on to its followers, so that no order rule is lost with it. Repeated jobs get a
 * letter behind their code (OP-06a, OP-06b), each window on its side.
 */
export function buildNetwork(options: Options, jobs: readonly Entry[] = library): NetworkJob[] {
  const byCode = new Map(jobs.map((j) => [j.code, j]));
  const copies = new Map<string, string[]>();
  for (const j of jobs) copies.set(j.code, codesOf(j, options));

  const after = (code: string, seen: Set<string>): NetworkJob["after"] =>
    byCode
      .get(code)!
      .after.filter((a) => !a.school || a.school === options.firstFix)
      .flatMap((a) => {
        const codes = copies.get(a.job)!;
        if (codes.length) return codes.map((job) => ({ job, reason: a.reason, ...(a.ignoreHold ? { ignoreHold: true } : {}) }));
        if (seen.has(a.job)) return [];
        return after(a.job, new Set(seen).add(a.job));
      });

  const out: NetworkJob[] = [];
  for (const j of jobs) {
    const { when: _when, each, coversBySchool, ...rest } = j;
    copies.get(j.code)!.forEach((code, i) => {
      const links = new Map<string, NetworkJob["after"][number]>();
      // The strictest of several links to one job counts: one that waits for the hold.
      for (const a of after(j.code, new Set())) {
        const old = links.get(a.job);
        if (!old || (old.ignoreHold && !a.ignoreHold)) links.set(a.job, a);
      }
      const covers = [...(j.covers ?? []), ...(coversBySchool?.[options.firstFix] ?? [])];
      out.push({
        ...rest,
        code,
        name: each ? `${j.name}, ${SIDES[i % SIDES.length].label} ${Math.floor(i / SIDES.length) + 1}` : j.name,
        zones: each ? [SIDES[i % SIDES.length].zone] : expand(j.zones),
        after: [...links.values()],
        covers: covers.flatMap((c) => copies.get(c)!),
      });
    });
  }
  return out;
}

const SIDES = [
  { label: "left", zone: "left" },
  { label: "right", zone: "right" },
];

function codesOf(j: Entry, options: Options): string[] {
  if (j.when && !options[j.when.option]) return [];
  if (j.each) return Array.from({ length: options[j.each] }, (_, i) => `${j.code}${"abcd"[i]}`);
  return [j.code];
}
