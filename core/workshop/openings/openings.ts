// Everything that pierces the skin of a build: how far each opening is, whether its unit is here, and go or no-go for the day.

import { jobWith } from "../../library/roles";
import type { Plan } from "../../plan/model";
import { sayClock, sayDay } from "../../plan/words";
import { zoneOf } from "../../time/zone";
import { sheetNotices } from "../sheets/sheets";
import { obstacles } from "../starts/ready";
import type { BuildRow, CutOut, JobRow, Shop } from "../state/model";
import { isUnit } from "../stores/parts";
import { coldTonight, opensSkin, skinClock } from "./skin";
import { BOUND } from "./skin-verdict";

/** How far an opening is. */
export type OpeningState = "wanted" | "set out" | "cut" | "closed" | "tested";

export interface Opening {
  jobId: string;
  name: string;
  state: OpeningState;
  pieces: number;
  /** Bought units and whether they are here and checked. */
  units: { name: string; here: boolean; state: string; cutOut: CutOut | null }[];
  /** The sheet its mark-out stands on. */
  sheet: "none" | "kept" | "locked" | "contradicted";
  openQuestions: number;
  /** For today: go with the latest safe start, or no with everything in the way. Null once it is begun or done. */
  today: { go: boolean; says: string; reasons: string[]; otherDay: string | null } | null;
  planned: number | null;
}

/** Jobs of the openings that cut, bond or drill, in the order of the sheet; `plan` is the one worked to. */
export function openings(shop: Shop, build: BuildRow, plan: Plan | undefined, now: number): Opening[] {
  const zone = zoneOf(shop.workshop.zone);
  const planned = new Map((plan?.jobs ?? []).map((j) => [j.id, j]));
  const byId = new Map(shop.builds.flatMap((b) => b.jobs.map((j) => [j.id, j] as const)));
  const soaked = jobWith(build.jobs, "soak-test")?.state === "done";
  return build.jobs
    .filter((j) => j.stage === "openings" && (j.irreversible === "cut" || j.irreversible === "bond"))
    .map((j) => {
      const sheet = build.sheets.find((s) => s.jobId === j.id && (s.calculator === "opening" || s.calculator === "roof-plan"));
      const p = planned.get(j.id);
      return {
        jobId: j.id,
        name: j.name,
        state: stateOf(j, sheet?.lockedAt != null, soaked),
        pieces: j.pieces?.count ?? 1,
        units: j.parts
          .filter((x) => isUnit(x.name))
          .map((x) => ({ name: x.name, here: x.state === "checked", state: x.state, cutOut: x.cutOut })),
        sheet: !sheet
          ? "none"
          : sheetNotices(shop, build, sheet, plan).length
            ? "contradicted"
            : sheet.lockedAt !== null
              ? "locked"
              : "kept",
        openQuestions: j.questions.filter((q) => q.answeredAt === null).length,
        today: j.state === "todo" ? todayFor(shop, j, p?.place ?? build.at ?? "yard", p?.fitters ?? [], now, byId) : null,
        planned: p ? zone.parse(p.start) : null,
      };
    });
}

function stateOf(j: JobRow, locked: boolean, soaked: boolean): OpeningState {
  if (j.state === "done") return soaked ? "tested" : "closed";
  if (j.state === "started" || j.state === "paused") return "cut";
  return locked ? "set out" : "wanted";
}

function todayFor(
  shop: Shop,
  j: JobRow,
  place: string,
  crew: readonly string[],
  now: number,
  byId: Map<string, JobRow>,
): NonNullable<Opening["today"]> {
  const zone = zoneOf(shop.workshop.zone);
  const reasons = obstacles(shop, j, now, byId).map((o) => o.text);
  const clock = opensSkin(j) ? skinClock(shop, j, place, now) : undefined;
  const bound = clock && BOUND[clock.binds];
  if (clock && clock.latest < now) reasons.unshift(`too short a day: ${bound} at ${sayClock(zone, clock.limit)}`);
  const cold = opensSkin(j) ? coldTonight(shop, j, place, now) : undefined;
  if (cold) reasons.push(cold);
  for (const id of crew) {
    const f = shop.fitters.find((x) => x.id === id);
    if (f?.absences.some((a) => a.from <= now && now < a.to)) reasons.push(`${f.name} is away: one hand short`);
  }
  const other = clock?.otherDay ? sayDay(zone, zone.dayStart(Date.parse(`${clock.otherDay}T00:00Z`) / 86_400_000)) : null;
  return {
    go: reasons.length === 0,
    says: reasons.length
      ? "no-go"
      : clock
        ? `go: start by ${sayClock(zone, clock.latest)}, ${bound} at ${sayClock(zone, clock.limit)}`
        : "go",
    reasons,
    otherDay: other,
  };
}
