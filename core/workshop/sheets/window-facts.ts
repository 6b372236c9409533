// A window against what comes later: its own sheet, the lines of the layout, the one opposite, marks from taking bracing off.

import { hasRole, jobWith } from "../../library/roles";
import { calculator, findCalculator } from "../../setout/calculators";
import { copyOf, factsOf, type WindowFacts } from "../../setout/engine/facts";
import type { Van } from "../../van/model";
import { marksIn } from "../bare-body/marks";
import { measuredVan } from "../builds/measured";
import { sideOf } from "../openings/holes";
import { linesOn } from "../openings/layout";
import type { BuildRow, JobRow } from "../state/model";

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
function acrossFrom(build: BuildRow, job: JobRow): JobRow | undefined {
  const { kind, copy } = copyOf(job.code);
  return build.jobs.find((j) => {
    const other = copyOf(j.code);
    return copy !== undefined && other.kind === kind && other.copy === (copy ^ 1);
  });
}

/** Undefined where the build has no window, or nothing is known of its field. */
export function windowFacts(build: BuildRow, job: JobRow | undefined, van: Van): WindowFacts | undefined {
  const window = hasRole(job, "side-window") ? job : jobWith(build.jobs, "side-window");
  if (!window) return undefined;
  const kept = keptOpening(build, window);
  const start = calculator("opening").prefill?.(factsOf(window, measuredVan(van.geometry, build), build.options))?.draft;
  if (!kept && !start) return undefined;
  const [from, to, cut] = kept
    ? [kept.input.field.left, kept.input.field.right, kept.input.cut.w]
    : [Number(start!["field.left"]), Number(start!["field.right"]), Number(start!["cut.w"])];
  const side = sideOf(window);
  const opposite = keptOpening(build, acrossFrom(build, window))?.left;
  return {
    from,
    to,
    cut,
    minLand: kept ? kept.input.minLand : Number(start!.minLand),
    wish: kept ? kept.left : (from + to - cut) / 2,
    walls: linesOn(build, side).map((w) => ({ name: w.name, at: w.at })),
    ...(opposite === undefined ? {} : { opposite }),
    dents: marksIn(build.records)
      .filter((m) => m.data.bracing && m.data.view === side)
      .map((m) => behindBulkhead(van, side, m.data.x)),
  };
}
