// The set-out of a job: the sheets kept for it, and those that it asks for and that nobody has filled in yet.

import { calculator, findCalculator } from "../../setout/calculators";
import type { Outcome } from "../../setout/engine/outcome";
import type { BuildRow, JobRow, SheetRow } from "../state/model";

const worked = new WeakMap<SheetRow, Outcome>();

/** What a kept sheet comes to. Worked out once as long as the sheet stays as it is: a roof's search takes its time. */
export function outcomeOf(sheet: SheetRow): Outcome {
  let o = worked.get(sheet);
  if (!o) {
    o = findCalculator(sheet.calculator)!.run(sheet.input);
    worked.set(sheet, o);
  }
  return o;
}

/**
 * Sheets that a job is made by, those it asks for first: kept with the job, or with the whole van where the job asks for that
 * calculator and has none of its own.
 */
export function jobSheets(build: Pick<BuildRow, "sheets">, job: Pick<JobRow, "id" | "setOut">): SheetRow[] {
  const own = build.sheets.filter((s) => s.jobId === job.id);
  const has = new Set<string>(own.map((s) => s.calculator));
  const ofVan = build.sheets.filter((s) => s.jobId === null && job.setOut.includes(s.calculator) && !has.has(s.calculator));
  const rank = (s: SheetRow) => (job.setOut.indexOf(s.calculator) + 1 || 1000) - 1;
  return [...own, ...ofVan].sort((a, b) => rank(a) - rank(b) || a.calculator.localeCompare(b.calculator));
}

/** Calculators that a job asks for and that nobody has kept a sheet of yet. */
export function sheetsMissing(build: Pick<BuildRow, "sheets">, job: Pick<JobRow, "id" | "setOut">): string[] {
  const has = new Set<string>(jobSheets(build, job).map((s) => s.calculator));
  return job.setOut.filter((name) => findCalculator(name) && !has.has(name));
}

/**
 * Why this user can't do the second measuring of a sheet, in words; undefined where they can. A sheet that is not measured twice may
 * be signed by whoever filled it in.
 */
export function secondFault(sheet: SheetRow, userId: string): string | undefined {
  if (sheet.savedBy !== userId || calculator(sheet.calculator).second(sheet.input, outcomeOf(sheet)).length === 0) return undefined;
  return "You measured it the first time: somebody else measures the second time, with their own sign-in.";
}
