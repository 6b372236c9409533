// The entries of one declared kind in a build's records.

import type { BuildRecord } from "../records";
import type { DocketData, DocketKind } from "./kinds";

export interface DocketRecord<K extends DocketKind> extends Omit<Extract<BuildRecord, { kind: "circuit" }>, "kind" | "data"> {
  kind: K;
  data: DocketData[K];
}

/** Those of one kind, the oldest first. */
export const entriesOf = <K extends DocketKind>(records: readonly BuildRecord[], kind: K): DocketRecord<K>[] =>
  (records.filter((r) => r.kind === kind) as unknown as DocketRecord<K>[]).sort((a, b) => a.saidAt - b.saidAt || a.id.localeCompare(b.id));
