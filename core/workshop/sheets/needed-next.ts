// Which numbers a build needs next: its jobs that are made by sheets, by their date, and how far each sheet is.

import type { Plan } from "../../plan/model";
import { findCalculator } from "../../setout/calculators";
import { zoneOf } from "../../time/zone";
import type { BuildRow, JobRow, SheetRow, Shop } from "../state/model";
import { jobSheets } from "./job-sheets";
import { sheetNotices } from "./sheets";

export type SheetState = "not started" | "filled, not locked" | "says stop" | "contradicted" | "locked";

export interface NeededSheet {
  calculator: string;
  state: SheetState;
}

export interface NeededJob {
  job: JobRow;
  /** When the job begins by the plan; null: under way, or not planned. */
  start: number | null;
  /** Who does it. */
  people: string[];
  /** Those that are not settled stand first, else in the order in which the job names them. */
  sheets: NeededSheet[];
}

function stateOf(shop: Shop, build: BuildRow, sheet: SheetRow | undefined, plan: Plan | undefined, now: number): SheetState {
  if (!sheet) return "not started";
  if (sheetNotices(shop, build, sheet, plan, now).length) return "contradicted";
  if (sheet.worst === "stop") return "says stop";
  return sheet.lockedAt === null ? "filled, not locked" : "locked";
}

/**
 * Jobs of a build that are not done and whose sheets are not all locked: those under way first, then by their planned start, then those
 * that the plan has no place for. `plan`: the one that is worked to.
 */
export function numbersNeeded(shop: Shop, build: BuildRow, plan: Plan | undefined, now: number): NeededJob[] {
  const zone = zoneOf(shop.workshop.zone);
  const planned = new Map((plan?.jobs ?? []).map((p) => [p.id, p]));
  const list = build.jobs.flatMap((job): NeededJob[] => {
    if (job.state === "done") return [];
    const kept = new Map(jobSheets(build, job).map((s) => [s.calculator as string, s]));
    const sheets = job.setOut
      .filter((name) => findCalculator(name) && !findCalculator(name)!.onlyIf)
      .map((calculator) => ({ calculator, state: stateOf(shop, build, kept.get(calculator), plan, now) }));
    if (!sheets.some((s) => s.state !== "locked")) return [];
    const p = planned.get(job.id);
    const fitters = job.state === "todo" ? (p?.fitters ?? []) : job.fitters;
    return [
      {
        job,
        start: job.state === "todo" && p ? zone.parse(p.start) : null,
        people: fitters.map((id) => shop.fitters.find((f) => f.id === id)?.name ?? id),
        sheets: [...sheets].sort((a, b) => Number(a.state === "locked") - Number(b.state === "locked")),
      },
    ];
  });
  const rank = (n: NeededJob) => (n.job.state !== "todo" ? Number.NEGATIVE_INFINITY : (n.start ?? Number.POSITIVE_INFINITY));
  return list.sort((a, b) => rank(a) - rank(b) || a.job.seq - b.job.seq);
}

/** The build that needs numbers soonest; undefined where none does. */
export function soonestBuild(shop: Shop, plan: Plan | undefined, now: number): BuildRow | undefined {
  const first = shop.builds.flatMap((build) => {
    const [next] = numbersNeeded(shop, build, plan, now);
    return next ? [{ build, at: next.job.state !== "todo" ? now : (next.start ?? Number.POSITIVE_INFINITY) }] : [];
  });
  return first.sort((a, b) => a.at - b.at)[0]?.build;
}
