// Things kept of a build, written by actions that know what is in them.

import type { BuildRecord, RecordKind } from "@/core/workshop/records/records";
import { type Conn, insert, run, toSql } from "./pool";

export interface NewRecord {
  id: string;
  buildId: string;
  jobId: string | null;
  kind: RecordKind;
  title: string;
  data: BuildRecord["data"];
  saidBy: string;
  /** Minutes since 1970. */
  saidAt: number;
  closedAt?: number | null;
}

export async function addRecord(c: Conn, r: NewRecord): Promise<void> {
  await insert(c, "record", [
    {
      id: r.id,
      build_id: r.buildId,
      job_id: r.jobId,
      kind: r.kind,
      title: r.title.slice(0, 300),
      data: r.data,
      said_by: r.saidBy,
      said_at: toSql(r.saidAt),
      closed_at: r.closedAt == null ? null : toSql(r.closedAt),
    },
  ]);
}

export async function setRecordData(c: Conn, id: string, data: BuildRecord["data"], closedAt: number | null): Promise<void> {
  await run(c, "UPDATE record SET data = ?, closed_at = ?, version = version + 1 WHERE id = ?", [
    JSON.stringify(data),
    closedAt === null ? null : toSql(closedAt),
    id,
  ]);
}
