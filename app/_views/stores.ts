// Fills stores: part lines by need date, and what slips do to the handovers.

import { diffPlans } from "@/core/plan/diff";
import { daysAtStake, orderBy, samplesBy } from "@/core/workshop/planning/latest";
import { workingDays } from "@/core/workshop/state/dates";
import type { BuildRow, JobRow, PartRow } from "@/core/workshop/state/model";
import { partsBySupplier } from "@/core/workshop/stores/by-supplier";
import { dateWord, lateWake } from "@/core/workshop/stores/late-part";
import { availableFrom, isUnit } from "@/core/workshop/stores/parts";
import { saySupplier, supplierRecord } from "@/core/workshop/stores/supplier-record";
import type { State } from "@/server/planning/planning";
import { packed } from "@/ui/kit/packed";
import type { PartDetail, PartLine, StoresView } from "@/ui/stores/view";

function suppliersOf(shop: State["shop"]): StoresView["suppliers"] {
  const records = shop.builds.flatMap((b) => b.records);
  const bySupplier = partsBySupplier(shop);
  return shop.suppliers
    .filter((s) => !s.retired || bySupplier.has(s.id))
    .map((s) => ({ id: s.id, name: s.name, record: saySupplier(supplierRecord(bySupplier.get(s.id) ?? [], s.id, records)) }));
}

const WAITED = new Set<PartRow["state"]>(["ordered", "promised", "wrong"]);

/** The plan on the wall; until there is one, the working plan. */
const wallOf = (state: State) => (state.published ?? state.working)?.plan;

/** Counts of what its lateness does, worked out once a job: all its parts hold up the same. */
function wakeCounts(state: State, known: Map<string, Omit<NonNullable<PartLine["wake"]>, "word">>, b: BuildRow, j: JobRow) {
  let counts = known.get(j.id);
  if (!counts) {
    const { locked, others } = lateWake(state.shop, b, j, wallOf(state));
    const trapping = others.filter((x) => x.trap !== null).length;
    known.set(j.id, (counts = { locked: locked.length, harmless: others.length - trapping, trapping }));
  }
  return counts;
}

/** What a late part does in its build, job by job; undefined: there is no such line. */
export function partDetail(state: State, id: string): PartDetail | undefined {
  for (const b of state.shop.builds)
    for (const j of b.jobs) {
      if (!j.parts.some((p) => p.id === id)) continue;
      const { locked, others } = lateWake(state.shop, b, j, wallOf(state));
      return {
        locked: locked.map((x) => x.name),
        harmless: others.filter((x) => x.trap === null).map((x) => x.job.name),
        trapping: others.filter((x) => x.trap !== null).map((x) => `${x.job.name}: ${x.trap}`),
      };
    }
  return undefined;
}

export function storesView(state: State): StoresView {
  const { shop, zone, now } = state;
  const planned = new Map((wallOf(state)?.jobs ?? []).map((j) => [j.id, zone.parse(j.start)]));
  const suppliers = new Map(shop.suppliers.map((s) => [s.id, s]));
  const counts = new Map<string, Omit<NonNullable<PartLine["wake"]>, "word">>();
  const lines: PartLine[] = [];
  for (const b of shop.builds)
    for (const j of b.jobs)
      for (const p of j.parts) {
        if (j.state === "done" && p.state === "checked") continue;
        const need = (j.state === "done" ? undefined : planned.get(j.id)) ?? null;
        const supplier = suppliers.get(p.supplierId);
        const from = availableFrom(p, supplier, now, shop.workshop.goodsInMinutes).from;
        lines.push({
          id: p.id,
          version: p.version,
          name: p.name,
          quantity: `${p.quantity} ${p.unit}`,
          buildId: b.id,
          build: b.name,
          jobId: j.id,
          job: j.name,
          stage: j.stage,
          supplierId: p.supplierId,
          supplier: supplier?.name ?? p.supplierId,
          state: p.state,
          need,
          orderBy: need !== null && p.state === "needed" ? orderBy(shop, p.supplierId, need) : null,
          sampleDays: p.sampleDays,
          samplesBy: need !== null && p.state === "needed" ? (samplesBy(shop, p, need) ?? null) : null,
          stake: need !== null && p.state === "needed" ? daysAtStake(shop, p, need, now) : 0,
          promised: p.promisedAt,
          firstPromised: p.firstPromisedAt,
          late: need !== null && p.state !== "checked" && p.state !== "needed" && j.state === "todo" ? Math.max(0, from - need) : 0,
          shelf: p.shelf,
          note: p.note,
          fillsHole: j.irreversible === "cut" && isUnit(p.name) ? (j.zones.includes("roof") ? "roof" : "wall") : null,
          cutOut: p.cutOut,
          // Told of parts that come too late for the plan, or that nobody has promised.
          wake:
            j.state === "todo" && WAITED.has(p.state) && ((need !== null && from > need) || p.promisedAt === null)
              ? { word: dateWord(shop, p, now), ...wakeCounts(state, counts, b, j) }
              : null,
        });
      }
  lines.sort((a, b) => (a.need ?? 1e12) - (b.need ?? 1e12) || a.name.localeCompare(b.name));
  const diff = state.working && state.published ? diffPlans(zone, state.published.plan, state.working.plan, new Set()) : { handovers: [] };
  return {
    zone: shop.workshop.zone,
    now,
    lines: packed(lines),
    stale: shop.workshop.staleWhy,
    effect: diff.handovers.flatMap((h) => {
      const b = shop.builds.find((x) => x.id === h.build);
      return b
        ? [{ build: b.name, from: h.from, to: h.to, days: h.from !== null && h.to !== null ? workingDays(shop, h.from, h.to) : 0 }]
        : [];
    }),
    published: state.published?.head.number ?? null,
    suppliers: suppliersOf(shop),
  };
}
