// Things kept of a build, written by actions that know what is in them.

import type { RecordKind } from "@/core/workshop/records/kinds/kinds";
import type { BuildRecord } from "@/core/workshop/records/records";
import { type Conn, insert, rows, run, toSql } from "../pool";

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

/** A record's kind and build, locked until the change is over; undefined where there is none. */
export async function lockRecord(c: Conn, id: string): Promise<{ kind: RecordKind; build_id: string } | undefined> {
  const [r] = await rows<{ kind: RecordKind; build_id: string }>(c, "SELECT kind, build_id FROM record WHERE id = ? FOR UPDATE", [id]);
  return r;
}

/** A size of the van as it was read, over an older reading of it. */
export const saveReading = (
  c: Conn,
  r: { build: string; name: string; mm: number; againMm: number | null; by: string; at: number },
): Promise<number> =>
  run(
    c,
    `INSERT INTO van_reading (build_id, name, mm, again_mm, read_by, read_at) VALUES (?, ?, ?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE mm = VALUES(mm), again_mm = VALUES(again_mm), read_by = VALUES(read_by), read_at = VALUES(read_at)`,
    [r.build, r.name, r.mm, r.againMm, r.by, toSql(r.at)],
  );
