// JSON Schema of the job library (one file a stage, or the whole for export); types derive from it.

import type { FromSchema } from "json-schema-to-ts";
import { OPTION_KEYS } from "./options";
import { ROLE_NAMES } from "./roles";

const text = { type: "string", minLength: 1, maxLength: 300 } as const;
const texts = { type: "array", items: text } as const;
const code = { type: "string", pattern: "^[A-Z]{2}-\\d{2}$" } as const;
const minutes = { type: "integer", minimum: 1 } as const;
const formula = { type: ["string", "number"] } as const;

export const STAGES = ["strip", "openings", "insulation", "framing", "panels", "furniture", "services"] as const;
export type Stage = (typeof STAGES)[number];

const condition = {
  type: "object",
  propertyNames: { enum: OPTION_KEYS },
  additionalProperties: { type: ["boolean", "array"], items: { type: "string" } },
} as const;
/** One condition, or several of which any will do. */
const when = { anyOf: [condition, { type: "array", minItems: 1, items: condition }] } as const;

const crew = {
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
} as const;

const needs = {
  type: "object",
  additionalProperties: false,
  properties: {
    dry: { type: "boolean" },
    daylight: { type: "boolean" },
    minTempC: { type: "number" },
    maxTempC: { type: "number" },
    metal: { type: "boolean" },
    maxWindMs: { type: "number", exclusiveMinimum: 0 },
    noisy: { type: "boolean" },
    sameDay: { type: "boolean" },
  },
} as const;

const hold = {
  type: "object",
  additionalProperties: false,
  required: ["minutes"],
  properties: { minutes, still: { type: "boolean" }, keepOff: texts, minTempC: { type: "number" } },
} as const;

/** What a job is like for those around it. */
export const TAGS = ["dust", "big-sheet", "water", "coat"] as const;
export type Tag = (typeof TAGS)[number];
/** The ways in which a job can't be undone, or a step matters to an order rule. */
export const IRREVERSIBLE = ["cut", "bond", "tank", "screw-down", "close-up"] as const;
export const DEEDS = ["cut", "edge", "set", "swarf", "seal", "test", "degrease", "access", "photo"] as const;

const entry = {
  type: "object",
  additionalProperties: false,
  required: ["code", "name", "minutes", "place", "zones", "crew", "after", "steps", "cautions"],
  properties: {
    code,
    name: text,
    // What rules of the workshop ask for.
    roles: { type: "array", uniqueItems: true, items: { type: "string", enum: ROLE_NAMES } },
    minutes: {
      type: "object",
      additionalProperties: false,
      required: ["best", "likely", "worst"],
      properties: { best: minutes, likely: minutes, worst: minutes },
    },
    scale: formula,
    pieces: {
      type: "object",
      additionalProperties: false,
      required: ["name", "count"],
      properties: { name: text, count: formula, first: { type: "boolean" } },
    },
    place: { type: "string", enum: ["van", "bench"] },
    yardOk: { type: "boolean" },
    bay: texts,
    zones: texts,
    crew,
    needs,
    hold,
    when,
    each: { type: "string", enum: ["windows"] },
    after: {
      type: "array",
      items: {
        type: "object",
        additionalProperties: false,
        required: ["job", "reason"],
        properties: { job: code, reason: text, ignoreHold: { type: "boolean" }, when },
      },
    },
    covers: {
      type: "array",
      items: { type: "object", additionalProperties: false, required: ["job"], properties: { job: code, when } },
    },
    irreversible: { type: "string", enum: IRREVERSIBLE },
    ask: {
      type: "array",
      items: { type: "object", additionalProperties: false, required: ["text"], properties: { text, when } },
    },
    steps: {
      type: "array",
      minItems: 5,
      maxItems: 16,
      items: {
        type: "object",
        additionalProperties: false,
        required: ["text"],
        properties: { text, does: { type: "string", enum: DEEDS }, when },
      },
    },
    cautions: { type: "array", items: text, minItems: 1 },
    tools: texts,
    tags: { type: "array", uniqueItems: true, items: { type: "string", enum: TAGS } },
    kit: texts,
    parts: {
      type: "array",
      items: {
        type: "object",
        additionalProperties: false,
        required: ["name", "quantity", "unit", "supplier"],
        properties: {
          name: text,
          quantity: formula,
          unit: text,
          supplier: text,
          price: { type: "number", minimum: 0 },
          contents: { ...texts, maxItems: 40 },
          when,
        },
      },
    },
    proof: {
      type: "array",
      items: {
        type: "object",
        additionalProperties: false,
        required: ["text", "beforeCloseUp"],
        properties: { text, beforeCloseUp: { type: "boolean" }, when },
      },
    },
    remainders: {
      type: "array",
      items: {
        type: "object",
        additionalProperties: false,
        required: ["text", "before"],
        properties: { text, before: code, when },
      },
    },
    faults: {
      type: "array",
      items: {
        type: "object",
        additionalProperties: false,
        required: ["sign", "causes"],
        properties: {
          sign: text,
          causes: {
            type: "array",
            minItems: 2,
            items: { type: "object", additionalProperties: false, required: ["cause", "test"], properties: { cause: text, test: text } },
          },
        },
      },
    },
    timeBox: { type: "number", minimum: 1, maximum: 5 },
    makerMinutes: { type: "integer", minimum: 1, maximum: 10_000 },
    setOut: texts,
    variants: {
      type: "array",
      items: {
        type: "object",
        additionalProperties: false,
        required: ["when", "means"],
        properties: {
          when,
          means: text,
          times: { type: "number", exclusiveMinimum: 0, maximum: 5 },
          crew,
          needs,
          hold,
          zones: texts,
          place: { type: "string", enum: ["van", "bench"] },
          yardOk: { type: "boolean" },
          name: text,
        },
      },
    },
  },
} as const;

export const stageSchema = {
  type: "object",
  additionalProperties: false,
  required: ["stage", "jobs"],
  properties: { stage: { type: "string", enum: STAGES }, jobs: { type: "array", items: entry } },
} as const;

export const LIBRARY_FORMAT = "wide-lane/library@1";

/** A whole library in one file, for export and import. */
export const librarySchema = {
  type: "object",
  additionalProperties: false,
  required: ["format", "jobs"],
  properties: {
    format: { const: LIBRARY_FORMAT },
    name: text,
    jobs: { type: "array", minItems: 1, items: entry },
  },
} as const;

export type StageFile = FromSchema<typeof stageSchema>;
export type LibraryFile = FromSchema<typeof librarySchema>;
export type LibraryJob = FromSchema<typeof entry>;
