// A kept sheet as somebody at the van reads it: figures, cuts, findings, drawing, and how it stands.

import type { Cut, Drawing, Finding } from "@/core/setout/engine/outcome";
import type { SaidResult } from "@/core/setout/engine/say-results";
import type { SecondReading } from "@/core/setout/engine/second";

export interface SheetCard {
  id: string;
  version: number;
  calculator: string;
  title: string;
  by: string;
  at: number;
  locked: number | null;
  /** What the van or the choices contradict. */
  notices: string[];
  figures: SaidResult[];
  cuts: Cut[];
  findings: Finding[];
  drawing: Drawing | null;
  /** What is read a second time, and what has been. */
  wanted: SecondReading[];
  second: { by: string; readings: Record<string, number> } | null;
  /** Why the reader can't measure it a second time. */
  secondWhyNot: string | null;
  /** The two agree within this, mm. */
  agreeMm: number;
}
