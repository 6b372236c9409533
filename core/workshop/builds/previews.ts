// What the server answers when a build, or other choices for one, are tried without storing anything. Minutes are likely minutes of work.

import type { Conflict } from "../../library/conflicts";

export interface NewBuildSums {
  conflicts: Conflict[];
  jobs: number;
  minutes: number;
  photos: number;
  questions: number;
  parts: number;
  /** Parts and hours, in the workshop's money. */
  cost: number;
  currency: string;
  stages: {
    stage: string;
    jobs: { code: string; name: string; minutes: number; pieces: string | null; means: string[]; after: string[] }[];
  }[];
  /** Set when dates were asked for; local wall times. */
  dates?: {
    /** Planned finish; null when a job has no place, with what is in the way. */
    finish: string | null;
    inTheWay: string[];
    late: boolean;
    /** A deadline that leaves a week behind the planned finish. */
    suggestedDue: string | null;
    others: DateMove[];
    decide: { label: string; by: string | null }[];
  };
}

/** Planned finish of a build, before and after; null where there is none. */
export interface DateMove {
  build: string;
  before: string | null;
  after: string | null;
  late?: boolean;
}

interface Line {
  name: string;
  stage: string;
  minutes: number;
}

export interface OptionPreview {
  /** What is chosen otherwise, in words. */
  chosen: string[];
  conflicts: Conflict[];
  added: Line[];
  dropped: Line[];
  /** Minutes more (or less) for each. */
  changed: Line[];
  moved: { name: string; stage: string; waitsFor: string[]; noLonger: string[] }[];
  lost: { name: string; stage: string }[];
  reopened: (Line & { because: string[] })[];
  minutes: number;
  cost: number;
  wasted: number;
  /** Kilograms more (or less), dry. */
  kg: number;
  /** What the gross mass leaves for people and luggage, now and with it; null where its van type is gone. */
  left: { now: number; after: number } | null;
  dates: DateMove[];
}
