// What each kind of record is called in passing, and on which page of its build it stands: as its kind says.

import type { BuildTab } from "./kinds/fields";
import { KINDS, type RecordKind } from "./kinds/kinds";

export type { BuildTab };

export const RECORD_WORDS = Object.fromEntries(Object.entries(KINDS).map(([k, d]) => [k, { words: d.words, tab: d.tab }])) as Readonly<
  Record<RecordKind, { words: string; tab: BuildTab }>
>;
