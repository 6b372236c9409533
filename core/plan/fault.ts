// Faults in what was given: where, what, what was expected. Shared by the CLI, imports and forms.

import Ajv, { type ErrorObject } from "ajv";

export interface Fault {
  /** Path of the field, e.g. builds[0].jobs[3].crew[0].skill */
  path: string;
  message: string;
}

/** The one typed error of core: input that can't be used, with a field path for each fault. */
export class InputError extends Error {
  readonly faults: Fault[];
  constructor(faults: Fault[]) {
    super(faults.map((f) => `${f.path}: ${f.message}`).join("\n"));
    this.name = "InputError";
    this.faults = faults;
  }
}

const ajv = new Ajv({ allErrors: true, allowUnionTypes: true, strict: false });

const dotted = (pointer: string) =>
  pointer
    .split("/")
    .slice(1)
    .map((p) => p.replace(/~1/g, "/").replace(/~0/g, "~"))
    .reduce((path, p) => (/^\d+$/.test(p) ? `${path}[${p}]` : path ? `${path}.${p}` : p), "");

function words(e: ErrorObject): Fault {
  const path = dotted(e.instancePath);
  switch (e.keyword) {
    case "required":
      return { path: join(path, e.params.missingProperty), message: "is missing" };
    case "additionalProperties":
      return { path: join(path, e.params.additionalProperty), message: "is not a known field" };
    case "enum":
      return { path: path || "(file)", message: `expected one of ${e.params.allowedValues.join(", ")}` };
    case "const":
      return { path: path || "(file)", message: `expected ${JSON.stringify(e.params.allowedValue)}` };
    case "type":
      return { path: path || "(file)", message: `expected ${[e.params.type].flat().join(" or ")}` };
    case "pattern":
      return { path: path || "(file)", message: `expected ${shape(e.params.pattern)}` };
    default:
      return { path: path || "(file)", message: e.message ?? "is not as expected" };
  }
}

const join = (path: string, field: string) => (path ? `${path}.${field}` : field);

function shape(pattern: string): string {
  if (pattern.includes("T")) return "a local time YYYY-MM-DDTHH:MM";
  if (pattern.startsWith("^\\d{4}")) return "a date YYYY-MM-DD";
  if (pattern.includes("24:00")) return "a clock time HH:MM";
  return `text like ${pattern}`;
}

/** Object fields that are null count as absent. */
export function withoutNulls(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutNulls);
  if (value && typeof value === "object") {
    const out: Record<string, unknown> = {};
    for (const [k, v] of Object.entries(value)) if (v !== null) out[k] = withoutNulls(v);
    return out;
  }
  return value;
}

/** Makes a reader for one schema: returns the value, typed, or throws InputError with every fault. */
export function reader<T>(schema: object): (value: unknown) => T {
  const validate = ajv.compile(schema);
  return (value) => {
    const clean = withoutNulls(value);
    if (validate(clean)) return clean as T;
    const faults = (validate.errors ?? []).filter((e) => e.keyword !== "anyOf").map(words);
    const seen = new Set<string>();
    throw new InputError(
      faults.filter((f) => {
        const key = `${f.path} ${f.message}`;
        return seen.has(key) ? false : seen.add(key);
      }),
    );
  };
}
