// What stores shows: part lines by the date at which they are wanted.

import type { CutOut, PartState } from "@/core/workshop/state/model";
import type { Packed } from "../kit/packed";

export interface PartLine {
  id: string;
  version: number;
  name: string;
  quantity: string;
  buildId: string;
  build: string;
  jobId: string;
  job: string;
  stage: string;
  supplierId: string;
  supplier: string;
  state: PartState;
  /** Planned start of the job that wants it. */
  need: number | null;
  /** Latest moment to order, by the lead time that the supplier keeps in nine cases of ten. */
  orderBy: number | null;
  /** Days to see samples and to choose; 0: nothing to choose. */
  sampleDays: number;
  /** Latest moment to ask for samples; null where none are wanted. */
  samplesBy: number | null;
  /** Days by which its job would begin late if it were asked for now. */
  stake: number;
  promised: number | null;
  firstPromised: number | null;
  /** Minutes by which it comes too late for the plan on the wall; 0 when it does not. */
  late: number;
  shelf: string;
  note: string;
  /** Where it fills a hole in the skin, so that the hole is measured when it comes. */
  fillsHole: "roof" | "wall" | null;
  cutOut: CutOut | null;
  /** What its lateness does in its build; null where it is not late and has a date. */
  wake: { word: string; locked: number; harmless: number; trapping: number } | null;
}

/** What a late part does in its build, job by job; asked for when it is opened. */
export interface PartDetail {
  locked: string[];
  harmless: string[];
  trapping: string[];
}

export interface StoresView {
  zone: string;
  now: number;
  /** PartLine by PartLine. */
  lines: Packed;
  /** Who can deliver, with what their deliveries were like. */
  suppliers: { id: string; name: string; record: string }[];
  stale: string | null;
  /** What the last replan did against the published plan, per build. */
  effect: { build: string; days: number; from: number | null; to: number | null }[];
  published: number | null;
}
