// Faults in what was given: where, what, what was expected. Shared by the CLI, imports and forms.

import { YEARS } from "../time/bounds";
import { type SchemaFault, validatorOf } from "./validate";

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

const FORMATS: Record<string, string> = {
  day: `expected a date from ${YEARS[0]} to ${YEARS[1]} that the calendar has, as YYYY-MM-DD`,
  "local-time": `expected a date and time from ${YEARS[0]} to ${YEARS[1]} that the calendar has, as YYYY-MM-DDTHH:MM`,
};

/** More faults than these are counted, not listed. */
const MOST_FAULTS = 100;
/** What is nested deeper than this is no form and no file of ours. */
const DEEPEST = 60;

const dotted = (pointer: string) =>
  pointer
    .split("/")
    .slice(1)
    .map((p) => p.replace(/~1/g, "/").replace(/~0/g, "~"))
    .reduce((path, p) => (/^\d+$/.test(p) ? `${path}[${p}]` : path ? `${path}.${p}` : p), "");

function words(e: SchemaFault): Fault {
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
    case "format":
      return { path: path || "(file)", message: FORMATS[e.params.format] ?? "is not as expected" };
    case "uniqueItems":
      return { path: `${path}[${e.params.i}]`, message: "is there twice" };
    case "pattern":
      return { path: path || "(file)", message: `expected ${shape(e.params.pattern)}` };
    default:
      return { path: path || "(file)", message: e.message ?? "is not as expected" };
  }
}

const join = (path: string, field: string) => (path ? `${path}.${field}` : field);

/** Patterns of our schemas, in words. */
const SHAPES: Readonly<Record<string, string>> = {
  "\\S": "some text",
  "^[A-Z]{2}-\\d{2}$": "a job code: two capital letters, a dash, two digits",
  "^[A-Z2-7]{32}$": "the key as it was shown: 32 letters and digits",
  "^[a-z0-9.-]{2,40}$": "2 to 40 small letters, digits, dots or dashes",
};

function shape(pattern: string): string {
  if (pattern.includes("T")) return "a local time YYYY-MM-DDTHH:MM";
  if (pattern.startsWith("^\\d{4}")) return "a date YYYY-MM-DD";
  if (pattern.includes("24:00")) return "a clock time HH:MM";
  return SHAPES[pattern] ?? "letters, digits, dots and dashes only";
}

/** Object fields that are null count as absent. Throws InputError where it is nested too deeply, or a field has a name that no field may have. */
export function withoutNulls(value: unknown, depth = 0): unknown {
  if (depth > DEEPEST) throw new InputError([{ path: "(file)", message: `is nested more than ${DEEPEST} deep` }]);
  if (Array.isArray(value)) return value.map((v) => withoutNulls(v, depth + 1));
  if (value && typeof value === "object") {
    const out: Record<string, unknown> = {};
    for (const [k, v] of Object.entries(value)) {
      if (k === "__proto__") throw new InputError([{ path: k, message: "is no name for a field" }]);
      if (v !== null) out[k] = withoutNulls(v, depth + 1);
    }
    return out;
  }
  return value;
}

/** The first hundred faults, and how many more there are. */
export function cappedFaults(faults: readonly Fault[]): Fault[] {
  if (faults.length <= MOST_FAULTS) return [...faults];
  return [...faults.slice(0, MOST_FAULTS), { path: "(more)", message: `and ${faults.length - MOST_FAULTS} more faults` }];
}

/** Makes a reader for one schema: returns the value, typed, or throws InputError with every fault. */
export function reader<T>(schema: object): (value: unknown) => T {
  const faultsOf = validatorOf(schema);
  return (value) => {
    const clean = withoutNulls(value);
    const found = faultsOf(clean);
    if (!found.length) return clean as T;
    const faults = found.filter((e) => e.keyword !== "anyOf").map(words);
    const seen = new Set<string>();
    throw new InputError(
      cappedFaults(
        faults.filter((f) => {
          const key = `${f.path} ${f.message}`;
          return seen.has(key) ? false : seen.add(key);
        }),
      ),
    );
  };
}
