// What the proof view shows: photos that wait for the lead, and shots still to be taken.

export interface WaitingPhoto {
  id: string;
  sha: string;
  buildId: string;
  build: string;
  jobId: string;
  job: string;
  stage: string;
  text: string;
  by: string;
  at: number;
  /** What is wrong with it by the figures: blurred, too dark … */
  again: string[];
  /** What it keeps closed, with the planned start of that. */
  holds: { name: string; start: number | null }[];
}

export interface OpenShot {
  id: string;
  buildId: string;
  build: string;
  jobId: string;
  job: string;
  stage: string;
  text: string;
  state: "missing" | "again";
  reason: string | null;
  who: string;
  before: string | null;
  start: number | null;
}

export interface ProofView {
  zone: string;
  now: number;
  waiting: WaitingPhoto[];
  open: OpenShot[];
  approved: { build: string; buildId: string; approved: number; asked: number }[];
}
