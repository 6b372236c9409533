// A build: its van as measured, its choices, jobs, records and sheets. Times are minutes since 1970 (UTC) unless said otherwise.

import type { OptionKey, Options } from "../../library/options";
import type { CalculatorName } from "../../setout/calculators";
import type { Draft } from "../../setout/engine/form";
import type { BuildRecord } from "../records/records";
import type { Takes } from "../sheets/sheet-takes";
import type { Workshop } from "./house";
import type { JobRow } from "./jobs";

/** A size of the real van, read twice. */
export interface ReadingRow {
  name: string;
  mm: number;
  againMm: number | null;
  readBy: string;
  readAt: number;
}

/** A set-out sheet of a build. */
export interface SheetRow {
  id: string;
  buildId: string;
  jobId: string | null;
  calculator: CalculatorName;
  draft: Draft;
  input: Record<string, unknown>;
  basis: Record<string, number | string>;
  worst: "ok" | "warn" | "stop";
  massKg: number | null;
  savedBy: string;
  savedAt: number;
  /** Readings from the other datum. */
  second: Record<string, number> | null;
  secondBy: string | null;
  lockedAt: number | null;
  /** What it says of its job while it is locked. */
  takes?: Takes | null;
  version: number;
}

export interface BuildRow {
  id: string;
  name: string;
  client: string;
  purpose: string;
  vanId: string;
  arrives: number;
  due: number;
  weight: number;
  options: Options;
  /** Choices that the client has not made yet. */
  openChoices: OptionKey[];
  /** Number of the library it was made with; null for builds of before there were versions. */
  libraryVersion: number | null;
  /** Figures of the house, as the workshop has them. */
  figures?: Workshop["figures"];
  readings: ReadingRow[];
  records: BuildRecord[];
  sheets: SheetRow[];
  at: string | null;
  /** Since when it stands there. */
  atSince: number | null;
  state: string;
  version: number;
  jobs: JobRow[];
}
