// Fills stores: part lines by need date, and what slips do to the handovers.

import { diffPlans } from "@/core/plan/diff";
import { daysAtStake, orderBy, samplesBy } from "@/core/workshop/planning/latest";
import { workingDays } from "@/core/workshop/state/dates";
import type { BuildRow, JobRow, PartRow } from "@/core/workshop/state/model";
import { partWake } from "@/core/workshop/stores/late-part";
import { availableFrom, isUnit } from "@/core/workshop/stores/parts";
import { saySupplier, supplierRecord } from "@/core/workshop/stores/supplier-record";
import type { State } from "@/server/planning";
import type { PartLine, StoresView } from "@/ui/stores/view";

function suppliersOf(shop: State["shop"]): StoresView["suppliers"] {
  const parts = shop.builds.flatMap((b) => b.jobs.flatMap((j) => j.parts));
  const records = shop.builds.flatMap((b) => b.records);
  const used = new Set(parts.map((p) => p.supplierId));
  return shop.suppliers
    .filter((s) => !s.retired || used.has(s.id))
    .map((s) => ({ id: s.id, name: s.name, record: saySupplier(supplierRecord(parts, s.id, records)) }));
}

const WAITED = new Set<PartRow["state"]>(["ordered", "promised", "wrong"]);

/** Told of parts that come too late for the plan, or that nobody has promised. */
function wakeOf({ shop, zone, now, published, working }: State, b: BuildRow, j: JobRow, p: PartRow, from: number): PartLine["wake"] {
  const plan = (published ?? working)?.plan;
  const start = plan?.jobs.find((x) => x.id === j.id)?.start;
  const late = start !== undefined && from > zone.parse(start);
  if (j.state !== "todo" || !WAITED.has(p.state) || !(late || p.promisedAt === null)) return null;
  const wake = partWake(shop, b, j, p, plan, now);
  return {
    word: wake.word,
    locked: wake.locked.map((x) => x.name),
    harmless: wake.others.filter((x) => x.trap === null).map((x) => x.job.name),
    trapping: wake.others.filter((x) => x.trap !== null).map((x) => `${x.job.name}: ${x.trap}`),
  };
}

export function storesView(state: State): StoresView {
  const { shop, zone, now } = state;
  const wall = (state.published ?? state.working)?.plan;
  const planned = new Map((wall?.jobs ?? []).map((j) => [j.id, j]));
  const lines: PartLine[] = [];
  for (const b of shop.builds)
    for (const j of b.jobs)
      for (const p of j.parts) {
        if (j.state === "done" && p.state === "checked") continue;
        const at = planned.get(j.id);
        const need = j.state === "done" ? null : at ? zone.parse(at.start) : null;
        const supplier = shop.suppliers.find((s) => s.id === p.supplierId);
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
          wake: wakeOf(state, b, j, p, from),
        });
      }
  lines.sort((a, b) => (a.need ?? 1e12) - (b.need ?? 1e12) || a.name.localeCompare(b.name));
  const diff = state.working && state.published ? diffPlans(zone, state.published.plan, state.working.plan, new Set()) : { handovers: [] };
  return {
    zone: shop.workshop.zone,
    now,
    lines,
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
