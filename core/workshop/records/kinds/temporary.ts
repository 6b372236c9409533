// Temporary things: sheet, tape, brace, prop, plugged cavity, film, a supply for a test. Each has to come off again before something.

import { declared } from "./fields";

export const TEMPORARY = ["sheet", "tape", "brace", "prop", "block", "plug", "film", "capped pipe", "test supply", "kept floor"] as const;

/** Stages before which a thing has to be gone; "handover" is before the van leaves for good. */
export const GONE_BEFORE = {
  insulation: "insulation",
  framing: "framing",
  panels: "linings and panels",
  furniture: "furniture",
  services: "second fix",
  handover: "the handover",
} as const;

const ZONES = { left: "left wall", right: "right wall", ceiling: "ceiling", floor: "floor", rear: "rear", roof: "roof, outside" } as const;

/** Closed: it is gone. */
export interface Temporary {
  what: (typeof TEMPORARY)[number];
  count?: number;
  zone: keyof typeof ZONES;
  owner: string;
  before: keyof typeof GONE_BEFORE;
  note?: string;
}

export const TEMPORARY_KIND = declared<Temporary>({
  kind: "temporary",
  one: "A temporary thing",
  many: "Temporary things",
  words: "temporary fitting",
  tab: "shell",
  intro:
    "What is only there for now: sheets, tape, props, plugs, film. Work that would shut one in waits until it is gone; so does the handover.",
  title: { label: "What and where", hint: "foil over the finished floor" },
  by: "any",
  fields: [
    { key: "what", label: "Kind", type: "choice", options: TEMPORARY.map((x) => [x, x] as const), required: true },
    { key: "count", label: "How many", type: "number", min: 1, max: 500, whole: true },
    { key: "zone", label: "Where", type: "choice", options: Object.entries(ZONES), required: true },
    { key: "owner", label: "Whose to take off", type: "words", required: true },
    { key: "before", label: "Gone before", type: "choice", options: Object.entries(GONE_BEFORE), required: true },
    { key: "note", label: "Note", type: "words", long: true },
  ],
  says: (d) =>
    [`${d.count ? `${d.count} × ` : ""}${d.what}, ${ZONES[d.zone]}`, `${d.owner} takes it off before ${GONE_BEFORE[d.before]}`, d.note]
      .filter(Boolean)
      .join(" · "),
  tone: () => "none",
  closes: "Gone",
});
