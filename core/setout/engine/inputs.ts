// What a calculator asks for, said once: type, schema, form, help and command line all come from these.

/** Where a figure comes from: the van, what was chosen or is on the packet, the tape, or the house's own figures. */
export type From = "van" | "chosen" | "measured" | "house";

/** What may be said of an input besides its label. */
export interface Told {
  unit?: string;
  from?: From;
  /** Seldom asked: folded away until somebody opens it. House figures always are. */
  rare?: true;
  /** Where it is read or measured, and why it is asked: one short sentence. */
  help?: string;
}

type Kind = "length" | "number" | "text" | "flag" | "choice" | "polygon" | "numbers" | "texts" | "readings" | "place";

/** One figure, word, tick or list. `needed` is false where it may be left out. */
export interface Leaf<T = unknown, Needed extends boolean = boolean> extends Told {
  kind: Kind;
  label: string;
  schema: object;
  needed: Needed;
  /** What it is taken as when it is left out. */
  usual?: T;
  /** Choices: what stands in the input, and how it reads. Readings: key and label of each. Places: modes and their labels. */
  options?: readonly (readonly [value: string | number, label: string])[];
  /** Only for the type. */
  value?: T;
}

/** Inputs that belong together under one name; where it may be left out, it comes whole or not at all. */
export interface Group<I extends Inputs = Inputs, Needed extends boolean = boolean> {
  kind: "group";
  inputs: I;
  needed: Needed;
  /** Each of its figures has a usual value, so that the group is there when it was left out. */
  usual?: true;
}

/** A table: as many rows of the same as there are. */
export interface Rows<I extends Inputs = Inputs, Needed extends boolean = boolean> extends Told {
  kind: "rows";
  label: string;
  /** What one row is called. */
  one: string;
  inputs: I;
  least: number;
  needed: Needed;
}

export type Input = Leaf | Group | Rows;
export interface Inputs {
  readonly [name: string]: Input;
}

type Value<X> =
  X extends Group<infer I> ? InputOf<I> : X extends Rows<infer I> ? InputOf<I>[] : X extends { value?: infer T } ? NonNullable<T> : never;
type Sure<I> = { [K in keyof I]: I[K] extends { needed: true } | { usual: unknown } ? K : never }[keyof I];
type Flat<T> = { [K in keyof T]: T[K] };

/** What `work` gets: what must be given and what has a usual value is there, the rest may be. */
export type InputOf<I extends Inputs> = Flat<{ [K in Sure<I>]: Value<I[K]> } & { [K in Exclude<keyof I, Sure<I>>]?: Value<I[K]> }>;

type Given<X> =
  X extends Group<infer I>
    ? GivenOf<I>
    : X extends Rows<infer I>
      ? readonly GivenOf<I>[]
      : X extends { value?: infer T }
        ? NonNullable<T>
        : never;
type Needed<I> = { [K in keyof I]: I[K] extends { needed: true } ? K : never }[keyof I];

/** What has to be given: the rest may be left out. */
export type GivenOf<I extends Inputs> = Flat<
  { readonly [K in Needed<I>]: Given<I[K]> } & { readonly [K in Exclude<keyof I, Needed<I>>]?: Given<I[K]> }
>;

const leaf = <T>(kind: Kind, label: string, schema: object, told: Told): Leaf<T, true> => ({ kind, label, schema, needed: true, ...told });

const BIG = 100_000;
/** A length above nothing, mm. */
export const size = (label: string, told: Told = {}) =>
  leaf<number>("length", label, { type: "number", exclusiveMinimum: 0, maximum: BIG }, told);
/** A length from nothing on, mm. */
export const length = (label: string, told: Told = {}) => leaf<number>("length", label, { type: "number", minimum: 0, maximum: BIG }, told);
/** A place along an axis, mm; may lie before its datum. */
export const position = (label: string, told: Told = {}) =>
  leaf<number>("length", label, { type: "number", minimum: -BIG, maximum: BIG }, told);
/** A figure from nothing on. */
export const amount = (label: string, told: Told = {}) => leaf<number>("number", label, { type: "number", minimum: 0, maximum: 1e6 }, told);
/** A figure above nothing. */
export const positive = (label: string, told: Told = {}) =>
  leaf<number>("number", label, { type: "number", exclusiveMinimum: 0, maximum: BIG }, told);
/** A share of one: 0.08 is 8 %. */
export const share = (label: string, told: Told = {}) => leaf<number>("number", label, { type: "number", minimum: 0, maximum: 1 }, told);
/** A figure within bounds; `above`: it does not reach the lower one. */
export const between = (label: string, [from, to]: readonly [number, number], told: Told & { above?: true } = {}) => {
  const { above, ...rest } = told;
  return leaf<number>("number", label, { type: "number", [above ? "exclusiveMinimum" : "minimum"]: from, maximum: to }, rest);
};
export const temperature = (label: string, told: Told = {}) => between(label, [-40, 80], { unit: "°C", ...told });
/** A whole number within bounds. */
export const count = (label: string, [from, to]: readonly [number, number] = [0, BIG], told: Told = {}) =>
  leaf<number>("number", label, { type: "integer", minimum: from, maximum: to }, told);
export const text = (label: string, told: Told = {}) => leaf<string>("text", label, { type: "string", minLength: 1, maxLength: 120 }, told);
/** A word of one shape, as a clock time. */
export const shaped = (label: string, pattern: string, told: Told = {}) => leaf<string>("text", label, { type: "string", pattern }, told);
const TIME = "([01]\\d|2[0-3]):[0-5]\\d";
/** A time of the day, 08:05. */
export const clockTime = (label: string, told: Told = {}) => shaped(label, `^${TIME}$`, told);
/** A time of the day, or of a day: 2026-12-01T08:05. */
export const moment = (label: string, told: Told = {}) => shaped(label, `^(\\d{4}-\\d{2}-\\d{2}T)?${TIME}$`, told);
/** The same, midnight at the end of a day as well: 24:00. */
export const momentUntil = (label: string, told: Told = {}) => shaped(label, `^(\\d{4}-\\d{2}-\\d{2}T)?(${TIME}|24:00)$`, told);
/** A day, 2026-12-01. */
export const day = (label: string, told: Told = {}) => shaped(label, "^\\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\\d|3[01])$", told);
/** A tick; left out it is none. */
export const tick = (label: string, told: Told = {}): Leaf<boolean, false> & { usual: boolean } => ({
  kind: "flag",
  label,
  schema: { type: "boolean" },
  needed: false,
  usual: false,
  ...told,
});
/** A yes or no that has to be said. */
export const yesNo = (label: string, told: Told = {}) => leaf<boolean>("flag", label, { type: "boolean" }, told);
/** One of a few. */
export const choice = <const V extends string | number>(label: string, options: readonly (readonly [V, string])[], told: Told = {}) => ({
  ...leaf<V>("choice", label, { type: typeof options[0][0] === "number" ? "integer" : "string", enum: options.map(([v]) => v) }, told),
  options,
});
/** One of a few words that stand for themselves. */
export const oneOf = <const V extends string>(label: string, options: readonly V[], told: Told = {}) =>
  choice(
    label,
    options.map((v) => [v, v] as const),
    told,
  );
/** Corners of an area, as 900/380; 2100/380; … */
export const polygon = (label: string, told: Told = {}) => {
  const corner = { type: "array", items: { type: "number", minimum: -BIG, maximum: BIG }, minItems: 2, maxItems: 2 };
  return leaf<[number, number][]>("polygon", label, { type: "array", items: corner, minItems: 3, maxItems: 200 }, told);
};
/** Figures in one field, as 25, 30, 35. */
export const numbers = (label: string, least: number, told: Told & { zero?: true } = {}) => {
  const { zero, ...rest } = told;
  const items = { type: "number", [zero ? "minimum" : "exclusiveMinimum"]: 0, maximum: BIG };
  return leaf<number[]>("numbers", label, { type: "array", items, minItems: least, maxItems: 2000 }, rest);
};
/** Words in one field, as rain hood, thermostat. */
export const texts = (label: string, told: Told = {}) =>
  leaf<string[]>("texts", label, { type: "array", items: { type: "string", minLength: 1, maxLength: 120 }, maxItems: 50 }, told);
/** Readings that are of use together only: two diagonals, four sides. */
export const readings = <const N extends readonly (readonly [key: string, label: string])[]>(label: string, names: N, told: Told = {}) => {
  const items = { type: "number", exclusiveMinimum: 0, maximum: BIG };
  const n = names.length;
  return {
    ...leaf<{ [I in keyof N]: number }>("readings", label, { type: "array", items, minItems: n, maxItems: n }, told),
    options: names as readonly (readonly [string, string])[],
  };
};
/** Centred, or so far from one of two sides: "centre", { fromLeft: 55 }. */
export const place = <const A extends string, const B extends string>(
  label: string,
  near: readonly [A, string],
  far: readonly [B, string],
  told: Told & { first?: "side" } = {},
) => {
  const { first, ...rest } = told;
  const by = (name: string) => ({
    type: "object",
    additionalProperties: false,
    required: [name],
    properties: { [name]: { type: "number", minimum: 0, maximum: BIG } },
  });
  const centred = ["centre", "centred"] as const;
  type Side<S extends string> = { [K in S]: number };
  return {
    ...leaf<"centre" | Side<A> | Side<B>>("place", label, { anyOf: [{ type: "string", enum: ["centre"] }, by(near[0]), by(far[0])] }, rest),
    options: (first === "side" ? [near, far, centred] : [centred, near, far]) as readonly (readonly [string, string])[],
  };
};

export const group = <I extends Inputs>(inputs: I): Group<I, true> => ({ kind: "group", inputs, needed: true });
/** Figures of the house under one name. */
export const houseGroup = <I extends Inputs>(inputs: I): Group<I, false> & { usual: true } => ({
  kind: "group",
  inputs,
  needed: false,
  usual: true,
});
export const rows = <I extends Inputs>(label: string, one: string, inputs: I, told: Told & { least?: number } = {}): Rows<I, true> => {
  const { least = 0, ...rest } = told;
  return { kind: "rows", label, one, inputs, least, needed: true, ...rest };
};

/** The same input, which may be left out. */
export const optional = <X extends Input>(x: X): Omit<X, "needed"> & { needed: false } => ({ ...x, needed: false });
/** The same input, which is taken as `usual` when it is left out. */
export const usual = <T, X extends Leaf<T>>(
  x: X & { value?: T },
  value: NonNullable<X["value"]>,
): Omit<X, "needed" | "usual"> & { needed: false; usual: NonNullable<X["value"]> } => ({
  ...x,
  needed: false,
  usual: value,
});
/** A figure of the house: taken as `value` when it is left out, and folded away. */
export const house = <T, X extends Leaf<T>>(x: X & { value?: T }, value: NonNullable<X["value"]>) => ({
  ...usual(x, value),
  from: "house" as const,
});
