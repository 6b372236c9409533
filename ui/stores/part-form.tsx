"use client";
// One part line: its state, the promised day, the shelf, a note.

import { useState } from "react";
import { InputError } from "@/core/plan/fault";
import { parseLength } from "@/core/setout/lengths";
import type { PartState } from "@/core/workshop/state/model";
import { Button } from "../kit/button";
import { Area, Field, Select, StaleNote } from "../kit/field";
import { type Fault, send } from "../kit/send";
import { local } from "../kit/time";
import { useForm } from "../kit/use-form";
import type { PartLine, StoresView } from "./view";

const STATES: [PartState, string][] = [
  ["needed", "To be ordered"],
  ["ordered", "Ordered, no date yet"],
  ["promised", "Promised for a day"],
  ["arrived", "Arrived, to be checked"],
  ["checked", "Checked, complete"],
  ["wrong", "Came wrong"],
];

const LABELS = {
  supplierId: "From",
  state: "State",
  promised: "Promised for",
  shelf: "Shelf",
  note: "Note",
  arrived: "Arrived",
  checked: "Checked",
  cutOut: "Hole it asks for",
  sampleDays: "Days to see samples and choose",
};

export function PartForm({ line, view, onDone }: { line: PartLine; view: StoresView; onDone(): void }) {
  const form = useForm();
  const [was] = useState(line);
  const [state, setState] = useState<PartState>(line.state);
  const [from, setFrom] = useState(line.supplierId);
  const measured = line.fillsHole && (state === "arrived" || state === "checked");
  const [wrong, setWrong] = useState<Fault[]>([]);
  /** All three, or none: then it is not measured yet. */
  const cutOutOf = (text: (k: string) => string) => {
    const [w, h, r] = ["w", "h", "r"].map((k) => text(`cutOut.${k}`));
    return w || h || r ? { w: parseLength(w, "cutOut.w"), h: parseLength(h, "cutOut.h"), r: parseLength(r || "0", "cutOut.r") } : null;
  };
  const save = async (data: FormData, version: number) => {
    const text = (k: string) => String(data.get(k) ?? "").trim();
    setWrong([]);
    if (measured)
      try {
        cutOutOf(text);
      } catch (e) {
        if (!(e instanceof InputError)) throw e;
        return setWrong(e.faults);
      }
    const body = {
      state,
      shelf: text("shelf"),
      note: text("note"),
      ...(state === "promised" && text("promised") ? { promised: text("promised") } : {}),
      ...(text("supplierId") && text("supplierId") !== was.supplierId ? { supplierId: text("supplierId") } : {}),
      ...(measured ? { cutOut: cutOutOf(text) } : {}),
      ...(state === "needed" ? { sampleDays: Number(text("sampleDays")) } : {}),
    };
    if (await form.submit((v) => send("PATCH", `parts/${was.id}`, { version: v, ...body }), version, `${was.name} saved`)) onDone();
  };
  return (
    <form
      id="part-form"
      data-busy
      className="grid grid-cols-2 gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void save(new FormData(e.currentTarget), was.version);
      }}
    >
      <div className="col-span-2">
        <Select
          label={LABELS.supplierId}
          name="supplierId"
          faults={form.faults}
          value={from}
          onChange={(e) => setFrom(e.target.value)}
          options={view.suppliers.map((s) => [s.id, s.name] as const)}
        />
        <p className="mt-1 text-[0.75rem] text-muted">{view.suppliers.find((s) => s.id === from)?.record}</p>
      </div>
      <Select
        label={LABELS.state}
        name="state"
        faults={form.faults}
        value={state}
        onChange={(e) => setState(e.target.value as PartState)}
        options={STATES}
      />
      {state === "promised" ? (
        <Field
          key="promised"
          label={LABELS.promised}
          name="promised"
          type="datetime-local"
          faults={form.faults}
          defaultValue={was.promised === null ? "" : local(view.zone, was.promised)}
          required
        />
      ) : (
        <Field key="shelf" label={LABELS.shelf} name="shelf" faults={form.faults} defaultValue={was.shelf} maxLength={60} />
      )}
      {state === "needed" && (
        <Field
          className="col-span-2"
          label={LABELS.sampleDays}
          name="sampleDays"
          type="number"
          min={0}
          max={120}
          faults={form.faults}
          defaultValue={was.sampleDays}
          required
          hint="0 where there is nothing to choose; samples are asked for so long before it is ordered"
        />
      )}
      {measured && (
        <fieldset className="col-span-2 grid grid-cols-3 gap-3 rounded-md border px-3 pt-1 pb-3">
          <legend className="px-1 font-semibold">{LABELS.cutOut}, as measured</legend>
          {(
            [
              ["w", line.fillsHole === "roof" ? "Along the van" : "Wide"],
              ["h", line.fillsHole === "roof" ? "Across the van" : "High"],
              ["r", "Corners"],
            ] as const
          ).map(([k, label]) => (
            <Field
              key={k}
              label={label}
              name={`cutOut.${k}`}
              faults={[...form.faults, ...wrong]}
              defaultValue={was.cutOut ? String(was.cutOut[k]) : ""}
              inputMode="decimal"
            />
          ))}
          <p className="col-span-3 text-[0.75rem] text-muted">
            In mm, or as 15 3/4". What is set out for its opening starts from it; a sheet that was locked before says so when it differs.
          </p>
        </fieldset>
      )}
      <Area
        className="col-span-2"
        label={LABELS.note}
        name="note"
        faults={form.faults}
        defaultValue={was.note}
        maxLength={500}
        hint={state === "wrong" ? "what is wrong with it; the supplier will ask" : undefined}
      />
      <div className="col-span-2 flex flex-col gap-3">
        {form.general && (
          <p role="alert" className="text-signal-text">
            {form.general}
          </p>
        )}
        {form.stale && (
          <StaleNote
            stale={form.stale}
            labels={LABELS}
            onTakeMine={() => void save(new FormData(document.getElementById("part-form") as HTMLFormElement), form.stale!.version)}
          />
        )}
        <Button kind="main" type="submit" disabled={form.busy}>
          Save
        </Button>
      </div>
    </form>
  );
}
