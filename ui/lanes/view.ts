// What the lanes view gets: lanes in minutes, names, and what the panel says of each job.

import type { DrawnHours } from "@/core/lanes/axis";
import type { GroupSketch } from "@/core/lanes/groups";
import type { Lane } from "@/core/lanes/lanes";
import type { Why } from "@/core/plan/model";
import type { VanShape } from "../van/plan";

/** What a job is pinned to: a local time, a place, people; null and empty where it is free. */
export interface PinAt {
  start: string | null;
  place: string | null;
  fitters: string[];
}

export const NO_PIN: PinAt = { start: null, place: null, fitters: [] };

export const isPinned = (p: PinAt): boolean => p.start !== null || p.place !== null || p.fitters.length > 0;

export interface JobCard {
  id: string;
  code: string;
  name: string;
  buildId: string;
  build: string;
  stage: string;
  version: number;
  pin: PinAt;
}

/** What the panel says of one job: asked for when it is opened. */
export interface JobDetail {
  likely: string;
  why: Why[];
  /** What is done before it by an order rule, with the reason. */
  after: { name: string; reason: string; done: boolean }[];
  covers: { name: string; approved: number; asked: number; waiting: number }[];
  parts: { name: string; quantity: string; state: string }[];
  /** Of a planned job with a hold: working minutes that the hold blocks, and a start at which it blocks fewer. */
  bond: { blocked: number; better: { start: number; end: number; blocked: number } | null } | null;
}

export interface MoveRow {
  jobId: string;
  code: string;
  name: string;
  build: string;
  stage: string;
  from: number | null;
  to: number | null;
  who: string | null;
  place: string | null;
  why: string;
  /** The job whose own move brought this one about (itself, where nothing else did), and what moved that. */
  cause: string;
}

export interface HandoverRow {
  build: string;
  from: number | null;
  to: number | null;
  days: number;
  due: number;
}

export interface LanesView {
  /** The reader is the lead: pins, replans and publishes. */
  mayChange: boolean;
  /** Builds whose page the reader may open. */
  opens: string[];
  currency: string;
  zone: string;
  now: number;
  lanes: Lane[];
  groups: { bays: GroupSketch[]; fitters: GroupSketch[] };
  vans: Record<string, VanShape>;
  jobs: Record<string, JobCard>;
  places: Record<string, string>;
  people: Record<string, string>;
  /** Local midnights of the days shown, with whether the shop is open. */
  days: { at: number; label: string; weekday: string; open: boolean; date: number; month: string }[];
  /** The hours that are drawn of each day. */
  hours: DrawnHours;
  published: { number: number; madeAt: number; note: string } | null;
  /** All published plans, the newest first. */
  plans: { number: number; note: string; madeAt: number; madeBy: string }[];
  /** The one that moves and ghosts are measured against. */
  against: { number: number; note: string; newest: boolean } | null;
  hasPlan: boolean;
  /** Until then a replan moves only what it must; null: nothing is published. */
  frozenUntil: number | null;
  /** What the plan on the lanes and the other answer beside it do to the published plan, in a line each; null: there is no other. */
  answers: { shown: string; other: string; otherId: string } | null;
  stale: string | null;
  atRisk: number;
  moves: MoveRow[];
  /** How many of them count as moved: a start within a quarter of an hour does not. */
  moved: number;
  handovers: HandoverRow[];
  unplaced: { name: string; build: string; reason: string }[];
  pinsBroken: { name: string; build: string; reason: string }[];
}
