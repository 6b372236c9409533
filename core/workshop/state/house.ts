// The house: its settings, hours and weather, suppliers, tools and templates. Times are minutes since 1970 (UTC) unless said otherwise.

import type { Options } from "../../library/options";
import type { Weekday } from "../../time/calendar";
import type { OwnFigures } from "./house-figures";

export interface Workshop {
  id: string;
  name: string;
  zone: string;
  latitude: number;
  longitude: number;
  units: "mm" | "inch";
  noiseFrom: string | null;
  noiseTo: string | null;
  /** Weekdays with noise hours of their own; none: quiet all day. */
  noiseWeek: Partial<Record<Weekday, [string, string][]>>;
  /** Who confirmed the hours, and when, in the lead's words. */
  noiseConfirmed: string;
  /** How much colder metal is than the air where nothing is heated throughout, °C. */
  skinBelowC: number;
  /** The plan counts more minutes where a job is a first or second time for all who are to do it. */
  firstTimes: boolean;
  /** What can't be undone is released by the lead or a deputy once somebody else has answered what is asked before it. */
  releaseCuts: boolean;
  yardPlaces: number;
  yardHas: string[];
  yardWork: boolean;
  shuntMinutes: number;
  goodsInMinutes: number;
  horizonDays: number;
  weights: Record<string, number>;
  /** Cost of an hour of work, in `currency`. */
  hourRate: number;
  currency: string;
  /** The house's own answers to choices, where they differ from the shipped ones. */
  house: Partial<Options>;
  /** Thresholds of the house, where they differ from the usual ones (house-figures.ts). */
  figures: OwnFigures;
  demo: boolean;
  /** Changes so far that a plan has to know, and how many of them the working plan knows. */
  changes: number;
  plannedChanges: number;
  /** The first change that the working plan does not know; null when it knows all. */
  staleWhy: string | null;
  version: number;
}

export interface CalendarRow {
  id: string;
  name: string;
  retired: boolean;
  version: number;
  windows: { id: string; weekday: number; opens: string; closes: string }[];
  days: { id: string; date: string; opens: string | null; closes: string | null; overtime: boolean; reason: string }[];
}

/** A stretch of time with its reason: away, closed, heated. */
export interface Span {
  id: string;
  from: number;
  to: number;
  reason: string;
}

export interface WeatherRow {
  date: string;
  sunrise: string;
  sunset: string;
  dry: [string, string][];
  lowC: number;
  highC: number;
  /** At most, m/s; null: not in the forecast. */
  windMs: number | null;
}

export interface SupplierRow {
  id: string;
  name: string;
  leadBestDays: number;
  leadLikelyDays: number;
  leadWorstDays: number;
  retired: boolean;
  version: number;
}

/** A shared tool that jobs book by its name; one that is not sound stops them. */
export interface ToolRow {
  id: string;
  name: string;
  pieces: number;
  state: "sound" | "blunt" | "broken" | "lent";
  note: string;
  /** Stays on the work until the bond has cured. */
  held: boolean;
  /** A machine's hours of the day; null: at any hour. */
  opens: string | null;
  closes: string | null;
  /** Hired or shared: the first and the last day it is there. */
  hadFrom: string | null;
  hadUntil: string | null;
  /** Clear floor along the cut, machine included, and the machine itself; null: not known, the usual. */
  floorMm: number | null;
  lengthMm: number | null;
  /** Boards longer than this take somebody at the outfeed. */
  outfeedMm: number | null;
  /** What an hour with it costs. */
  hourCost: number | null;
  version: number;
}

/** A template, a jig or a traced outline, for one type of van. */
export interface TemplateRow {
  id: string;
  number: string;
  vanId: string;
  kind: "template" | "jig" | "pressing" | "outline";
  what: string;
  side: "roof" | "left" | "right" | "rear" | "floor";
  bay: string;
  mark: "up" | "front" | "outside";
  /** Code of the job that an outline is for. */
  serves: string;
  offsets: string;
  note: string;
  retired: boolean;
  version: number;
}
