"use client";
// Name, client and dates of a build; a stale edit shows both values.

import { useState } from "react";
import { Button } from "../kit/button";
import { Field, StaleNote } from "../kit/field";
import { send } from "../kit/send";
import { useForm } from "../kit/use-form";
import type { BuildView } from "./view";

const LABELS = { name: "Name", client: "Client", purpose: "What it is for", arrives: "Arrives", due: "Due", weight: "Weight" };

export function EditBuild({ view, onDone }: { view: BuildView; onDone(): void }) {
  const form = useForm();
  // What the form was opened with: a refresh under it must neither change the fields nor the version it edits.
  const [was] = useState(view);
  const save = async (data: FormData, version: number) => {
    const text = (k: string) => String(data.get(k) ?? "");
    const body = {
      name: text("name"),
      client: text("client"),
      purpose: text("purpose"),
      arrives: text("arrives"),
      due: text("due"),
      weight: Number(text("weight")),
    };
    if (await form.submit((v) => send("PATCH", `builds/${was.id}`, { version: v, ...body }), version, "Saved")) onDone();
  };
  return (
    <form
      id="edit-build"
      data-busy
      className="grid grid-cols-2 gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void save(new FormData(e.currentTarget), was.version);
      }}
    >
      <Field label={LABELS.name} name="name" faults={form.faults} defaultValue={was.name} required maxLength={120} />
      <Field label={LABELS.client} name="client" faults={form.faults} defaultValue={was.client} required maxLength={120} />
      <Field className="col-span-2" label={LABELS.purpose} name="purpose" faults={form.faults} defaultValue={was.purpose} maxLength={160} />
      <Field label={LABELS.arrives} name="arrives" type="datetime-local" faults={form.faults} defaultValue={was.arrives} required />
      <Field label={LABELS.due} name="due" type="datetime-local" faults={form.faults} defaultValue={was.due} required />
      <Field
        label={LABELS.weight}
        name="weight"
        type="number"
        min={0.1}
        max={20}
        step={0.1}
        faults={form.faults}
        defaultValue={was.weight}
        hint="2 counts a late day twice"
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
            onTakeMine={() => void save(new FormData(document.getElementById("edit-build") as HTMLFormElement), form.stale!.version)}
          />
        )}
        <Button kind="main" type="submit" disabled={form.busy}>
          Save
        </Button>
      </div>
    </form>
  );
}
