"use client";
// All entries of one declared kind of a build: in a line each, opened by a click, with their photos.

import { useState } from "react";
import type { Values } from "@/core/workshop/records/kinds/fields";
import { KINDS, type RecordKind } from "@/core/workshop/records/kinds/kinds";
import { Button } from "../../kit/button";
import { cx } from "../../kit/cx";
import { Dialog } from "../../kit/dialog";
import { time } from "../../kit/time";
import type { BuildView } from "../view";
import { DeclaredForm, type Entry } from "./form";
import { RecordPhotos } from "./record-photos";
import { useRecordTools } from "./record-tools";

const TONE = { ok: "border-l-green", warn: "border-l-amber", stop: "border-l-signal", none: "border-l-line" } as const;

export const entriesIn = (view: BuildView, kind: RecordKind): Entry[] =>
  (view.records.filter((r) => r.kind === kind) as unknown as Entry[]).sort((a, b) => a.saidAt - b.saidAt || a.id.localeCompare(b.id));

export function RecordList({
  view,
  kind,
  preset,
  jobs,
  beside,
  children,
}: {
  view: BuildView;
  kind: RecordKind;
  preset?: { title?: string; data?: Values };
  /** Jobs that a new one may be written down at: asked for where they are given. */
  jobs?: readonly (readonly [id: string, name: string])[];
  /** Buttons and words of one entry beyond opening it. */
  beside?: (entry: Entry) => React.ReactNode;
  /** What stands between the words on the kind and its entries. */
  children?: React.ReactNode;
}) {
  const d = KINDS[kind];
  const [form, setForm] = useState<{ was?: Entry }>();
  const list = entriesIn(view, kind);
  const { shown, tools } = useRecordTools(list, d.many.toLowerCase(), view.zone, (r) => d.says(r.data));
  return (
    <section aria-label={d.many}>
      <div className="mb-2 flex flex-wrap items-start justify-between gap-3">
        <div className="min-w-0 flex-1">
          <h2 className="text-[0.9375rem]">{d.many}</h2>
          <p className="text-muted">{d.intro}</p>
        </div>
        {!(d.single && list.length) && <Button onClick={() => setForm({})}>{`Add ${d.one[0].toLowerCase()}${d.one.slice(1)}`}</Button>}
      </div>
      {children}
      {tools}
      <ul className="overflow-hidden rounded-md border bg-card empty:hidden">
        {shown.map((r) => (
          <li
            key={r.id}
            className={cx("flex flex-wrap items-center gap-3 border-b border-l-[5px] px-3 py-2 last:border-b-0", TONE[d.tone(r.data)])}
          >
            <button type="button" onClick={() => setForm({ was: r })} className="min-w-0 flex-1 text-left hover:underline">
              <b className={cx(!d.over && r.closedAt !== null && "text-muted")}>{r.title}</b>
              {!d.over && r.closedAt !== null && <span className="text-muted"> · {(d.closes ?? "over").toLowerCase()}</span>}
              <span className="block text-[0.75rem] text-muted">
                {d.says(r.data)} · {r.by}, {time(view.zone, r.saidAt)}
              </span>
            </button>
            {beside?.(r)}
            <RecordPhotos id={r.id} title={r.title} photos={r.photos} />
          </li>
        ))}
      </ul>
      <Dialog open={!!form} onOpenChange={(o) => !o && setForm(undefined)} title={form?.was ? form.was.title : d.one} wide>
        {form && (
          <DeclaredForm
            declared={d}
            buildId={view.id}
            {...(jobs ? { jobs } : {})}
            {...(form.was ? { was: form.was } : preset ? { preset } : {})}
            onDone={() => setForm(undefined)}
          />
        )}
      </Dialog>
    </section>
  );
}
