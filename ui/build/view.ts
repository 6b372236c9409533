// What the pages of builds show.

import type { BuildDate } from "@/core/shop/dates";
import type { JobState } from "@/core/shop/model";
import type { StageProgress } from "@/core/shop/progress";
import type { VanShape, ZoneMark } from "../van/plan";

export interface ShotView {
  id: string;
  text: string;
  required: boolean;
  state: "missing" | "waiting" | "again" | "approved";
  reason: string | null;
  photos: { sha: string; by: string; at: number }[];
}

export interface SheetJob {
  id: string;
  code: string;
  stage: string;
  name: string;
  state: JobState;
  place: string;
  /** Start and end: what happened, or what is planned. */
  from: number | null;
  to: number | null;
  who: string;
  needs: string[];
  hold: string | null;
  likely: string;
  worked: string | null;
  steps: { n: number; text: string; done: boolean }[];
  cautions: string[];
  kit: string[];
  parts: { id: string; name: string; quantity: string; state: string; here: boolean }[];
  shots: ShotView[];
  after: { name: string; reason: string; done: boolean }[];
  covers: string[];
  remarks: { id: string; text: string; by: string; at: number; stops: boolean }[];
  why: string | null;
  /** What keeps it from being started now; empty when it could. */
  obstacles: string[];
  crew: string;
}

export interface BuildView {
  zone: string;
  now: number;
  id: string;
  version: number;
  name: string;
  client: string;
  purpose: string;
  vanName: string;
  van: VanShape;
  marks: ZoneMark[];
  where: string;
  arrives: string;
  due: string;
  weight: number;
  options: string[];
  date: BuildDate;
  stages: StageProgress[];
  jobs: SheetJob[];
  /** Binding reasons from now to the finish, longest waits told. */
  chain: { name: string; words: string; minutes: number; said: string }[];
  log: { id: string; at: number; who: string; text: string }[];
  fitters: { id: string; name: string }[];
}

export interface BuildCard {
  id: string;
  name: string;
  client: string;
  purpose: string;
  vanName: string;
  van: VanShape;
  where: string;
  date: BuildDate;
  stages: StageProgress[];
  now: string;
}
