// What was decided for a build, and what was done against a maker's sheet.

import { declared } from "./fields";
import { anyNumber, shape, someWords, text } from "./own";

/** Ways to answer a time box. */
export const COURSES = ["second person", "park", "supplier", "go on"] as const;

/** What a change of an agreed build came from. */
export const CHANGE_CAUSES = {
  client: "the client's wish",
  found: "found on the van",
  supplier: "a supplier",
  us: "our own mistake",
  better: "our own better idea",
} as const;
export type ChangeCause = keyof typeof CHANGE_CAUSES;

/** A choice that was made: what it costs in money, weight, hours and days, and who decided. */
export interface Decision {
  who: string;
  cost?: number;
  kg?: number;
  hours?: number;
  days?: number;
  note?: string;
  /** Of a change of choices: what it came from. */
  cause?: ChangeCause;
  /** Set when it answers a time box, with the minutes that had been worked by then. */
  timeBox?: boolean;
  /** What it was answered with. */
  course?: (typeof COURSES)[number];
  workedMinutes?: number;
}

export const DECISION = declared<Decision>({
  kind: "decision",
  one: "A decision",
  many: "Decisions",
  words: "decision",
  tab: "records",
  intro: "",
  title: { label: "What was decided", hint: "" },
  by: "lead",
  // Its form is one of its own.
  fields: [],
  schema: shape(
    { who: someWords },
    {
      cost: anyNumber,
      kg: anyNumber,
      hours: anyNumber,
      days: anyNumber,
      note: text,
      cause: { type: "string", enum: Object.keys(CHANGE_CAUSES) },
      timeBox: { type: "boolean" },
      course: { type: "string", enum: COURSES },
      workedMinutes: anyNumber,
    },
  ),
  says: () => "",
  tone: () => "none",
  logged: "decision",
});

/** What was cut, ground or left out against the maker's sheet, and who allowed it. */
export interface Deviation {
  against: string;
  allowedBy: string;
  /** Needed on seats, belts, gas, mains and structure. */
  ticket?: string;
  touches: "seats" | "belts" | "gas" | "mains" | "structure" | "other";
}

/** What hangs on a ticket: nobody else may allow a deviation there. */
export const TICKETED = ["seats", "belts", "gas", "mains", "structure"] as const;

export const DEVIATION = declared<Deviation>({
  kind: "deviation",
  one: "A deviation from a maker's sheet",
  many: "Deviations",
  words: "deviation from a maker's sheet",
  tab: "records",
  intro: "",
  title: { label: "What was done", hint: "" },
  by: "any",
  changes: "lead",
  // Its form is one of its own.
  fields: [],
  schema: shape(
    {
      against: someWords,
      allowedBy: someWords,
      touches: { type: "string", enum: ["seats", "belts", "gas", "mains", "structure", "other"] },
    },
    { ticket: text },
  ),
  says: () => "",
  tone: () => "none",
  logged: "deviation",
  faults: (d) =>
    (TICKETED as readonly string[]).includes(d.touches) && !d.ticket?.trim()
      ? [{ path: "ticket", message: `is needed: ${d.touches} are for a ticket holder to allow` }]
      : [],
});
