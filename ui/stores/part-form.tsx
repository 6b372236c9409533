"use client";
// One part line: its state, the promised day, the shelf, a note.

import { useState } from "react";
import type { PartState } from "@/core/shop/model";
import { Button } from "../kit/button";
import { Area, Field, Select, StaleNote } from "../kit/field";
import { send } from "../kit/send";
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

const LABELS = { state: "State", promised: "Promised for", shelf: "Shelf", note: "Note", arrived: "Arrived", checked: "Checked" };

export function PartForm({ line, view, onDone }: { line: PartLine; view: StoresView; onDone(): void }) {
  const form = useForm();
  const [was] = useState(line);
  const [state, setState] = useState<PartState>(line.state);
  const save = async (data: FormData, version: number) => {
    const text = (k: string) => String(data.get(k) ?? "").trim();
    const body = {
      state,
      shelf: text("shelf"),
      note: text("note"),
      ...(state === "promised" && text("promised") ? { promised: text("promised") } : {}),
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
          label={LABELS.promised}
          name="promised"
          type="datetime-local"
          faults={form.faults}
          defaultValue={was.promised === null ? "" : local(view.zone, was.promised)}
          required
        />
      ) : (
        <Field label={LABELS.shelf} name="shelf" faults={form.faults} defaultValue={was.shelf} maxLength={60} />
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
