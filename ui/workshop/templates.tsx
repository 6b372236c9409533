"use client";
// Templates and jigs by number. A fitter reads the number off before anything is marked by one.

import { useState } from "react";
import { SIDE_WORDS } from "@/core/workshop/openings/holes";
import { KIND_WORDS, sayTemplate } from "@/core/workshop/starts/templates";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Check, Field, Select } from "../kit/field";
import { byText, useListTools } from "../kit/list-tools";
import { send } from "../kit/send";
import { useForm } from "../kit/use-form";
import { FormEnd, Head, Row, Rows } from "./parts";
import type { WorkshopView } from "./view";

type Template = WorkshopView["templates"][number];

const LABELS = {
  number: "Number on it",
  vanId: "Type of van",
  kind: "Kind",
  what: "For which unit",
  side: "Side",
  bay: "Rib bay",
  mark: "Mark on it",
  serves: "Cut by it",
  offsets: "Offsets",
  note: "Note",
};

export function Templates({ view }: { view: WorkshopView }) {
  const [editing, setEditing] = useState<Template | "new">();
  const van = (id: string) => view.vans.find((v) => v.id === id)?.name ?? id;
  const { shown, tools } = useListTools(view.templates, {
    name: "templates",
    text: (t) => [t.number, t.what, van(t.vanId), SIDE_WORDS[t.side], t.note].join(" "),
    orders: { number: byText((t) => t.number), what: byText((t) => t.what) },
    head: ["number", "what", "van", "side", "note", "retired"],
    cells: (t) => [t.number, t.what, van(t.vanId), SIDE_WORDS[t.side], t.note, t.retired],
  });
  return (
    <>
      <Head
        about="For one type of van and one side. A cut that has one waits until its number was read off; one of another van, side or unit is refused."
        add="Add a template"
        onAdd={() => setEditing("new")}
      />
      {tools}
      <Rows empty="No template is kept yet.">
        {shown.map((t) => (
          <Row
            key={t.id}
            title={`${t.number} · ${t.what}`}
            retired={t.retired}
            actions={<Button onClick={() => setEditing(t)}>Change</Button>}
          >
            {van(t.vanId)}, {SIDE_WORDS[t.side]} · {sayTemplate(t)}
            {t.kind === "outline" && ` · for ${view.served.find((s) => s.code === t.serves)?.name ?? t.serves}`}
            {t.note && <span className="block text-[0.75rem] text-muted">{t.note}</span>}
          </Row>
        ))}
      </Rows>
      <Dialog
        open={!!editing}
        onOpenChange={(o) => !o && setEditing(undefined)}
        title={editing === "new" ? "Add a template" : `Change ${editing?.number ?? ""}`}
      >
        {editing && <TemplateForm view={view} was={editing === "new" ? undefined : editing} onDone={() => setEditing(undefined)} />}
      </Dialog>
    </>
  );
}

function TemplateForm({ view, was, onDone }: { view: WorkshopView; was?: Template; onDone(): void }) {
  const form = useForm();
  const [kind, setKind] = useState<Template["kind"]>(was?.kind ?? "template");
  const outline = kind === "outline";
  const save = async (data: FormData, version: number) => {
    const text = (name: string) => String(data.get(name) ?? "");
    const body = {
      number: text("number"),
      vanId: text("vanId"),
      kind,
      what: text("what"),
      side: text("side"),
      bay: text("bay"),
      mark: text("mark"),
      serves: outline ? text("serves") : "",
      offsets: text("offsets"),
      note: text("note"),
    };
    const ok = await form.submit(
      (v) =>
        was
          ? send("PATCH", `templates/${was.id}`, { ...body, retired: data.get("retired") === "on", version: v })
          : send("POST", "templates", body),
      version,
      `${body.number} is kept`,
    );
    if (ok) onDone();
  };
  return (
    <form
      id="template-form"
      data-busy
      className="grid grid-cols-2 gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void save(new FormData(e.currentTarget), was?.version ?? 1);
      }}
    >
      <Field label={LABELS.number} name="number" faults={form.faults} defaultValue={was?.number} required maxLength={20} />
      <Select
        label={LABELS.kind}
        name="kind"
        faults={form.faults}
        value={kind}
        onChange={(e) => setKind(e.target.value as Template["kind"])}
        options={Object.entries(KIND_WORDS)}
      />
      <Select
        label={LABELS.vanId}
        name="vanId"
        faults={form.faults}
        defaultValue={was?.vanId}
        options={view.vans.map((v) => [v.id, v.name] as const)}
      />
      <Select
        label={LABELS.side}
        name="side"
        faults={form.faults}
        defaultValue={was?.side ?? "left"}
        options={Object.entries(SIDE_WORDS)}
      />
      <Field
        className="col-span-2"
        label={outline ? "Traced from" : LABELS.what}
        name="what"
        faults={form.faults}
        defaultValue={was?.what}
        required
        maxLength={120}
        hint={outline ? "load floor, side lining" : "as the part is called: side window, roof fan"}
      />
      {outline ? (
        <Select
          label={LABELS.serves}
          name="serves"
          faults={form.faults}
          defaultValue={was?.serves}
          options={view.served.map((s) => [s.code, s.name] as const)}
        />
      ) : (
        <Field
          label={LABELS.bay}
          name="bay"
          faults={form.faults}
          defaultValue={was?.bay}
          maxLength={40}
          hint="from the bulkhead, on a roof"
        />
      )}
      <Select
        label={LABELS.mark}
        name="mark"
        faults={form.faults}
        defaultValue={was?.mark ?? "up"}
        options={["up", "front", "outside"].map((m) => [m, m] as const)}
      />
      <Field
        className="col-span-2"
        label={LABELS.offsets}
        name="offsets"
        faults={form.faults}
        defaultValue={was?.offsets}
        maxLength={300}
        hint="of a jig: from the factory holes it hangs on"
      />
      <Field className="col-span-2" label={LABELS.note} name="note" faults={form.faults} defaultValue={was?.note} maxLength={300} />
      {was && <Check label="Retired" name="retired" defaultChecked={was.retired} />}
      <div className="col-span-2">
        <FormEnd
          form={form}
          labels={LABELS}
          onTakeMine={() => void save(new FormData(document.getElementById("template-form") as HTMLFormElement), form.stale!.version)}
        />
      </div>
    </form>
  );
}
