// A hole through the skin, for good: its place, who wants it, how far it is.

import { declared } from "./fields";
import { shape, someWords, text } from "./own";

/** The chain of one hole, in its order. */
export const HOLE_STEPS = [
  "pilot",
  "outside",
  "mark",
  "corners",
  "deburr",
  "cut",
  "last",
  "dress",
  "sizes",
  "dry fit",
  "small",
  "degrease",
  "coat",
] as const;
export type HoleStep = (typeof HOLE_STEPS)[number];

export type PenetrationState = "wanted" | "set out" | "cut" | "protected" | "closed" | "tested";

/** A hole through the skin, for good. Closed: it was seen dry under water. Its job is the one that makes it. */
export interface Penetration {
  /** Its number in the build's list, for good; given by the server. */
  no?: number;
  side: "roof" | "left" | "right" | "rear" | "floor";
  /** Where, in words, its size, and who wants it. */
  place: string;
  size?: string;
  askedBy?: string;
  by: "us" | "client" | "before";
  state: PenetrationState;
  /** What covers it while it is open. */
  cover?: string;
  /** All of its seal, or the holding bead alone. */
  bead?: "whole" | "holding";
  /** Sealed in rain or in the dark: only a passed soak takes that off. */
  tagged?: boolean;
  soak?: "dry" | "damp" | "drip";
  soakMinutes?: number;
  /** Rain came in here: since when, and where the water went. Kept by the server until it is dried out. */
  wet?: { at: number; where: string; by: string };
  /** Moisture of the timber around it after drying, %: what ends `wet`. */
  moisture?: number;
  /** How deep it is there: skin, batten and lining, mm. What the ring that closes it has to span. */
  skinMm?: number;
  battenMm?: number;
  liningMm?: number;
  note?: string;
  /** Steps of its chain that are done; kept by the server. */
  chain?: Partial<Record<HoleStep, { by: string; at: number }>>;
  /** Every change of its state or cover, the oldest first; kept by the server. */
  history?: { state: PenetrationState; why: string; by: string; at: number }[];
}

export const HOLE = declared<Penetration>({
  kind: "penetration",
  one: "A hole through the skin",
  many: "Holes through the skin",
  words: "hole through the skin",
  tab: "openings",
  intro: "",
  title: { label: "What for", hint: "" },
  by: "any",
  // Its form is one of its own.
  fields: [],
  schema: shape(
    {
      side: { type: "string", enum: ["roof", "left", "right", "rear", "floor"] },
      place: someWords,
      by: { type: "string", enum: ["us", "client", "before"] },
      state: { type: "string", enum: ["wanted", "set out", "cut", "protected", "closed", "tested"] },
    },
    {
      size: text,
      askedBy: text,
      cover: text,
      bead: { type: "string", enum: ["whole", "holding"] },
      tagged: { type: "boolean" },
      soak: { type: "string", enum: ["dry", "damp", "drip"] },
      soakMinutes: { type: "number", exclusiveMinimum: 0, maximum: 600 },
      skinMm: { type: "number", minimum: 0, maximum: 20 },
      battenMm: { type: "number", minimum: 0, maximum: 200 },
      liningMm: { type: "number", minimum: 0, maximum: 100 },
      moisture: { type: "number", minimum: 0, maximum: 100 },
      note: text,
    },
  ),
  says: () => "",
  tone: () => "none",
  logged: "hole",
  overWord: "tested, dry",
  // Over when it was seen dry under water.
  over: (d) => d.state === "tested",
});
