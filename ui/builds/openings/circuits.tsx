"use client";

// Circuits that others added: dead by measuring, or led away, before anything sparks near them.

import { useState } from "react";
import { type CircuitRecord, circuitsIn, isDead, sayCircuit } from "@/core/workshop/openings/circuits";
import type { Circuit } from "@/core/workshop/records/kinds/circuit";
import { figure as houseFigure } from "@/core/workshop/state/house-figures";
import { Button } from "../../kit/button";
import { cx } from "../../kit/cx";
import { Dialog } from "../../kit/dialog";
import { Area, Check, Field, Select } from "../../kit/field";
import { figure } from "../../kit/figure";
import { time } from "../../kit/time";
import { useForm } from "../../kit/use-form";
import { RecordEnd } from "../records/record-end";
import { RecordPhotos } from "../records/record-photos";
import { given, keepRecord } from "../records/record-submit";
import { useRecordTools } from "../records/record-tools";
import type { BuildView } from "../view";

type Shown = CircuitRecord & { by: string };

const SIDES: readonly (readonly [Circuit["side"], string])[] = [
  ["left", "left side"],
  ["right", "right side"],
  ["roof", "roof"],
  ["floor", "floor"],
  ["rear", "rear"],
  ["nose", "nose"],
];

export function Circuits({ view }: { view: BuildView }) {
  const [form, setForm] = useState<{ was?: Shown }>();
  const list = circuitsIn(view.records) as Shown[];
  const { shown, tools } = useRecordTools(
    list,
    "added circuits",
    view.zone,
    (r) => `${sayCircuit(view, r.data)} from ${r.data.source} ${r.data.label ?? ""}`,
  );
  return (
    <section aria-label="Added circuits">
      <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
        <div className="min-w-0 flex-1">
          <h2 className="text-[0.9375rem]">Added circuits</h2>
          <p className="text-muted">
            Dead only when measured, {houseFigure(view, "deadVolts")} V at most. Cutting, drilling and grinding wait where one is live and
            not led away. Mains is for a ticket holder.
          </p>
        </div>
        <Button onClick={() => setForm({})}>Add a circuit</Button>
      </div>
      {tools}
      <ul className="overflow-hidden rounded-md border bg-card empty:hidden">
        {shown.map((r) => (
          <li key={r.id} className="flex flex-wrap items-center gap-3 border-b px-3 py-2 last:border-0">
            <button type="button" onClick={() => setForm({ was: r })} className="min-w-0 flex-1 text-left hover:underline">
              <b>{r.title}</b>
              <span className="block text-[0.75rem] text-muted">
                {[
                  `from ${r.data.source}`,
                  `connector ${r.data.connector}`,
                  SIDES.find(([s]) => s === r.data.side)?.[1],
                  r.data.end,
                  r.data.label && `label ${r.data.label}`,
                  `${r.by}, ${time(view.zone, r.saidAt)}`,
                ]
                  .filter(Boolean)
                  .join(" · ")}
              </span>
            </button>
            <span
              className={cx(
                "font-semibold",
                isDead(view, r.data) ? "text-green-text" : r.data.routed ? "text-amber-text" : "text-signal-text",
              )}
            >
              {sayCircuit(view, r.data)}
            </span>
            <RecordPhotos id={r.id} title={r.title} photos={r.photos} />
          </li>
        ))}
      </ul>
      <Dialog open={!!form} onOpenChange={(o) => !o && setForm(undefined)} title={form?.was ? form.was.title : "An added circuit"}>
        {form && <CircuitForm view={view} was={form.was} onDone={() => setForm(undefined)} />}
      </Dialog>
    </section>
  );
}

/** The form of one circuit; also on the card. */
export function CircuitForm({ view, was, onDone }: { view: Pick<BuildView, "id">; was?: Shown; onDone(): void }) {
  const form = useForm();
  const d = was?.data;
  const [v, setV] = useState({
    title: was?.title ?? "",
    source: d?.source ?? "",
    connector: d?.connector ?? "",
    side: d?.side ?? "left",
    label: d?.label ?? "",
    end: d?.end ?? "",
    volts: String(d?.volts ?? ""),
    note: d?.note ?? "",
  });
  const [insulated, setInsulated] = useState(d?.insulated ?? false);
  const [routed, setRouted] = useState(d?.routed ?? false);
  const set = (k: keyof typeof v) => (e: { target: { value: string } }) => setV({ ...v, [k]: e.target.value });
  const field = (k: keyof typeof v, label: string, more: { hint?: string; required?: boolean; inputMode?: "decimal" } = {}) => (
    <Field label={label} name={k} faults={form.faults} value={v[k]} onChange={set(k)} maxLength={300} {...more} />
  );
  return (
    <form
      data-busy
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        const data = given({
          source: v.source.trim(),
          connector: v.connector.trim(),
          side: v.side,
          label: v.label.trim(),
          end: v.end,
          insulated: v.end === "cut" && insulated ? true : undefined,
          volts: figure(v.volts),
          routed: routed || undefined,
          note: v.note.trim(),
        });
        void keepRecord(form, view.id, was, { kind: "circuit", title: v.title, data }).then((ok) => ok && onDone());
      }}
    >
      {field("title", "What it feeds", { required: true, hint: "load lamps, beacon, tail lift" })}
      <div className="grid grid-cols-2 gap-3">
        {field("source", "Fed from", { required: true, hint: "fuse box, battery, ignition" })}
        {field("connector", "Its connector", { required: true, hint: "behind the pillar, left" })}
        <Select label="Side" name="side" faults={form.faults} value={v.side} onChange={set("side")} options={SIDES} />
        {field("label", "Label on it")}
        <Select
          label="Opened by"
          name="end"
          faults={form.faults}
          value={v.end}
          onChange={set("end")}
          options={[
            ["", "not opened yet"],
            ["unplugged", "unplugging it"],
            ["cut", "cutting it"],
          ]}
        />
        {field("volts", "Measured, V", { inputMode: "decimal", hint: "after it was opened" })}
      </div>
      {v.end === "cut" && <Check label="Its cut end is insulated" checked={insulated} onChange={(e) => setInsulated(e.target.checked)} />}
      <Check label="Led away from where the work is" checked={routed} onChange={(e) => setRouted(e.target.checked)} />
      <Area label="Note" name="note" faults={form.faults} value={v.note} onChange={set("note")} maxLength={500} />
      <RecordEnd form={form} label={was ? "Keep" : "Write it down"} />
    </form>
  );
}
