// What builds of before teach the next one. Times are minutes since 1970 (UTC) unless said otherwise.

import type { Role } from "../../library/roles";
import type { FixingKind, FramePart } from "../records/kinds/strip";

/** A factory point that has leaked on a van of this type. */
export interface LeakPoint {
  vanId: string;
  side: "roof" | "left" | "right" | "rear" | "floor";
  title: string;
  place: string;
  /** On which build it was found. */
  found: string;
}

/** Fixings that were taken out of a van of some type, and what they took; of handed-over builds as well. */
export interface FixingRow {
  buildId: string;
  vanId: string;
  what: FixingKind;
  count: number;
  minutes: number;
  beneath?: string;
  tools?: string;
}

/** Metal that was met behind a cut on a van of some type; of handed-over builds as well. */
export interface FramePartRow {
  buildId: string;
  vanId: string;
  title: string;
  side: FramePart["side"];
  what: FramePart["what"];
  says: string;
}

/** How often a fitter has done jobs of one code; of handed-over builds as well. */
export interface PracticeRow {
  fitterId: string;
  code: string;
  times: number;
}

/** What a job that is done took in this house; of handed-over builds as well. */
export interface TimeRow {
  /** Without the letter of its copy. */
  code: string;
  roles: readonly Role[];
  minutes: number;
  fitters: string[];
  buildId: string;
  vanId: string;
}

/** What a zone of a kind took; of handed-over builds as well. */
export interface ZoneRateRow {
  /** Who wrote it down; null for somebody who is no fitter. */
  fitterId: string | null;
  kind: "floor" | "ribs" | "flat";
  m2: number;
  minutes: number;
}

/** What showed once the lettering was off; of handed-over builds as well. */
export interface GhostRow {
  buildId: string;
  ghost: "none" | "faint" | "clear";
}

/** A hole or rust that was met on a van of some type; of handed-over builds as well. */
export interface MarkedRow {
  buildId: string;
  vanId: string;
  title: string;
  what: "hole" | "rust";
}
