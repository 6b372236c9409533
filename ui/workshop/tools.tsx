"use client";
// Shared tools: how many there are, and whether they are sound. One that is not stops the jobs that book it.

import { useState } from "react";
import { MACHINE_MM } from "@/core/setout/time/machine-room/machine-room";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { Dialog } from "../kit/dialog";
import { Field, Select } from "../kit/field";
import { byNumber, byText, useListTools } from "../kit/list-tools";
import { send } from "../kit/send";
import { useForm } from "../kit/use-form";
import { FormEnd, Head, Row, Rows } from "./parts";
import type { WorkshopView } from "./view";

type Tool = WorkshopView["tools"][number];

const LABELS = {
  name: "Name",
  pieces: "How many",
  state: "State",
  note: "Note",
  held: "Stays with the work",
  opens: "Worked with from",
  closes: "Worked with to",
  hadFrom: "There from",
  hadUntil: "There until",
  floorMm: "Floor along the cut, mm",
  lengthMm: "The machine itself, mm",
  outfeedMm: "Hand at the outfeed over, mm",
  hourCost: "An hour costs",
};
const TIMES = ["opens", "closes", "hadFrom", "hadUntil"] as const;
const FIGURES = ["floorMm", "lengthMm", "outfeedMm", "hourCost"] as const;
const STATES = ["sound", "blunt", "broken", "lent"] as const;

export function Tools({ view }: { view: WorkshopView }) {
  const [editing, setEditing] = useState<Tool | "new">();
  const { shown, tools } = useListTools(view.tools, {
    name: "tools",
    text: (t) => [t.name, t.state, t.note, ...t.says].join(" "),
    orders: { name: byText((t) => t.name), state: byText((t) => t.state), "jobs to come": byNumber((t) => -t.jobs) },
    head: ["tool", "state", "note", "pieces", "jobs to come", "hours ahead"],
    cells: (t) => [t.name, t.state, t.note, t.pieces, t.jobs, t.ahead.hours],
  });
  return (
    <>
      <Head
        about="Jobs of the library book these by name, the plan so many at once as there are. A tool that is blunt, broken or lent stops its jobs like a missing part."
        add="Add a tool"
        onAdd={() => setEditing("new")}
      />
      {tools}
      <Rows empty="No tool yet.">
        {shown.map((t) => (
          <Row key={t.id} title={t.name} retired={false} actions={<Button onClick={() => setEditing(t)}>Change</Button>}>
            <span className={cx(t.state !== "sound" && "font-bold text-signal-text")}>{t.state}</span>
            {t.note && `, ${t.note}`} · {t.pieces} {t.pieces === 1 ? "piece" : "pieces"}
            {t.held && ", stays on the work until the bond has cured"}
            {t.says.length > 0 && <span className="block">{t.says.join("; ")}</span>}
            {t.ahead.hours > 0 && (
              <span className="block">
                {t.ahead.hours} h with it in the plan{t.ahead.cost !== null && `, ${t.ahead.cost.toFixed(2)} ${view.workshop.currency}`}
              </span>
            )}
            {t.users.length > 0 && <span className="block">In use now: {t.users.join("; ")}</span>}
            <span className="block text-[0.75rem] text-muted">
              {t.jobs ? `${t.jobs} jobs still to come book it` : "no job still to come books it"}
            </span>
          </Row>
        ))}
      </Rows>
      <Dialog
        open={!!editing}
        onOpenChange={(o) => !o && setEditing(undefined)}
        title={editing === "new" ? "Add a tool" : `Change ${editing?.name ?? ""}`}
      >
        {editing && <ToolForm tool={editing === "new" ? undefined : editing} onDone={() => setEditing(undefined)} />}
      </Dialog>
    </>
  );
}

function ToolForm({ tool, onDone }: { tool?: Tool; onDone(): void }) {
  const form = useForm();
  const save = async (data: FormData, version: number) => {
    const body = {
      name: String(data.get("name") ?? ""),
      pieces: Number(data.get("pieces")),
      state: String(data.get("state")),
      note: String(data.get("note") ?? ""),
      held: data.get("held") === "on",
      ...Object.fromEntries(TIMES.flatMap((k) => (data.get(k) ? [[k, String(data.get(k))]] : []))),
      ...Object.fromEntries(FIGURES.flatMap((k) => (data.get(k) ? [[k, Number(data.get(k))]] : []))),
    };
    const ok = await form.submit(
      (v) => (tool ? send("PATCH", `tools/${tool.id}`, { ...body, version: v }) : send("POST", "tools", body)),
      version,
      `${body.name} is ${body.state}`,
    );
    if (ok) onDone();
  };
  return (
    <form
      id="tool-form"
      data-busy
      className="grid grid-cols-2 gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void save(new FormData(e.currentTarget), tool?.version ?? 1);
      }}
    >
      <Field
        label={LABELS.name}
        name="name"
        faults={form.faults}
        defaultValue={tool?.name}
        required
        maxLength={60}
        hint="as the library's jobs name it"
      />
      <Field label={LABELS.pieces} name="pieces" type="number" min={1} faults={form.faults} defaultValue={tool?.pieces ?? 1} required />
      <Select
        label={LABELS.state}
        name="state"
        faults={form.faults}
        defaultValue={tool?.state ?? "sound"}
        options={STATES.map((s) => [s, s] as const)}
      />
      <Field label={LABELS.note} name="note" faults={form.faults} defaultValue={tool?.note} maxLength={200} hint="who has it, till when" />
      <label className="col-span-2 flex items-center gap-2">
        <input type="checkbox" name="held" defaultChecked={tool?.held} className="size-4 accent-ink" />
        Stays on the work until the bond has cured
      </label>
      <fieldset className="col-span-2 grid grid-cols-2 gap-4 border-t border-line pt-3">
        <legend className="pr-2 text-[0.8125rem] font-semibold">A machine, or a hired place</legend>
        {TIMES.map((k) => (
          <Field
            key={k}
            label={LABELS[k]}
            name={k}
            type={k.startsWith("had") ? "date" : "time"}
            faults={form.faults}
            defaultValue={tool?.[k] ?? ""}
            hint={k === "opens" ? "empty: at any hour" : k === "hadUntil" ? "the last day, where it is hired" : undefined}
          />
        ))}
        {FIGURES.map((k) => (
          <Field
            key={k}
            label={LABELS[k]}
            name={k}
            type="number"
            min={0}
            step={k === "hourCost" ? "0.01" : "1"}
            faults={form.faults}
            defaultValue={tool?.[k] ?? ""}
            hint={k === "lengthMm" ? `empty: ${MACHINE_MM}` : k === "floorMm" ? "clear floor, machine included" : undefined}
          />
        ))}
      </fieldset>
      <div className="col-span-2">
        <FormEnd
          form={form}
          labels={LABELS}
          onTakeMine={() => void save(new FormData(document.getElementById("tool-form") as HTMLFormElement), form.stale!.version)}
        />
      </div>
    </form>
  );
}
