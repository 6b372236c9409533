// What is kept of a build beside its jobs: a record of one of the kinds (kinds/), with who said it, when, and its photos.

import type { RecordData, RecordKind } from "./kinds/kinds";

export interface Kept<K extends RecordKind> {
  id: string;
  kind: K;
  jobId: string | null;
  title: string;
  data: RecordData[K];
  saidBy: string;
  saidAt: number;
  closedAt: number | null;
  version: number;
  /** Content hashes of its photos, the oldest first; and what each was said to show. */
  photos: string[];
  shows?: (string | null)[];
}

export type BuildRecord = { [K in RecordKind]: Kept<K> }[RecordKind];
