// What the set-out view shows when it belongs to a build.

import type { Draft } from "@/core/setout/engine/form";
import type { SecondReading } from "@/core/setout/engine/second";

export interface KeptSheet {
  id: string;
  jobId: string | null;
  jobName: string | null;
  calculator: string;
  draft: Draft;
  worst: "ok" | "warn" | "stop";
  by: string;
  at: number;
  second: { by: string; readings: Record<string, number> } | null;
  locked: number | null;
  version: number;
  /** What it makes of its job while it is locked, in words. */
  takes: string | null;
  /** What has changed beneath it since. */
  notices: string[];
  /** Prints of it, the newest first; old ones say why. */
  prints: { by: string; at: number; old: string | null }[];
  wanted: SecondReading[];
  /** Why the reader can't do the second measuring. */
  secondWhyNot: string | null;
  /** The two agree within this, mm. */
  agreeMm: number;
  /** What can be claimed of its part, where it does not fit. */
  claim: { note: string; parts: { id: string; name: string; version: number }[] } | null;
  /** Jobs that it asks for. */
  asks: string[];
  versions: { n: number; by: string; at: number }[];
}

export interface SetOutView {
  zone: string;
  lead: boolean;
  builds: { id: string; name: string }[];
  /** Figures of the house that differ from the usual ones, by calculator. */
  house: Record<string, Draft>;
  /** The build and job whose sheets are shown; null: a loose sheet, kept on this machine only. */
  of: {
    buildId: string;
    buildName: string;
    jobId: string | null;
    jobName: string | null;
    jobs: { id: string; name: string; calculators: string[] }[];
    kept: KeptSheet[];
    /** Figures to start from, by calculator. */
    prefills: Record<string, Draft>;
    /** Sheets that start from plan, forecast and stores instead. */
    fromPlan: string[];
  } | null;
}
