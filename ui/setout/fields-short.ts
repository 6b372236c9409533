// Short ways to say the fields of a sheet.

import type { Draft, Field, Leaf } from "./fields";
import type { Sheet } from "./sheets";

type Any = Record<string, unknown>;

export const length = (path: string, label: string, optional?: true): Leaf => ({
  kind: "length",
  path,
  label,
  ...(optional ? { optional } : {}),
});
export const number = (path: string, label: string, unit?: string, optional?: true): Leaf => ({
  kind: "number",
  path,
  label,
  ...(unit ? { unit } : {}),
  ...(optional ? { optional } : {}),
});
export const words = (path: string, label: string, optional?: true): Leaf => ({
  kind: "text",
  path,
  label,
  ...(optional ? { optional } : {}),
});
export const tick = (path: string, label: string): Leaf => ({ kind: "flag", path, label });
export const choice = (path: string, label: string, options: readonly (readonly [value: string, label: string])[]): Leaf => ({
  kind: "choice",
  path,
  label,
  options,
});
export const rows = (path: string, label: string, one: string, ...fields: Leaf[]): Field => ({ kind: "rows", path, label, one, fields });

export const sheet = (
  name: string,
  title: string,
  stage: Sheet["stage"],
  fields: readonly Field[],
  start: Draft,
  shape?: (i: Any) => Any,
): Sheet => ({ name, title, stage, fields, start, ...(shape ? { shape } : {}) });
