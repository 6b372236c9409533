// The JSON schema of a calculator's inputs, and the usual values of what was left out.

import type { Input, Inputs } from "./inputs";

const ROWS_MOST = 2000;

function schemaOf(x: Input): object {
  if (x.kind === "group") return objectOf(x.inputs);
  if (x.kind === "rows") return { type: "array", items: objectOf(x.inputs), minItems: x.least, maxItems: ROWS_MOST };
  return x.schema;
}

/** The schema of an object with these inputs; it knows no others. */
export function objectOf(inputs: Inputs): {
  type: "object";
  required: string[];
  properties: Record<string, object>;
  additionalProperties: false;
} {
  const entries = Object.entries(inputs);
  return {
    type: "object",
    additionalProperties: false,
    required: entries.filter(([, x]) => x.needed).map(([k]) => k),
    properties: Object.fromEntries(entries.map(([k, x]) => [k, schemaOf(x)])),
  };
}

type Any = Record<string, unknown>;

/**
 * The input with the usual value of everything that was left out and has one. The input itself stays as it was.
 * Example: slack, usual 0.1: {} is { slack: 0.1 }.
 */
export function filled(inputs: Inputs, given: Any): Any {
  const out: Any = { ...given };
  for (const [k, x] of Object.entries(inputs)) {
    const v = out[k];
    if (x.kind === "group") {
      if (v !== undefined || x.usual) out[k] = filled(x.inputs, (v ?? {}) as Any);
    } else if (x.kind === "rows") {
      if (v !== undefined) out[k] = (v as Any[]).map((row) => filled(x.inputs, row));
    } else if (v === undefined && x.usual !== undefined) out[k] = x.usual;
  }
  return out;
}
