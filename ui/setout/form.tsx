"use client";
// The inputs of a sheet: single fields beside their labels, rows as small tables.

import { Plus, X } from "lucide-react";
import { cx } from "../kit/cx";
import { blankRow, type Draft, type Fault, type Field, type Leaf } from "./fields";

const box = "h-8 min-w-0 rounded-md border bg-card px-2 text-ink aria-invalid:border-signal";

function Input({
  f,
  typed,
  path,
  fault,
  onType,
  wide,
  example,
}: {
  f: Leaf;
  typed: string | boolean;
  path: string;
  fault?: string;
  onType(v: string | boolean): void;
  wide?: boolean;
  /** What such a figure may look like, while it is empty. */
  example?: string;
}) {
  const common = {
    "aria-label": f.label,
    "aria-invalid": fault ? true : undefined,
    title: fault ? `${f.label} ${fault}` : undefined,
    name: path,
  };
  if (f.kind === "flag")
    return <input type="checkbox" {...common} checked={typed === true} onChange={(e) => onType(e.target.checked)} className="size-4" />;
  if (f.kind === "choice")
    return (
      <select {...common} value={String(typed)} onChange={(e) => onType(e.target.value)} className={cx(box, wide ? "w-40" : "w-full")}>
        {f.options.map(([v, l]) => (
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
      {...(example ? { placeholder: `e.g. ${example}` } : {})}
      className={cx(box, wide ? "w-40" : "w-full px-1", figure && "text-right")}
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
  f: Extract<Field, { kind: "rows" }>;
  rows: Draft[];
  faultAt(path: string): string | undefined;
  onChange(rows: Draft[]): void;
}) {
  const cell = (x: Leaf, row: Draft, i: number) => (
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
                <span aria-hidden className="block truncate text-muted" title={x.label}>
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
              title={x.label}
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

export function SheetForm({
  fields,
  draft,
  faults,
  onChange,
  examples = {},
}: {
  fields: readonly Field[];
  draft: Draft;
  faults: readonly Fault[];
  onChange(d: Draft): void;
  examples?: Draft;
}) {
  const faultAt = (path: string) => faults.find((x) => x.path === path)?.message;
  return (
    <div className="flex flex-col gap-1.5">
      {fields.map((f) => {
        if (f.kind !== "rows") {
          const fault = faultAt(f.path);
          return (
            <div key={f.path}>
              <div className="flex items-center justify-between gap-2">
                <span>
                  {f.label}
                  {"unit" in f && f.unit && <span className="text-muted"> {f.unit}</span>}
                </span>
                <Input
                  f={f}
                  wide
                  typed={(draft[f.path] as string | boolean) ?? ""}
                  path={f.path}
                  fault={fault}
                  {...(typeof examples[f.path] === "string" ? { example: examples[f.path] as string } : {})}
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
        const rows = (draft[f.path] as Draft[] | undefined) ?? [];
        const set = (next: Draft[]) => onChange({ ...draft, [f.path]: next });
        const wrong = faults.filter((x) => x.path.startsWith(f.path));
        return (
          <fieldset key={f.path} className="mt-2 border-t pt-2">
            <legend className="sr-only">{f.label}</legend>
            <div className="mb-1 flex items-center justify-between">
              <b>{f.label}</b>
              <button
                type="button"
                onClick={() => set([...rows, blankRow(f.fields)])}
                className="flex items-center gap-1 rounded px-1.5 py-0.5 hover:bg-sunk"
              >
                <Plus size={13} /> Add {/^[aeio]/.test(f.one) ? "an" : "a"} {f.one}
              </button>
            </div>
            {rows.length > 0 && <Rows f={f} rows={rows} faultAt={faultAt} onChange={set} />}
            {wrong.map((x) => (
              <p key={x.path} role="alert" className="text-[0.75rem] text-signal-text">
                {x.path}: {x.message}
              </p>
            ))}
          </fieldset>
        );
      })}
    </div>
  );
}
