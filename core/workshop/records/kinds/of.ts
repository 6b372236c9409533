// The records of one kind of a build.

import type { BuildRecord, Kept } from "../records";
import type { RecordKind } from "./kinds";

/** Those of one kind, the oldest first. */
export const entriesOf = <K extends RecordKind>(records: readonly BuildRecord[], kind: K): Kept<K>[] =>
  (records.filter((r) => r.kind === kind) as unknown as Kept<K>[]).sort((a, b) => a.saidAt - b.saidAt || a.id.localeCompare(b.id));
