// The van on a weighbridge: as it came, stripped, before it goes. Both axles apart, because each has its own limit.

import { declared } from "./fields";

export const WEIGHED_WHEN = { came: "as it came", stripped: "stripped", between: "in between", ready: "before handover" } as const;

export interface Weighing {
  when: keyof typeof WEIGHED_WHEN;
  frontKg: number;
  rearKg: number;
  /** What was aboard that does not belong to it: fuel is part of it, people and tools are not. */
  aboardKg?: number;
  note?: string;
}

/** The van alone, kg. */
export const weighed = (w: Weighing): number => w.frontKg + w.rearKg - (w.aboardKg ?? 0);

export const WEIGHING = declared<Weighing>({
  kind: "weighing",
  one: "A weighing",
  many: "Weighings",
  words: "weighing",
  tab: "items",
  intro: "Each axle by itself. The sums of the mass start from the weighing as it came; without one, from the van's template.",
  title: { label: "Where", hint: "weighbridge at the quarry, slip 4711" },
  by: "any",
  fields: [
    { key: "when", label: "When", type: "choice", options: Object.entries(WEIGHED_WHEN), required: true },
    { key: "frontKg", label: "Front axle", type: "number", min: 100, max: 10_000, unit: "kg", required: true },
    { key: "rearKg", label: "Rear axle", type: "number", min: 100, max: 10_000, unit: "kg", required: true },
    { key: "aboardKg", label: "Aboard that does not belong to it", type: "number", min: 0, max: 2000, unit: "kg", hint: "people, tools" },
    { key: "note", label: "Note", type: "words", long: true },
  ],
  says: (d) =>
    [
      `${WEIGHED_WHEN[d.when]}: front ${d.frontKg}, rear ${d.rearKg}, together ${weighed(d)} kg`,
      d.aboardKg && `less ${d.aboardKg} aboard`,
      d.note,
    ]
      .filter(Boolean)
      .join(" · "),
  tone: () => "none",
  over: () => true,
});
