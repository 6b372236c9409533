// The present state of a workshop as the application knows it: all of its parts under one roof.

import type { BuildRow } from "./builds";
import type { CalendarRow, SupplierRow, TemplateRow, ToolRow, WeatherRow, Workshop } from "./house";
import type { FixingRow, FramePartRow, GhostRow, LeakPoint, MarkedRow, PracticeRow, TimeRow, ZoneRateRow } from "./past";
import type { BayRow, FitterRow, VanRow } from "./places";

export type { BuildRow, ReadingRow, SheetRow } from "./builds";
export type { CalendarRow, Span, SupplierRow, TemplateRow, ToolRow, WeatherRow, Workshop } from "./house";
export type { JobRow, JobState, PhotoRow, RemainderRow, RemarkRow, ShotRow } from "./jobs";
export type { CutOut, PartRow, PartState } from "./parts";
export type { FixingRow, FramePartRow, GhostRow, LeakPoint, MarkedRow, PracticeRow, TimeRow, ZoneRateRow } from "./past";
export type { BayRow, FitterRow, VanRow } from "./places";

export interface Shop {
  workshop: Workshop;
  calendars: CalendarRow[];
  bays: BayRow[];
  fitters: FitterRow[];
  vans: VanRow[];
  suppliers: SupplierRow[];
  tools: ToolRow[];
  templates: TemplateRow[];
  leaks: LeakPoint[];
  fixings: FixingRow[];
  members: FramePartRow[];
  marked: MarkedRow[];
  practice: PracticeRow[];
  ghosts: GhostRow[];
  times: TimeRow[];
  zoneRates: ZoneRateRow[];
  weather: WeatherRow[];
  builds: BuildRow[];
}
