// What the yard shows: places with their vans, the bench, and the lists beside them.

import type { Decision } from "@/core/workshop/builds/decisions";
import type { LostTo } from "@/core/workshop/planning/lost-time";
import type { BuildDate } from "@/core/workshop/state/dates";
import type { VanShape, ZoneMark } from "../van/plan";

export interface Worker {
  id: string;
  initials: string;
  name: string;
}

export interface Line {
  jobId: string;
  stage: string;
  name: string;
  detail: string;
}

export interface Standing {
  buildId: string;
  name: string;
  van: VanShape;
  marks: ZoneMark[];
  people: Worker[];
  /** Work under way, holds, or what comes next. */
  lines: Line[];
  /** Why the van may not be moved; null when it may. */
  stuck: string | null;
  /** Before it leaves the yard: what is looked at, and what stops it. */
  leaving: { ticks: string[]; stops: string[] };
}

export interface Spot {
  id: string;
  name: string;
  indoor: boolean;
  about: string;
  van: Standing | null;
  /** What the plan says of a free bay, or of the weather at an outdoor one. */
  notes: string[];
}

export interface BenchItem {
  jobId: string;
  buildId: string;
  build: string;
  stage: string;
  name: string;
  detail: string;
  people: Worker[];
  ready: boolean;
}

export interface ForwardLine {
  jobId: string;
  buildId: string;
  stage: string;
  title: string;
  detail: string;
}

export interface YardView {
  zone: string;
  now: number;
  spots: Spot[];
  yardPlaces: number;
  yard: Standing[];
  toCome: { buildId: string; name: string; detail: string }[];
  bench: BenchItem[];
  weather: string;
  warm: string;
  decisions: Decision[];
  dates: BuildDate[];
  forward: ForwardLine[];
  forwardNote: string;
  /** People for whom no ready work is left. */
  idle: { fitterId: string; name: string; minutes: number; until: string; cause: LostTo; why: string }[];
  /** What was lost lately, by cause, in words. */
  lost: string;
  /** Dates that nobody can have meant, each with the page that mends it. */
  implausibleDates: { text: string; href: string }[];
  stale: string | null;
  places: { id: string; name: string }[];
  hasPlan: boolean;
  builds: number;
}
