// Machines and hired places among the shared tools: when they can be worked with, what floor they leave for boards, who stands at
// the outfeed, what their hours cost.

import type { Plan, Problem } from "../../plan/model";
import { sayDay } from "../../plan/words";
import { MACHINE_MM } from "../../setout/time/machine-room/machine-room";
import { type Zone, zoneOf } from "../../time/zone";
import type { JobRow, Shop, ToolRow } from "../state/model";

type ProblemTool = NonNullable<Problem["tools"]>[number];

/** The hours and days of a tool for the planner, from `now` on. */
export function toolTimes(t: ToolRow, zone: Zone, now: number, horizonDays: number): Pick<ProblemTool, "hours" | "closed"> {
  const closed: [string, string][] = [];
  const from = t.hadFrom === null ? undefined : zone.parse(`${t.hadFrom}T00:00`);
  if (from !== undefined && from > now) closed.push([zone.show(now), zone.show(from)]);
  const gone = t.hadUntil === null ? undefined : zone.dayStart(zone.dayOf(zone.parse(`${t.hadUntil}T12:00`)) + 1);
  const end = zone.dayStart(zone.dayOf(now) + horizonDays + 2);
  if (gone !== undefined && gone < end) closed.push([zone.show(Math.max(gone, now)), zone.show(end)]);
  return { ...(t.opens && t.closes ? { hours: [t.opens, t.closes] } : {}), ...(closed.length ? { closed } : {}) };
}

/** The longest board that goes through where it stands, mm: it needs its length before the machine and behind it. Null: not known. */
export const longestBoard = (t: Pick<ToolRow, "floorMm" | "lengthMm">): number | null =>
  t.floorMm === null ? null : Math.max(0, Math.floor((t.floorMm - (t.lengthMm ?? MACHINE_MM)) / 2));

/** Why a machine can't be worked with now, in words; undefined where it can. */
export function shutNow(t: ToolRow, zone: Zone, now: number): string | undefined {
  const [date, clock] = zone.show(now).split("T");
  if (t.hadFrom && date < t.hadFrom) return `is there from ${dayOf(zone, t.hadFrom)} on`;
  if (t.hadUntil && date > t.hadUntil) return `was there until ${dayOf(zone, t.hadUntil)}`;
  if (t.opens && t.closes && (clock < t.opens || clock >= t.closes)) return `is worked with from ${t.opens} to ${t.closes} only`;
  return undefined;
}

const dayOf = (zone: Zone, date: string): string => sayDay(zone, zone.parse(`${date}T12:00`));

/** What whoever works with it has to know, a line each. */
export function machineWords(t: ToolRow, zone: Zone): string[] {
  const longest = longestBoard(t);
  return [
    ...(t.opens && t.closes ? [`only from ${t.opens} to ${t.closes}`] : []),
    ...(t.hadFrom ? [`there from ${dayOf(zone, t.hadFrom)}`] : []),
    ...(t.hadUntil ? [`there until ${dayOf(zone, t.hadUntil)}`] : []),
    ...(longest === null ? [] : [`boards up to ${longest} mm: the floor leaves no more`]),
    ...(t.outfeedMm === null ? [] : [`boards over ${t.outfeedMm} mm: somebody at the outfeed`]),
  ];
}

/** The same for all machines that a job works with, each by its name. */
export function machineLines(shop: Pick<Shop, "tools" | "workshop">, job: Pick<JobRow, "tools">): string[] {
  const zone = zoneOf(shop.workshop.zone);
  return shop.tools.flatMap((t) => {
    const words = job.tools.includes(t.name) ? machineWords(t, zone) : [];
    return words.length ? [`${t.name}: ${words.join("; ")}`] : [];
  });
}

/** Hours of work with a tool that a plan still holds, and what they cost; null where an hour has no price. */
export function machineHours(
  t: ToolRow,
  jobs: readonly JobRow[],
  plan: Plan | undefined,
  zone: Zone,
): { hours: number; cost: number | null } {
  const mine = new Set(jobs.filter((j) => j.state !== "done" && j.tools.includes(t.name)).map((j) => j.id));
  let minutes = 0;
  for (const p of plan?.jobs ?? []) if (mine.has(p.id)) for (const [a, b] of p.work ?? []) minutes += zone.parse(b) - zone.parse(a);
  const hours = Math.round(minutes / 6) / 10;
  return { hours, cost: t.hourCost === null ? null : Math.round(hours * t.hourCost * 100) / 100 };
}
