// Kept sheets that say a part does not fit: what can be claimed, and by how much it is out.

import { findCalculator } from "../../setout/calculators";
import type { BuildRow, PartRow, SheetRow } from "../state/model";

/** The parts of its job that are here, with what the sheet says; undefined where nothing is to be claimed. */
export function claimOf(build: Pick<BuildRow, "jobs">, sheet: SheetRow): { note: string; parts: PartRow[] } | undefined {
  if (!findCalculator(sheet.calculator)?.fitsPart || sheet.worst !== "stop") return undefined;
  const parts = build.jobs.find((j) => j.id === sheet.jobId)?.parts.filter((p) => p.state === "arrived" || p.state === "checked") ?? [];
  if (!parts.length) return undefined;
  try {
    const stop = findCalculator(sheet.calculator)!
      .run(sheet.input)
      .findings.find((f) => f.level === "stop");
    return stop && { note: stop.text.slice(0, 500), parts };
  } catch {
    return undefined;
  }
}
