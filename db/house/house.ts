// The house: the workshop itself, its hours, bays, fitters and suppliers, written by actions that know what is in them.

import type { Pool } from "mysql2/promise";
import { v7 } from "uuid";
import { type Conn, insert, rows, run } from "../pool";

/** There is one workshop, or none before the first start. */
export async function workshopId(c: Conn | Pool): Promise<string | undefined> {
  const [w] = await rows<{ id: string }>(c, "SELECT id FROM workshop LIMIT 1");
  return w?.id;
}

export const addWorkshop = (c: Conn, row: Record<string, unknown>): Promise<void> => insert(c, "workshop", [row]);

export interface Window {
  weekday: number;
  opens: string;
  closes: string;
}

export const addCalendar = (c: Conn, id: string, name: string): Promise<void> => insert(c, "calendar", [{ id, name }]);

export const calendarInUse = async (c: Conn, id: string): Promise<boolean> =>
  (await rows(c, "SELECT 1 FROM calendar WHERE id = ? AND NOT retired", [id])).length > 0;

export const windowsOf = (c: Conn, calendar: string): Promise<Window[]> =>
  rows<Window>(c, "SELECT weekday, opens, closes FROM calendar_window WHERE calendar_id = ?", [calendar]);

/** These hours instead of those it had. */
export async function setWindows(c: Conn, calendar: string, windows: readonly Window[]): Promise<void> {
  await run(c, "DELETE FROM calendar_window WHERE calendar_id = ?", [calendar]);
  await insert(
    c,
    "calendar_window",
    windows.map((w) => ({ id: v7(), calendar_id: calendar, weekday: w.weekday, opens: w.opens, closes: w.closes })),
  );
}

/** A fitter or bay that keeps these hours; undefined where none does. */
export async function keepsHours(c: Conn, calendar: string): Promise<string | undefined> {
  const [f] = await rows<{ name: string }>(
    c,
    "SELECT name FROM fitter WHERE calendar_id = ? AND NOT retired UNION SELECT name FROM bay WHERE calendar_id = ? AND NOT retired",
    [calendar, calendar],
  );
  return f?.name;
}

export interface CalendarDay {
  id: string;
  calendarId: string;
  date: string;
  opens?: string | undefined;
  closes?: string | undefined;
  overtime: boolean;
  reason: string;
}

/** A day with hours of its own; without hours, a closed one. */
export const addCalendarDay = (c: Conn, d: CalendarDay): Promise<void> =>
  insert(c, "calendar_day", [
    { id: d.id, calendar_id: d.calendarId, date: d.date, opens: d.opens, closes: d.closes, overtime: d.overtime, reason: d.reason },
  ]);

export const addBay = (c: Conn, row: Record<string, unknown>): Promise<void> => insert(c, "bay", [row]);

export const addFitter = (c: Conn, f: { id: string; name: string; calendarId: string; nots: readonly string[] }): Promise<void> =>
  insert(c, "fitter", [{ id: f.id, name: f.name, calendar_id: f.calendarId, nots: f.nots }]);

export const fitterInUse = async (c: Conn, id: string): Promise<boolean> =>
  (await rows(c, "SELECT 1 FROM fitter WHERE id = ? AND NOT retired", [id])).length > 0;

/** These skills and tickets instead of those a fitter had; a skill of level 0 is none. */
export async function setSkills(
  c: Conn,
  fitter: string,
  skills: Readonly<Record<string, number>>,
  tickets: readonly { id: string; until?: string }[],
): Promise<void> {
  await run(c, "DELETE FROM fitter_skill WHERE fitter_id = ?", [fitter]);
  await run(c, "DELETE FROM fitter_ticket WHERE fitter_id = ?", [fitter]);
  await insert(
    c,
    "fitter_skill",
    Object.entries(skills)
      .filter(([, level]) => level > 0)
      .map(([skill, level]) => ({ fitter_id: fitter, skill, level })),
  );
  await insert(
    c,
    "fitter_ticket",
    tickets.map((t) => ({ fitter_id: fitter, ticket: t.id, until: t.until ?? null })),
  );
}

export const supplierNamed = async (c: Conn, name: string): Promise<boolean> =>
  (await rows(c, "SELECT 1 FROM supplier WHERE name = ?", [name])).length > 0;

/** With the days it takes to deliver. */
export const addSupplier = (c: Conn, s: { id: string; name: string; best: number; likely: number; worst: number }): Promise<void> =>
  insert(c, "supplier", [{ id: s.id, name: s.name, lead_best_days: s.best, lead_likely_days: s.likely, lead_worst_days: s.worst }]);
