"use client";
// The inputs of a sheet, in the order in which they are filled in: from the van, chosen, measured; the house's own figures folded.

import { Plus, X } from "lucide-react";
import type { Fault } from "@/core/plan/fault";
import { blankDraft, type Draft, type Field, groupedFields, type RowsField } from "@/core/setout/engine/form";
import { cx } from "../kit/cx";

const box = "h-8 min-w-0 rounded-md border bg-card px-2 text-ink aria-invalid:border-signal";

/** What stands in an empty field: what it is taken as, else what such a figure may look like. */
const hint = (f: Field, example?: string) => (f.usual ? `usually ${f.usual}` : example ? `e.g. ${example}` : undefined);
/** Unit and bounds of a field, for who points at it. */
const asked = (f: Field) => [f.label, f.unit, f.range, f.help].filter(Boolean).join(", ");

function Input({
  f,
  typed,
  path,
  fault,
  onType,
  wide,
  example,
}: {
  f: Field;
  typed: string | boolean;
  path: string;
  fault?: string;
  onType(v: string | boolean): void;
  wide?: boolean;
  example?: string;
}) {
  const common = {
    "aria-label": f.label,
    "aria-invalid": fault ? true : undefined,
    title: fault ? `${f.label} ${fault}` : asked(f),
    name: path,
  };
  if (f.kind === "flag")
    return <input type="checkbox" {...common} checked={typed === true} onChange={(e) => onType(e.target.checked)} className="size-4" />;
  if (f.kind === "choice")
    return (
      <select {...common} value={String(typed)} onChange={(e) => onType(e.target.value)} className={cx(box, wide ? "w-40" : "w-full")}>
        {f.options?.map(([v, l]) => (
          <option key={v} value={v}>
            {l}
          </option>
        ))}
      </select>
    );
  const figure = f.kind === "length" || f.kind === "number";
  return (
    <input
      {...common}
      value={String(typed)}
      onChange={(e) => onType(e.target.value)}
      autoComplete="off"
      placeholder={wide ? hint(f, example) : f.usual}
      className={cx(box, wide ? "w-40 shrink-0" : "w-full px-1", figure && "text-right")}
    />
  );
}

/** More columns than this can't be read side by side: each row then becomes a small block of its own. */
const COLUMNS = 7;

function Rows({
  f,
  rows,
  faultAt,
  onChange,
}: {
  f: RowsField;
  rows: Draft[];
  faultAt(path: string): string | undefined;
  onChange(rows: Draft[]): void;
}) {
  const cell = (x: Field, row: Draft, i: number) => (
    <Input
      f={x}
      typed={(row[x.path] as string | boolean) ?? ""}
      path={`${f.path}[${i}].${x.path}`}
      fault={faultAt(`${f.path}[${i}].${x.path}`)}
      onType={(v) => onChange(rows.map((r, k) => (k === i ? { ...r, [x.path]: v } : r)))}
    />
  );
  const out = (i: number) => (
    <button
      type="button"
      aria-label={`Take out ${f.one} ${i + 1}`}
      onClick={() => onChange(rows.filter((_, k) => k !== i))}
      className="rounded p-1 hover:bg-sunk"
    >
      <X size={12} />
    </button>
  );
  if (f.fields.length > COLUMNS)
    return (
      <ul className="text-[0.75rem]">
        {rows.map((row, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: rows have no name but their place
          <li key={i} className="grid grid-cols-[1.4fr_1fr_1fr_1fr_1.5rem] gap-x-1.5 gap-y-1 border-t py-1.5 first:border-t-0">
            {f.fields.map((x, k) => (
              <div key={x.path} className={cx("min-w-0", k > 0 && k % 4 === 0 && "col-start-1")}>
                <span aria-hidden className="block truncate text-muted" title={asked(x)}>
                  {x.label}
                </span>
                {cell(x, row, i)}
              </div>
            ))}
            <div className="col-start-5 row-start-1 self-center">{out(i)}</div>
          </li>
        ))}
      </ul>
    );
  return (
    <table className="w-full table-fixed text-[0.75rem]">
      <thead>
        <tr className="text-left text-muted">
          {f.fields.map((x) => (
            <th
              key={x.path}
              className={cx(
                "truncate pr-1 font-normal",
                x.kind === "polygon" ? "w-1/2" : x.kind === "text" ? "w-[24%]" : x.kind === "choice" && "w-[20%]",
              )}
              title={asked(x)}
            >
              {x.label}
            </th>
          ))}
          <th className="w-6">
            <span className="sr-only">take out</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: rows have no name but their place
          <tr key={i}>
            {f.fields.map((x) => (
              <td key={x.path} className="py-0.5 pr-1">
                {cell(x, row, i)}
              </td>
            ))}
            <td>{out(i)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const GROUP = {
  van: "From the van",
  chosen: "Chosen",
  measured: "Measured",
  rare: "Seldom needed",
  house: "House figures",
} as const;

interface Filling {
  draft: Draft;
  faults: readonly Fault[];
  onChange(d: Draft): void;
  examples: Draft;
}

function Single({ f, draft, faults, onChange, examples }: Filling & { f: Field }) {
  if (f.unless && (draft[f.unless[0]] || f.unless[1]) === f.unless[1]) return null;
  const fault = faults.find((x) => x.path === f.path)?.message;
  const example = examples[f.path];
  return (
    <div>
      <div className="flex items-start justify-between gap-2">
        <span className="min-w-0 pt-1">
          {f.label}
          {f.unit && <span className="text-muted"> {f.unit}</span>}
          {(f.help || f.range) && (
            <span className="block text-[0.75rem] leading-snug text-muted">{[f.help, f.range].filter(Boolean).join(" ")}</span>
          )}
        </span>
        <Input
          f={f}
          wide
          typed={(draft[f.path] as string | boolean) ?? ""}
          path={f.path}
          fault={fault}
          {...(typeof example === "string" && example ? { example } : {})}
          onType={(v) => onChange({ ...draft, [f.path]: v })}
        />
      </div>
      {fault && (
        <p role="alert" className="text-right text-[0.75rem] text-signal-text">
          {f.label} {fault}
        </p>
      )}
    </div>
  );
}

function Table({ f, draft, faults, onChange }: Filling & { f: RowsField }) {
  const rows = (draft[f.path] as Draft[] | undefined) ?? [];
  const set = (next: Draft[]) => onChange({ ...draft, [f.path]: next });
  return (
    <fieldset className="mt-2 border-t pt-2">
      <legend className="sr-only">{f.label}</legend>
      <div className="mb-1 flex items-center justify-between">
        <b>{f.label}</b>
        <button
          type="button"
          onClick={() => set([...rows, blankDraft(f.fields)])}
          className="flex items-center gap-1 rounded px-1.5 py-0.5 hover:bg-sunk"
        >
          <Plus size={13} /> Add {/^[aeio]/.test(f.one) ? "an" : "a"} {f.one}
        </button>
      </div>
      {f.help && <p className="mb-1 text-[0.75rem] text-muted">{f.help}</p>}
      {rows.length > 0 && <Rows f={f} rows={rows} faultAt={(path) => faults.find((x) => x.path === path)?.message} onChange={set} />}
      {faults
        .filter((x) => x.path.startsWith(f.path))
        .map((x) => (
          <p key={x.path} role="alert" className="text-[0.75rem] text-signal-text">
            {x.path}: {x.message}
          </p>
        ))}
    </fieldset>
  );
}

export function SheetForm({
  fields,
  ...filling
}: Omit<Filling, "examples"> & { fields: readonly (Field | RowsField)[]; examples?: Draft }) {
  const all: Filling = { ...filling, examples: filling.examples ?? {} };
  const one = (f: Field | RowsField) =>
    f.kind === "rows" ? <Table key={f.path} f={f} {...all} /> : <Single key={f.path} f={f} {...all} />;
  return (
    <div className="flex flex-col gap-3">
      {groupedFields(fields).map(({ from, fields: list }) => {
        const inside = <div className="flex flex-col gap-1.5">{list.map(one)}</div>;
        if (from !== "house" && from !== "rare")
          return (
            <section key={from} aria-label={GROUP[from]}>
              <h3 className="mb-1 text-[0.8125rem] font-semibold text-muted">{GROUP[from]}</h3>
              {inside}
            </section>
          );
        const wrong = list.some((f) => all.faults.some((x) => x.path === f.path || x.path.startsWith(`${f.path}[`)));
        return (
          <details key={from} {...(wrong ? { open: true } : {})} className="rounded-md border px-3 py-2">
            <summary className="cursor-pointer font-semibold">
              {GROUP[from]} <span className="font-normal text-muted">{list.length}</span>
            </summary>
            <div className="mt-2">{inside}</div>
          </details>
        );
      })}
    </div>
  );
}
