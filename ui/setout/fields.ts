// What a calculator asks for, as fields of a form; and the input made out of what was typed.

import { InputError } from "@/core/plan/fault";
import { parseLength } from "@/core/setout/lengths";
import type { SheetDraft } from "@/core/setout/prefill";

export type Leaf =
  | { kind: "length" | "number" | "text" | "polygon"; path: string; label: string; optional?: true; unit?: string }
  | { kind: "choice"; path: string; label: string; options: readonly (readonly [value: string, label: string])[] }
  | { kind: "flag"; path: string; label: string };

export type Field = Leaf | { kind: "rows"; path: string; label: string; one: string; fields: readonly Leaf[] };

export type Draft = SheetDraft;

export interface Fault {
  path: string;
  message: string;
}

type Input = Record<string, unknown>;

function put(into: Input, path: string, value: unknown): void {
  const keys = path.split(".");
  let at = into;
  for (const k of keys.slice(0, -1)) {
    at[k] ??= {};
    at = at[k] as Input;
  }
  at[keys[keys.length - 1]] = value;
}

/** One value out of its text; undefined where it was left empty and may be. Throws InputError. */
function value(f: Leaf, typed: string | boolean | undefined, path: string): unknown {
  if (f.kind === "flag") return typed === true;
  const text = String(typed ?? "").trim();
  if (f.kind === "choice") return text || f.options[0][0];
  if (text === "") {
    if (f.optional) return undefined;
    throw new InputError([{ path, message: "is missing" }]);
  }
  if (f.kind === "text") return text;
  if (f.kind === "length") return parseLength(text, path);
  if (f.kind === "polygon") return text.split(";").map((p) => p.split("/").map((t) => parseLength(t, path)));
  const n = Number(text.replace(",", "."));
  if (!Number.isFinite(n)) throw new InputError([{ path, message: `${text} is no number` }]);
  return n;
}

/** The calculator's input out of a draft, and the faults of what was typed, by path. */
export function toInput(fields: readonly Field[], draft: Draft): { input: Input; faults: Fault[] } {
  const faults: Fault[] = [];
  const fill = (into: Input, list: readonly Leaf[], from: Draft, prefix: string) => {
    for (const f of list) {
      try {
        const v = value(f, from[f.path] as string | boolean | undefined, prefix + f.path);
        if (v !== undefined) put(into, f.path, v);
      } catch (e) {
        if (!(e instanceof InputError)) throw e;
        faults.push(...e.faults);
      }
    }
  };
  const input: Input = {};
  for (const f of fields) {
    if (f.kind !== "rows") fill(input, [f], draft, "");
    else
      put(
        input,
        f.path,
        ((draft[f.path] as Draft[] | undefined) ?? []).map((row, i) => {
          const item: Input = {};
          fill(item, f.fields, row, `${f.path}[${i}].`);
          return item;
        }),
      );
  }
  return { input, faults };
}

/** A sheet with nothing filled in: what belongs to a build never starts from somebody else's figures. */
export const blankDraft = (fields: readonly Field[]): Draft =>
  Object.fromEntries(
    fields.map((f) => [f.path, f.kind === "rows" ? [] : f.kind === "flag" ? false : f.kind === "choice" ? f.options[0][0] : ""]),
  );

/** An empty row: ticks off, texts empty. */
export const blankRow = (fields: readonly Leaf[]): Draft =>
  Object.fromEntries(fields.map((f) => [f.path, f.kind === "flag" ? false : f.kind === "choice" ? f.options[0][0] : ""]));
