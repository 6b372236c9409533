"use client";
// Rain came in: through which holes, where the water went, and what it cost.

import { useState } from "react";
import { rainFinds } from "@/core/workshop/openings/holes";
import { Check, Field } from "../../kit/field";
import { figure } from "../../kit/figure";
import { send } from "../../kit/send";
import { useForm } from "../../kit/use-form";
import { RecordEnd } from "../records/record-end";
import type { BuildView } from "../view";

export function RainForm({ view, onDone }: { view: BuildView; onDone(): void }) {
  const form = useForm();
  const holes = view.holes.filter((h) => rainFinds(h.data));
  const [hit, setHit] = useState(() => holes.filter((h) => h.openSince !== null).map((h) => h.id));
  const [where, setWhere] = useState("");
  const [lost, setLost] = useState("");
  const fault = form.faults.find((f) => f.path === "holes")?.message;
  return (
    <form
      data-busy
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        const body = { holes: hit, where: where.trim(), lostMinutes: figure(lost) ?? 0 };
        void form.submit(() => send("POST", `builds/${view.id}/rain`, body), 1, "Written down").then((ok) => ok && onDone());
      }}
    >
      <fieldset className="rounded-md border px-3 pt-1 pb-2">
        <legend className="px-1 font-semibold">Through which holes</legend>
        {holes.map((h) => (
          <Check
            key={h.id}
            label={`${h.no} ${h.title}: ${h.says}`}
            checked={hit.includes(h.id)}
            onChange={(e) => setHit(e.target.checked ? [...hit, h.id] : hit.filter((id) => id !== h.id))}
          />
        ))}
        {fault && <p className="text-signal-text">{fault}</p>}
      </fieldset>
      <Field
        label="Where the water went"
        name="where"
        faults={form.faults}
        value={where}
        onChange={(e) => setWhere(e.target.value)}
        required
        maxLength={300}
        hint="down the rib, into the frame, onto the floor"
      />
      <Field
        label="Minutes lost to it"
        name="lostMinutes"
        faults={form.faults}
        value={lost}
        onChange={(e) => setLost(e.target.value)}
        inputMode="numeric"
      />
      <p className="text-muted">
        What lies behind these holes waits until they are dried out, cleaned and primed and the timber is read. A seal that was not tested
        is tagged: only a passed soak takes that off.
      </p>
      <RecordEnd form={form} label="Write it down" />
    </form>
  );
}
