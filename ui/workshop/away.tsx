"use client";
// Who is away, and which bay is closed, from when to when.

import { useState } from "react";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Field, Select } from "../kit/field";
import { send } from "../kit/send";
import { local, time } from "../kit/time";
import { useAct } from "../kit/use-act";
import { useForm } from "../kit/use-form";
import { FormEnd, Head, Row, Rows } from "./parts";
import type { WorkshopView } from "./view";

export function Away({ view }: { view: WorkshopView }) {
  const act = useAct();
  const [adding, setAdding] = useState(false);
  return (
    <>
      <Head
        about="Work is planned round these. What is under way then has to be paused or handed on."
        add="Add time away"
        onAdd={() => setAdding(true)}
      />
      <Rows empty="Nobody is away, no bay is closed.">
        {view.spans.map((s) => (
          <Row
            key={s.id}
            title={s.who}
            actions={
              <Button
                kind="quiet"
                disabled={act.busy}
                onClick={() => void act.run(() => send("DELETE", `${s.kind === "absence" ? "absences" : "closures"}/${s.id}`), "Taken out")}
              >
                Take out
              </Button>
            }
          >
            {s.kind === "absence" ? "away" : "closed"} {time(view.zone, s.from)} to {time(view.zone, s.to)}
            {s.reason && <span className="text-muted"> · {s.reason}</span>}
          </Row>
        ))}
      </Rows>
      <Dialog open={adding} onOpenChange={setAdding} title="Away or closed">
        <SpanForm view={view} onDone={() => setAdding(false)} />
      </Dialog>
    </>
  );
}

function SpanForm({ view, onDone }: { view: WorkshopView; onDone(): void }) {
  const form = useForm();
  const who = [
    ...view.fitters.filter((f) => !f.retired).map((f) => [`fitter ${f.id}`, f.name] as const),
    ...view.bays.filter((b) => !b.retired).map((b) => [`bay ${b.id}`, b.name] as const),
  ];
  const today = local(view.zone, view.now).slice(0, 10);
  return (
    <form
      data-busy
      className="grid grid-cols-2 gap-4"
      onSubmit={async (e) => {
        e.preventDefault();
        const d = new FormData(e.currentTarget);
        const text = (k: string) => String(d.get(k) ?? "");
        const [kind, id] = text("who").split(" ");
        const body = {
          from: text("from"),
          to: text("to"),
          reason: text("reason"),
          ...(kind === "fitter" ? { fitterId: id } : { bayId: id }),
        };
        if (await form.submit(() => send("POST", kind === "fitter" ? "absences" : "closures", body), 1, "Saved. Replan to see what moves."))
          onDone();
      }}
    >
      <Select className="col-span-2" label="Who or which bay" name="who" options={who} />
      <Field label="From" name="from" type="datetime-local" faults={form.faults} defaultValue={`${today}T08:00`} required />
      <Field label="To" name="to" type="datetime-local" faults={form.faults} defaultValue={`${today}T17:00`} required />
      <Field
        className="col-span-2"
        label="Reason"
        name="reason"
        faults={form.faults}
        maxLength={200}
        hint="ill, course, floor painted; never more than others need to know"
      />
      <div className="col-span-2">
        <FormEnd form={form} labels={{}} onTakeMine={() => undefined} />
      </div>
    </form>
  );
}
