// What the layout asks of the cuts: what is still open near an opening, and lines of walls and backs that one keeps off.

import { type Declared, declared } from "./fields";

export const LAYOUT_SIDES = { left: "left wall", right: "right wall", both: "both walls", rear: "rear", roof: "roof" } as const;
export type LayoutSide = keyof typeof LAYOUT_SIDES;

/** Something about the layout that nobody has decided yet: cuts near it wait. Over once it says what was decided. */
export interface LayoutOpen {
  side: LayoutSide;
  /** The stretch it is about, mm from the bulkhead; the whole side where none is given. */
  fromMm?: number;
  toMm?: number;
  who: string;
  by?: string;
  decided?: string;
}

/** A line that something stands on: a window keeps off it. */
export interface LayoutLine {
  side: LayoutSide;
  atMm: number;
  note?: string;
}

const side = { key: "side", label: "Side", type: "choice" as const, options: Object.entries(LAYOUT_SIDES), required: true };

export const LAYOUT = declared<LayoutOpen>({
  kind: "layout",
  one: "Something open in the layout",
  many: "Open in the layout",
  words: "open layout question",
  tab: "openings",
  intro: "Bed lengthways or across, where the wet room ends: a cut within 300 mm of it waits until somebody has decided.",
  title: { label: "What is open", hint: "bed lengthways or across" },
  by: "lead",
  fields: [
    side,
    { key: "fromMm", label: "From, behind the bulkhead", type: "number", min: 0, max: 12_000, unit: "mm" },
    { key: "toMm", label: "To", type: "number", min: 0, max: 12_000, unit: "mm" },
    { key: "who", label: "Who decides", type: "words", required: true },
    { key: "by", label: "By", type: "date" },
    { key: "decided", label: "What was decided", type: "words", hint: "empty while it is open" },
  ],
  says: (d) =>
    [
      LAYOUT_SIDES[d.side],
      d.fromMm !== undefined && d.toMm !== undefined && `${d.fromMm} to ${d.toMm} mm`,
      d.decided ? `decided: ${d.decided}` : `${d.who} decides${d.by ? ` by ${d.by}` : ""}`,
    ]
      .filter(Boolean)
      .join(" · "),
  tone: (d) => (d.decided ? "ok" : "warn"),
  over: (d) => !!d.decided,
  faults: (d) =>
    (d.fromMm === undefined) !== (d.toMm === undefined)
      ? [{ path: d.fromMm === undefined ? "fromMm" : "toMm", message: "is missing: a stretch has two ends" }]
      : d.fromMm !== undefined && d.fromMm >= d.toMm!
        ? [{ path: "toMm", message: "lies before its beginning" }]
        : [],
});

export const LINE = declared<LayoutLine>({
  kind: "line",
  one: "A line of the layout",
  many: "Lines of the layout",
  words: "layout line",
  tab: "openings",
  intro: "Where walls and backs of furniture will stand: a window keeps its frame, the lining and the trim off each.",
  title: { label: "Of what", hint: "front of the wet room" },
  by: "any",
  fields: [
    side,
    { key: "atMm", label: "Behind the bulkhead", type: "number", min: 0, max: 12_000, unit: "mm", required: true },
    { key: "note", label: "Note", type: "words" },
  ],
  says: (d) => [LAYOUT_SIDES[d.side], `at ${d.atMm} mm`, d.note].filter(Boolean).join(" · "),
  tone: () => "none",
  over: () => true,
});

export const layoutKinds: readonly Declared[] = [LAYOUT, LINE];
