// What somebody wears for a job, ticked once a session; a refusal is kept by name and told to the lead.

import { declared } from "./fields";

export const GEAR = {
  eyes: "eye protection",
  ears: "ear protection",
  gloves: "gloves",
  sleeves: "long sleeves",
  mask: "mask",
} as const;
export type Gear = keyof typeof GEAR;

export interface Worn {
  worn?: Gear[];
  /** What is not worn, and why. */
  refused?: string;
}

export const WORN_KIND = declared<Worn>({
  kind: "gear",
  one: "What is worn",
  many: "What was worn",
  words: "protective gear",
  tab: "waits",
  intro: "Ticked once a session by whoever works. What somebody does not wear is said here with the reason, and the lead is told at once.",
  title: { label: "Who", hint: "Teo" },
  by: "any",
  fields: [
    { key: "worn", label: "Worn", type: "many", options: Object.entries(GEAR) },
    { key: "refused", label: "Not worn, and why", type: "words", hint: "mask: there is none in the drawer" },
  ],
  faults: (d) => (d.worn?.length || d.refused ? [] : [{ path: "worn", message: "is missing: tick what you wear, or say what you don't" }]),
  says: (d) => [(d.worn ?? []).map((g) => GEAR[g]).join(", "), d.refused && `not: ${d.refused}`].filter(Boolean).join(" · "),
  tone: (d) => (d.refused ? "stop" : "ok"),
  over: (d) => !d.refused,
  closes: "Settled by the lead",
});
