"use client";
// Figures of the house: thresholds that rules go by, each with its unit, its range, the usual value, and where it shows.

import { useState } from "react";
import { ALL_FIGURES, SHEET_FIGURES } from "@/core/workshop/sheets/sheet-figures";
import { Button } from "../kit/button";
import { faultOf, inputClass } from "../kit/field";
import { figure } from "../kit/figure";
import { byText, useListTools } from "../kit/list-tools";
import { send } from "../kit/send";
import { useForm } from "../kit/use-form";
import type { WorkshopView } from "./view";

const NAMES = Object.keys(ALL_FIGURES);

export function Figures({ view }: { view: WorkshopView }) {
  const was = view.workshop;
  const form = useForm();
  const [typed, setTyped] = useState<Partial<Record<string, string>>>({});
  const text = (n: string) => typed[n] ?? String(was.figures[n] ?? ALL_FIGURES[n].usual);
  const { shown, tools } = useListTools(NAMES, {
    name: "figures",
    text: (n) => `${ALL_FIGURES[n].label} ${ALL_FIGURES[n].shows}`,
    orders: { "as they belong": undefined, name: byText((n) => ALL_FIGURES[n].label), page: byText((n) => ALL_FIGURES[n].shows) },
    head: ["figure", "value", "unit", "usual", "from", "to", "shows"],
    cells: (n) => {
      const f = ALL_FIGURES[n];
      return [f.label, was.figures[n] ?? f.usual, f.unit, f.usual, f.min, f.max, f.shows];
    },
  });
  const save = (version: number) =>
    form
      .submit(
        (v) =>
          send("PATCH", "workshop/figures", {
            version: v,
            figures: Object.fromEntries(NAMES.map((n) => [n, figure(text(n)) ?? text(n)])),
          }),
        version,
        "Figures kept. Replan to use them.",
      )
      .then((ok) => ok && setTyped({}));
  const sheets = shown.filter((n) => SHEET_FIGURES[n]);
  const one = (n: string) => {
    const f = ALL_FIGURES[n];
    const fault = faultOf(form.faults, n);
    const own = figure(text(n)) !== f.usual;
    return (
      <li key={n} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b px-4 py-2 last:border-0">
        <label htmlFor={`figure-${n}`} className="min-w-0 flex-1 basis-60">
          {f.label}
          <span className="block text-[0.75rem] text-muted">
            {f.min} to {f.max} {f.unit} · shows on {f.shows}
          </span>
          {fault && (
            <span role="alert" className="block text-signal-text">
              {f.label} {fault}
            </span>
          )}
        </label>
        <span className="ml-auto flex items-center gap-2">
          <input
            id={`figure-${n}`}
            inputMode="decimal"
            value={text(n)}
            onChange={(e) => setTyped({ ...typed, [n]: e.target.value })}
            aria-invalid={fault ? true : undefined}
            className={`${inputClass} !w-24 text-right`}
          />
          <span className="w-12">{f.unit}</span>
          <Button
            kind="quiet"
            className="min-w-36"
            disabled={!own}
            aria-label={`Reset to ${f.usual} ${f.unit}: ${f.label}`}
            onClick={() => setTyped({ ...typed, [n]: String(f.usual) })}
          >
            Reset to {f.usual} {f.unit}
          </Button>
        </span>
      </li>
    );
  };
  return (
    <form
      data-busy
      onSubmit={(e) => {
        e.preventDefault();
        void save(was.version);
      }}
    >
      <p className="mb-3 text-muted">
        The rules and the sheets use these figures. Change one if your workshop does it differently. The usual value is next to it.
      </p>
      {tools}
      <FigureList names={shown.filter((n) => !SHEET_FIGURES[n])} one={one} />
      {sheets.length > 0 && (
        <details
          open={shown.length < NAMES.length || sheets.some((n) => was.figures[n] !== undefined || faultOf(form.faults, n))}
          className="mt-4"
        >
          <summary className="cursor-pointer py-1 font-semibold">
            Set-out: limits and norms of the sheets <span className="font-normal text-muted">{sheets.length}</span>
          </summary>
          <FigureList names={sheets} one={one} />
        </details>
      )}
      {form.stale && (
        <p role="alert" className="mt-3 text-amber-text">
          Somebody else changed the workshop meanwhile.{" "}
          <button type="button" className="font-semibold underline" onClick={() => void save(form.stale!.version)}>
            Keep mine
          </button>
        </p>
      )}
      {form.general && (
        <p role="alert" className="mt-3 text-signal-text">
          {form.general}
        </p>
      )}
      <Button kind="main" type="submit" className="mt-3" disabled={form.busy || Object.keys(typed).length === 0}>
        Keep the figures
      </Button>
    </form>
  );
}

function FigureList({ names, one }: { names: readonly string[]; one(n: string): React.ReactNode }) {
  return names.length ? <ul className="overflow-hidden rounded-md border bg-card">{names.map(one)}</ul> : null;
}
