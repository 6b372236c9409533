// What a bench card shows: one job, big; what comes behind it, small.

import type { Van } from "@/core/van/model";
import type { ReadingState } from "@/core/van/readings";
import type { ZoneState } from "@/core/workshop/bare-body/zones";
import type { SlotOffer } from "@/core/workshop/planning/short-slot";
import type { ClockName } from "@/core/workshop/records/kinds/clock";
import type { Penetration } from "@/core/workshop/records/kinds/hole";
import type { HotWork } from "@/core/workshop/records/kinds/hot-work";
import type { BuildRecord } from "@/core/workshop/records/records";
import type { Workshop } from "@/core/workshop/state/model";
import type { KitLine } from "@/core/workshop/stores/kit";
import type { RunningClock } from "@/core/workshop/today/clocks";
import type { DayEnd } from "@/core/workshop/today/day-end";
import type { BoxToCount } from "../builds/openings/boxes";
import type { ShotView } from "../builds/view";
import type { SheetCard } from "../setout/sheet-card";

/** What was found and measured on the job's van and is still open, with the van as measured for its drawing. */
export interface CardFound {
  van: Van;
  /** Boxes of units that a cut of this van waits for. */
  boxes: BoxToCount[];
  records: (BuildRecord & { by: string })[];
}

export interface CardJob {
  id: string;
  code: string;
  stage: string;
  name: string;
  build: string;
  state: "todo" | "started" | "paused" | "done";
  place: string;
  with: string;
  /** Planned, or since when it runs. */
  from: number | null;
  to: number | null;
  holdUntil: number | null;
  holdWords: string;
  /** "Start by 11:05 or leave it for Thu 26 Nov" */
  urgent: string | null;
  /** The clock of an open skin says sheet over; who goes on all the same, once somebody does. */
  goesOn: { who: string | null } | null;
  /** A second person who is needed for a part of it; who is on it now, who is planned, who else could come. */
  help: {
    here: { id: string; name: string } | null;
    comes: { id: string; name: string } | null;
    others: { id: string; name: string }[];
    says: string;
  } | null;
  steps: { n: number; text: string; done: boolean; waived: string | null; guards: boolean }[];
  /** Asked before what can't be undone. */
  /** `unsure`: who was not sure; `mine`: it was the reader. */
  questions: { n: number; text: string; yes: boolean; unsure: string | null; mine: boolean }[];
  deed: string;
  /** Where the house asks for a second name: whose it is, and whether the reader may give or take it. */
  release: { by: string | null; may: boolean; why: string | null } | null;
  pieces: { name: string; count: number; done: number } | null;
  /** Of a batch: who signed its first piece, and whether the reader may. */
  firstPiece: { by: string | null; read: string | null; maySign: boolean } | null;
  /** What it may be left with, and the jobs of the build that could wait for it. */
  leaves: { text: string; before: string; beforeName: string }[];
  laterJobs: { id: string; name: string }[];
  /** Sizes of the van to be read, where the job asks for them. */
  readings: ReadingState[] | null;
  buildId: string;
  /** The reader may open the page of its van. */
  opensBuild: boolean;
  /** null: the job is done, or the reader does not work on this van. */
  found: CardFound | null;
  /** Its set-out: the sheets kept for it, and those that it asks for and nobody has filled in. */
  setOut: { kept: SheetCard[]; missing: { calculator: string; title: string }[] };
  /** What is left open of it. */
  remainders: string[];
  /** Templates to cut by, and what stripping still leaves open. */
  cameOut: string[];
  /** Of noisy work: how long noise may still be made today, or from when. */
  noise: string | null;
  /** Dust beside a coat that dries, or the other way round. */
  dust: string | null;
  /** What there is to know of the machines that the job works with, a line each. */
  machines: string[];
  /** At the very limit of temperature. */
  limit: string | null;
  /** There is a template for it: its number is read off before marking. */
  templateAsked: boolean;
  /** Holes through the skin that it makes, or soaks. */
  holes: {
    id: string;
    version: number;
    no: number;
    title: string;
    data: Penetration;
    says: string;
    photos: string[];
    shows: (string | null)[];
  }[];
  soaks: boolean;
  /** Its own sparks and swarf, and those of the van that are not cleared. */
  sparks: { id: string; version: number; jobId: string | null; title: string; data: HotWork; open: string[] }[];
  /** Clocks of the van that run. */
  clocks: RunningClock[];
  /** Figures of the house, where they differ from the usual. */
  figures: Workshop["figures"];
  /** Times of its bond that are worked out and do not run yet. */
  bond: { what: ClockName; minutes: number }[];
  /** What speaks against doing it just now, and who does it for the first time. */
  mind: string[];
  /** The hour, the cold or the day's work speaks against it now. */
  tired: boolean;
  /** Its kit, line by line. */
  pick: KitLine[];
  /** Bare zones that it cleans, or shuts in. */
  zones: ZoneState[];
  /** Worked longer than the time box allows, in words. */
  overBox: string | null;
  cautions: string[];
  shots: ShotView[];
  /** What the photos keep closed. */
  stops: string[];
  obstacles: string[];
  remarks: string[];
  canUndo: boolean;
  /** Steps are ticked, photos asked: what was done. */
  worked: string;
}

export interface CardView {
  zone: string;
  now: number;
  fixed: boolean;
  event: string;
  lead: boolean;
  who: { id: string; name: string } | null;
  people: { id: string; name: string }[];
  job: CardJob | null;
  /** The end of the day, in its last hour. */
  dayEnd: DayEnd | null;
  /** What could be finished before the next job begins. */
  slot: { minutes: string; offers: SlotOffer[] } | null;
  later: { id: string; stage: string; name: string; build: string; from: number | null; state: string }[];
}
