// What the first page of Set-out shows.

import type { SheetState } from "@/core/workshop/sheets/needed-next";
import type { VanShape } from "../van/plan";

export interface NeededView {
  id: string;
  name: string;
  stage: string;
  zones: string[];
  /** Under way. */
  under: boolean;
  start: number | null;
  people: string[];
  sheets: { calculator: string; state: SheetState }[];
}

export interface SetOutHomeView {
  zone: string;
  now: number;
  builds: { id: string; name: string }[];
  /** By sheet: the stages whose jobs ask for it, by the library in use. */
  stages: Record<string, string[]>;
  /** Null: no build. */
  of: {
    id: string;
    name: string;
    van: VanShape;
    needed: NeededView[];
    done: { id: string; calculator: string; jobId: string | null; jobName: string | null; by: string[] }[];
    jobs: { id: string; name: string; stage: string; done: boolean; calculators: string[] }[];
  } | null;
}
