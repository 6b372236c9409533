// Holds a value against a JSON Schema. On a server by compiled code (Ajv); in a browser by reading the schema each time
// (jsonschema), since our pages let no text be run as code. Both find the same faults.

import Ajv, { type ValidateFunction } from "ajv";
import { type Schema, type ValidationError, Validator } from "jsonschema";
import { YEARS } from "../time/bounds";
import { parseDate, parseLocal } from "../time/zone";

/** A fault as Ajv tells it: which keyword, where, and what it asked for. */
export interface SchemaFault {
  keyword: string;
  /** Path of the value, as a JSON pointer. */
  instancePath: string;
  // biome-ignore lint/suspicious/noExplicitAny: what is in it depends on the keyword
  params: Record<string, any>;
  message?: string;
}

const inYears = (text: string): boolean => +text.slice(0, 4) >= YEARS[0] && +text.slice(0, 4) <= YEARS[1];

/** Days and times that the calendar has: 31 February is none, and neither is the year 9999. */
const FORMATS: Record<string, (text: string) => boolean> = {
  day: (text) => inYears(text) && !Number.isNaN(parseDate(text)),
  "local-time": (text) => inYears(text) && !Number.isNaN(parseLocal(text)),
};

const inBrowser = typeof document !== "undefined" || "WorkerGlobalScope" in globalThis;

/** What finds the faults of a value; none: the value is as the schema says. */
export const validatorOf = (schema: object): ((value: unknown) => SchemaFault[]) => (inBrowser ? reading(schema) : compiled(schema));

let ajv: Ajv | undefined;

/** By code that is made from the schema once: when it is first asked for, as a server that starts does not need all of it at once. */
export function compiled(schema: object): (value: unknown) => SchemaFault[] {
  let validate: ValidateFunction | undefined;
  return (value) => {
    validate ??= compilerOf().compile(schema);
    return validate(value) ? [] : (validate.errors ?? []);
  };
}

function compilerOf(): Ajv {
  if (!ajv) {
    ajv = new Ajv({ allErrors: true, allowUnionTypes: true, strict: false });
    for (const [name, good] of Object.entries(FORMATS)) ajv.addFormat(name, good);
  }
  return ajv;
}

let reader: Validator | undefined;

/** By reading the schema. */
export function reading(schema: object): (value: unknown) => SchemaFault[] {
  if (!reader) {
    reader = new Validator();
    for (const [name, good] of Object.entries(FORMATS)) reader.customFormats[name] = (v: unknown) => typeof v !== "string" || good(v);
  }
  const by = reader;
  return (value) => by.validate(value, schema as Schema, { nestedErrors: true }).errors.map(asFault);
}

const pointer = (path: readonly (string | number)[]): string =>
  path.map((p) => `/${String(p).replace(/~/g, "~0").replace(/\//g, "~1")}`).join("");

function asFault(e: ValidationError): SchemaFault {
  const base = { keyword: e.name, instancePath: pointer(e.path) };
  const a = e.argument as never;
  switch (e.name) {
    case "required":
      return { ...base, params: { missingProperty: a } };
    case "additionalProperties":
      return { ...base, params: { additionalProperty: a } };
    case "enum":
      return { ...base, params: { allowedValues: a } };
    case "const":
      return { ...base, params: { allowedValue: a } };
    case "type":
      return { ...base, params: { type: a } };
    case "pattern":
      return { ...base, params: { pattern: a } };
    case "format":
      return { ...base, params: { format: a } };
    case "uniqueItems":
      return { ...base, params: { i: doubled(e.instance as unknown[]) } };
    default:
      return { ...base, params: { limit: a }, message: LIMITS[e.name]?.(a) };
  }
}

/** The first that is there a second time. */
function doubled(list: readonly unknown[]): number {
  const seen = new Set<string>();
  return list.findIndex((v) => {
    const text = JSON.stringify(v);
    return seen.has(text) || !seen.add(text);
  });
}

/** The words that the compiled code has for a limit. */
const LIMITS: Record<string, (limit: unknown) => string> = {
  minimum: (n) => `must be >= ${n}`,
  maximum: (n) => `must be <= ${n}`,
  exclusiveMinimum: (n) => `must be > ${n}`,
  exclusiveMaximum: (n) => `must be < ${n}`,
  multipleOf: (n) => `must be multiple of ${n}`,
  minLength: (n) => `must NOT have fewer than ${n} characters`,
  maxLength: (n) => `must NOT have more than ${n} characters`,
  minItems: (n) => `must NOT have fewer than ${n} items`,
  maxItems: (n) => `must NOT have more than ${n} items`,
  minProperties: (n) => `must NOT have fewer than ${n} properties`,
  maxProperties: (n) => `must NOT have more than ${n} properties`,
};
