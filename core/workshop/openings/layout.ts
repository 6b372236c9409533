// Where an opening lies, and what is still open in the layout beside it: the layout is frozen before the saw.

import { hasRole } from "../../library/roles";
import { findCalculator } from "../../setout/calculators";
import { entriesOf } from "../records/kinds/of";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow } from "../state/model";
import { cutsBody } from "./cuts";
import { sideOf } from "./holes";

interface Stretch {
  from: number;
  to: number;
}

/** What kept sheets say of where a job's opening lies, mm behind the bulkhead; undefined while nobody has set it out. */
export function openingStretch(build: Pick<BuildRow, "sheets">, job: Pick<JobRow, "id" | "roles">): Stretch | undefined {
  const sheet = build.sheets.find((s) => s.calculator === "opening" && s.jobId === job.id);
  const roof = build.sheets.find((s) => s.calculator === "roof-plan");
  try {
    if (sheet) {
      const { edges } = findCalculator("opening")!.run(sheet.input).results as { edges: { left: number; right: number } };
      return { from: edges.left, to: edges.right };
    }
    const name = hasRole(job, "roof-fan") ? "fan" : hasRole(job, "skylight") ? "skylight" : undefined;
    if (!roof || !name) return undefined;
    const { placed } = findCalculator("roof-plan")!.run(roof.input).results as { placed: { name: string; at: number }[] };
    const items = roof.input.items as { name: string; overall: { length: number } }[];
    const p = placed.find((x) => x.name === name);
    const half = (items.find((i) => i.name === name)?.overall.length ?? 0) / 2;
    return p && { from: p.at - half, to: p.at + half };
  } catch {
    return undefined;
  }
}

/** Open questions of the layout that a cut waits for: near it, or on its side while either has no place. */
export function layoutBefore(build: BuildRow, job: JobRow): string[] {
  if (!cutsBody(job) || job.stage !== "openings") return [];
  const open = entriesOf(build.records, "layout").filter((r) => !r.data.decided);
  if (!open.length) return [];
  const side = sideOf(job);
  const at = openingStretch(build, job);
  return open.flatMap((r) => {
    const d = r.data;
    const here = d.side === side || (d.side === "both" && (side === "left" || side === "right"));
    if (!here) return [];
    const gap = at && d.fromMm !== undefined ? Math.max(0, d.fromMm - at.to, at.from - d.toMm!) : undefined;
    if (gap !== undefined && gap > figure(build, "nearCut")) return [];
    const where = gap === undefined ? "" : gap === 0 ? ", right where it is cut" : `, ${Math.round(gap)} mm from it`;
    return [`${r.title} is open${where}: ${d.who} decides${d.by ? ` by ${d.by}` : ""}`];
  });
}

/** Lines that a window on a side keeps off. */
export const linesOn = (build: Pick<BuildRow, "records">, side: string): { name: string; at: number }[] =>
  entriesOf(build.records, "line")
    .filter((r) => r.data.side === side || (r.data.side === "both" && (side === "left" || side === "right")))
    .map((r) => ({ name: r.title, at: r.data.atMm }));

/** Every line of the layout, whichever side it stands on. */
export const allLines = (build: Pick<BuildRow, "records">): { name: string; at: number }[] =>
  entriesOf(build.records, "line").map((r) => ({ name: r.title, at: r.data.atMm }));
