// The entries of one declared kind in a build's records.

import type { BuildRecord } from "../records";
import type { DeclaredData, DeclaredKind } from "./kinds";

export interface DeclaredRecord<K extends DeclaredKind> extends Omit<Extract<BuildRecord, { kind: "circuit" }>, "kind" | "data"> {
  kind: K;
  data: DeclaredData[K];
}

/** Those of one kind, the oldest first. */
export const entriesOf = <K extends DeclaredKind>(records: readonly BuildRecord[], kind: K): DeclaredRecord<K>[] =>
  (records.filter((r) => r.kind === kind) as unknown as DeclaredRecord<K>[]).sort(
    (a, b) => a.saidAt - b.saidAt || a.id.localeCompare(b.id),
  );
