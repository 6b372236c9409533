// How a kind of entry in a build's papers is declared: its fields, once, for the schema that checks them, the form that
// asks them and the data that is kept.

import type { House } from "../../state/house-figures";
export type Values = Record<string, unknown>;

interface Common {
  key: string;
  label: string;
  hint?: string;
  /** Asked only when this holds of what is given so far; dropped otherwise. */
  when?: (d: Values) => boolean;
}

export type Choice = readonly [value: string, label: string];

export type FieldSpec =
  | (Common & { type: "words"; required?: boolean; long?: boolean })
  | (Common & { type: "date"; required?: boolean })
  | (Common & { type: "number"; min: number; max: number; unit?: string; whole?: boolean; required?: boolean })
  | (Common & { type: "choice"; options: readonly Choice[]; required?: boolean })
  | (Common & { type: "many"; options: readonly Choice[]; required?: boolean })
  | (Common & { type: "flag" })
  | (Common & { type: "rows"; columns: readonly Exclude<FieldSpec, { type: "rows" | "many" }>[]; most: number; add: string });

export interface Fault {
  path: string;
  message: string;
}

/** The page of a build on which a kind stands. */
export type BuildTab = "jobs" | "openings" | "choices" | "van" | "marks" | "shell" | "items" | "papers" | "waits" | "records" | "cost";

/** A kind of entry: what it is called, what is asked, and what is worked out from it. */
export interface Declared<D = Values> {
  kind: string;
  one: string;
  many: string;
  /** What one is called in passing, as in the finder. */
  words: string;
  tab: BuildTab;
  intro: string;
  title: { label: string; hint: string };
  /** One a build, no more. */
  single?: boolean;
  /** Who may write it down; nobody: acts of its own keep it. */
  by: "lead" | "any" | "nobody";
  /** Who may change it once it stands, where that is not whoever may write it down. */
  changes?: "lead";
  fields: readonly FieldSpec[];
  /** Of a kind whose form is its own: the schema of its data, in place of one made from the fields. */
  schema?: object;
  /** How the log calls it; else by what many are called. */
  logged?: string;
  /** How the log says that it is over; else closed. */
  overWord?: string;
  /** In a line, for lists, cards and the log. */
  says(d: D): string;
  /** How it stands; "stop" and "warn" are shown as such. */
  tone(d: D): "ok" | "warn" | "stop" | "none";
  /** Whether it is over by what it says; left out where somebody closes it by hand. */
  over?(d: D, closed: boolean, house: House): boolean;
  /** The word for closing it by hand. */
  closes?: string;
  /** What is wrong in it beyond the fields themselves. */
  faults?(d: D, closed: boolean, house: House): Fault[];
}

/** A declared kind seen without its data's type: for lists of all kinds. */
export const declared = <D extends object>(d: Declared<D>): Declared => d as unknown as Declared;

const text = (spec: { required?: boolean }) => ({
  type: "string",
  maxLength: 500,
  ...(spec.required ? { minLength: 1, pattern: "\\S" } : {}),
});

function schemaOfField(f: FieldSpec): object {
  switch (f.type) {
    case "words":
      return text(f);
    case "date":
      return { type: "string", pattern: "^\\d{4}-\\d{2}-\\d{2}$" };
    case "number":
      return { type: f.whole ? "integer" : "number", minimum: f.min, maximum: f.max };
    case "choice":
      return { type: "string", enum: f.options.map(([v]) => v) };
    case "many":
      return {
        type: "array",
        uniqueItems: true,
        ...(f.required ? { minItems: 1 } : {}),
        items: { type: "string", enum: f.options.map(([v]) => v) },
      };
    case "flag":
      return { type: "boolean" };
    case "rows":
      return { type: "array", maxItems: f.most, items: schemaOf(f.columns) };
  }
}

const isRequired = (f: FieldSpec): boolean => "required" in f && f.required === true && !f.when;

/** JSON schema of the data. A field that is asked only sometimes is never required by it: `missing` says that. */
export const schemaOf = (fields: readonly FieldSpec[]): object => ({
  type: "object",
  additionalProperties: false,
  required: fields.filter(isRequired).map((f) => f.key),
  properties: Object.fromEntries(fields.map((f) => [f.key, schemaOfField(f)])),
});

const empty = (v: unknown) =>
  v === undefined || v === "" || v === false || (Array.isArray(v) && v.length === 0) || (typeof v === "string" && !v.trim());

/** Fields that are asked of what is given, but empty. */
export const missing = (fields: readonly FieldSpec[], d: Values): Fault[] =>
  fields
    .filter((f) => "required" in f && f.required && (!f.when || f.when(d)) && empty(d[f.key]))
    .map((f) => ({ path: f.key, message: "is missing" }));

/** The data without what is empty, or not asked of it. */
export function tidy(fields: readonly FieldSpec[], d: Values): Values {
  const out: Values = {};
  for (const f of fields) {
    const v = d[f.key];
    if (empty(v) || (f.when && !f.when(d))) continue;
    if (f.type === "rows") out[f.key] = (v as Values[]).map((row) => tidy(f.columns, row)).filter((row) => Object.keys(row).length);
    else out[f.key] = typeof v === "string" ? v.trim() : v;
  }
  return out;
}

/** What a form holds of it: strings for what is typed, booleans for ticks, lists for choices of many and for rows. */
export type Typed = Record<string, string | boolean | string[] | Typed[]>;

export function toTyped(fields: readonly FieldSpec[], d: Values): Typed {
  const out: Typed = {};
  for (const f of fields) {
    const v = d[f.key];
    if (f.type === "flag") out[f.key] = v === true;
    else if (f.type === "many") out[f.key] = (v as string[] | undefined) ?? [];
    else if (f.type === "rows") out[f.key] = ((v as Values[] | undefined) ?? []).map((row) => toTyped(f.columns, row));
    else if (f.type === "choice") out[f.key] = (v as string | undefined) ?? (f.required ? f.options[0][0] : "");
    else out[f.key] = v === undefined ? "" : String(v);
  }
  return out;
}

/** What was typed as data. A figure that is none is passed on as it was typed, so that the schema names its field. */
export function fromTyped(fields: readonly FieldSpec[], t: Typed, figure: (s: string) => number | undefined): Values {
  const out: Values = {};
  for (const f of fields) {
    const v = t[f.key];
    if (f.type === "number") out[f.key] = figure(String(v ?? ""));
    else if (f.type === "rows") out[f.key] = ((v as Typed[]) ?? []).map((row) => fromTyped(f.columns, row, figure));
    else out[f.key] = v;
  }
  return tidy(fields, out);
}
