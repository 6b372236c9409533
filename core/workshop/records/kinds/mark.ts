// A hole, rust or damage on the bare body, with its place in a drawing of the van.

import { VIEWS, type ViewName } from "../../../van/drawing";
import { declared } from "./fields";
import { shape, text } from "./own";

/** What rust came from. */
export const CAUSES = ["swarf", "scratch", "trapped water", "factory"] as const;

/** Who made a hole. */
export const MAKERS = { factory: "the factory", before: "whoever had the van before", client: "the client", us: "us" } as const;

export const DAMAGES = ["dent", "scratch", "crack", "stain", "other"] as const;

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
  madeBy?: keyof typeof MAKERS;
  fate?: "keep" | "close";
  /** Of a hole that is kept: the job that will want it. */
  keepFor?: string;
  /** Of rust: what it came from, and the job that left it there where that was swarf. */
  areaDm2?: number;
  grade?: 1 | 2 | 3;
  cause?: (typeof CAUSES)[number];
  causeJob?: string;
  /** Light bloom that is sealed in as it is: the lead who accepted it. */
  accepted?: string;
  note?: string;
  /** Of damage: what it is, and where it came from once that is known. */
  sort?: (typeof DAMAGES)[number];
  /** It came from taking bonded bracing off: a wish of whoever sets out an opening there. */
  bracing?: boolean;
  outcome?: string;
  owner?: string;
}

export const MARK = declared<Mark>({
  kind: "mark",
  one: "A hole, rust or damage",
  many: "Holes, rust and damage",
  words: "hole or rust",
  tab: "marks",
  intro: "",
  title: { label: "What it is", hint: "" },
  by: "any",
  // Its form is one of its own.
  fields: [],
  schema: shape(
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
      madeBy: { type: "string", enum: Object.keys(MAKERS) },
      fate: { type: "string", enum: ["keep", "close"] },
      areaDm2: { type: "number", exclusiveMinimum: 0, maximum: 2000 },
      grade: { type: "integer", enum: [1, 2, 3] },
      cause: { type: "string", enum: CAUSES },
      causeJob: text,
      accepted: text,
      keepFor: text,
      note: text,
      sort: { type: "string", enum: DAMAGES },
      bracing: { type: "boolean" },
      outcome: text,
      owner: text,
    },
  ),
  says: () => "",
  tone: () => "none",
  logged: "mark",
  overWord: "treated",
  faults: (m, closed) => {
    const asked: [boolean, keyof Mark, unknown][] = [
      [m.what === "hole", "dMm", m.dMm],
      [m.what === "hole", "fate", m.fate],
      [m.what === "rust", "areaDm2", m.areaDm2],
      [m.what === "rust", "grade", m.grade],
      [m.what === "damage" && closed, "outcome", m.outcome?.trim() || undefined],
    ];
    return [
      ...asked.filter(([on, , value]) => on && value === undefined).map(([, path]) => ({ path, message: "is missing" })),
      ...(m.accepted && (m.what !== "rust" || m.grade !== 1)
        ? [{ path: "accepted", message: "is for rust of grade 1: what is pitted is treated" }]
        : []),
      ...(m.madeBy && m.what !== "hole" ? [{ path: "madeBy", message: "is for a hole" }] : []),
      ...(m.causeJob && m.cause !== "swarf" ? [{ path: "causeJob", message: "is for swarf" }] : []),
    ];
  },
});
