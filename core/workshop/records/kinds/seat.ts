// A travel seat that was loose, or whose mount is to be altered: one route, who released it, a torque for each bolt, proof.

import { figure, type House } from "../../state/house-figures";
import { declared, type Fault } from "./fields";

export interface Seat {
  /** What is done where the pattern does not fit; left out where the mount is not touched. */
  route?: "exchange" | "re-torque" | "drilling";
  /** Of drilling: the maker's writing, and what is left of metal. */
  writing?: string;
  holeMm?: number;
  edgeMm?: number;
  bolts?: { name: string; asked?: number; read?: number }[];
  floorTrimmed?: boolean;
  locked?: boolean;
  belts?: boolean;
  clear?: boolean;
  lamps?: boolean;
  retorqued?: boolean;
  ticket?: string;
  signedBy?: string;
}

const CHECKS = {
  floorTrimmed: "cab floor edge trimmed before the base went down",
  locked: "locks in travel position",
  belts: "belt runs and locks",
  clear: "lever, door and pocket clear in every position",
  lamps: "warning lamps out",
} as const;

/** Bolts whose torque is missing or further off than the house takes, as "b2: 38 of 45 Nm". The maker's sheet rules. */
export const looseBolts = (house: House, d: Pick<Seat, "bolts">): string[] =>
  (d.bolts ?? [])
    .filter(
      (b) => b.read === undefined || b.asked === undefined || Math.abs(b.read - b.asked) > (figure(house, "torquePlay") / 100) * b.asked,
    )
    .map((b) =>
      b.asked === undefined
        ? `${b.name}: the sheet's torque is missing`
        : b.read === undefined
          ? `${b.name}: not read`
          : `${b.name}: ${b.read} of ${b.asked} Nm`,
    );

/** What its proof still lacks, in words; empty once the ticket holder may sign. */
export const seatOpen = (house: House, d: Seat): string[] => [
  ...(d.bolts?.length ? looseBolts(house, d) : ["no bolt is listed"]),
  ...Object.entries(CHECKS)
    .filter(([k]) => !d[k as keyof typeof CHECKS])
    .map(([, words]) => `not seen: ${words}`),
];

export const SEAT = declared<Seat>({
  kind: "seat",
  one: "A travel seat",
  many: "Travel seats that were loose",
  words: "travel seat",
  tab: "papers",
  intro:
    "Steps on seat, belt and anchor are never skipped. The maker's sheet rules; a ticket holder releases and signs, and the van is not handed over before.",
  title: { label: "Which seat", hint: "driver's, passenger's" },
  by: "any",
  fields: [
    {
      key: "route",
      label: "If its mount does not fit",
      type: "choice",
      options: [
        ["exchange", "exchange the part"],
        ["re-torque", "loosen and re-torque in the maker's order"],
        ["drilling", "drill, as the maker allows in writing"],
      ],
    },
    { key: "writing", label: "The maker's written approval", type: "words", required: true, when: (d) => d.route === "drilling" },
    { key: "holeMm", label: "Hole", type: "number", min: 1, max: 60, unit: "mm", required: true, when: (d) => d.route === "drilling" },
    {
      key: "edgeMm",
      label: "Hole's centre to the edge",
      type: "number",
      min: 0,
      max: 500,
      unit: "mm",
      required: true,
      when: (d) => d.route === "drilling",
    },
    {
      key: "bolts",
      label: "Bolts",
      type: "rows",
      most: 24,
      add: "Add a bolt",
      columns: [
        { key: "name", label: "Bolt", type: "words", required: true },
        { key: "asked", label: "Sheet, Nm", type: "number", min: 0, max: 500 },
        { key: "read", label: "Read, Nm", type: "number", min: 0, max: 500 },
      ],
    },
    ...Object.entries(CHECKS).map(([key, words]) => ({ key, label: words[0].toUpperCase() + words.slice(1), type: "flag" as const })),
    { key: "signedBy", label: "Signed by", type: "words", hint: "the ticket holder, once all above is so" },
    { key: "ticket", label: "Ticket", type: "words", required: true, when: (d) => !!d.signedBy },
    { key: "retorqued", label: "Torqued again after the first drive", type: "flag", when: (d) => !!d.signedBy },
  ],
  says: (d) =>
    [
      d.route &&
        (d.route === "drilling"
          ? `drilled as allowed: ${d.writing}`
          : d.route === "exchange"
            ? "part exchanged"
            : "loosened and re-torqued"),
      d.bolts?.length ? `${d.bolts.length} bolts` : undefined,
      d.signedBy ? `signed by ${d.signedBy}` : seatOpen({}, d).slice(0, 2).join(", ") || "waits for its signature",
      d.retorqued && "torqued again",
    ]
      .filter(Boolean)
      .join(" · "),
  tone: (d) => (d.signedBy ? "ok" : "warn"),
  over: (d) => !!d.signedBy,
  faults: (d, _closed, house) => {
    const out: Fault[] = [];
    const diameters = figure(house, "edgeDiameters");
    if (d.route === "drilling" && d.holeMm !== undefined && d.edgeMm !== undefined && d.edgeMm < diameters * d.holeMm)
      out.push({ path: "edgeMm", message: `is too little: ${diameters} diameters are ${diameters * d.holeMm} mm` });
    if (d.signedBy) {
      const open = seatOpen(house, d);
      if (open.length) out.push({ path: "signedBy", message: `can't be yet: ${open.join("; ")}` });
    }
    return out;
  },
});
