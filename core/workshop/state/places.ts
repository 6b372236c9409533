// Where and by whom work is done: bays, fitters, types of van. Times are minutes since 1970 (UTC) unless said otherwise.

import type { Van } from "../../van/model";
import type { Span } from "./house";

export interface BayRow {
  id: string;
  name: string;
  seq: number;
  calendarId: string | null;
  has: string[];
  tempC: number | null;
  /** What it could be heated to for some hours; null: it may not be. */
  heatTempC: number | null;
  heatBy: string;
  heatHourCost: number;
  /** Minutes before it is warm. */
  heatAheadMinutes: number;
  /** What a day in it costs; null: nobody has said. */
  dayCost: number | null;
  maxHeightMm: number | null;
  maxLengthMm: number | null;
  retired: boolean;
  version: number;
  closures: Span[];
  heats: Span[];
}

export interface FitterRow {
  id: string;
  name: string;
  calendarId: string;
  retired: boolean;
  version: number;
  skills: Record<string, number>;
  tickets: { id: string; until: string | null }[];
  /** What they are not to do, whatever the skills. */
  nots: string[];
  absences: { id: string; from: number; to: number; reason: string }[];
}

/** A van template as the workshop has it. */
export type VanRow = Van;
