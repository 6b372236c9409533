"use client";
// The form of any declared kind of entry: its fields as they are declared, asked only where they apply.

import { useState } from "react";
import { type Declared, type FieldSpec, fromTyped, type Typed, toTyped, type Values } from "@/core/workshop/records/kinds/fields";
import { Button } from "../../kit/button";
import { Area, Check, Field, faultOf, Select } from "../../kit/field";
import { figure } from "../../kit/figure";
import type { Fault } from "../../kit/send";
import { useForm } from "../../kit/use-form";
import { RecordEnd } from "./record-end";
import { keepRecord } from "./record-submit";

export interface Entry {
  id: string;
  version: number;
  title: string;
  jobId: string | null;
  data: Values;
  closedAt: number | null;
  saidAt: number;
  by: string;
  photos: string[];
}

export function DeclaredForm({
  declared: d,
  buildId,
  was,
  preset,
  jobs,
  onDone,
}: {
  declared: Declared;
  buildId: string;
  was?: Entry;
  /** What a new one starts with. */
  preset?: { title?: string; data?: Values; jobId?: string };
  jobs?: readonly (readonly [id: string, name: string])[];
  onDone(): void;
}) {
  const form = useForm();
  const [jobId, setJobId] = useState(preset?.jobId ?? jobs?.[0]?.[0]);
  const [title, setTitle] = useState(was?.title ?? preset?.title ?? "");
  const [typed, setTyped] = useState<Typed>(() => toTyped(d.fields, was?.data ?? preset?.data ?? {}));
  const [closed, setClosed] = useState(was ? was.closedAt !== null : false);
  const data = fromTyped(d.fields, typed, figure);
  return (
    <form
      data-busy
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        void keepRecord(form, buildId, was, {
          kind: d.kind,
          title,
          data,
          closed,
          ...(jobId ? { jobId } : {}),
        }).then((ok) => ok && onDone());
      }}
    >
      {jobs && !was && (
        <Select label="At which job" name="jobId" options={jobs} value={jobId ?? ""} onChange={(e) => setJobId(e.target.value)} />
      )}
      <Field
        label={d.title.label}
        hint={d.title.hint}
        name="title"
        faults={form.faults}
        value={title}
        onChange={(e) => setTitle(e.target.value)}
        required
        maxLength={300}
        autoFocus
      />
      <div className="grid grid-cols-1 gap-3 sm:grid-cols-2">
        {d.fields
          .filter((f) => !f.when || f.when(data))
          .map((f) => (
            <div
              key={f.key}
              className={f.type === "many" || f.type === "rows" || (f.type === "words" && f.long) ? "sm:col-span-2" : "min-w-0"}
            >
              <Input spec={f} value={typed[f.key]} faults={form.faults} path={f.key} onChange={(v) => setTyped({ ...typed, [f.key]: v })} />
            </div>
          ))}
      </div>
      {was && !d.over && <Check label={d.closes ?? "Over"} checked={closed} onChange={(e) => setClosed(e.target.checked)} />}
      <RecordEnd form={form} label={was ? "Keep" : "Write it down"} />
    </form>
  );
}

function Input({
  spec: f,
  value,
  faults,
  path,
  onChange,
}: {
  spec: FieldSpec;
  value: Typed[string];
  faults: readonly Fault[];
  path: string;
  onChange(v: Typed[string]): void;
}) {
  const hint = f.hint ? { hint: f.hint } : {};
  const label = f.type === "number" && f.unit ? `${f.label}, ${f.unit}` : f.label;
  const common = { label, name: path, faults, ...hint };
  switch (f.type) {
    case "words":
      return f.long ? (
        <Area {...common} value={String(value)} onChange={(e) => onChange(e.target.value)} maxLength={500} />
      ) : (
        <Field {...common} value={String(value)} onChange={(e) => onChange(e.target.value)} required={f.required} maxLength={500} />
      );
    case "date":
      return <Field {...common} type="date" value={String(value)} onChange={(e) => onChange(e.target.value)} />;
    case "number":
      return (
        <Field {...common} inputMode="decimal" value={String(value)} onChange={(e) => onChange(e.target.value)} required={f.required} />
      );
    case "choice":
      return (
        <Select
          {...common}
          value={String(value)}
          onChange={(e) => onChange(e.target.value)}
          options={[...(f.required ? [] : [["", "not said"] as const]), ...f.options]}
        />
      );
    case "flag": {
      const fault = faultOf(faults, path);
      return (
        <>
          <Check label={label} {...hint} name={path} checked={value === true} onChange={(e) => onChange(e.target.checked)} />
          {fault && (
            <p role="alert" className="text-signal-text">
              {label} {fault}
            </p>
          )}
        </>
      );
    }
    case "many": {
      const list = value as string[];
      const fault = faultOf(faults, path);
      return (
        <fieldset>
          <legend className="font-semibold">{label}</legend>
          <div className="flex flex-wrap gap-x-5">
            {f.options.map(([v, words]) => (
              <Check
                key={v}
                label={words}
                name={path}
                checked={list.includes(v)}
                onChange={(e) => onChange(e.target.checked ? [...list, v] : list.filter((x) => x !== v))}
              />
            ))}
          </div>
          {fault && (
            <p role="alert" className="text-signal-text">
              {label} {fault}
            </p>
          )}
        </fieldset>
      );
    }
    case "rows": {
      const list = value as Typed[];
      const set = (i: number, row: Typed) => onChange(list.map((r, k) => (k === i ? row : r)));
      return (
        <fieldset>
          <legend className="mb-1 font-semibold">{label}</legend>
          {list.map((row, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: rows have no other name while they are typed
            <div key={i} className="mb-2 flex items-end gap-2">
              {f.columns.map((c) => (
                <div key={c.key} className="min-w-0 flex-1">
                  <Input
                    spec={c}
                    value={row[c.key]}
                    faults={faults}
                    path={`${path}[${i}].${c.key}`}
                    onChange={(v) => set(i, { ...row, [c.key]: v })}
                  />
                </div>
              ))}
              <Button
                type="button"
                aria-label={`Take out ${label.toLowerCase()} ${i + 1}`}
                onClick={() => onChange(list.filter((_, k) => k !== i))}
              >
                ×
              </Button>
            </div>
          ))}
          {list.length < f.most && (
            <Button type="button" onClick={() => onChange([...list, toTyped(f.columns, {})])}>
              {f.add}
            </Button>
          )}
        </fieldset>
      );
    }
  }
}
