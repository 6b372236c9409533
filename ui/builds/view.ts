// What the pages of builds show.

import type { Conflict } from "@/core/library/conflicts";
import type { OptionKey, Options } from "@/core/library/options";
import type { Role } from "@/core/library/roles";
import type { Van } from "@/core/van/model";
import type { ReadingState } from "@/core/van/readings";
import type { FixingEstimate } from "@/core/workshop/bare-body/fixings";
import type { Inventory } from "@/core/workshop/bare-body/removed-items";
import type { OpenLine } from "@/core/workshop/bare-body/strip-close";
import type { Dated } from "@/core/workshop/bare-body/walk-rounds";
import type { ZoneState } from "@/core/workshop/bare-body/zones";
import type { ChangeSum } from "@/core/workshop/builds/change-causes";
import type { MassLedger } from "@/core/workshop/builds/mass-ledger";
import type { Money } from "@/core/workshop/builds/money";
import type { OpenChoice } from "@/core/workshop/builds/open-choices";
import type { NextJob, StuckJob } from "@/core/workshop/builds/stuck";
import type { PenetrationRecord } from "@/core/workshop/openings/holes";
import type { Opening } from "@/core/workshop/openings/openings";
import type { Spare } from "@/core/workshop/openings/spares";
import type { Between } from "@/core/workshop/planning/hand-to-hand";
import type { SidePair } from "@/core/workshop/planning/side-by-side";
import type { Penetration } from "@/core/workshop/records/kinds/hole";
import type { BuildRecord } from "@/core/workshop/records/records";
import type { BuildDate } from "@/core/workshop/state/dates";
import type { JobState, Workshop } from "@/core/workshop/state/model";
import type { StageProgress } from "@/core/workshop/state/progress";
import type { ZoneJob } from "@/core/workshop/state/van-zones";
import type { VanShape } from "../van/plan";
import type { BoxToCount } from "./openings/boxes";

export interface ShotView {
  id: string;
  text: string;
  required: boolean;
  state: "missing" | "waiting" | "again" | "approved";
  reason: string | null;
  photos: { sha: string; by: string; at: number }[];
}

export interface SheetJob {
  roles: readonly Role[];
  id: string;
  code: string;
  stage: string;
  name: string;
  /** Taken on because something found asked for it. */
  extra: boolean;
  state: JobState;
  place: string;
  /** Start and end: what happened, or what is planned. */
  from: number | null;
  to: number | null;
  who: string;
  needs: string[];
  hold: string | null;
  likelyMinutes: number;
  likely: string;
  worked: string | null;
  steps: { n: number; text: string; done: boolean; waived: string | null }[];
  questions: { n: number; text: string; answered: string | null; unsure: string | null }[];
  /** What is done that can't be undone, as a verb; "start" for the rest. */
  deed: string;
  pieces: { name: string; count: number; done: number } | null;
  /** Set once the time box is passed and nothing was decided. */
  overBox: string | null;
  means: string[];
  /** Templates to cut by, and what stripping still leaves open. */
  cameOut: string[];
  tools: string[];
  machines: string[];
  setOut: string[];
  /** Sheets kept with it, by calculator. */
  sheets: Record<string, { locked: boolean; contradicted: boolean; worst: string }>;
  leaves: { text: string; before: string; beforeName: string }[];
  remainders: { id: string; text: string; before: string | null; owner: string; by: string; at: number }[];
  faults: { sign: string; causes: { cause: string; test: string }[] }[];
  cautions: string[];
  kit: string[];
  parts: { id: string; name: string; quantity: string; state: string; here: boolean }[];
  shots: ShotView[];
  zones: string[];
  after: { id: string; name: string; reason: string; done: boolean }[];
  covers: string[];
  remarks: { id: string; text: string; by: string; at: number; stops: boolean }[];
  why: string | null;
  /** How often it was put off from one published plan to the next. */
  slips: string | null;
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
  /** The template as measured, for drawings. */
  van: Van;
  zoneJobs: ZoneJob[];
  /** From arrival to handover, for the drawing's slider. */
  span: { from: number; to: number };
  options: Options;
  openChoices: OpenChoice[];
  openKeys: OptionKey[];
  /** What openings took in this house, in words. */
  norms: string;
  openings: Opening[];
  /** Every hole through the skin, by number, and what the order asks for beyond. */
  holes: ShownHole[];
  holesAsked: number;
  /** By side: what a hole costs more when it is made now. */
  late: Partial<Record<Penetration["side"], string>>;
  shell: ZoneState[];
  rework: [name: string, minutes: number][];
  closing: OpenLine[];
  /** Jobs that something found asks for. */
  asked: { key: string; name: string; why: string; minutes: number; stage: string; stop: string | null }[];
  papers: PapersView;
  next: NextJob[];
  stuck: StuckJob[];
  /** Jobs that could be in work at the same time as things stand. */
  beside: SidePair[];
  /** What lies ready, dries or is being made between two people. */
  between: Between[];
  conflicts: Conflict[];
  house: Partial<Options>;
  library: { version: number | null; newest: number };
  readings: ReadingState[];
  readBy: Record<string, string>;
  records: (BuildRecord & { by: string; jobName: string | null })[];
  inventory: Inventory;
  ledger: MassLedger;
  /** What changes of choices came from, with hours and money. */
  changes: ChangeSum[];
  mass: { kg: number; sheets: number };
  money: { whole: Money; stages: { stage: string; money: Money }[]; rate: number; currency: string };
  where: string;
  /** On how many days of those since its arrival somebody worked on it. */
  worked: string | null;
  arrives: string;
  due: string;
  weight: number;
  gets: string[];
  date: BuildDate;
  stages: StageProgress[];
  jobs: SheetJob[];
  /** Figures of the house, where they differ from the usual. */
  figures: Workshop["figures"];
  /** Orders of the house by name: where each differs from this build, and what it would break. */
  orders: { id: string; name: string; choices: Partial<Options>; differs: string[]; forbidden: string[] }[];
  /** What is wrong in what was written down about reach. */
  reachWrong: string[];
  /** From which side each unit is fastened. */
  reachSides: string[];
  /** Parked things, those awake first. */
  parked: { id: string; title: string; awake: boolean; text: string }[];
  /** Binding reasons from now to the finish, longest waits told. */
  chain: { name: string; words: string; minutes: number; said: string }[];
  log: { id: string; at: number; who: string; text: string }[];
  fitters: { id: string; name: string }[];
}

/** What the papers of a build come to. */
export interface PapersView {
  consents: string[];
  /** What the layout that is chosen does not give of what was ordered. */
  layout: string[];
  refused: { lines: string[]; hours: number; price: number };
  /** Told in writing at the handover. */
  goesWithIt: string[];
  firstStage: string | null;
  byOthers: { id: string; name: string; who: string }[];
  seats: string[];
  dated: (Omit<Dated, "mark"> & { mark: Pick<Dated["mark"], "id" | "title" | "data" | "photos"> })[];
  round: string | null;
  fixings: FixingEstimate | null;
  /** By entry: what still keeps the van where it stands. */
  sparks: Record<string, string[]>;
  spares: Spare[];
  /** Holes and rust met on earlier vans of the type, not marked here yet. */
  usual: string[];
  /** Pieces of metal known from other vans of the type that are not in the list. */
  known: number;
  /** Holes whose unit needs a cable, without a tail. */
  tails: { hole: number; title: string }[];
  /** Boxes of units that a cut waits for. */
  boxes: BoxToCount[];
  /** Places that will be covered and nobody has looked over. */
  places: { label: string; zone: string; rib: string; under: string }[];
}

export interface ShownHole extends PenetrationRecord {
  no: number;
  says: string;
  openSince: number | null;
  by: string;
  jobName: string | null;
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

/** One page of a build's printed job cards. */
export interface PrintCard {
  id: string;
  stage: string;
  state: JobState;
  name: string;
  van: string;
  when: string;
  place: string;
  who: string;
  crew: string;
  likely: string;
  hold: string | null;
  needs: string[];
  deed: string;
  questions: string[];
  steps: string[];
  pieces: { name: string; count: number } | null;
  cautions: string[];
  parts: string[];
  kit: string[];
  shots: string[];
  means: string[];
  /** The card's address as a code, a data URL of an SVG. */
  qr: string;
}
