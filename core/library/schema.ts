// JSON Schema of the job library (one file a stage) and of the vans; types derive from them.

import type { FromSchema } from "json-schema-to-ts";

const text = { type: "string", minLength: 1, maxLength: 300 } as const;
const texts = { type: "array", items: text } as const;
const code = { type: "string", pattern: "^[A-Z]{2}-\\d{2}$" } as const;
const minutes = { type: "integer", minimum: 1 } as const;

export const STAGES = ["strip", "openings", "insulation", "framing", "panels", "furniture", "services"] as const;
export type Stage = (typeof STAGES)[number];

export const SCHOOLS = ["services-first", "insulation-first"] as const;

const entry = {
  type: "object",
  additionalProperties: false,
  required: ["code", "name", "minutes", "place", "zones", "crew", "after", "steps", "cautions"],
  properties: {
    code,
    name: text,
    minutes: {
      type: "object",
      additionalProperties: false,
      required: ["best", "likely", "worst"],
      properties: { best: minutes, likely: minutes, worst: minutes },
    },
    place: { type: "string", enum: ["van", "bench"] },
    yardOk: { type: "boolean" },
    bay: texts,
    zones: texts,
    crew: {
      type: "array",
      minItems: 1,
      items: {
        type: "object",
        additionalProperties: false,
        required: ["skill"],
        properties: {
          skill: text,
          level: { type: "integer", minimum: 1, maximum: 3 },
          count: { type: "integer", minimum: 1 },
          ticket: text,
        },
      },
    },
    needs: {
      type: "object",
      additionalProperties: false,
      properties: {
        dry: { type: "boolean" },
        daylight: { type: "boolean" },
        minTempC: { type: "number" },
        noisy: { type: "boolean" },
        sameDay: { type: "boolean" },
      },
    },
    hold: {
      type: "object",
      additionalProperties: false,
      required: ["minutes"],
      properties: {
        minutes,
        still: { type: "boolean" },
        keepOff: texts,
        minTempC: { type: "number" },
      },
    },
    after: {
      type: "array",
      items: {
        type: "object",
        additionalProperties: false,
        required: ["job", "reason"],
        properties: { job: code, reason: text, ignoreHold: { type: "boolean" }, school: { type: "string", enum: SCHOOLS } },
      },
    },
    covers: { type: "array", items: code },
    coversBySchool: {
      type: "object",
      additionalProperties: false,
      properties: {
        "services-first": { type: "array", items: code },
        "insulation-first": { type: "array", items: code },
      },
    },
    proof: {
      type: "array",
      items: {
        type: "object",
        additionalProperties: false,
        required: ["text", "beforeCloseUp"],
        properties: { text, beforeCloseUp: { type: "boolean" } },
      },
    },
    parts: {
      type: "array",
      items: {
        type: "object",
        additionalProperties: false,
        required: ["name", "quantity", "unit", "supplier"],
        properties: { name: text, quantity: { type: "number", exclusiveMinimum: 0 }, unit: text, supplier: text },
      },
    },
    kit: texts,
    steps: { type: "array", items: text, minItems: 3 },
    cautions: { type: "array", items: text, minItems: 1 },
    when: {
      type: "object",
      additionalProperties: false,
      required: ["option"],
      properties: { option: { type: "string", enum: ["swivels", "fan", "solar", "gas", "heater"] } },
    },
    each: { type: "string", enum: ["windows"] },
  },
} as const;

export const stageSchema = {
  type: "object",
  additionalProperties: false,
  required: ["stage", "jobs"],
  properties: { stage: { type: "string", enum: STAGES }, jobs: { type: "array", items: entry } },
} as const;

export type StageFile = FromSchema<typeof stageSchema>;
export type LibraryJob = FromSchema<typeof entry>;

export const optionsSchema = {
  type: "object",
  additionalProperties: false,
  required: ["windows", "fan", "solar", "swivels", "gas", "heater", "firstFix"],
  properties: {
    windows: { type: "integer", minimum: 0, maximum: 4 },
    fan: { type: "boolean" },
    solar: { type: "boolean" },
    swivels: { type: "boolean" },
    gas: { type: "boolean" },
    heater: { type: "boolean" },
    firstFix: { type: "string", enum: SCHOOLS },
  },
} as const;

/** What the client chose, and the house's school for this build. */
export type Options = FromSchema<typeof optionsSchema>;
