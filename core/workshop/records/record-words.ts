// What each kind of record is called, and on which page of its build it stands.

import type { RecordKind } from "./records";

export type BuildTab = "jobs" | "openings" | "choices" | "van" | "marks" | "shell" | "items" | "papers" | "waits" | "records" | "cost";

export const RECORD_WORDS: Readonly<Record<RecordKind, { words: string; tab: BuildTab }>> = {
  decision: { words: "decision", tab: "records" },
  deviation: { words: "deviation from a maker's sheet", tab: "records" },
  fault: { words: "fault", tab: "records" },
  mark: { words: "hole or rust", tab: "marks" },
  item: { words: "removed from the van", tab: "items" },
  penetration: { words: "hole through the skin", tab: "openings" },
  zone: { words: "bare metal", tab: "shell" },
  circuit: { words: "added circuit", tab: "shell" },
  kit: { words: "kit check", tab: "jobs" },
  owner: { words: "owner", tab: "papers" },
  consent: { words: "consent", tab: "papers" },
  others: { words: "work by others", tab: "papers" },
  round: { words: "walk-round", tab: "marks" },
  trap: { words: "would be trapped by later work", tab: "items" },
  fixing: { words: "fixing", tab: "items" },
  member: { words: "metal behind a cut", tab: "openings" },
  seat: { words: "travel seat", tab: "papers" },
  sparks: { words: "hot work", tab: "openings" },
  arrival: { words: "handover of the van", tab: "papers" },
  contents: { words: "contents of a box", tab: "openings" },
  clock: { words: "time limit", tab: "waits" },
  temporary: { words: "temporary fitting", tab: "shell" },
  layout: { words: "open layout question", tab: "openings" },
  line: { words: "layout line", tab: "openings" },
  tail: { words: "cable end", tab: "openings" },
  lastcall: { words: "last look before closing", tab: "shell" },
  goon: { words: "go-on decision", tab: "waits" },
  decider: { words: "who decides", tab: "choices" },
  looked: { words: "looked for", tab: "items" },
  parked: { words: "put aside for later", tab: "waits" },
  attend: { words: "needs somebody there", tab: "waits" },
  reading: { words: "reading", tab: "waits" },
  zonebench: { words: "area used as a bench", tab: "waits" },
  dayend: { words: "end of the day", tab: "waits" },
  substitute: { words: "stand-in part", tab: "waits" },
  reach: { words: "access", tab: "waits" },
};
