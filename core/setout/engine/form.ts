// A calculator's inputs as fields of a form: what is typed is a draft of texts and ticks, by the fields' paths.

import { type Fault, InputError } from "../../plan/fault";
import { parseLength } from "../lengths";
import type { From, Input, Inputs, Leaf, Rows } from "./inputs";

/** A form's figures as they are typed: text, ticks, rows of the same; keys are the fields' paths. */
export type Draft = { [path: string]: string | boolean | Draft[] };

export interface Field {
  kind: "length" | "number" | "text" | "polygon" | "numbers" | "texts" | "choice" | "flag";
  path: string;
  label: string;
  unit?: string;
  optional?: true;
  /** What an empty field is taken as. */
  usual?: string;
  /** Its bounds in words, where there are any to speak of. */
  range?: string;
  options?: readonly (readonly [value: string, label: string])[];
  /** Asked for only while another field stands at none of this: "by" of a place that is centred. */
  unless?: readonly [path: string, value: string];
  from?: From;
  rare?: true;
  help?: string;
}

export interface RowsField {
  kind: "rows";
  path: string;
  label: string;
  one: string;
  fields: readonly Field[];
  from?: From;
  rare?: true;
  help?: string;
}

const told = (x: Leaf | Rows) => ({
  ...(x.from ? { from: x.from } : {}),
  ...(x.rare || x.from === "house" ? { rare: true as const } : {}),
  ...(x.help ? { help: x.help } : {}),
});

const WIDE = 1000;
const YES_NO = [
  ["", ""],
  ["yes", "yes"],
  ["no", "no"],
] as const;

/** "From 0 to 1.", "Above 0, up to 3.": bounds that somebody could run into; undefined for figures of any size. */
function rangeOf(schema: object): string | undefined {
  const { type, minimum, exclusiveMinimum, maximum } = schema as {
    type: string;
    minimum?: number;
    exclusiveMinimum?: number;
    maximum?: number;
  };
  if ((type !== "number" && type !== "integer") || maximum === undefined || maximum > WIDE) return undefined;
  return exclusiveMinimum === undefined ? `From ${minimum} to ${maximum}.` : `Above ${exclusiveMinimum}, up to ${maximum}.`;
}

function leafFields(x: Leaf, path: string, optional: boolean): Field[] {
  const unit = x.unit ?? (x.kind === "length" || x.kind === "readings" || x.kind === "place" ? "mm" : undefined);
  const base = { ...told(x), ...(unit ? { unit } : {}), ...(optional ? { optional: true as const } : {}) };
  const options = x.options?.map(([v, l]) => [String(v), l] as const);
  if (x.kind === "readings") return options!.map(([k, label]) => ({ ...base, kind: "length", path: `${path}.${k}`, label }));
  if (x.kind === "place")
    return [
      { ...told(x), kind: "choice", path: `${path}.mode`, label: x.label, options: options! },
      { ...base, kind: "length", path: `${path}.by`, label: `${x.label}, by`, optional: true, unless: [`${path}.mode`, "centre"] },
    ];
  // One that may be left open is no tick: nobody has said yet.
  if (x.kind === "flag" && !x.needed && x.usual === undefined) return [{ ...base, kind: "choice", path, label: x.label, options: YES_NO }];
  const range = rangeOf(x.schema);
  const usual = x.usual === undefined || x.kind === "flag" || x.kind === "choice" ? {} : { usual: typedOf(x, x.usual) };
  return [
    {
      ...base,
      kind: x.kind,
      path,
      label: x.label,
      ...(x.kind === "choice" ? { options: options! } : {}),
      ...usual,
      ...(range ? { range } : {}),
    },
  ];
}

function leafsOf(inputs: Inputs, prefix: string, optional: boolean): Field[] {
  return Object.entries(inputs).flatMap(([k, x]): Field[] => {
    const path = prefix + k;
    if (x.kind === "rows") throw new Error(`${path}: a table stands neither in a table nor in a group`);
    if (x.kind === "group") return leafsOf(x.inputs, `${path}.`, optional || !x.needed);
    return leafFields(x, path, optional || !x.needed);
  });
}

/** The fields of a calculator's form, in the order of its inputs. */
export function fieldsOf(inputs: Inputs): (Field | RowsField)[] {
  return Object.entries(inputs).flatMap(([k, x]): (Field | RowsField)[] =>
    x.kind === "rows"
      ? [{ kind: "rows", path: k, label: x.label, one: x.one, fields: leafsOf(x.inputs, "", false), ...told(x) }]
      : leafsOf({ [k]: x }, "", false),
  );
}

type Any = Record<string, unknown>;
const NOTHING = undefined;

/** One value out of its text; undefined where nothing was typed. Throws InputError where it can't be read. */
function read(x: Leaf, typed: unknown, path: string): unknown {
  if (x.kind === "flag" && (x.needed || x.usual !== undefined)) return typed === true;
  const t = String(typed ?? "").trim();
  if (x.kind === "choice") return x.options!.find(([v]) => String(v) === t)?.[0] ?? (t || x.options![0][0]);
  if (x.kind === "texts") {
    const list = t
      .split(/[,;]/)
      .map((w) => w.trim())
      .filter(Boolean);
    return list.length || x.needed ? list : NOTHING;
  }
  if (!t) return NOTHING;
  if (x.kind === "flag") return t === "yes";
  if (x.kind === "text") return t;
  if (x.kind === "length") return parseLength(t, path);
  if (x.kind === "polygon") return t.split(";").map((p) => p.split("/").map((c) => parseLength(c, path)));
  if (x.kind === "numbers")
    return t
      .split(/[,;\s]+/)
      .filter(Boolean)
      .map((w) => figure(w, path));
  return figure(t.replace(",", "."), path);
}

function figure(t: string, path: string): number {
  const n = Number(t);
  if (!Number.isFinite(n)) throw new InputError([{ path, message: `${t} is no number` }]);
  return n;
}

/** The calculator's input out of a draft, and the faults of what was typed, by path. */
export function toInput(inputs: Inputs, draft: Draft): { input: Any; faults: Fault[] } {
  const faults: Fault[] = [];
  const missing = (path: string) => faults.push({ path, message: "is missing" });

  const leaf = (x: Leaf, from: Draft, key: string, at: string): unknown => {
    try {
      if (x.kind === "readings") return several(x, from, key, at);
      if (x.kind === "place") {
        const mode = String(from[`${key}.mode`] || x.options![0][0]);
        if (mode === "centre") return mode;
        const by = String(from[`${key}.by`] ?? "").trim();
        return { [mode]: by ? parseLength(by, `${at}.by`) : 0 };
      }
      return read(x, from[key], at);
    } catch (e) {
      if (!(e instanceof InputError)) throw e;
      faults.push(...e.faults);
      return null;
    }
  };
  /** Readings that go together: all of them, or none. */
  const several = (x: Leaf, from: Draft, key: string, at: string): unknown => {
    const typed = x.options!.map(([k]) => String(from[`${key}.${k}`] ?? "").trim());
    if (!typed.some(Boolean)) return NOTHING;
    return typed.map((t, i) => {
      const path = `${at}.${x.options![i][0]}`;
      if (t) return parseLength(t, path);
      throw new InputError([{ path, message: "is missing" }]);
    });
  };
  /** `key`: how the draft calls it; `at`: how a fault does. */
  const fill = (list: Inputs, from: Draft, key: string, at: string): Any => {
    const out: Any = {};
    for (const [k, x] of Object.entries(list)) {
      if (x.kind === "rows") out[k] = ((from[k] as Draft[] | undefined) ?? []).map((row, i) => fill(x.inputs, row, "", `${at}${k}[${i}].`));
      else if (x.kind === "group") {
        if (x.needed || begun(x.inputs, from, `${key}${k}.`)) out[k] = fill(x.inputs, from, `${key}${k}.`, `${at}${k}.`);
      } else {
        const v = leaf(x, from, key + k, at + k);
        if (v !== NOTHING && v !== null) out[k] = v;
        else if (v === NOTHING && x.needed) missing(at + k);
      }
    }
    return out;
  };
  return { input: fill(inputs, draft, "", ""), faults };
}

/** Whether somebody has begun to fill in a group: one of its needed fields is typed, or any where none is needed. */
function begun(inputs: Inputs, from: Draft, prefix: string): boolean {
  const leafs = Object.entries(inputs).filter((e): e is [string, Leaf] => e[1].kind !== "group" && e[1].kind !== "rows");
  const typed = ([k, x]: [string, Leaf]) => x.kind !== "choice" && x.kind !== "flag" && String(from[prefix + k] ?? "").trim() !== "";
  const needed = leafs.filter(([, x]) => x.needed && x.kind !== "choice" && x.kind !== "flag");
  return (needed.length ? needed : leafs).some(typed);
}

/** A value as it would be typed. */
function typedOf(x: Leaf, v: unknown): string {
  if (x.kind === "polygon") return (v as number[][]).map((p) => p.join("/")).join("; ");
  if (x.kind === "numbers" || x.kind === "texts") return (v as unknown[]).join(", ");
  return String(v);
}

const blankOf = (f: Field | RowsField): string | boolean | Draft[] =>
  f.kind === "rows" ? [] : f.kind === "flag" ? false : f.kind === "choice" ? f.options![0][0] : "";

/** A form with nothing filled in: what belongs to a build never starts from somebody else's figures. */
export const blankDraft = (fields: readonly (Field | RowsField)[]): Draft => Object.fromEntries(fields.map((f) => [f.path, blankOf(f)]));

/** Fields by where their figures come from, in the order in which they are filled in; figures of the house and rare ones last, folded. */
export function groupedFields(fields: readonly (Field | RowsField)[]): { from: From | "rare"; fields: (Field | RowsField)[] }[] {
  const at = (f: Field | RowsField): From | "rare" => (f.rare && f.from !== "house" ? "rare" : (f.from ?? "measured"));
  return (["van", "chosen", "measured", "rare", "house"] as const)
    .map((from) => ({ from, fields: fields.filter((f) => at(f) === from) }))
    .filter((g) => g.fields.length > 0);
}

/** An input as somebody would have typed it: toInput of it is that input again. */
export function toDraft(inputs: Inputs, input: Any): Draft {
  const out: Draft = {};
  const put = (x: Input, v: unknown, key: string): void => {
    if (v === undefined) return;
    if (x.kind === "rows")
      out[key] = (v as Any[]).map((row) => ({ ...blankDraft(leafsOf(x.inputs, "", false)), ...toDraft(x.inputs, row) }));
    else if (x.kind === "group") for (const [k, y] of Object.entries(x.inputs)) put(y, (v as Any)[k], `${key}.${k}`);
    else if (x.kind === "flag") out[key] = x.needed || x.usual !== undefined ? v === true : v ? "yes" : "no";
    else if (x.kind === "readings") for (const [i, [k]] of x.options!.entries()) out[`${key}.${k}`] = String((v as number[])[i]);
    else if (x.kind === "place") {
      const [mode, by] = typeof v === "string" ? [v, ""] : Object.entries(v as Record<string, number>)[0];
      out[`${key}.mode`] = mode;
      out[`${key}.by`] = String(by);
    } else out[key] = typedOf(x, v);
  };
  for (const [k, x] of Object.entries(inputs)) put(x, input[k], k);
  return out;
}
