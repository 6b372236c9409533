"use client";
// One of the units side by side is chosen: kept with the build's decisions, with what it costs and weighs, by whom and why.

import { useState } from "react";
import type { SheetDraft } from "@/core/setout/prefill";
import { Button } from "../kit/button";
import { Field, Select } from "../kit/field";
import { figure } from "../kit/figure";
import { send } from "../kit/send";
import { useForm } from "../kit/use-form";

export function Chosen({ buildId, jobId, draft }: { buildId: string; jobId: string | null; draft: SheetDraft }) {
  const form = useForm();
  const units = (Array.isArray(draft.candidates) ? draft.candidates : []).filter((c) => String(c.name ?? "").trim());
  const [unit, setUnit] = useState(0);
  const [who, setWho] = useState("");
  const [why, setWhy] = useState("");
  const [said, setSaid] = useState<string>();
  const c = units[unit];
  if (!c) return null;
  const title = `Unit: ${String(c.name).trim()}`;
  return (
    <form
      aria-label="Choose one"
      className="mb-3 flex flex-col gap-2 rounded-md border px-3 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        const data = Object.fromEntries(
          Object.entries({ who: who.trim(), cost: figure(String(c.price ?? "")), kg: figure(String(c.kg ?? "")), note: why.trim() }).filter(
            ([, x]) => x !== undefined,
          ),
        );
        void form
          .submit(
            () => send("POST", `builds/${buildId}/records`, { kind: "decision", title, data, ...(jobId ? { jobId } : {}) }),
            1,
            "Written down",
          )
          .then((ok) => ok && setSaid(title));
      }}
    >
      <Select
        label="Chosen"
        name="unit"
        faults={form.faults}
        value={String(unit)}
        onChange={(e) => setUnit(Number(e.target.value))}
        options={units.map((u, i) => [String(i), String(u.name)] as const)}
      />
      <Field
        label="Who decided"
        name="who"
        faults={form.faults}
        value={who}
        onChange={(e) => setWho(e.target.value)}
        required
        maxLength={120}
      />
      <Field
        label="Why this one"
        name="note"
        faults={form.faults}
        value={why}
        onChange={(e) => setWhy(e.target.value)}
        required
        maxLength={300}
      />
      {form.general && (
        <p role="alert" className="text-signal-text">
          {form.general}
        </p>
      )}
      <div className="flex items-center justify-between gap-3">
        <span className="text-green-text">{said && `${said} stands among the build's decisions.`}</span>
        <Button type="submit" disabled={form.busy}>
          Keep the choice
        </Button>
      </div>
    </form>
  );
}
