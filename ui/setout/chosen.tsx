"use client";
// One of several (units side by side, bays of a roof unit) is chosen: kept with the build's decisions, with what it costs and weighs, by whom and why.

import { useState } from "react";
import type { Draft } from "@/core/setout/engine/form";
import type { Outcome } from "@/core/setout/engine/outcome";
import { unitTitle } from "@/core/workshop/openings/chosen-unit";
import { Button } from "../kit/button";
import { Field, Select } from "../kit/field";
import { figure } from "../kit/figure";
import { send } from "../kit/send";
import { useForm } from "../kit/use-form";

interface Option {
  title: string;
  /** What it costs and weighs, where that is known. */
  data?: { cost?: number; kg?: number };
}

/** What a sheet lets one choose between: units side by side, bays of a roof unit. */
export function optionsOf(calculator: string, draft: Draft, outcome: Outcome | undefined): Option[] {
  if (calculator === "unit-choice")
    return (Array.isArray(draft.candidates) ? draft.candidates : []).flatMap((c) => {
      const name = String(c.name ?? "").trim();
      return name ? [{ title: unitTitle(name), data: { cost: figure(String(c.price ?? "")), kg: figure(String(c.kg ?? "")) } }] : [];
    });
  if (calculator !== "roof-plan") return [];
  const ranking = (outcome?.results as { ranking?: Record<string, { bay: number; at: number }[]> } | undefined)?.ranking ?? {};
  return Object.entries(ranking).flatMap(([unit, rows]) =>
    rows.slice(0, 4).map((r) => ({ title: `${unit}: bay ${r.bay}, centre at ${r.at}` })),
  );
}

export function Chosen({ buildId, jobId, options }: { buildId: string; jobId: string | null; options: readonly Option[] }) {
  const form = useForm();
  const [unit, setUnit] = useState(0);
  const [who, setWho] = useState("");
  const [why, setWhy] = useState("");
  const [said, setSaid] = useState<string>();
  const c = options[unit] ?? options[0];
  if (!c) return null;
  const { title } = c;
  return (
    <form
      aria-label="Choose one"
      className="mb-3 flex flex-col gap-2 rounded-md border px-3 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        const data = Object.fromEntries(
          Object.entries({ who: who.trim(), ...c.data, note: why.trim() }).filter(([, x]) => x !== undefined),
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
        options={options.map((o, i) => [String(i), o.title.replace(/^Unit: /, "")] as const)}
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
