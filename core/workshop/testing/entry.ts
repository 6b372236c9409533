// A record of a build for tests, of any kind.

import type { RecordKind } from "../records/kinds/kinds";
import type { BuildRecord } from "../records/records";
import { NOW } from "./shop";

let n = 0;
export const entry = (kind: RecordKind, title: string, data: object, more: Partial<BuildRecord> = {}): BuildRecord =>
  ({
    id: `r${++n}`,
    kind,
    jobId: null,
    title,
    data,
    saidBy: "u-ines",
    saidAt: NOW + n,
    closedAt: null,
    version: 1,
    photos: [],
    ...more,
  }) as BuildRecord;
