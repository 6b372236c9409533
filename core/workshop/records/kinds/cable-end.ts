// The tail of a powered unit, and the last question to the client before the strip closes.

import { type Declared, declared } from "./fields";

/** Added to the way to the junction: what a hand needs to connect it. */
const SPARE_MM = 300;

/** The cable of one powered unit in the skin. Over once it is connected. */
export interface Tail {
  /** Number of its hole. */
  hole: number;
  label?: string;
  junctionMm: number;
  capped?: boolean;
  /** Its way is kept free behind insulation and lining, or it lies there already. */
  routed?: boolean;
  /** What has to be there before it is connected. */
  trigger?: string;
  connected?: boolean;
}

export const tailMm = (d: Pick<Tail, "junctionMm">): number => d.junctionMm + SPARE_MM;

export const TAIL = declared<Tail>({
  kind: "tail",
  one: "The cable end of a unit",
  many: "Cable ends",
  words: "cable end",
  tab: "openings",
  intro:
    "Each powered unit in the skin: its label, its capped end, its way kept free before insulation. Open ones stay here to the handover.",
  title: { label: "Of which unit", hint: "roof fan" },
  by: "any",
  fields: [
    { key: "hole", label: "Hole", type: "number", min: 1, max: 99, whole: true, required: true },
    { key: "junctionMm", label: "Way to the junction", type: "number", min: 0, max: 20_000, unit: "mm", required: true },
    { key: "label", label: "Label on it", type: "words" },
    { key: "capped", label: "Its end is capped", type: "flag" },
    { key: "routed", label: "It lies in its way, or the way is kept free", type: "flag" },
    { key: "trigger", label: "Connected when", type: "words", hint: "the board is on the wall" },
    { key: "connected", label: "It is connected and tried", type: "flag" },
  ],
  says: (d) =>
    [
      `hole ${d.hole}`,
      `${tailMm(d)} mm with what a hand needs`,
      d.label ? `label ${d.label}` : "no label",
      d.capped ? "capped" : "end not capped",
      d.routed ? "its way is kept" : "no way kept for it",
      d.connected ? "connected" : d.trigger && `connected when ${d.trigger}`,
    ]
      .filter(Boolean)
      .join(" · "),
  tone: (d) => (d.connected ? "ok" : d.label && d.capped && d.routed ? "none" : "warn"),
  over: (d) => d.connected === true,
  faults: (d) => (d.connected && !d.label ? [{ path: "label", message: "is missing: nobody finds an unlabelled cable again" }] : []),
});

/** "Any more?", asked of the client before the van is closed up. */
export interface LastCall {
  on: string;
  answer: string;
}

export const LAST_CALL = declared<LastCall>({
  kind: "lastcall",
  one: "The last question",
  many: "Any more holes?",
  words: "last look before closing",
  tab: "shell",
  intro: "The list of holes as the client saw it, and what they said: asked before the strip closes, not when the lining is up.",
  title: { label: "Who was asked", hint: "name of the client" },
  by: "lead",
  fields: [
    { key: "on", label: "On", type: "date", required: true },
    { key: "answer", label: "What they said", type: "words", required: true, hint: "no more; or what else" },
  ],
  says: (d) => `${d.on} · ${d.answer}`,
  tone: () => "ok",
  over: () => true,
});

export const cableEndKinds: readonly Declared[] = [TAIL, LAST_CALL];
