"use client";
// The real van against its template: each size read twice, from the other end the second time.

import { useState } from "react";
import { VIEW_LABEL, VIEWS } from "@/core/van/drawing";
import type { ReadingState } from "@/core/van/readings";
import { figure } from "@/core/workshop/state/house-figures";
import { Button } from "../../kit/button";
import { cx } from "../../kit/cx";
import { inputClass } from "../../kit/field";
import { send } from "../../kit/send";
import { useAct } from "../../kit/use-act";
import { VanDrawing } from "../../van/drawing";
import type { BuildView } from "../view";

const SAYS: Record<ReadingState["state"], string> = {
  open: "not read",
  once: "read once",
  unlike: "two readings differ",
  agreed: "agreed",
};

export function MeasurePanel({ view }: { view: BuildView }) {
  const g = view.van.geometry;
  const off = view.readings.filter((r) => r.offMm !== null);
  return (
    <div className="flex flex-col gap-6">
      <section aria-label="Readings">
        <p className="mb-2 text-muted">
          Measurements entered here replace the template's figures in drawings, checks and job times. Two readings agree within{" "}
          {figure(view, "readingsAgree")} mm. A size more than {figure(view, "readingDiffers")} mm from the template is marked as different.
          {off.length > 0 && (
            <b className="text-amber-text">
              {" "}
              {off.length} {off.length === 1 ? "size differs" : "sizes differ"}.
            </b>
          )}
        </p>
        <div className="overflow-x-auto rounded-md border bg-card">
          <table className="w-full text-left">
            <thead className="text-[0.75rem] text-muted">
              <tr className="border-b">
                <th className="px-3 py-1.5 font-normal">size, and where it is measured</th>
                <th className="px-2 font-normal">template</th>
                <th className="px-2 font-normal">first</th>
                <th className="px-2 font-normal">from the other end</th>
                <th className="px-2 font-normal">stands</th>
                <th className="px-2" />
              </tr>
            </thead>
            <tbody>
              {view.readings.map((r) => (
                <Row key={`${r.name}-${r.mm}-${r.againMm}`} r={r} view={view} />
              ))}
            </tbody>
          </table>
        </div>
      </section>
      <section aria-label="Drawings of the van">
        <h2 className="mb-2 text-[0.9375rem]">{view.vanName} as measured</h2>
        <div className="flex flex-wrap items-end gap-5 rounded-md border bg-card p-4">
          {VIEWS.map((v) => (
            <figure key={v}>
              <VanDrawing van={view.van} view={v} width={v === "rear" ? 150 : 300} id={`measure-${v}`} />
              <figcaption className="text-[0.75rem] text-muted">
                {VIEW_LABEL[v]}
                {v === "under" && ": green free, amber no drilling, red keep out; look underneath all the same"}
              </figcaption>
            </figure>
          ))}
        </div>
        <p className="mt-2 text-muted">
          Kerb weight front {g.axles.kerbFrontKg} kg of {g.axles.maxFrontKg}, rear {g.axles.kerbRearKg} kg of {g.axles.maxRearKg}, whole{" "}
          {g.axles.kerbFrontKg + g.axles.kerbRearKg} kg of {g.axles.grossKg}. Bare panels{" "}
          {g.panels.reduce((n, p) => n + p.areaM2, 0).toFixed(1)} m². Roof ribs at {g.roofRibs.map((r) => r.atMm).join(", ")} mm from the
          bulkhead.
        </p>
      </section>
    </div>
  );
}

function Row({ r, view }: { r: ReadingState; view: BuildView }) {
  const act = useAct();
  const [first, setFirst] = useState(r.mm === null ? "" : String(r.mm));
  const [again, setAgain] = useState(r.againMm === null ? "" : String(r.againMm));
  const number = (t: string) => (/^\d{1,5}$/.test(t.trim()) ? Number(t) : undefined);
  const a = number(first);
  const b = number(again);
  const wrong = (first.trim() && a === undefined) || (again.trim() && b === undefined);
  const changed = a !== undefined && (a !== r.mm || (b ?? null) !== r.againMm);
  const input = (label: string, value: string, set: (v: string) => void) => (
    <input
      aria-label={`${r.label}, ${label}, mm`}
      inputMode="numeric"
      value={value}
      onChange={(e) => set(e.target.value)}
      aria-invalid={value.trim() && number(value) === undefined ? true : undefined}
      className={cx(inputClass, "!w-20")}
    />
  );
  return (
    <tr className="border-b last:border-0">
      <td className="px-3 py-1.5">
        <b>{r.label}</b> <span className="block text-[0.75rem] text-muted">{r.datum}</span>
      </td>
      <td className="px-2">{r.templateMm}</td>
      <td className="px-2">{input("first", first, setFirst)}</td>
      <td className="px-2">{input("second", again, setAgain)}</td>
      <td className="px-2">
        <span className={cx(r.state === "unlike" && "text-signal-text", r.state === "agreed" && "text-green-text")}>{SAYS[r.state]}</span>
        {r.offMm !== null && (
          <b className="block text-[0.75rem] text-amber-text">
            {Math.abs(r.offMm)} mm {r.offMm > 0 ? "more" : "less"} than the template
          </b>
        )}
        {view.readBy[r.name] && <span className="block text-[0.75rem] text-muted">{view.readBy[r.name]}</span>}
      </td>
      <td className="px-2 text-right">
        {wrong ? (
          <span role="alert" className="text-signal-text">
            whole mm
          </span>
        ) : (
          changed && (
            <Button
              disabled={act.busy}
              onClick={() =>
                void act.run(
                  () => send("POST", `builds/${view.id}/readings`, { name: r.name, mm: a, ...(b === undefined ? {} : { againMm: b }) }),
                  `${r.label} kept`,
                )
              }
            >
              Keep
            </Button>
          )
        )}
      </td>
    </tr>
  );
}
