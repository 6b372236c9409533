// What a unit or a panel hides once it stands, and what it is fastened to: the order follows from it.

import { declared } from "./fields";

/** Closed: it no longer counts. */
export interface Reach {
  /** Code of the job that sets it. */
  code: string;
  /** From where it is worked on, in words. */
  from?: string;
  /** Codes of jobs that can't be reached any more once it stands. */
  hides?: { code?: string; what?: string }[];
  /** Code of the job that makes what it is fastened to. */
  fixedTo?: string;
  /** Sides that it could be fastened from. `until`: code of the job that ends the reach of it; `covered`: of the one that hides it. */
  sides?: { side?: string; until?: string; covered?: string }[];
}

export const REACH = declared<Reach>({
  kind: "reach",
  one: "What stands in the way of what",
  many: "Access before it closes",
  words: "access",
  tab: "waits",
  intro:
    "What each unit or panel hides once it stands, and what it is fastened to. Its job then waits for all that it would hide and for what carries it; of the sides it could be fastened from the one is taken that is in reach now and hidden later, and what ends its reach waits. The plan knows it, and two that contradict each other are told.",
  title: { label: "Unit or panel", hint: "shower tray" },
  by: "any",
  fields: [
    { key: "code", label: "Set by job", type: "words", hint: "its code", required: true },
    { key: "from", label: "Worked on from", type: "words", hint: "inside, from the slider" },
    { key: "fixedTo", label: "Fastened to what job makes", type: "words", hint: "its code" },
    {
      key: "hides",
      label: "Hides once it is in place",
      type: "rows",
      most: 12,
      add: "Add a job",
      columns: [
        { key: "code", label: "Job", type: "words", hint: "its code" },
        { key: "what", label: "What of it", type: "words", hint: "screws of the last wall" },
      ],
    },
    {
      key: "sides",
      label: "Could be fastened from",
      type: "rows",
      most: 6,
      add: "Add a side",
      columns: [
        { key: "side", label: "Side", type: "words", hint: "inside the locker" },
        { key: "until", label: "In reach until job", type: "words", hint: "its code" },
        { key: "covered", label: "Hidden by job", type: "words", hint: "its code" },
      ],
    },
  ],
  says: (d) =>
    [
      `set by ${d.code}`,
      d.from && `worked on from ${d.from}`,
      d.fixedTo && `fastened to ${d.fixedTo}`,
      d.sides?.length && `could be fastened from ${d.sides.flatMap((s) => s.side ?? []).join(", ")}`,
      d.hides?.length && `hides ${d.hides.map((h) => [h.code, h.what].filter(Boolean).join(", ")).join("; ")}`,
    ]
      .filter(Boolean)
      .join(" · "),
  tone: () => "none",
  closes: "No longer so",
  faults: (d) =>
    !d.fixedTo && !d.hides?.some((h) => h.code) && !d.sides?.some((s) => s.side)
      ? [{ path: "hides", message: "or what it is fastened to, or from where, has to be said" }]
      : [],
});
