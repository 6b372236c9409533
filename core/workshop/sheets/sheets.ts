// The set-out sheets of a build: what each stands on now, and whether the world contradicts it.

import { jobWith, type Role } from "../../library/roles";
import type { Plan } from "../../plan/model";
import { findCalculator } from "../../setout/calculators";
import { contradictions, factsOf, type Prefill } from "../../setout/engine/facts";
import { stripPrefill } from "../bare-body/marks";
import { handDays, hoursADay } from "../builds/hands-for-date";
import { measuredVan } from "../builds/measured";
import { chosenCut } from "../openings/chosen-unit";
import { allLines } from "../openings/layout";
import type { BuildRow, JobRow, SheetRow, Shop } from "../state/model";
import { isUnit } from "../stores/parts";
import { inLinePrefill, letteringPrefill, zonePrefill } from "./layout-prefill";
import { planPrefill, startsFromPlan } from "./plan-prefill";
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
  if (calculator === "strip-list") return stripPrefill(build.records);
  if (calculator === "session") return sessionPrefill(build);
  if (calculator === "hands-date") return handsPrefill(shop, build, plan, now);
  if (calculator === "lettering") return letteringPrefill(shop);
  const van = shop.vans.find((v) => v.id === build.vanId);
  const job = build.jobs.find((j) => j.id === jobId);
  if (startsFromPlan(calculator)) return plan && planPrefill(calculator, { shop, build, job, plan });
  if (calculator === "height") return van && heightPrefill(shop, build, van.heightMm, plan);
  if (!van) return undefined;
  if (calculator === "in-line") return inLinePrefill(build, job, van);
  if (calculator === "zone-rate") return zonePrefill(shop, van, job?.fitters[0] ?? plan?.jobs.find((p) => p.id === jobId)?.fitters[0]);
  const unitOf = (j: JobRow | undefined) => j?.parts.find((p) => isUnit(p.name) && p.cutOut)?.cutOut ?? undefined;
  const at = (role: Role) => unitOf(jobWith(build.jobs, role));
  // As measured at goods-in; until then as it was chosen.
  const [unit, fan, skylight] = [unitOf(job), at("roof-fan") ?? chosenCut(build, "fan"), at("skylight") ?? chosenCut(build, "skylight")];
  return findCalculator(calculator)?.prefill?.({
    ...factsOf(job, measuredVan(van.geometry, build), build.options),
    ...(unit ? { unit } : {}),
    uses: allLines(build),
    roofUnits: { ...(fan ? { fan } : {}), ...(skylight ? { skylight } : {}) },
  });
}

/** The van's height, and that of the bay in which its roof is worked on by the plan; the yard has no beam. */
function heightPrefill(shop: Shop, build: BuildRow, van: number, plan: Plan | undefined): Prefill {
  const onRoof = new Set(build.jobs.filter((j) => j.stage === "openings" && j.zones.includes("roof")).map((j) => j.id));
  const place = plan?.jobs.find((p) => onRoof.has(p.id) && p.place !== "bench")?.place;
  const bay = shop.bays.find((b) => b.id === place)?.maxHeightMm ?? null;
  return {
    draft: { van: String(van), working: "1100", ...(bay === null ? {} : { bay: String(bay) }) },
    basis: { "van's height": van, ...(bay === null ? {} : { "bay's height": bay }) },
    partial: true,
  };
}

/** The hours that are left of the build, by the likely minutes of its jobs and their crews, less what is worked. */
function handsPrefill(shop: Shop, build: BuildRow, plan: Plan | undefined, now: number | undefined): Prefill {
  const minutes = build.jobs
    .filter((j) => j.state !== "done")
    .reduce((n, j) => n + Math.max(0, j.minutes.likely - j.workedMinutes) * j.crew.reduce((k, c) => k + c.people, 0), 0);
  const hours = Math.round(minutes / 6) / 10;
  const days = now === undefined ? [] : handDays(shop, build, plan, now);
  return {
    draft: {
      hoursLeft: String(hours),
      share: "0.85",
      ...(days.length ? { hoursADay: String(hoursADay(shop)) } : {}),
      people: days.length
        ? days.map((d) => ({ name: d.name, days: String(d.days), sure: true }))
        : shop.fitters.filter((f) => !f.retired).map((f) => ({ name: f.name, days: "", sure: true })),
    },
    basis: { "hours left": hours, ...(days.length ? { "days until the date": Math.round(days.reduce((n, d) => n + d.days, 0)) } : {}) },
    partial: true,
  };
}

/** The openings that are still to be cut, in the order of the sheet; the minutes of cutting and of setting are the fitter's to say. */
function sessionPrefill(build: BuildRow): Prefill | undefined {
  const left = build.jobs.filter((j) => j.stage === "openings" && j.irreversible === "cut" && j.state === "todo");
  if (!left.length) return undefined;
  return {
    draft: { drying: "", slot: "", openings: left.map((j) => ({ name: j.name, cut: "", set: "" })) },
    basis: {},
    partial: true,
  };
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
  if (startsFromPlan(sheet.calculator)) return now && Object.keys(sheet.basis).length ? contradictions(sheet.basis, now) : [];
  return contradictions(sheet.basis, now);
}

/** Mass that the build's sheets have worked out, kg, and how many of them have none. */
export function sheetMass(build: Pick<BuildRow, "sheets">): { kg: number; sheets: number } {
  const weighed = build.sheets.filter((s) => s.massKg !== null);
  return { kg: Math.round(weighed.reduce((n, s) => n + s.massKg!, 0) * 10) / 10, sheets: weighed.length };
}
