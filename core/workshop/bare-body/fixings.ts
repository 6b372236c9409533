// Fixings teach the estimate: what held the old fittings, how long each kind took, by type of van.

import { entriesOf } from "../records/kinds/of";
import { FIXINGS, type FixingKind } from "../records/kinds/strip";
import { type FigureName, figure, type House } from "../state/house-figures";
import type { BuildRow, FixingRow, Shop } from "../state/model";

/** Minutes for one, until a type of van has taught its own. */
const FIXING_NORM: Record<FixingKind, FigureName> = {
  clip: "fixClip",
  "hook tape": "fixTape",
  bolt: "fixBolt",
  rivet: "fixRivet",
  bond: "fixBond",
};

const median = (list: readonly number[]): number => {
  const s = [...list].sort((a, b) => a - b);
  const k = s.length >> 1;
  return s.length % 2 ? s[k] : (s[k - 1] + s[k]) / 2;
};

/** Minutes each kind takes on a type of van: the median of its builds once there are enough, else the house's norm. */
export function fixingNorms(
  house: House,
  past: readonly FixingRow[],
  vanId: string,
): Record<FixingKind, { minutes: number; builds: number; taught: boolean }> {
  const of = (kind: FixingKind) => {
    const each = new Map<string, { minutes: number; count: number }>();
    for (const f of past)
      if (f.vanId === vanId && f.what === kind) {
        const e = each.get(f.buildId) ?? { minutes: 0, count: 0 };
        each.set(f.buildId, { minutes: e.minutes + f.minutes, count: e.count + f.count });
      }
    const rates = [...each.values()].map((e) => e.minutes / e.count);
    const taught = rates.length >= figure(house, "taughtBy");
    return { minutes: taught ? median(rates) : figure(house, FIXING_NORM[kind]), builds: rates.length, taught };
  };
  return Object.fromEntries(FIXINGS.map((k) => [k, of(k)])) as ReturnType<typeof fixingNorms>;
}

export interface FixingEstimate {
  minutes: number;
  rows: { what: FixingKind; count: number; each: number; taught: boolean; minutes: number }[];
  /** What usually lies beneath on this type of van, and the tools it takes. */
  beneath: string[];
  tools: string[];
}

/** What taking out will take by what holds it: Σ n·m. Undefined where no fixing is counted. */
export function fixingEstimate(
  shop: Pick<Shop, "fixings" | "workshop">,
  build: Pick<BuildRow, "records" | "vanId" | "id">,
): FixingEstimate | undefined {
  const here = entriesOf(build.records, "fixing");
  if (!here.length) return undefined;
  // What this build itself took so far teaches the next one, not this one.
  const past = shop.fixings.filter((f) => f.buildId !== build.id);
  const norms = fixingNorms(shop, past, build.vanId);
  const counts = new Map<FixingKind, number>();
  for (const r of here) counts.set(r.data.what, (counts.get(r.data.what) ?? 0) + r.data.count);
  const rows = [...counts].map(([what, count]) => {
    const each = norms[what].minutes;
    return { what, count, each, taught: norms[what].taught, minutes: count * each };
  });
  const ofType = past.filter((f) => f.vanId === build.vanId);
  const words = (list: (string | undefined)[]) => [...new Set(list.filter((x): x is string => !!x))];
  return {
    minutes: rows.reduce((n, r) => n + r.minutes, 0),
    rows,
    beneath: words([...here.map((r) => r.data.beneath), ...ofType.map((f) => f.beneath)]),
    tools: words([...here.map((r) => r.data.tools), ...ofType.map((f) => f.tools)]),
  };
}
