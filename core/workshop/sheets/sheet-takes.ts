// What locked sheets make of a job's minutes, hold and parts; all of it goes back when they are opened again.

import { hasRole } from "../../library/roles";
import { findCalculator } from "../../setout/calculators";
import type { Outcome } from "../../setout/engine/outcome";
import type { BuildRow, JobRow, SheetRow } from "../state/model";

export interface Minutes {
  best: number;
  likely: number;
  worst: number;
}

/** What one locked sheet says of its job: kept with the sheet. */
export interface Takes {
  minutes: NonNullable<Outcome["minutes"]> | null;
  holdMinutes: number | null;
}

/** What a sheet of this calculator says of this job; null where it changes nothing. */
export function takesOf(calculator: string, job: Pick<JobRow, "roles">, o: Pick<Outcome, "minutes" | "holdMinutes">): Takes | null {
  const only = findCalculator(calculator)?.onlyOn;
  const minutes = only === undefined || hasRole(job, only) ? o.minutes : null;
  return minutes || o.holdMinutes ? { minutes, holdMinutes: o.holdMinutes } : null;
}

const LEAST = 5;

/**
 * A job's minutes with its locked sheets. A sheet of the whole job takes the place of what the job has by itself (the longest,
 * where there are several); a part takes the place of the minutes that the job holds for it; an addition comes on top.
 * Example: 240 min, of which a part holds 60; its sheet says 75: 255 min. Opened again: 240 min.
 */
export function minutesWith(own: Minutes, sheets: readonly Takes[]): Minutes {
  const all = sheets.flatMap((s) => s.minutes ?? []);
  const whole = all.filter((m) => m.covers === "whole").sort((a, b) => b.likely - a.likely)[0];
  const of = (k: keyof Minutes): number => {
    let sum = whole ? whole[k] : own[k];
    for (const m of all) {
      if (m.covers === "addition") sum += m[k];
      // No part holds more than all of it.
      if (m.covers === "part") sum += m[k] - Math.min(m.held ?? 0, own[k]);
    }
    return Math.max(LEAST, Math.round(sum));
  };
  const best = of("best");
  const likely = Math.max(best, of("likely"));
  return { best, likely, worst: Math.max(likely, of("worst")) };
}

/** The longest hold that the job itself or one of its sheets asks for. */
export const holdWith = (own: number, sheets: readonly Takes[]): number =>
  Math.round(Math.max(own, ...sheets.map((s) => s.holdMinutes ?? 0)));

/** What a sheet changes in its job, in words; null: nothing. */
export function sayTakes(t: Takes | null): string | null {
  if (!t) return null;
  const m = t.minutes;
  const says: string[] = [];
  if (m?.covers === "whole") says.push(`the whole job takes ${Math.round(m.likely)} min by this sheet`);
  if (m?.covers === "part")
    says.push(`${m.what}: ${Math.round(m.likely)} min instead of ${Math.round(m.held ?? 0)} min; the rest of the job stays`);
  if (m?.covers === "addition") says.push(`${m.what}: ${Math.round(m.likely)} min more`);
  if (t.holdMinutes) says.push(`left alone for ${Math.round(t.holdMinutes)} min at least`);
  return says.join("; ") || null;
}

/** Names that stand for one material, whoever wrote them. */
const SAME: readonly RegExp[] = [/^(roof )?sealant( cartridge| \d+ ml)$/i];
const plain = (name: string) => name.trim().toLowerCase().replace(/\s+/g, " ");

/** Whether a line of a sheet and a line of the library are the same material, counted in the same unit. */
export const sameMaterial = (a: { name: string; unit: string }, b: { name: string; unit: string }): boolean =>
  a.unit === b.unit && (plain(a.name) === plain(b.name) || SAME.some((s) => s.test(a.name) && s.test(b.name)));

/** A build as it would be without its locked sheets: what other choices are compared with. Lines that are ordered stay. */
export function withoutSheets(b: BuildRow): BuildRow {
  const own = (j: JobRow): JobRow => {
    const { own: o, ...rest } = j;
    const parts = j.parts.flatMap(({ ruled, ...p }) => {
      if (!ruled || p.state !== "needed") return [{ ...p, ...(ruled && { ruled }) }];
      return ruled.own === null ? [] : [{ ...p, quantity: ruled.own }];
    });
    if (!o) return { ...rest, parts };
    return { ...rest, parts, minutes: { best: o.best, likely: o.likely, worst: o.worst }, hold: { ...j.hold, minutes: o.hold } };
  };
  return { ...b, jobs: b.jobs.map((j) => (j.state === "todo" && (j.own || j.parts.some((p) => p.ruled)) ? own(j) : j)) };
}

/** Jobs with what their locked sheets say of them: the other way round. */
export const withSheets = (jobs: readonly JobRow[], sheets: readonly SheetRow[]): JobRow[] =>
  jobs.map((j) => {
    const takes = j.state === "todo" ? sheets.flatMap((s) => (s.jobId === j.id && s.lockedAt !== null && s.takes ? [s.takes] : [])) : [];
    if (!takes.length) return j;
    const own = { ...j.minutes, hold: j.hold.minutes };
    return { ...j, own, minutes: minutesWith(j.minutes, takes), hold: { ...j.hold, minutes: holdWith(j.hold.minutes, takes) } };
  });
