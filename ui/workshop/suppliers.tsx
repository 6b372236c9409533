"use client";
// Suppliers: how long they take, and what their deliveries were like.

import { useState } from "react";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Field } from "../kit/field";
import { byNumber, byText, useListTools } from "../kit/list-tools";
import { send } from "../kit/send";
import { useForm } from "../kit/use-form";
import { FormEnd, Head, Retire, Row, Rows } from "./parts";
import type { WorkshopView } from "./view";

type Supplier = WorkshopView["suppliers"][number];

const LABELS = { name: "Name", best: "At best, days", likely: "Likely, days", worst: "At worst, days" };

export function Suppliers({ view }: { view: WorkshopView }) {
  const [editing, setEditing] = useState<Supplier | "new">();
  const { shown, tools } = useListTools(view.suppliers, {
    name: "suppliers",
    text: (s) => `${s.name} ${s.record}`,
    orders: { "as added": undefined, name: byText((s) => s.name), "likely days": byNumber((s) => s.leadLikelyDays) },
    head: ["supplier", "best days", "likely days", "worst days", "lines to come", "record", "retired"],
    cells: (s) => [s.name, s.leadBestDays, s.leadLikelyDays, s.leadWorstDays, s.open, s.record, s.retired],
  });
  return (
    <>
      <Head
        about="Days from the order to the door. Dates to order by, and jobs that wait for what is not promised yet, count with them."
        add="Add a supplier"
        onAdd={() => setEditing("new")}
      />
      {tools}
      <Rows empty="No supplier yet.">
        {shown.map((s) => (
          <Row
            key={s.id}
            title={s.name}
            retired={s.retired}
            actions={
              <>
                <Button onClick={() => setEditing(s)}>Change</Button>
                <Retire path={`suppliers/${s.id}`} name={s.name} version={s.version} retired={s.retired} />
              </>
            }
          >
            {s.leadLikelyDays} {s.leadLikelyDays === 1 ? "day" : "days"} ({s.leadBestDays} to {s.leadWorstDays})
            {s.open > 0 && ` · ${s.open} ${s.open === 1 ? "line" : "lines"} to come`}
            <span className="block text-[0.75rem] text-muted">{s.record}</span>
          </Row>
        ))}
      </Rows>
      <Dialog
        open={!!editing}
        onOpenChange={(o) => !o && setEditing(undefined)}
        title={editing === "new" ? "Add a supplier" : `Change ${editing?.name ?? ""}`}
      >
        {editing && <SupplierForm supplier={editing === "new" ? undefined : editing} onDone={() => setEditing(undefined)} />}
      </Dialog>
    </>
  );
}

function SupplierForm({ supplier, onDone }: { supplier?: Supplier; onDone(): void }) {
  const form = useForm();
  const save = async (data: FormData, version: number) => {
    const body = {
      name: String(data.get("name") ?? ""),
      best: Number(data.get("best")),
      likely: Number(data.get("likely")),
      worst: Number(data.get("worst")),
    };
    const ok = await form.submit(
      (v) => (supplier ? send("PATCH", `suppliers/${supplier.id}`, { ...body, version: v }) : send("POST", "suppliers", body)),
      version,
      `${body.name} is kept`,
    );
    if (ok) onDone();
  };
  return (
    <form
      id="supplier-form"
      data-busy
      className="grid grid-cols-3 gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void save(new FormData(e.currentTarget), supplier?.version ?? 1);
      }}
    >
      <Field
        className="col-span-3"
        label={LABELS.name}
        name="name"
        faults={form.faults}
        defaultValue={supplier?.name}
        required
        maxLength={60}
      />
      {(
        [
          ["best", supplier?.leadBestDays ?? 1],
          ["likely", supplier?.leadLikelyDays ?? 3],
          ["worst", supplier?.leadWorstDays ?? 10],
        ] as const
      ).map(([k, value]) => (
        <Field key={k} label={LABELS[k]} name={k} type="number" min={0} max={400} faults={form.faults} defaultValue={value} required />
      ))}
      <div className="col-span-3">
        <FormEnd
          form={form}
          labels={LABELS}
          onTakeMine={() => void save(new FormData(document.getElementById("supplier-form") as HTMLFormElement), form.stale!.version)}
        />
      </div>
    </form>
  );
}
