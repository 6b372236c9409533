// The set-out sheets of a build: what each stands on now, and whether the world contradicts it.

import { jobWith, type Role } from "../../library/roles";
import type { Plan } from "../../plan/model";
import { findCalculator } from "../../setout/calculators";
import { contradictions, factsOf, type Prefill } from "../../setout/engine/facts";
import { measuredVan } from "../builds/measured";
import { chosenCut } from "../openings/chosen-unit";
import { allLines } from "../openings/layout";
import type { BuildRow, JobRow, SheetRow, Shop } from "../state/model";
import { isUnit } from "../stores/parts";
import { knownOf } from "./known";
import { houseDraft } from "./sheet-figures";

/**
 * Figures to start a job's sheet from, by the van as measured, what was chosen, the plan and the forecast; undefined where
 * nothing of them goes in.
 */
export function sheetPrefill(
  shop: Shop,
  build: BuildRow,
  calculator: string,
  jobId: string | null,
  plan?: Plan,
  now?: number,
): Prefill | undefined {
  const start = startOf(shop, build, calculator, jobId, plan, now);
  // The house's own figures stand in the form, so that the kept sheet says what it went by.
  const house = houseDraft(shop.workshop.figures, calculator);
  if (!Object.keys(house.draft).length) return start;
  if (!start) return { draft: house.draft, basis: house.basis, partial: true };
  return { ...start, draft: { ...start.draft, ...house.draft }, basis: { ...start.basis, ...house.basis } };
}

function startOf(shop: Shop, build: BuildRow, calculator: string, jobId: string | null, plan?: Plan, now?: number): Prefill | undefined {
  const c = findCalculator(calculator);
  const van = shop.vans.find((v) => v.id === build.vanId);
  if (!c?.prefill || !van || (c.fromPlan && !plan)) return undefined;
  const job = build.jobs.find((j) => j.id === jobId);
  const unitOf = (j: JobRow | undefined) => j?.parts.find((p) => isUnit(p.name) && p.cutOut)?.cutOut ?? undefined;
  const at = (role: Role) => unitOf(jobWith(build.jobs, role));
  // As measured at goods-in; until then as it was chosen.
  const [unit, fan, skylight] = [unitOf(job), at("roof-fan") ?? chosenCut(build, "fan"), at("skylight") ?? chosenCut(build, "skylight")];
  return c.prefill({
    ...factsOf(job, measuredVan(van.geometry, build), build.options),
    ...(unit ? { unit } : {}),
    uses: allLines(build),
    roofUnits: { ...(fan ? { fan } : {}), ...(skylight ? { skylight } : {}) },
    known: knownOf({ shop, build, job, plan, ...(now === undefined ? {} : { now }) }, van),
  });
}

/** What has changed beneath a sheet since it was filled, in words. */
export function sheetNotices(
  shop: Shop,
  build: BuildRow,
  sheet: Pick<SheetRow, "calculator" | "jobId" | "basis">,
  plan?: Plan,
  at?: number,
): string[] {
  const now = sheetPrefill(shop, build, sheet.calculator, sheet.jobId, plan, at)?.basis;
  // Beyond plan and forecast nothing is known that could contradict it.
  if (findCalculator(sheet.calculator)?.fromPlan) return now && Object.keys(sheet.basis).length ? contradictions(sheet.basis, now) : [];
  return contradictions(sheet.basis, now);
}

/** Mass that the build's sheets have worked out, kg, and how many of them have none. */
export function sheetMass(build: Pick<BuildRow, "sheets">): { kg: number; sheets: number } {
  const weighed = build.sheets.filter((s) => s.massKg !== null);
  return { kg: Math.round(weighed.reduce((n, s) => n + s.massKg!, 0) * 10) / 10, sheets: weighed.length };
}
