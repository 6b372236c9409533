// Templates and jigs by number, and which one was in hand for a job.

import type { Pool } from "mysql2/promise";
import type { TemplateRow } from "@/core/workshop/state/model";
import { type Conn, insert, rows, run, toSql } from "../pool";

type Raw = Record<string, string | number | null>;

export type TemplateFields = Omit<TemplateRow, "id" | "version" | "retired">;

export const columnsOf = (t: TemplateFields) => ({
  number: t.number,
  van_id: t.vanId,
  kind: t.kind,
  what: t.what,
  side: t.side,
  bay: t.bay,
  mark: t.mark,
  serves: t.serves,
  offsets: t.offsets,
  note: t.note,
});

export async function loadTemplates(c: Conn | Pool): Promise<TemplateRow[]> {
  const list = await rows<Raw>(c, "SELECT * FROM template ORDER BY retired, van_id, LENGTH(number), number");
  return list.map((r) => ({
    id: String(r.id),
    number: String(r.number),
    vanId: String(r.van_id),
    kind: r.kind as TemplateRow["kind"],
    what: String(r.what),
    side: r.side as TemplateRow["side"],
    bay: String(r.bay),
    mark: r.mark as TemplateRow["mark"],
    serves: String(r.serves),
    offsets: String(r.offsets),
    note: String(r.note),
    retired: Boolean(r.retired),
    version: Number(r.version),
  }));
}

export const insertTemplate = (c: Conn, id: string, t: TemplateFields): Promise<void> => insert(c, "template", [{ id, ...columnsOf(t) }]);

/** Another template may have the number; its id. */
export async function templateNumbered(c: Conn, number: string): Promise<string | undefined> {
  const [r] = await rows<{ id: string }>(c, "SELECT id FROM template WHERE number = ?", [number]);
  return r?.id;
}

export async function takeInHand(c: Conn, jobId: string, templateId: string, by: string, at: number): Promise<void> {
  await run(
    c,
    `INSERT INTO job_template (job_id, template_id, ticked_by, ticked_at) VALUES (?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE template_id = VALUES(template_id), ticked_by = VALUES(ticked_by), ticked_at = VALUES(ticked_at)`,
    [jobId, templateId, by, toSql(at)],
  );
}
