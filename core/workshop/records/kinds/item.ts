// A thing that was taken out of the van, and what becomes of it.

import { declared } from "./fields";
import { shape, someWords, text } from "./own";

/** What becomes of a thing that was taken out. */
export const FATES = ["undecided", "stays on", "keep", "store", "template", "sell", "return", "scrap"] as const;
export type ItemFate = (typeof FATES)[number];

export const EDGES = ["front", "rear", "left", "right"] as const;

/** A thing taken out of the van. Closed: it has gone, or is back in its place. */
export interface Item {
  from: string;
  kg: number;
  fate: ItemFate;
  /** Shelf or rack, and the bag of its fixings with their count. */
  place?: string;
  bag?: string;
  /** What its sale brings, in money. */
  credit?: number;
  /** Of a template: the codes of the jobs cut by it, and how far each edge can be trusted. */
  serves?: string[];
  edges?: Partial<Record<(typeof EDGES)[number], "trusted" | "worn" | "missing">>;
  note?: string;
  /** Every change of fate, the oldest first; kept by the server. */
  history?: { fate: ItemFate; why: string; by: string; at: number }[];
}

export const ITEM = declared<Item>({
  kind: "item",
  one: "A removed item",
  many: "Removed items",
  words: "removed from the van",
  tab: "items",
  intro: "",
  title: { label: "What came out", hint: "" },
  by: "any",
  // Its form is one of its own.
  fields: [],
  schema: shape(
    { from: someWords, kg: { type: "number", minimum: 0, maximum: 2000 }, fate: { type: "string", enum: FATES } },
    {
      place: text,
      bag: text,
      credit: { type: "number", minimum: 0, maximum: 100_000 },
      serves: { type: "array", uniqueItems: true, maxItems: 10, items: someWords },
      edges: shape({}, Object.fromEntries(EDGES.map((e) => [e, { type: "string", enum: ["trusted", "worn", "missing"] }]))),
      note: text,
    },
  ),
  says: () => "",
  tone: () => "none",
  logged: "removed item",
  overWord: "gone or back in its place",
});
