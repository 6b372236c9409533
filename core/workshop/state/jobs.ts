// A job of a build with all that hangs on it. Times are minutes since 1970 (UTC) unless said otherwise.

import type { OptionKey } from "../../library/options";
import type { Role } from "../../library/roles";
import type { Tag } from "../../library/schema";
import type { PartRow } from "./parts";

export interface PhotoRow {
  id: string;
  shotId: string;
  sha256: string;
  takenBy: string;
  takenAt: number;
  verdict: "approved" | "again" | null;
  reason: string | null;
  reviewedBy: string | null;
  /** What the fitter was told to look at again; null when it was not looked over. */
  lookAgain?: string[] | null;
}

export interface ShotRow {
  id: string;
  n: number;
  text: string;
  beforeCloseUp: boolean;
  version: number;
  photos: PhotoRow[];
}

export type JobState = "todo" | "started" | "paused" | "done";

export interface JobRow {
  id: string;
  buildId: string;
  code: string;
  stage: string;
  name: string;
  seq: number;
  minutes: { best: number; likely: number; worst: number };
  place: "van" | "bench";
  yardOk: boolean;
  bayHas: string[];
  zones: string[];
  needs: {
    dry: boolean;
    daylight: boolean;
    minTempC: number | null;
    maxTempC: number | null;
    /** The lowest temperature is that of the metal. */
    metal: boolean;
    /** Most wind where no roof is over it, m/s. */
    maxWindMs: number | null;
    noisy: boolean;
    sameDay: boolean;
  };
  hold: { minutes: number; still: boolean; keepOff: string[] | "all" | null; minTempC: number | null };
  notBefore: number | null;
  pin: { start: number | null; place: string | null; fitters: string[] };
  cautions: string[];
  kit: string[];
  tools: string[];
  /** What rules of the workshop ask for: its own, whatever its code. */
  roles: readonly Role[];
  /** What it is like for those around it. */
  tags: Tag[];
  /** The template in hand. */
  template: { templateId: string; by: string; at: number } | null;
  /** What the chosen schools mean for it, in words. */
  means: string[];
  irreversible: string | null;
  /** Who released it, and when; null: nobody has. */
  releasedBy: string | null;
  releasedAt: number | null;
  /** `first`: the check of the first piece releases the rest. */
  pieces: { name: string; count: number; done: number; first: boolean } | null;
  /** Who signed the first piece, and what was read off it; null: nobody has. `by` is null where it was counted before this was asked. */
  firstPiece: { by: string | null; at: number; read: string } | null;
  /** Times its likely minutes; worked longer, it asks for a decision. */
  timeBox: number;
  /** What the maker of its part says it takes, where one does. */
  makerMinutes?: number;
  /** Calculators of the Set-out view that give its numbers. */
  setOut: string[];
  faults: { sign: string; causes: { cause: string; test: string }[] }[];
  /** Open choices of the client that would make it another job: it is not begun before they are made. */
  undecided: OptionKey[];
  /** What it may leave to finish, and the job before which that has to be done. */
  leaves: { text: string; before: string }[];
  state: JobState;
  startedAt: number | null;
  runningSince: number | null;
  workedMinutes: number;
  endedAt: number | null;
  actualPlace: string | null;
  /** Who had done it before the van came; its proof is theirs. */
  byOthers: string | null;
  /** Its minutes and hold without its locked sheets, where one of those changes them. */
  own?: { best: number; likely: number; worst: number; hold: number };
  /** What asked for it, where no choice did. */
  extra?: string;
  version: number;
  crew: { skill: string; level: number; people: number; ticket: string | null }[];
  fitters: string[];
  /** Who is on it for a part only; those let go before its end are no longer among its fitters. */
  helpers?: { fitter: string; freedAt: number | null }[];
  steps: { n: number; text: string; does: string | null; doneAt: number | null; doneBy: string | null; waivedWhy: string | null }[];
  /** Asked before what can't be undone. */
  /** `unsureBy`: who was not sure; somebody else answers then. */
  questions: { n: number; text: string; answeredAt: number | null; answeredBy: string | null; unsureBy: string | null }[];
  /** What is still to finish. */
  remainders: RemainderRow[];
  after: { job: string; lag: number; lagKind: "elapsed" | "working"; ignoreHold: boolean; reason: string }[];
  covers: string[];
  parts: PartRow[];
  shots: ShotRow[];
  remarks: RemarkRow[];
}

export interface RemarkRow {
  id: string;
  jobId: string;
  kind: string;
  text: string;
  stopsWork: boolean;
  saidBy: string;
  saidAt: number;
}

export interface RemainderRow {
  id: string;
  jobId: string;
  text: string;
  /** Job that must not start while this is open. */
  before: string | null;
  owner: string | null;
  saidBy: string;
  saidAt: number;
}
