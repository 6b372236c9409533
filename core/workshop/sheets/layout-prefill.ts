// Starts of sheets out of what was written down of the layout, of dents, and of earlier builds.

import { hasRole, jobWith } from "../../library/roles";
import { calculator, findCalculator } from "../../setout/calculators";
import { copyOf, factsOf, type Prefill } from "../../setout/engine/facts";
import type { Van } from "../../van/model";
import { marksIn } from "../bare-body/marks";
import { measuredVan } from "../builds/measured";
import { sideOf } from "../openings/holes";
import { linesOn } from "../openings/layout";
import { zoneNorm } from "../openings/opening-times";
import type { BuildRow, JobRow, Shop } from "../state/model";

const t = (n: number) => String(Math.round(n * 10) / 10);

/** Where a mark on a side of the van lies, mm behind the bulkhead: the nose points left in one drawing, right in the other. */
export const behindBulkhead = (van: Pick<Van, "lengthMm" | "geometry">, view: string, x: number): number =>
  Math.round(view === "right" ? van.lengthMm - x - van.geometry.cabMm : x - van.geometry.cabMm);

interface KeptOpening {
  field: { left: number; right: number };
  cut: { w: number };
  minLand: number;
}

/** A job's own opening sheet as it is kept, with the left edge that it comes to. */
function keptOpening(build: BuildRow, job: Pick<JobRow, "id"> | undefined): { input: KeptOpening; left: number } | undefined {
  const sheet = job && build.sheets.find((s) => s.calculator === "opening" && s.jobId === job.id);
  if (!sheet) return undefined;
  try {
    const { edges } = findCalculator("opening")!.run(sheet.input).results as { edges: { left: number } };
    return { input: sheet.input as unknown as KeptOpening, left: edges.left };
  } catch {
    return undefined;
  }
}

/** The window across the van: copies go left, right, left, right. */
function opposite(build: BuildRow, job: JobRow): JobRow | undefined {
  const { kind, copy } = copyOf(job.code);
  return build.jobs.find((j) => {
    const other = copyOf(j.code);
    return copy !== undefined && other.kind === kind && other.copy === (copy ^ 1);
  });
}

/** A window against walls, the one opposite and dents: its own sheet, the lines of the layout, marks from taking bracing off. */
export function inLinePrefill(build: BuildRow, job: JobRow | undefined, van: Van): Prefill | undefined {
  const window = hasRole(job, "side-window") ? job : jobWith(build.jobs, "side-window");
  if (!window) return undefined;
  const kept = keptOpening(build, window);
  const start = calculator("opening").prefill?.(factsOf(window, measuredVan(van.geometry, build), build.options))?.draft;
  if (!kept && !start) return undefined;
  const from = kept ? kept.input.field.left : Number(start!["field.left"]);
  const to = kept ? kept.input.field.right : Number(start!["field.right"]);
  const cut = kept ? kept.input.cut.w : Number(start!["cut.w"]);
  const side = sideOf(window);
  const walls = linesOn(build, side);
  const across = keptOpening(build, opposite(build, window))?.left;
  const dents = marksIn(build.records)
    .filter((m) => m.data.bracing && m.data.view === side)
    .map((m) => behindBulkhead(van, side, m.data.x));
  return {
    draft: {
      "field.from": t(from),
      "field.to": t(to),
      cut: t(cut),
      minLand: kept ? t(kept.input.minLand) : String(start!.minLand),
      wish: t(kept ? kept.left : (from + to - cut) / 2),
      "opposite.from": across === undefined ? "" : t(across),
      walls: walls.map((w) => ({ name: w.name, at: t(w.at) })),
      dents: dents.map((at) => ({ at: t(at) })),
    },
    basis: {
      field: `${t(from)} to ${t(to)}`,
      "cut width": cut,
      "wall lines": walls.map((w) => `${w.name} ${w.at}`).join(", ") || "none",
      "the one opposite": across ?? "not set out",
      dents: dents.join(", ") || "none",
    },
    partial: true,
  };
}

/** Kinds of the van's panels, as cleaning goes over them. */
const KIND = { floor: "floor", ceiling: "ribs", left: "ribs", right: "ribs", rear: "flat" } as const;

/** Zones out of the van's panels, with what a square metre of their kind takes whoever is planned for it, else the house. */
export function zonePrefill(shop: Pick<Shop, "zoneRates">, van: Van, fitter?: string): Prefill {
  const { panels } = van.geometry;
  const norms = panels.map((p) => zoneNorm(shop, KIND[p.zone], fitter));
  return {
    draft: {
      zones: panels.map((p, i) => ({
        name: p.name,
        m2: String(p.areaM2),
        minutes: "",
        kind: KIND[p.zone],
        norm: norms[i] === undefined ? "" : String(norms[i]),
      })),
    },
    basis: Object.fromEntries(panels.map((p) => [p.name, p.areaM2])),
    partial: true,
  };
}

/** How often lettering needed polish in this house: of the vans whose ghost was judged. */
export function letteringPrefill(shop: Pick<Shop, "ghosts">): Prefill | undefined {
  const n = shop.ghosts.length;
  if (!n) return undefined;
  const share = Math.round((shop.ghosts.filter((g) => g.ghost !== "none").length / n) * 100) / 100;
  return { draft: { share: String(share), ghost: "not known" }, basis: { "share that needed it": share }, partial: true };
}
