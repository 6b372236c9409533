// What the library editor shows.

import type { JobDiff } from "@/core/library/check-library";
import type { Entry } from "@/core/library/library";

export interface LibraryView {
  zone: string;
  /** The version in use. */
  number: number;
  jobs: Entry[];
  /** How it differs from the shipped library. */
  diff: JobDiff[];
  /** What no job does any more, and the rules that would need one. */
  lacking: { what: string; rule: string }[];
  versions: { number: number; kind: "shipped" | "workshop"; note: string; madeAt: number; madeBy: string | null }[];
  suppliers: string[];
  builds: { id: string; name: string; version: number | null }[];
}
