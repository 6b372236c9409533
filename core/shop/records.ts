// What is kept of a build beside its jobs: decisions, deviations from a maker's sheet, faults and how they were found.

import { reader } from "../plan/fault";

const text = { type: "string", maxLength: 500 } as const;
const words = { ...text, minLength: 1, pattern: "\\S" } as const;
const number = { type: "number", minimum: -1_000_000, maximum: 1_000_000 } as const;

/** A choice that was made: what it costs in money, weight, hours and days, and who decided. */
export interface Decision {
  who: string;
  cost?: number;
  kg?: number;
  hours?: number;
  days?: number;
  note?: string;
  /** Set when it answers a time box. */
  timeBox?: boolean;
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
  causes: { cause: string; test: string; result: "open" | "yes" | "no"; note?: string }[];
  calls: { text: string; at: string }[];
  outcome?: string;
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
}

export type BuildRecord = Kept<"decision", Decision> | Kept<"deviation", Deviation> | Kept<"fault", FaultCard>;
export type RecordKind = BuildRecord["kind"];

const object = (required: Record<string, object>, optional: Record<string, object>) => ({
  type: "object",
  additionalProperties: false,
  required: Object.keys(required),
  properties: { ...required, ...optional },
});

const READ: Record<RecordKind, (v: unknown) => BuildRecord["data"]> = {
  decision: reader<Decision>(
    object({ who: words }, { cost: number, kg: number, hours: number, days: number, note: text, timeBox: { type: "boolean" } }),
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
          items: object({ cause: words, test: words, result: { type: "string", enum: ["open", "yes", "no"] } }, { note: text }),
        },
        calls: { type: "array", maxItems: 50, items: object({ text: words, at: words }, {}) },
      },
      { outcome: text },
    ),
  ),
};

/** What hangs on a ticket: nobody else may allow a deviation there. */
export const TICKETED = ["seats", "belts", "gas", "mains", "structure"] as const;

/**
 * The data of a record, checked. Throws InputError with the field; a deviation on seats, belts, gas,
 * mains or structure without the ticket of who allowed it is one of them.
 */
export function readRecord(kind: RecordKind, data: unknown): { data: BuildRecord["data"]; faults: { path: string; message: string }[] } {
  const clean = READ[kind](data);
  const faults: { path: string; message: string }[] = [];
  if (kind === "deviation") {
    const d = clean as Deviation;
    if ((TICKETED as readonly string[]).includes(d.touches) && !d.ticket?.trim())
      faults.push({ path: "ticket", message: `is needed: ${d.touches} are for a ticket holder to allow` });
  }
  return { data: clean, faults };
}

/** Where a fault stands: the cause that was found, or what is still to be tested. */
export function faultState(f: FaultCard): { found: string[]; open: FaultCard["causes"]; ruledOut: number } {
  return {
    found: f.causes.filter((c) => c.result === "yes").map((c) => c.cause),
    open: f.causes.filter((c) => c.result === "open"),
    ruledOut: f.causes.filter((c) => c.result === "no").length,
  };
}
