// How every form for something kept of a build is sent: a new one, or a change of one that is there.

import { send } from "../../kit/send";
import type { FormState } from "../../kit/use-form";

interface Kept {
  kind: string;
  title: string;
  data: Record<string, unknown>;
  /** Only of a new one: its job, where it has one. */
  jobId?: string;
  /** Only of a change: whether it is over, and why it changes. */
  closed?: boolean;
  why?: string;
}

/** What was typed, without what was left empty. */
export const given = (fields: Record<string, unknown>): Record<string, unknown> =>
  Object.fromEntries(Object.entries(fields).filter(([, x]) => x !== undefined && x !== ""));

/** Sends it; true when it went through. `said`: the word for a new one. */
export function keepRecord(
  form: FormState,
  buildId: string,
  was: { id: string; version: number } | undefined,
  kept: Kept,
  said = "Written down",
): Promise<boolean> {
  const { kind, data, jobId, closed = false, why } = kept;
  const body = { title: kept.title.trim(), data };
  return form.submit(
    (version) =>
      was
        ? send("PATCH", `records/${was.id}`, { ...body, version, closed, ...(why === undefined ? {} : { why }) })
        : send("POST", `builds/${buildId}/records`, { ...body, kind, ...(jobId ? { jobId } : {}) }),
    was?.version ?? 1,
    was ? "Kept" : said,
  );
}
