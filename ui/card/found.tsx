"use client";
// What a fitter finds and measures on the van, written down where it is found: rust, holes, damage, volts, torque, a walk round.

import { useState } from "react";
import { VIEW_LABEL } from "@/core/van/drawing";
import { type MarkRecord, sayMark } from "@/core/workshop/bare-body/marks";
import { type CircuitRecord, sayCircuit } from "@/core/workshop/openings/circuits";
import { hasForm, KINDS, type RecordKind } from "@/core/workshop/records/kinds/kinds";
import { MarkForm } from "../builds/bare-body/marks-panel";
import { Boxes } from "../builds/openings/boxes";
import { CircuitForm } from "../builds/openings/circuits";
import { DeclaredForm, type Entry } from "../builds/records/form";
import { RecordPhotos } from "../builds/records/record-photos";
import { Dialog } from "../kit/dialog";
import type { CardFound, CardJob } from "./view";

type Kind = CardFound["records"][number]["kind"];

/** What can be added, in the words of whoever finds it. */
const ADD: readonly (readonly [Kind, string])[] = [
  ["mark", "Rust, a hole or damage"],
  ["circuit", "A circuit: measured volts"],
  ["seat", "Seat bolts: torque"],
  ["round", "A walk round the van"],
  ["trap", "Something that would be covered"],
  ["fixing", "Fixings taken out"],
  ["gear", "What you wear, or what is missing"],
];

const titleOf = (kind: Kind): string => ADD.find(([k]) => k === kind)?.[1] ?? "Written down";

function says(job: CardJob, r: CardFound["records"][number]): string {
  if (r.kind === "mark") return `${sayMark(r.data)} · ${VIEW_LABEL[r.data.view]}`;
  if (r.kind === "circuit") return sayCircuit(job, r.data);
  return hasForm(r.kind) ? KINDS[r.kind].says(r.data as unknown as Entry["data"]) : "";
}

export function CardFoundList({ job }: { job: CardJob }) {
  const [form, setForm] = useState<{ kind: Kind; was?: CardFound["records"][number] }>();
  const { found } = job;
  if (!found) return null;
  const close = () => setForm(undefined);
  const build = { id: job.buildId, van: found.van };
  return (
    <section aria-label="Found and measured" className="mt-4">
      <h3 className="text-[1.0625rem]">Found and measured</h3>
      <Boxes buildId={job.buildId} boxes={found.boxes} touch />
      {found.records.length > 0 && (
        <details className="mt-1 rounded-md border bg-card">
          <summary className="flex min-h-13 cursor-pointer items-center px-3 font-semibold">
            {found.records.length === 1 ? "1 open thing on this van" : `${found.records.length} open things on this van`}
          </summary>
          <ul className="border-t">
            {found.records.map((r) => (
              <li key={r.id} className="flex flex-wrap items-center gap-2 border-b px-3 py-2 last:border-0">
                <button type="button" onClick={() => setForm({ kind: r.kind, was: r })} className="min-h-11 min-w-0 flex-1 text-left">
                  <b>{r.title}</b>
                  <span className="block text-[0.9375rem] text-muted">{says(job, r)}</span>
                </button>
                <RecordPhotos id={r.id} title={r.title} photos={r.photos} touch />
              </li>
            ))}
          </ul>
        </details>
      )}
      <details className="mt-2 rounded-md border bg-card">
        <summary className="flex min-h-13 cursor-pointer items-center px-3 font-semibold">Write something down</summary>
        <div className="grid grid-cols-2 gap-2 border-t p-3">
          {ADD.map(([kind, words]) => (
            <button
              key={kind}
              type="button"
              onClick={() => setForm({ kind })}
              className="min-h-13 rounded-md border px-2 py-1.5 text-[1rem] leading-tight"
            >
              {words}
            </button>
          ))}
        </div>
      </details>
      <Dialog open={!!form} onOpenChange={(o) => !o && close()} title={form ? (form.was?.title ?? titleOf(form.kind)) : ""}>
        {form?.kind === "mark" && (
          <MarkForm view={build} side="left" was={form.was as (MarkRecord & { by: string }) | undefined} onDone={close} />
        )}
        {form?.kind === "circuit" && (
          <CircuitForm view={build} was={form.was as (CircuitRecord & { by: string }) | undefined} onDone={close} />
        )}
        {form && hasForm(form.kind) && (
          <DeclaredForm
            declared={KINDS[form.kind as RecordKind]}
            buildId={job.buildId}
            {...(form.was ? { was: form.was as unknown as Entry } : { preset: { jobId: job.id } })}
            onDone={close}
          />
        )}
      </Dialog>
    </section>
  );
}
