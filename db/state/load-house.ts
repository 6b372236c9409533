// Reads the house: hours, bays, fitters, types of van, suppliers, tools and weather.

import type { Pool } from "mysql2/promise";
import type { BayRow, CalendarRow, FitterRow, SupplierRow, ToolRow, VanRow, WeatherRow } from "@/core/workshop/state/model";
import { type Conn, fromSql, rows } from "../pool";
import { bool, grouped, json, num, type Raw, text } from "../raw";

export async function loadCalendars(c: Conn | Pool): Promise<CalendarRow[]> {
  const list = await rows<Raw>(c, "SELECT id, name, retired, version FROM calendar ORDER BY id = 'shop' DESC, name");
  const windows = grouped(await rows<Raw>(c, "SELECT * FROM calendar_window ORDER BY weekday, opens"), "calendar_id", (r) => ({
    id: text(r.id),
    weekday: num(r.weekday),
    opens: text(r.opens),
    closes: text(r.closes),
  }));
  const days = grouped(await rows<Raw>(c, "SELECT * FROM calendar_day ORDER BY date, opens"), "calendar_id", (r) => ({
    id: text(r.id),
    date: text(r.date),
    opens: r.opens as string | null,
    closes: r.closes as string | null,
    overtime: bool(r.overtime),
    reason: text(r.reason),
  }));
  return list.map((r) => ({
    id: text(r.id),
    name: text(r.name),
    retired: bool(r.retired),
    version: num(r.version),
    windows: windows.get(text(r.id)) ?? [],
    days: days.get(text(r.id)) ?? [],
  }));
}

const span = (r: Raw) => ({ id: text(r.id), from: fromSql(text(r.starts)), to: fromSql(text(r.ends)), reason: text(r.reason) });

export async function loadBays(c: Conn | Pool): Promise<BayRow[]> {
  const list = await rows<Raw>(c, "SELECT * FROM bay ORDER BY retired, seq, name");
  const closures = grouped(await rows<Raw>(c, "SELECT * FROM bay_closure ORDER BY starts"), "bay_id", span);
  const heats = grouped(await rows<Raw>(c, "SELECT * FROM bay_heat ORDER BY starts"), "bay_id", span);
  return list.map((r) => ({
    id: text(r.id),
    name: text(r.name),
    seq: num(r.seq),
    calendarId: r.calendar_id as string | null,
    has: json(r.has),
    tempC: r.temp_c as number | null,
    heatTempC: r.heat_temp_c as number | null,
    heatBy: text(r.heat_by),
    heatHourCost: num(r.heat_hour_cost),
    heatAheadMinutes: num(r.heat_ahead_minutes),
    dayCost: r.day_cost as number | null,
    maxHeightMm: r.max_height_mm as number | null,
    maxLengthMm: r.max_length_mm as number | null,
    retired: bool(r.retired),
    version: num(r.version),
    closures: closures.get(text(r.id)) ?? [],
    heats: heats.get(text(r.id)) ?? [],
  }));
}

export async function loadFitters(c: Conn | Pool): Promise<FitterRow[]> {
  const list = await rows<Raw>(c, "SELECT * FROM fitter ORDER BY retired, name");
  const skills = grouped(
    await rows<Raw>(c, "SELECT * FROM fitter_skill ORDER BY level DESC, skill"),
    "fitter_id",
    (r) => [text(r.skill), num(r.level)] as [string, number],
  );
  const tickets = grouped(await rows<Raw>(c, "SELECT * FROM fitter_ticket ORDER BY ticket"), "fitter_id", (r) => ({
    id: text(r.ticket),
    until: r.until as string | null,
  }));
  const absences = grouped(await rows<Raw>(c, "SELECT * FROM absence ORDER BY starts"), "fitter_id", span);
  return list.map((r) => ({
    id: text(r.id),
    name: text(r.name),
    calendarId: text(r.calendar_id),
    retired: bool(r.retired),
    version: num(r.version),
    skills: Object.fromEntries(skills.get(text(r.id)) ?? []),
    tickets: tickets.get(text(r.id)) ?? [],
    nots: json(r.nots),
    absences: absences.get(text(r.id)) ?? [],
  }));
}

export async function loadVans(c: Conn | Pool): Promise<VanRow[]> {
  return (await rows<Raw>(c, "SELECT * FROM van_template WHERE NOT retired ORDER BY name")).map((r) => ({
    id: text(r.id),
    name: text(r.name),
    lengthMm: num(r.length_mm),
    widthMm: num(r.width_mm),
    heightMm: num(r.height_mm),
    wheelbaseMm: num(r.wheelbase_mm),
    insideCrew: num(r.inside_crew),
    geometry: json(r.geometry),
  }));
}

export async function loadSuppliers(c: Conn | Pool): Promise<SupplierRow[]> {
  return (await rows<Raw>(c, "SELECT * FROM supplier ORDER BY name")).map((r) => ({
    id: text(r.id),
    name: text(r.name),
    leadBestDays: num(r.lead_best_days),
    leadLikelyDays: num(r.lead_likely_days),
    leadWorstDays: num(r.lead_worst_days),
    retired: bool(r.retired),
    version: num(r.version),
  }));
}

export async function loadTools(c: Conn | Pool): Promise<ToolRow[]> {
  return (await rows<Raw>(c, "SELECT * FROM tool ORDER BY name")).map((r) => ({
    id: text(r.id),
    name: text(r.name),
    pieces: num(r.pieces),
    state: r.state as ToolRow["state"],
    note: text(r.note),
    held: bool(r.held),
    opens: r.opens as string | null,
    closes: r.closes as string | null,
    hadFrom: r.had_from as string | null,
    hadUntil: r.had_until as string | null,
    floorMm: r.floor_mm as number | null,
    lengthMm: r.length_mm as number | null,
    outfeedMm: r.outfeed_mm as number | null,
    hourCost: r.hour_cost === null ? null : num(r.hour_cost),
    version: num(r.version),
  }));
}

export async function loadWeather(c: Conn | Pool): Promise<WeatherRow[]> {
  return (await rows<Raw>(c, "SELECT * FROM weather_day ORDER BY date")).map((r) => ({
    date: text(r.date),
    sunrise: text(r.sunrise),
    sunset: text(r.sunset),
    dry: json(r.dry),
    lowC: num(r.low_c),
    highC: num(r.high_c),
    windMs: r.wind_ms as number | null,
  }));
}
