// Short clocks that run at the bench: flash-off, open time, second bead, squeeze-out, masking tape, pot life; and the four
// times of a bond.

import { declared } from "./fields";

export const CLOCKS = {
  "flash-off": { minutes: 15, over: "prime or bead now; past the longest wait, wipe again" },
  "open time": { minutes: 20, over: "do not set on it: take the bead off and lay it again" },
  correction: { minutes: 10, over: "leave it as it lies: moving it now tears the bond" },
  "second bead": { minutes: 60, over: "lay it now" },
  "squeeze-out": { minutes: 15, over: "cut it off when it is hard: wiping smears it" },
  "masking tape": { minutes: 35, over: "warm it and pull slowly, or cut along it" },
  "pot life": { minutes: 30, over: "throw the rest away and mix a smaller batch" },
  "hands off": { minutes: 60, over: "hands may let go", opens: true },
  "may be moved": { minutes: 1440, over: "the van may be moved and bonding may start", opens: true },
  "may be soaked": { minutes: 1440, over: "it may be soaked", opens: true },
  "fully cured": { minutes: 10_080, over: "it carries its load", opens: true },
} as const satisfies Record<string, { minutes: number; over: string; opens?: true }>;

/** Whether the end of a clock lets something begin; the others warn before their end. */
export const opens = (name: ClockName): boolean => "opens" in CLOCKS[name];
export type ClockName = keyof typeof CLOCKS;

/** A clock: it began when it was written down, and is closed by a tap. */
export interface Clock {
  what: ClockName;
  minutes: number;
}

export const CLOCK_KIND = declared<Clock>({
  kind: "clock",
  one: "A clock",
  many: "Clocks",
  words: "time limit",
  tab: "waits",
  intro: "Each counts from a tap. The product's sheet says how long.",
  title: { label: "Of what", hint: "bead of the fan" },
  by: "any",
  fields: [
    { key: "what", label: "Which", type: "choice", options: Object.keys(CLOCKS).map((k) => [k, k] as const), required: true },
    { key: "minutes", label: "Minutes", type: "number", min: 1, max: 86_400, required: true },
  ],
  says: (d) => `${d.what}, ${d.minutes} min`,
  tone: () => "none",
  closes: "Done with",
});
