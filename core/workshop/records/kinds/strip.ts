// What is written down while a van is stripped: walk-rounds, what later work would trap, fixings, and metal behind a cut.

import { VIEW_LABEL, VIEWS, type ViewName } from "../../../van/drawing";
import { type Declared, declared } from "./fields";

/** A walk round the van with the same views each time, so that a damage can be dated. */
export interface Round {
  when: "arrival" | "bay" | "before cut" | "after cut" | "handover";
  views: ViewName[];
  note?: string;
}

export const ROUND_WORDS: Record<Round["when"], string> = {
  arrival: "on arrival",
  bay: "as it came into a bay",
  "before cut": "before a cut",
  "after cut": "after a cut",
  handover: "at handover",
};

export const ROUND = declared<Round>({
  kind: "round",
  one: "A walk round the van",
  many: "Walk-rounds",
  words: "walk-round",
  tab: "marks",
  intro: "The same views on arrival, at each bay and about each cut, with photos: they say when a mark was not there yet.",
  title: { label: "Where it stands", hint: "Bay 1, yard" },
  by: "any",
  fields: [
    { key: "when", label: "When", type: "choice", options: Object.entries(ROUND_WORDS), required: true },
    { key: "views", label: "Views taken", type: "many", options: VIEWS.map((v) => [v, VIEW_LABEL[v]] as const), required: true },
    { key: "note", label: "Note", type: "words", long: true },
  ],
  says: (d) => `${ROUND_WORDS[d.when]}: ${d.views.map((v) => VIEW_LABEL[v].toLowerCase()).join(", ")}${d.note ? ` · ${d.note}` : ""}`,
  tone: () => "none",
  over: () => true,
});

export const TRAP_ZONES = { left: "left wall", right: "right wall", ceiling: "ceiling", floor: "floor", rear: "rear" } as const;
export type TrapZone = keyof typeof TRAP_ZONES;

/** A clip, trim, bracket, screw or harness that later work would lie on. Closed: it is dealt with. */
export interface Trap {
  what: "clip" | "trim" | "bracket" | "screw" | "harness";
  zone: TrapZone;
  rib?: string;
  under: "cut" | "flange" | "batten" | "lining";
  step: "take off" | "push back and tie" | "leave";
  /** Of one that stays: nobody may screw here. */
  noScrew?: boolean;
  note?: string;
}

const UNDER: Record<Trap["under"], string> = {
  cut: "in a cut",
  flange: "under a flange",
  batten: "behind a batten",
  lining: "behind a lining",
};

export const TRAP = declared<Trap>({
  kind: "trap",
  one: "A thing that would be trapped",
  many: "What later work would trap",
  words: "would be trapped by later work",
  tab: "items",
  intro:
    "Clips, trims, brackets, screws and harness under a flange, behind a batten, in a cut. The job that would cover one waits until it is dealt with.",
  title: { label: "What and where", hint: "headliner clips above the slider" },
  by: "any",
  fields: [
    {
      key: "what",
      label: "Kind",
      type: "choice",
      options: ["clip", "trim", "bracket", "screw", "harness"].map((x) => [x, x] as const),
      required: true,
    },
    { key: "zone", label: "Side", type: "choice", options: Object.entries(TRAP_ZONES), required: true },
    { key: "rib", label: "At rib", type: "words" },
    { key: "under", label: "It would lie", type: "choice", options: Object.entries(UNDER), required: true },
    {
      key: "step",
      label: "What to do",
      type: "choice",
      options: ["take off", "push back and tie", "leave"].map((x) => [x, x] as const),
      required: true,
    },
    { key: "noScrew", label: "Photographed, no screw here from now on", type: "flag", when: (d) => d.step === "leave" },
    { key: "note", label: "Note", type: "words", long: true },
  ],
  says: (d) =>
    [`${d.what}, ${TRAP_ZONES[d.zone]}${d.rib ? `, rib ${d.rib}` : ""}, ${UNDER[d.under]}`, d.step, d.noScrew && "no-screw place", d.note]
      .filter(Boolean)
      .join(" · "),
  tone: () => "none",
  closes: "Dealt with",
  faults: (d, closed) =>
    closed && d.step === "leave" && !d.noScrew ? [{ path: "noScrew", message: "has to be so before one is left where it is" }] : [],
});

/** Fixings of one kind in what was taken out. `minutes`: what all of them took; left out until it is known. */
export interface Fixing {
  what: FixingKind;
  count: number;
  minutes?: number;
  tools?: string;
  /** What usually lies beneath. */
  beneath?: string;
}
export const FIXINGS = ["clip", "hook tape", "bolt", "rivet", "bond"] as const;
export type FixingKind = (typeof FIXINGS)[number];

export const FIXING = declared<Fixing>({
  kind: "fixing",
  one: "Fixings of one kind",
  many: "Fixings",
  words: "fixing",
  tab: "items",
  intro: "How it was held, how many, and how long they took: from three builds of a type on, their median plans the next one.",
  title: { label: "Of what", hint: "load floor, racking, linings" },
  by: "any",
  fields: [
    { key: "what", label: "Held by", type: "choice", options: FIXINGS.map((x) => [x, x] as const), required: true },
    { key: "count", label: "How many", type: "number", min: 1, max: 2000, whole: true, required: true },
    { key: "minutes", label: "Minutes they took", type: "number", min: 0, max: 3000, hint: "once they are out" },
    { key: "tools", label: "Tools", type: "words" },
    { key: "beneath", label: "What lay beneath", type: "words", hint: "dirt, rust, damp" },
  ],
  says: (d) =>
    [
      `${d.count} × ${d.what}`,
      d.minutes !== undefined && `${d.minutes} min, ${(d.minutes / d.count).toFixed(1)} each`,
      d.tools,
      d.beneath && `beneath: ${d.beneath}`,
    ]
      .filter(Boolean)
      .join(" · "),
  tone: () => "none",
  over: (d) => d.minutes !== undefined,
});

/** Metal that lies in the outline of a cut. */
export interface FramePart {
  side: "roof" | "left" | "right" | "rear" | "floor";
  what: "beam" | "stiffener" | "inner sheet" | "bracket";
  mayGo: "unknown" | "yes" | "no";
  /** Who says so. */
  source?: "body guide" | "ticket holder";
  says?: string;
  how?: "tabs sheared" | "bond sliced" | "cut away";
  /** What replaces it. */
  duty?: string;
  coated?: boolean;
  note?: string;
}

export const MEMBER = declared<FramePart>({
  kind: "member",
  one: "Metal behind a cut",
  many: "Metal behind the cuts",
  words: "metal behind a cut",
  tab: "openings",
  intro:
    "Beams, stiffeners and inner sheets in an outline: whether they may go, who says so, and what takes over their duty. Without a source the cut waits for the lead. The body guide and local rules come first.",
  title: { label: "What and where", hint: "stiffener behind the slider window" },
  by: "any",
  fields: [
    {
      key: "side",
      label: "Side",
      type: "choice",
      options: [
        ["left", "left side"],
        ["right", "right side"],
        ["rear", "rear"],
        ["roof", "roof"],
        ["floor", "floor"],
      ],
      required: true,
    },
    {
      key: "what",
      label: "Kind",
      type: "choice",
      options: ["beam", "stiffener", "inner sheet", "bracket"].map((x) => [x, x] as const),
      required: true,
    },
    {
      key: "mayGo",
      label: "May it go",
      type: "choice",
      options: [
        ["unknown", "not known yet"],
        ["yes", "yes"],
        ["no", "no: the opening moves"],
      ],
      required: true,
    },
    {
      key: "source",
      label: "Who says so",
      type: "choice",
      options: [
        ["body guide", "the body guide"],
        ["ticket holder", "a ticket holder"],
      ],
      required: true,
      when: (d) => d.mayGo === "yes",
    },
    { key: "says", label: "Page, or name", type: "words", required: true, when: (d) => d.mayGo === "yes" },
    {
      key: "how",
      label: "How",
      type: "choice",
      options: ["tabs sheared", "bond sliced", "cut away"].map((x) => [x, x] as const),
      when: (d) => d.mayGo === "yes",
    },
    {
      key: "duty",
      label: "What replaces it",
      type: "words",
      hint: "nothing, a bonded frame, a rib of steel",
      required: true,
      when: (d) => d.mayGo === "yes",
    },
    { key: "coated", label: "Its sharp edges are coated, photos before and after", type: "flag", when: (d) => d.mayGo === "yes" },
    { key: "note", label: "Note", type: "words", long: true },
  ],
  says: (d) =>
    [
      `${d.what}, ${d.side}`,
      d.mayGo === "yes"
        ? `may go: ${d.source}, ${d.says}`
        : d.mayGo === "no"
          ? "stays: the opening moves"
          : "nobody has said that it may go",
      d.how,
      d.duty && `its duty: ${d.duty}`,
      d.coated && "edges coated",
      d.note,
    ]
      .filter(Boolean)
      .join(" · "),
  tone: (d) => (d.mayGo === "yes" ? (d.coated ? "ok" : "warn") : "stop"),
  over: (d) => d.mayGo === "yes" && d.coated === true,
});

export const stripKinds: readonly Declared[] = [ROUND, TRAP, FIXING, MEMBER];
