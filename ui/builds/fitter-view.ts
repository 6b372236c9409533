// What the page of a build shows a fitter who works on it.

import type { StageProgress } from "@/core/workshop/state/progress";
import type { SheetJob } from "./view";

export interface FitterJob
  extends Pick<SheetJob, "id" | "code" | "stage" | "name" | "state" | "place" | "from" | "to" | "who" | "hold" | "likely" | "after"> {
  steps: { n: number; text: string; done: boolean }[];
  /** Its kit: what, where it lies, and why it is short. */
  kit: { what: string; where: string; short: string | null }[];
  sheets: { calculator: string; title: string; locked: boolean }[];
  /** The reader has it by the plan, or in fact. */
  mine: boolean;
}

export interface FitterBuildView {
  zone: string;
  now: number;
  id: string;
  name: string;
  purpose: string;
  vanName: string;
  where: string;
  due: number;
  finish: number | null;
  stages: StageProgress[];
  jobs: FitterJob[];
}
