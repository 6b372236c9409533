"use client";
// Who is away, which bay is closed, which is heated: from when to when.

import { useState } from "react";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Field, Select } from "../kit/field";
import { byNumber, byText, useListTools } from "../kit/list-tools";
import { send } from "../kit/send";
import { local, time } from "../kit/time";
import { useAct } from "../kit/use-act";
import { useForm } from "../kit/use-form";
import { FormEnd, Head, Row, Rows } from "./parts";
import type { SpanView, WorkshopView } from "./view";

const PATH = { absence: "absences", closure: "closures", heat: "heats" } as const;
const WORD = { absence: "away", closure: "closed", heat: "heated" } as const;

export function Away({ view }: { view: WorkshopView }) {
  const act = useAct();
  const [editing, setEditing] = useState<SpanView | "new">();
  const { shown, tools } = useListTools(view.spans, {
    name: "times away",
    text: (s) => [s.who, WORD[s.kind], s.reason].join(" "),
    orders: { begin: byNumber((s) => s.from), name: byText((s) => s.who) },
    head: ["who", "what", "from", "to", "reason"],
    cells: (s) => [s.who, WORD[s.kind], local(view.zone, s.from), local(view.zone, s.to), s.reason],
  });
  return (
    <>
      <Head
        about="Work is planned round these. What is under way then has to be paused or handed on."
        add="Add a time"
        onAdd={() => setEditing("new")}
      />
      {tools}
      <Rows empty="Nobody is away, no bay is closed or heated.">
        {shown.map((s) => (
          <Row
            key={s.id}
            title={s.who}
            actions={
              <>
                <Button onClick={() => setEditing(s)}>Change</Button>
                <Button
                  kind="quiet"
                  disabled={act.busy}
                  onClick={() =>
                    void act.run(
                      () => send("DELETE", `${PATH[s.kind]}/${s.id}`),
                      "Taken out. Replan to see what moves.",
                      () => send("POST", PATH[s.kind], asBefore(view.zone, s)),
                    )
                  }
                >
                  Take out
                </Button>
              </>
            }
          >
            {WORD[s.kind]} {time(view.zone, s.from)} to {time(view.zone, s.to)}
            {s.reason && <span className="text-muted"> · {s.reason}</span>}
            {s.about && <span className="block text-[0.75rem] text-muted">{s.about}</span>}
          </Row>
        ))}
      </Rows>
      <Dialog
        open={!!editing}
        onOpenChange={(o) => !o && setEditing(undefined)}
        title={editing && editing !== "new" ? `Change ${editing.who}` : "Away, closed or heated"}
      >
        {editing && <SpanForm view={view} span={editing === "new" ? undefined : editing} onDone={() => setEditing(undefined)} />}
      </Dialog>
    </>
  );
}

/** What puts a time back that was taken out. */
const asBefore = (zone: string, s: SpanView) => ({
  from: local(zone, s.from),
  to: local(zone, s.to),
  reason: s.reason,
  ...(s.kind === "absence" ? { fitterId: s.ownerId } : { bayId: s.ownerId }),
});

function SpanForm({ view, span, onDone }: { view: WorkshopView; span?: SpanView; onDone(): void }) {
  const form = useForm();
  const who = [
    ...view.fitters.filter((f) => !f.retired).map((f) => [`absence ${f.id}`, `${f.name} away`] as const),
    ...view.bays.filter((b) => !b.retired).map((b) => [`closure ${b.id}`, `${b.name} closed`] as const),
    ...view.bays
      .filter((b) => !b.retired && b.heatTempC !== null)
      .map((b) => [`heat ${b.id}`, `${b.name} heated to ${b.heatTempC} °C`] as const),
  ];
  const today = local(view.zone, view.now).slice(0, 10);
  const [was] = useState(span && { wasFrom: local(view.zone, span.from), wasTo: local(view.zone, span.to) });
  /** Sends the form; `seen` are the times that this edit goes over. */
  const save = async (d: FormData, seen = was) => {
    const text = (k: string) => String(d.get(k) ?? "");
    const body = { from: text("from"), to: text("to"), reason: text("reason") };
    const [kind, id] = text("who").split(" ") as [SpanView["kind"], string];
    const work = span
      ? () => send("PATCH", `${PATH[span.kind]}/${span.id}`, { ...body, ...seen })
      : () => send("POST", PATH[kind], { ...body, ...(kind === "absence" ? { fitterId: id } : { bayId: id }) });
    if (await form.submit(work, 1, "Saved. Replan to see what moves.")) onDone();
  };
  return (
    <form
      id="span-form"
      data-busy
      className="grid grid-cols-2 gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void save(new FormData(e.currentTarget));
      }}
    >
      {!span && <Select className="col-span-2" label="Who, or which bay" name="who" options={who} />}
      <Field label="From" name="from" type="datetime-local" faults={form.faults} defaultValue={was?.wasFrom ?? `${today}T08:00`} required />
      <Field label="To" name="to" type="datetime-local" faults={form.faults} defaultValue={was?.wasTo ?? `${today}T17:00`} required />
      <Field
        className="col-span-2"
        label="Reason"
        name="reason"
        faults={form.faults}
        defaultValue={span?.reason}
        maxLength={200}
        hint="ill, course, floor painted; never more than others need to know"
      />
      <div className="col-span-2">
        <FormEnd
          form={form}
          labels={{ from: "From", to: "To" }}
          onTakeMine={() =>
            void save(new FormData(document.getElementById("span-form") as HTMLFormElement), {
              wasFrom: String(form.stale!.theirs.from),
              wasTo: String(form.stale!.theirs.to),
            })
          }
        />
      </div>
    </form>
  );
}
