// Pieces of schema for the kinds whose forms are their own.

export const text = { type: "string", maxLength: 500 } as const;
export const someWords = { ...text, minLength: 1, pattern: "\\S" } as const;
export const anyNumber = { type: "number", minimum: -1_000_000, maximum: 1_000_000 } as const;

/** An object with these fields and no others. */
export const shape = (required: Record<string, object>, optional: Record<string, object>) => ({
  type: "object",
  additionalProperties: false,
  required: Object.keys(required),
  properties: { ...required, ...optional },
});
