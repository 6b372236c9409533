// The present state of a workshop as the application knows it. Times are minutes since 1970 (UTC) unless said otherwise.

import type { OptionKey, Options } from "../../library/options";
import type { Role } from "../../library/roles";
import type { Tag } from "../../library/schema";
import type { CalculatorName } from "../../setout/names";
import type { SheetDraft } from "../../setout/prefill";
import type { Weekday } from "../../time/calendar";
import type { Van } from "../../van/model";
import type { FixingKind, Member } from "../records/kinds/strip";
import type { BuildRecord } from "../records/records";
import type { Takes } from "../sheets/sheet-takes";
import type { FigureName } from "./house-figures";

export interface Workshop {
  id: string;
  name: string;
  zone: string;
  latitude: number;
  longitude: number;
  units: "mm" | "inch";
  noiseFrom: string | null;
  noiseTo: string | null;
  /** Weekdays with noise hours of their own; none: quiet all day. */
  noiseWeek: Partial<Record<Weekday, [string, string][]>>;
  /** Who confirmed the hours, and when, in the lead's words. */
  noiseConfirmed: string;
  /** How much colder metal is than the air where nothing is heated throughout, °C. */
  skinBelowC: number;
  /** The plan counts more minutes where a job is a first or second time for all who are to do it. */
  firstTimes: boolean;
  /** What can't be undone is released by the lead or a deputy once somebody else has answered what is asked before it. */
  releaseCuts: boolean;
  yardPlaces: number;
  yardHas: string[];
  yardWork: boolean;
  shuntMinutes: number;
  goodsInMinutes: number;
  horizonDays: number;
  weights: Record<string, number>;
  /** Cost of an hour of work, in `currency`. */
  hourRate: number;
  currency: string;
  /** The house's own answers to choices, where they differ from the shipped ones. */
  house: Partial<Options>;
  /** Thresholds of the house, where they differ from the usual ones (house-figures.ts). */
  figures: Partial<Record<FigureName, number>>;
  demo: boolean;
  /** Changes so far that a plan has to know, and how many of them the working plan knows. */
  changes: number;
  plannedChanges: number;
  /** The first change that the working plan does not know; null when it knows all. */
  staleWhy: string | null;
  version: number;
}

export interface CalendarRow {
  id: string;
  name: string;
  retired: boolean;
  version: number;
  windows: { id: string; weekday: number; opens: string; closes: string }[];
  days: { id: string; date: string; opens: string | null; closes: string | null; overtime: boolean; reason: string }[];
}

/** A stretch of time with its reason: away, closed, heated. */
export interface Span {
  id: string;
  from: number;
  to: number;
  reason: string;
}

export interface BayRow {
  id: string;
  name: string;
  seq: number;
  calendarId: string | null;
  has: string[];
  tempC: number | null;
  /** What it could be heated to for some hours; null: it may not be. */
  heatTempC: number | null;
  heatBy: string;
  heatHourCost: number;
  /** Minutes before it is warm. */
  heatAheadMinutes: number;
  /** What a day in it costs; null: nobody has said. */
  dayCost: number | null;
  maxHeightMm: number | null;
  maxLengthMm: number | null;
  retired: boolean;
  version: number;
  closures: Span[];
  heats: Span[];
}

export interface FitterRow {
  id: string;
  name: string;
  calendarId: string;
  retired: boolean;
  version: number;
  skills: Record<string, number>;
  tickets: { id: string; until: string | null }[];
  /** What they are not to do, whatever the skills. */
  nots: string[];
  absences: { id: string; from: number; to: number; reason: string }[];
}

/** A van template as the workshop has it. */
export type VanRow = Van;

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

export type PartState = "needed" | "ordered" | "promised" | "arrived" | "checked" | "wrong";

export interface PartRow {
  id: string;
  jobId: string;
  name: string;
  quantity: number;
  unit: string;
  supplierId: string;
  state: PartState;
  promisedAt: number | null;
  firstPromisedAt: number | null;
  arrivedAt: number | null;
  checkedAt: number | null;
  /** The locked sheet that rules its quantity, and what the library asked for; null: only the sheet asks for it. */
  ruled?: { sheet: string; own: number | null };
  /** Of one unit; 0 when unknown. */
  price: number;
  shelf: string;
  note: string;
  /** The hole it asks for, as measured at goods-in, mm. */
  cutOut: CutOut | null;
  /** What belongs into its box; a cut waits until each line was looked at. */
  contents: string[];
  /** Days to see samples of it and to choose, before it can be ordered; 0: nothing to choose. */
  sampleDays: number;
  version: number;
}

export interface CutOut {
  w: number;
  h: number;
  r: number;
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
  /** What it may be done but for, and before which job that has to be closed. */
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
  /** Open ones: what it is done but for. */
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
  draft: SheetDraft;
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

export interface WeatherRow {
  date: string;
  sunrise: string;
  sunset: string;
  dry: [string, string][];
  lowC: number;
  highC: number;
  /** At most, m/s; null: not in the forecast. */
  windMs: number | null;
}

export interface SupplierRow {
  id: string;
  name: string;
  leadBestDays: number;
  leadLikelyDays: number;
  leadWorstDays: number;
  retired: boolean;
  version: number;
}

/** A shared tool that jobs book by its name; one that is not sound stops them. */
export interface ToolRow {
  id: string;
  name: string;
  pieces: number;
  state: "sound" | "blunt" | "broken" | "lent";
  note: string;
  /** Stays on the work until the bond has cured. */
  held: boolean;
  /** A machine's hours of the day; null: at any hour. */
  opens: string | null;
  closes: string | null;
  /** Hired or shared: the first and the last day it is there. */
  hadFrom: string | null;
  hadUntil: string | null;
  /** Clear floor along the cut, machine included, and the machine itself; null: not known, the usual. */
  floorMm: number | null;
  lengthMm: number | null;
  /** Boards longer than this take somebody at the outfeed. */
  outfeedMm: number | null;
  /** What an hour with it costs. */
  hourCost: number | null;
  version: number;
}

/** A template, a jig or a traced outline, for one type of van. */
export interface TemplateRow {
  id: string;
  number: string;
  vanId: string;
  kind: "template" | "jig" | "pressing" | "outline";
  what: string;
  side: "roof" | "left" | "right" | "rear" | "floor";
  bay: string;
  mark: "up" | "front" | "outside";
  /** Code of the job that an outline is for. */
  serves: string;
  offsets: string;
  note: string;
  retired: boolean;
  version: number;
}

/** A factory point that has leaked on a van of this type. */
export interface WeepPoint {
  vanId: string;
  side: "roof" | "left" | "right" | "rear" | "floor";
  title: string;
  place: string;
  /** On which build it was found. */
  found: string;
}

/** Fixings that were taken out of a van of some type, and what they took; of handed-over builds as well. */
export interface FixingRow {
  buildId: string;
  vanId: string;
  what: FixingKind;
  count: number;
  minutes: number;
  beneath?: string;
  tools?: string;
}

/** Metal that was met behind a cut on a van of some type; of handed-over builds as well. */
export interface MemberRow {
  buildId: string;
  vanId: string;
  title: string;
  side: Member["side"];
  what: Member["what"];
  says: string;
}

/** How often a fitter has done jobs of one code; of handed-over builds as well. */
export interface PracticeRow {
  fitterId: string;
  code: string;
  times: number;
}

/** What a job that is done took in this house; of handed-over builds as well. */
export interface TimeRow {
  /** Without the letter of its copy. */
  code: string;
  roles: readonly Role[];
  minutes: number;
  fitters: string[];
  buildId: string;
  vanId: string;
}

/** What a zone of a kind took; of handed-over builds as well. */
export interface ZoneRateRow {
  /** Who wrote it down; null for somebody who is no fitter. */
  fitterId: string | null;
  kind: "floor" | "ribs" | "flat";
  m2: number;
  minutes: number;
}

/** What showed once the lettering was off; of handed-over builds as well. */
export interface GhostRow {
  buildId: string;
  ghost: "none" | "faint" | "clear";
}

/** A hole or rust that was met on a van of some type; of handed-over builds as well. */
export interface MarkedRow {
  buildId: string;
  vanId: string;
  title: string;
  what: "hole" | "rust";
}

export interface Shop {
  workshop: Workshop;
  calendars: CalendarRow[];
  bays: BayRow[];
  fitters: FitterRow[];
  vans: VanRow[];
  suppliers: SupplierRow[];
  tools: ToolRow[];
  templates: TemplateRow[];
  weep: WeepPoint[];
  fixings: FixingRow[];
  members: MemberRow[];
  marked: MarkedRow[];
  practice: PracticeRow[];
  ghosts: GhostRow[];
  times: TimeRow[];
  zoneRates: ZoneRateRow[];
  weather: WeatherRow[];
  builds: BuildRow[];
}
