// A fault card: what could be the cause, the test that settles each, calls and answers, the outcome.

import { declared } from "./fields";
import { shape, someWords, text } from "./own";

/** A fault card: each possible cause with the test that settles it; calls and answers; the outcome. */
export interface FaultCard {
  causes: { cause: string; test: string; result: "open" | "yes" | "no"; minutes?: number; note?: string }[];
  calls: { text: string; at: string }[];
  outcome?: string;
  /** Whose it was once it is settled, and which part line, where it was the part. */
  lay?: "us" | "van" | "part";
  partId?: string;
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

export const FAULT = declared<FaultCard>({
  kind: "fault",
  one: "A fault",
  many: "Faults",
  words: "fault",
  tab: "records",
  intro: "",
  title: { label: "What is wrong", hint: "" },
  by: "any",
  // Its form is one of its own.
  fields: [],
  schema: shape(
    {
      causes: {
        type: "array",
        minItems: 1,
        maxItems: 20,
        items: shape(
          { cause: someWords, test: someWords, result: { type: "string", enum: ["open", "yes", "no"] } },
          { minutes: { type: "number", minimum: 0, maximum: 3000 }, note: text },
        ),
      },
      calls: { type: "array", maxItems: 50, items: shape({ text: someWords, at: someWords }, {}) },
    },
    { outcome: text, lay: { type: "string", enum: ["us", "van", "part"] }, partId: text },
  ),
  says: () => "",
  tone: () => "none",
  logged: "fault",
});
