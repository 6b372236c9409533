// What the workshop view shows: everything a lead sets once and changes now and then.

export interface BayView {
  id: string;
  version: number;
  name: string;
  has: string[];
  tempC: number | null;
  heatTempC: number | null;
  heatBy: string;
  heatHourCost: number;
  heatAheadMinutes: number;
  dayCost: number | null;
  maxHeightMm: number | null;
  maxLengthMm: number | null;
  retired: boolean;
}

export interface FitterView {
  id: string;
  version: number;
  name: string;
  calendarId: string;
  skills: Record<string, number>;
  tickets: { id: string; until: string | null; expired: boolean }[];
  /** What they are not to do. */
  nots: string[];
  /** What nobody else in the workshop can do, in words. */
  only: string[];
  retired: boolean;
}

export interface CalendarView {
  id: string;
  version: number;
  name: string;
  retired: boolean;
  windows: { weekday: number; opens: string; closes: string }[];
  days: { id: string; date: string; opens: string | null; closes: string | null; overtime: boolean; reason: string }[];
}

export interface SpanView {
  id: string;
  who: string;
  kind: "absence" | "closure" | "heat";
  /** Fitter or bay. */
  ownerId: string;
  from: number;
  to: number;
  reason: string;
  /** Heating: what it costs, and the jobs that would be hit without it. */
  about?: string;
}

export interface UserView {
  id: string;
  version: number;
  login: string;
  name: string;
  role: "lead" | "fitter";
  fitterId: string | null;
  retired: boolean;
  /** Whether the second factor is on. */
  second: boolean;
}

export interface AuditView {
  id: string;
  /** UTC. */
  at: string;
  kind: string;
  text: string;
  address: string;
}

export interface SafekeepingView {
  id: string;
  /** UTC. */
  at: string;
  kind: "backup" | "trial";
  ok: boolean;
  file: string;
  bytes: number;
  seconds: number;
  text: string;
}

import type { SkillLoad } from "@/core/lanes/skill-load";
import type { Options } from "@/core/library/options";
import type { Weekday } from "@/core/time/calendar";
import type { OwnFigures } from "@/core/workshop/state/house-figures";
import type { SupplierRow, TemplateRow, ToolRow } from "@/core/workshop/state/model";

export interface WorkshopView {
  zone: string;
  now: number;
  workshop: {
    version: number;
    name: string;
    zone: string;
    yardPlaces: number;
    shuntMinutes: number;
    goodsInMinutes: number;
    noiseFrom: string | null;
    noiseTo: string | null;
    noiseWeek: Partial<Record<Weekday, [string, string][]>>;
    noiseConfirmed: string;
    skinBelowC: number;
    firstTimes: boolean;
    releaseCuts: boolean;
    house: Partial<Options>;
    figures: OwnFigures;
    hourRate: number;
    currency: string;
  };
  bays: (BayView & {
    /** In the weeks ahead: idle hours by cause, the longer stretches, who waits for it; null without a plan. */
    stands: { sums: string[]; long: string[]; asked: string[] } | null;
  })[];
  fitters: FitterView[];
  /** Each skill of the coming weeks: asked of what can be given, minutes. */
  load: (Omit<SkillLoad, "weeks"> & { weeks: (SkillLoad["weeks"][number] & { week: string })[] })[];
  calendars: CalendarView[];
  spans: SpanView[];
  users: UserView[];
  audit: AuditView[];
  safekeeping: SafekeepingView[];
  /** What is left of the disk, in words, where that is little. */
  diskLow: string | null;
  suppliers: (SupplierRow & { open: number; record: string })[];
  tools: (ToolRow & {
    jobs: number;
    users: string[];
    /** Hours, days, boards, outfeed of a machine. */
    says: string[];
    /** Hours with it that are still planned, and what they cost. */
    ahead: { hours: number; cost: number | null };
  })[];
  templates: TemplateRow[];
  vans: { id: string; name: string }[];
  /** Jobs that something traced can be for. */
  served: { code: string; name: string }[];
  skills: string[];
  weather: { date: string; sunrise: string; sunset: string; dry: string; lowC: number; highC: number; windMs: number | null }[];
}
