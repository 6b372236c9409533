// What is kept of a build beside its jobs: decisions, deviations from a maker's sheet, faults and how they were found, marks on the van,
// what came out of it,
// every hole through its skin, and how clean its bare zones are.

import { reader } from "../../plan/fault";
import { VIEWS, type ViewName } from "../../van/drawing";
import { circuitFaults } from "../openings/circuits";
import type { House } from "../state/house-figures";
import type { Values } from "./kinds/fields";
import { DECLARED_KINDS, type DeclaredData, type DeclaredKind, declaredSchema, isDeclared, readDeclared } from "./kinds/kinds";

const text = { type: "string", maxLength: 500 } as const;
const words = { ...text, minLength: 1, pattern: "\\S" } as const;
const number = { type: "number", minimum: -1_000_000, maximum: 1_000_000 } as const;

/** Ways to answer a time box. */
export const COURSES = ["second person", "park", "supplier", "go on"] as const;

/** A choice that was made: what it costs in money, weight, hours and days, and who decided. */
export interface Decision {
  who: string;
  cost?: number;
  kg?: number;
  hours?: number;
  days?: number;
  note?: string;
  /** Set when it answers a time box, with the minutes that had been worked by then. */
  timeBox?: boolean;
  /** What it was answered with. */
  course?: (typeof COURSES)[number];
  workedMinutes?: number;
}

/** What was cut, ground or left out against the maker's sheet, and who allowed it. */
export interface Deviation {
  against: string;
  allowedBy: string;
  /** Needed on seats, belts, gas, mains and structure. */
  ticket?: string;
  touches: "seats" | "belts" | "gas" | "mains" | "structure" | "other";
}

/** A fault card: each possible cause with the test that settles it; calls and answers; the outcome. */
export interface FaultCard {
  causes: { cause: string; test: string; result: "open" | "yes" | "no"; minutes?: number; note?: string }[];
  calls: { text: string; at: string }[];
  outcome?: string;
  /** Whose it was once it is settled, and which part line, where it was the part. */
  lay?: "us" | "van" | "part";
  partId?: string;
}

/** A hole, rust or damage, with its place in one of the van's drawings (mm, as `drawVan` lays them out). Closed: it is treated. */
export interface Mark {
  what: "hole" | "rust" | "damage";
  view: ViewName;
  x: number;
  y: number;
  /** Of a hole: its size, how many of them together, whether it goes through the outer skin, what becomes of it. */
  dMm?: number;
  count?: number;
  throughSkin?: boolean;
  fate?: "keep" | "close";
  /** Of rust. */
  areaDm2?: number;
  grade?: 1 | 2 | 3;
  note?: string;
  /** Of damage: what it is, and where it came from once that is known. */
  sort?: (typeof DAMAGES)[number];
  /** It came from taking bonded bracing off: a wish of whoever sets out an opening there. */
  bracing?: boolean;
  outcome?: string;
  owner?: string;
}

export const DAMAGES = ["dent", "scratch", "crack", "stain", "other"] as const;

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
  note?: string;
  /** Steps of its chain that are done; kept by the server. */
  chain?: Partial<Record<HoleStep, { by: string; at: number }>>;
  /** Every change of its state or cover, the oldest first; kept by the server. */
  history?: { state: PenetrationState; why: string; by: string; at: number }[];
}

/** Cleaning of a bare zone: what was done when and by whom, who took it over, and what was sent back. Closed: taken over. */
export interface ShellZone {
  zone: ShellZoneName;
  steps: Partial<Record<ShellStep, { by: string; at: number }>>;
  accepted?: { by: string; at: number };
  back?: { by: string; at: number; why: string; minutes: number; from: string }[];
}
export const SHELL_ZONES = ["left", "right", "roof", "floor", "doors", "arches"] as const;
export type ShellZoneName = (typeof SHELL_ZONES)[number];
export const SHELL_STEPS = ["vacuum", "scuff", "wash", "dry", "rust", "degrease"] as const;
export type ShellStep = (typeof SHELL_STEPS)[number];

/** What of a job's kit was counted, sharp and charged, by whom, and when last. */
export interface KitCheck {
  have: Record<string, { by: string; at: number }>;
}

/** A circuit that somebody added to the van. Closed: it is dead. */
export interface Circuit {
  source: string;
  /** Where its connector is, on which side of the van the line lies. */
  connector: string;
  side: "left" | "right" | "roof" | "floor" | "rear" | "nose";
  label?: string;
  end?: "unplugged" | "cut";
  insulated?: boolean;
  volts?: number;
  /** Led away from where the work is, live as it is. */
  routed?: boolean;
  note?: string;
}

interface Kept<K extends string, D> {
  id: string;
  kind: K;
  jobId: string | null;
  title: string;
  data: D;
  saidBy: string;
  saidAt: number;
  closedAt: number | null;
  version: number;
  /** Content hashes of its photos, the oldest first; and what each was said to show. */
  photos: string[];
  shows?: (string | null)[];
}

export type BuildRecord =
  | Kept<"decision", Decision>
  | Kept<"deviation", Deviation>
  | Kept<"fault", FaultCard>
  | Kept<"mark", Mark>
  | Kept<"item", Item>
  | Kept<"penetration", Penetration>
  | Kept<"zone", ShellZone>
  | Kept<"circuit", Circuit>
  | Kept<"kit", KitCheck>
  | { [K in DeclaredKind]: Kept<K, DeclaredData[K]> }[DeclaredKind];
export type RecordKind = BuildRecord["kind"];

const object = (required: Record<string, object>, optional: Record<string, object>) => ({
  type: "object",
  additionalProperties: false,
  required: Object.keys(required),
  properties: { ...required, ...optional },
});

const READ: Record<RecordKind, (v: unknown) => BuildRecord["data"]> = {
  decision: reader<Decision>(
    object(
      { who: words },
      {
        cost: number,
        kg: number,
        hours: number,
        days: number,
        note: text,
        timeBox: { type: "boolean" },
        course: { type: "string", enum: COURSES },
        workedMinutes: number,
      },
    ),
  ),
  deviation: reader<Deviation>(
    object(
      { against: words, allowedBy: words, touches: { type: "string", enum: ["seats", "belts", "gas", "mains", "structure", "other"] } },
      { ticket: text },
    ),
  ),
  fault: reader<FaultCard>(
    object(
      {
        causes: {
          type: "array",
          minItems: 1,
          maxItems: 20,
          items: object(
            { cause: words, test: words, result: { type: "string", enum: ["open", "yes", "no"] } },
            { minutes: { type: "number", minimum: 0, maximum: 3000 }, note: text },
          ),
        },
        calls: { type: "array", maxItems: 50, items: object({ text: words, at: words }, {}) },
      },
      { outcome: text, lay: { type: "string", enum: ["us", "van", "part"] }, partId: text },
    ),
  ),
  mark: reader<Mark>(
    object(
      {
        what: { type: "string", enum: ["hole", "rust", "damage"] },
        view: { type: "string", enum: VIEWS },
        x: { type: "number", minimum: 0, maximum: 12_000 },
        y: { type: "number", minimum: 0, maximum: 12_000 },
      },
      {
        dMm: { type: "number", exclusiveMinimum: 0, maximum: 2000 },
        count: { type: "integer", minimum: 1, maximum: 500 },
        throughSkin: { type: "boolean" },
        fate: { type: "string", enum: ["keep", "close"] },
        areaDm2: { type: "number", exclusiveMinimum: 0, maximum: 2000 },
        grade: { type: "integer", enum: [1, 2, 3] },
        note: text,
        sort: { type: "string", enum: DAMAGES },
        bracing: { type: "boolean" },
        outcome: text,
        owner: text,
      },
    ),
  ),
  item: reader<Item>(
    object(
      { from: words, kg: { type: "number", minimum: 0, maximum: 2000 }, fate: { type: "string", enum: FATES } },
      {
        place: text,
        bag: text,
        credit: { type: "number", minimum: 0, maximum: 100_000 },
        serves: { type: "array", uniqueItems: true, maxItems: 10, items: words },
        edges: object({}, Object.fromEntries(EDGES.map((e) => [e, { type: "string", enum: ["trusted", "worn", "missing"] }]))),
        note: text,
      },
    ),
  ),
  penetration: reader<Penetration>(
    object(
      {
        side: { type: "string", enum: ["roof", "left", "right", "rear", "floor"] },
        place: words,
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
        moisture: { type: "number", minimum: 0, maximum: 100 },
        note: text,
      },
    ),
  ),
  circuit: reader<Circuit>(
    object(
      { source: words, connector: words, side: { type: "string", enum: ["left", "right", "roof", "floor", "rear", "nose"] } },
      {
        label: text,
        end: { type: "string", enum: ["unplugged", "cut"] },
        insulated: { type: "boolean" },
        volts: { type: "number", minimum: 0, maximum: 1000 },
        routed: { type: "boolean" },
        note: text,
      },
    ),
  ),
  // These are kept by their own actions, never typed as a whole.
  kit: reader<KitCheck>(object({ have: { type: "object" } }, {})),
  zone: reader<ShellZone>(
    object(
      { zone: { type: "string", enum: SHELL_ZONES }, steps: { type: "object" } },
      { accepted: { type: "object" }, back: { type: "array" } },
    ),
  ),
  ...(Object.fromEntries(
    (Object.keys(DECLARED_KINDS) as DeclaredKind[]).map((k) => [k, reader<DeclaredData[typeof k]>(declaredSchema(k))]),
  ) as {
    [K in DeclaredKind]: (v: unknown) => DeclaredData[K];
  }),
};

/** What hangs on a ticket: nobody else may allow a deviation there. */
export const TICKETED = ["seats", "belts", "gas", "mains", "structure"] as const;

/**
 * The data of a record, checked. Throws InputError with the field; a deviation on seats, belts, gas,
 * mains or structure without the ticket of who allowed it is one of them, and so is a hole without size or
 * fate, or rust without area or grade.
 */
export function readRecord(
  kind: RecordKind,
  data: unknown,
  closed = false,
  house: House = {},
): { data: BuildRecord["data"]; faults: { path: string; message: string }[] } {
  if (isDeclared(kind)) {
    const r = readDeclared(kind, READ[kind](data) as unknown as Values, closed, house);
    return { data: r.data as unknown as BuildRecord["data"], faults: r.faults };
  }
  const clean = READ[kind](data);
  const faults: { path: string; message: string }[] = [];
  if (kind === "deviation") {
    const d = clean as Deviation;
    if ((TICKETED as readonly string[]).includes(d.touches) && !d.ticket?.trim())
      faults.push({ path: "ticket", message: `is needed: ${d.touches} are for a ticket holder to allow` });
  }
  if (kind === "circuit") faults.push(...circuitFaults(clean as Circuit));
  if (kind === "mark") {
    const m = clean as Mark;
    const asked: [boolean, keyof Mark, unknown][] = [
      [m.what === "hole", "dMm", m.dMm],
      [m.what === "hole", "fate", m.fate],
      [m.what === "rust", "areaDm2", m.areaDm2],
      [m.what === "rust", "grade", m.grade],
      [m.what === "damage" && closed, "outcome", m.outcome?.trim() || undefined],
    ];
    for (const [on, path, value] of asked) if (on && value === undefined) faults.push({ path, message: "is missing" });
  }
  return { data: clean, faults };
}

/** Where a fault stands: the cause that was found, or what is still to be tested. */
export function faultState(f: FaultCard): { found: string[]; open: FaultCard["causes"]; ruledOut: number } {
  return {
    found: f.causes.filter((c) => c.result === "yes").map((c) => c.cause),
    // The cheapest test first; one whose minutes nobody knows comes after those that are known.
    open: f.causes
      .filter((c) => c.result === "open")
      .sort((a, b) => (a.minutes ?? Number.POSITIVE_INFINITY) - (b.minutes ?? Number.POSITIVE_INFINITY) || 0),
    ruledOut: f.causes.filter((c) => c.result === "no").length,
  };
}
