// What comes into the house: a van with what belongs to its people, and a unit with what belongs into its box.

import { type Declared, declared, type Fault } from "./fields";

/** A van handed over to us, or back. */
export interface Arrival {
  way: "in" | "out";
  boxes?: number;
  cabEmpty?: boolean;
  keys?: number;
  papers?: string;
  fuel?: "empty" | "quarter" | "half" | "three quarters" | "full";
  km?: number;
  signedBy?: string;
}

const FUEL = ["empty", "quarter", "half", "three quarters", "full"] as const;

export const ARRIVAL = declared<Arrival>({
  kind: "arrival",
  one: "A handover of the van",
  many: "Handed over, in and out",
  words: "handover of the van",
  tab: "papers",
  intro:
    "Personal things out and counted, the empty cab photographed, keys, papers, fuel, a signature. Plates are hidden in the shared photo, never on the van.",
  title: { label: "With whom", hint: "who brought it, or took it" },
  by: "any",
  fields: [
    {
      key: "way",
      label: "Which way",
      type: "choice",
      options: [
        ["in", "it came in"],
        ["out", "it went out"],
      ],
      required: true,
    },
    { key: "boxes", label: "Boxes of personal things", type: "number", min: 0, max: 200, whole: true },
    { key: "cabEmpty", label: "Cab is empty, photo taken", type: "flag" },
    { key: "keys", label: "Keys", type: "number", min: 0, max: 20, whole: true },
    { key: "papers", label: "Papers", type: "words" },
    { key: "fuel", label: "Fuel", type: "choice", options: FUEL.map((f) => [f, f] as const) },
    { key: "km", label: "Kilometres", type: "number", min: 0, max: 2_000_000, whole: true },
    { key: "signedBy", label: "Signed by", type: "words" },
  ],
  says: (d) =>
    [
      d.way === "in" ? "in" : "out",
      d.boxes !== undefined && `${d.boxes} boxes`,
      d.keys !== undefined && `${d.keys} keys`,
      d.papers,
      d.fuel && `fuel ${d.fuel}`,
      d.km !== undefined && `${d.km} km`,
      d.signedBy ? `signed by ${d.signedBy}` : "not signed",
      !d.cabEmpty && "cab not empty",
    ]
      .filter(Boolean)
      .join(" · "),
  tone: (d) => (d.signedBy && d.cabEmpty ? "ok" : "warn"),
  over: (d) => !!d.signedBy,
});

/** The contents of a unit as it came. */
export interface Contents {
  items?: { name: string; state: "there" | "missing" | "damaged" | "wrong" }[];
  flangeW?: number;
  flangeH?: number;
  spigotW?: number;
  spigotH?: number;
  /** Of what is short: until when the supplier says it comes. */
  claimedFor?: string;
  note?: string;
}

const BOX = ["body", "frame", "inner ring", "fixings by bag", "sheet", "template", "sealant"] as const;

/** What a new list starts with, each line missing until somebody has seen it; the roof or wall may ask for more. */
export const usualContents = (): NonNullable<Contents["items"]> => BOX.map((name) => ({ name, state: "missing" as const }));

export const shortItems = (d: Contents): string[] => (d.items ?? []).filter((i) => i.state !== "there").map((i) => `${i.name} ${i.state}`);

export const CONTENTS = declared<Contents>({
  kind: "contents",
  one: "The contents of a unit",
  many: "Contents of the units",
  words: "contents of a box",
  tab: "openings",
  intro:
    "Count each box line by line when it comes in. Its cut is locked until every line is here. What is missing, damaged or wrong is claimed with a date.",
  title: { label: "Unit", hint: "as in the part line: Roof fan" },
  by: "any",
  fields: [
    {
      key: "items",
      label: "In the box",
      type: "rows",
      most: 40,
      add: "Add a line",
      columns: [
        { key: "name", label: "What", type: "words", required: true },
        {
          key: "state",
          label: "It is",
          type: "choice",
          options: [
            ["there", "here"],
            ["missing", "missing"],
            ["damaged", "damaged"],
            ["wrong", "wrong"],
          ],
          required: true,
        },
      ],
    },
    { key: "flangeW", label: "Flange, across", type: "number", min: 1, max: 3000, unit: "mm" },
    { key: "flangeH", label: "Flange, along", type: "number", min: 1, max: 3000, unit: "mm" },
    { key: "spigotW", label: "Spigot, across", type: "number", min: 1, max: 3000, unit: "mm" },
    { key: "spigotH", label: "Spigot, along", type: "number", min: 1, max: 3000, unit: "mm" },
    { key: "claimedFor", label: "Missing parts come by", type: "date", when: (d) => shortItems(d as Contents).length > 0 },
    { key: "note", label: "Note", type: "words", long: true },
  ],
  says: (d) =>
    [
      shortItems(d).length ? `short: ${shortItems(d).join(", ")}` : `${d.items?.length ?? 0} lines, complete`,
      d.claimedFor && `claimed, by ${d.claimedFor}`,
      d.flangeW && d.flangeH && `flange ${d.flangeW} × ${d.flangeH}`,
      d.spigotW && d.spigotH && `spigot ${d.spigotW} × ${d.spigotH}`,
      d.note,
    ]
      .filter(Boolean)
      .join(" · "),
  tone: (d) => (shortItems(d).length ? "stop" : "ok"),
  over: (d) => shortItems(d).length === 0 && (d.items?.length ?? 0) > 0,
  faults: (d) => {
    const out: Fault[] = [];
    if (shortItems(d).length && !d.claimedFor)
      out.push({ path: "claimedFor", message: "is missing: what is short is claimed with a date" });
    for (const axis of ["W", "H"] as const) {
      const [f, s] = [d[`flange${axis}`], d[`spigot${axis}`]];
      if (f !== undefined && s !== undefined && s >= f)
        out.push({ path: `spigot${axis}`, message: `has to be less than the flange's ${f}` });
    }
    return out;
  },
});

export const goodsKinds: readonly Declared[] = [ARRIVAL, CONTENTS];
