"use client";
// Bays: name, what they offer, warmth, room.

import { useState } from "react";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Check, Field } from "../kit/field";
import { byText, useListTools } from "../kit/list-tools";
import { send } from "../kit/send";
import { useForm } from "../kit/use-form";
import { FormEnd, Head, Retire, Row, Rows } from "./parts";
import type { BayView, WorkshopView } from "./view";

const HAS: [string, string][] = [
  ["indoor", "under a roof"],
  ["heated", "always as warm as said below"],
  ["lit", "bright enough without daylight"],
  ["lift", "lift or pit"],
  ["roof-access", "boards and ladders for the roof"],
  ["wash", "water and a drain"],
  ["scales", "wheel scales"],
];

const LABELS = {
  name: "Name",
  has: "It has",
  tempC: "Temperature °C",
  maxHeightMm: "Highest van mm",
  maxLengthMm: "Longest van mm",
  dayCost: "Cost of a day",
  heatTempC: "Heat to °C",
  heatBy: "Allowed by",
  heatHourCost: "Cost an hour",
  heatAheadMinutes: "Warm in min",
};
const NUMBERS = ["tempC", "maxHeightMm", "maxLengthMm", "dayCost", "heatTempC", "heatHourCost", "heatAheadMinutes"];

export function Bays({ view }: { view: WorkshopView }) {
  const [editing, setEditing] = useState<BayView | "new">();
  const { shown, tools } = useListTools(view.bays, {
    name: "bays",
    text: (b) => [b.name, ...b.has].join(" "),
    orders: { "as added": undefined, name: byText((b) => b.name) },
    head: ["bay", "it has", "temperature C", "highest van mm", "longest van mm", "retired"],
    cells: (b) => [b.name, b.has.join("; "), b.tempC, b.maxHeightMm, b.maxLengthMm, b.retired],
  });
  return (
    <>
      <Head
        about="A bay holds one van. What it has decides which jobs may be done in it."
        add="Add a bay"
        onAdd={() => setEditing("new")}
      />
      {tools}
      <Rows empty="No bay yet.">
        {shown.map((b) => (
          <Row
            key={b.id}
            title={b.name}
            retired={b.retired}
            actions={
              <>
                <Button onClick={() => setEditing(b)}>Change</Button>
                <Retire path={`bays/${b.id}`} name={b.name} version={b.version} retired={b.retired} />
              </>
            }
          >
            {b.has.join(" · ") || "nothing special"}
            {b.tempC !== null && ` · ${b.tempC} °C`}
            {b.heatTempC !== null && ` · may be heated to ${b.heatTempC} °C`}
            {b.dayCost !== null && ` · ${b.dayCost} ${view.workshop.currency} a day`}
            <span className="block text-[0.75rem] text-muted">
              {b.maxHeightMm ? `up to ${b.maxHeightMm} mm high` : "any height"}, {b.maxLengthMm ? `${b.maxLengthMm} mm long` : "any length"}
            </span>
            {b.stands && !b.retired && <Stands stands={b.stands} />}
          </Row>
        ))}
      </Rows>
      <Dialog
        open={!!editing}
        onOpenChange={(o) => !o && setEditing(undefined)}
        title={editing === "new" ? "Add a bay" : `Change ${editing?.name ?? ""}`}
      >
        {editing && <BayForm bay={editing === "new" ? undefined : editing} onDone={() => setEditing(undefined)} />}
      </Dialog>
    </>
  );
}

/** A van stands in it and nobody works: how long in the next four weeks, and what for. */
function Stands({ stands }: { stands: NonNullable<WorkshopView["bays"][number]["stands"]> }) {
  return (
    <details className="mt-1 text-[0.75rem]">
      <summary className="cursor-pointer">
        {stands.sums.length ? `Stands idle in the next four weeks: ${stands.sums[0]}` : "Never idle in the next four weeks"}
        {stands.asked.length > 0 && `; ${stands.asked.length} ${stands.asked.length === 1 ? "job waits" : "jobs wait"} for it`}
      </summary>
      {stands.sums.length > 1 && <p>And {stands.sums.slice(1).join(", ")}</p>}
      {stands.long.length > 0 && (
        <ul className="list-disc pl-4 text-muted">
          {stands.long.map((l) => (
            <li key={l}>{l}</li>
          ))}
        </ul>
      )}
      {stands.asked.length > 0 && <p>Waiting for it: {stands.asked.join(", ")}</p>}
    </details>
  );
}

function BayForm({ bay, onDone }: { bay?: BayView; onDone(): void }) {
  const form = useForm();
  const [has, setHas] = useState<string[]>(bay?.has ?? ["indoor", "lit"]);
  const save = async (data: FormData, version: number) => {
    const number = (k: string) => {
      const t = String(data.get(k) ?? "").trim();
      return t === "" ? {} : { [k]: Number(t) };
    };
    const body = {
      name: String(data.get("name") ?? ""),
      has,
      heatBy: String(data.get("heatBy") ?? ""),
      ...Object.assign({}, ...NUMBERS.map(number)),
    };
    if (
      await form.submit(
        (v) => (bay ? send("PATCH", `bays/${bay.id}`, { version: v, ...body }) : send("POST", "bays", body)),
        version,
        "Saved. Replan to use it.",
      )
    )
      onDone();
  };
  return (
    <form
      id="bay-form"
      data-busy
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void save(new FormData(e.currentTarget), bay?.version ?? 1);
      }}
    >
      <Field label={LABELS.name} name="name" faults={form.faults} defaultValue={bay?.name} required maxLength={120} />
      <fieldset className="grid grid-cols-2 gap-x-4">
        <legend className="mb-1 font-semibold">{LABELS.has}</legend>
        {HAS.map(([id, hint]) => (
          <Check
            key={id}
            label={id}
            hint={hint}
            checked={has.includes(id)}
            onChange={(e) => setHas(e.target.checked ? [...has, id] : has.filter((h) => h !== id))}
          />
        ))}
      </fieldset>
      <div className="grid grid-cols-3 gap-4">
        <Field label={LABELS.tempC} name="tempC" type="number" step={0.5} faults={form.faults} defaultValue={bay?.tempC ?? ""} />
        <Field
          label={LABELS.maxHeightMm}
          name="maxHeightMm"
          type="number"
          faults={form.faults}
          defaultValue={bay?.maxHeightMm ?? ""}
          hint="empty: any"
        />
        <Field
          label={LABELS.maxLengthMm}
          name="maxLengthMm"
          type="number"
          faults={form.faults}
          defaultValue={bay?.maxLengthMm ?? ""}
          hint="empty: any"
        />
      </div>
      <div className="grid grid-cols-[1fr_2fr] gap-4">
        <Field
          label={LABELS.dayCost}
          name="dayCost"
          type="number"
          min={0}
          step={0.01}
          faults={form.faults}
          defaultValue={bay?.dayCost ?? ""}
          hint="told with every hold that keeps it"
        />
      </div>
      <fieldset className="grid grid-cols-4 gap-3">
        <legend className="mb-1 font-semibold">Heat by the hour, where it is not kept warm</legend>
        <Field
          label={LABELS.heatTempC}
          name="heatTempC"
          type="number"
          step={0.5}
          faults={form.faults}
          defaultValue={bay?.heatTempC ?? ""}
          hint="empty: no"
        />
        <Field label={LABELS.heatBy} name="heatBy" faults={form.faults} defaultValue={bay?.heatBy ?? ""} maxLength={120} />
        <Field
          label={LABELS.heatHourCost}
          name="heatHourCost"
          type="number"
          min={0}
          step={0.01}
          faults={form.faults}
          defaultValue={bay?.heatHourCost ?? 0}
        />
        <Field
          label={LABELS.heatAheadMinutes}
          name="heatAheadMinutes"
          type="number"
          min={0}
          faults={form.faults}
          defaultValue={bay?.heatAheadMinutes ?? 60}
        />
      </fieldset>
      <FormEnd
        form={form}
        labels={LABELS}
        onTakeMine={() => void save(new FormData(document.getElementById("bay-form") as HTMLFormElement), form.stale!.version)}
      />
    </form>
  );
}
