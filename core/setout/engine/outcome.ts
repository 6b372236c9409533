// What every calculator gives: results, findings in words, cuts, parts, minutes, hold, mass and a drawing.

export type Level = "ok" | "warn" | "stop";

export interface Finding {
  level: Level;
  /** The input that it is about. */
  about: string;
  text: string;
  /** The place in the drawing that it is about, in the drawing's axes (mm). */
  at?: [number, number];
}

/** A piece to cut (mm). */
export interface Cut {
  name: string;
  material: string;
  w: number;
  h: number;
  t: number;
  count: number;
}

export interface Part {
  name: string;
  quantity: number;
  unit: string;
}

export type Layer = "outline" | "cut" | "centre" | "dimension" | "text";

/** Lines, circles, arcs and words in mm; x to the right, y up. */
export type Shape =
  | { kind: "line"; layer: Layer; from: [number, number]; to: [number, number] }
  | { kind: "circle"; layer: Layer; at: [number, number]; r: number }
  | { kind: "arc"; layer: Layer; at: [number, number]; r: number; from: number; to: number }
  | { kind: "text"; layer: Layer; at: [number, number]; size: number; text: string };

export interface Drawing {
  title: string;
  /** From where it is seen, and from where it is measured. */
  seen: string;
  shapes: Shape[];
}

export interface Outcome<R = Record<string, unknown>> {
  results: R;
  findings: Finding[];
  cuts: Cut[];
  parts: Part[];
  /**
   * Minutes for its job, and what of the job they cover: the whole, a named part (of which the job itself holds `held` minutes), or
   * an addition.
   */
  minutes: {
    best: number;
    likely: number;
    worst: number;
    covers: "whole" | "part" | "addition";
    what: string;
    held?: number;
  } | null;
  holdMinutes: number | null;
  massKg: number | null;
  drawing: Drawing | null;
}

/** What a calculator left open. */
export const outcome = <R>(results: R, more: Partial<Omit<Outcome<R>, "results">> = {}): Outcome<R> => ({
  results,
  findings: [],
  cuts: [],
  parts: [],
  minutes: null,
  holdMinutes: null,
  massKg: null,
  drawing: null,
  ...more,
});

/** To a hundredth, without the dust of binary fractions. */
export const round = (x: number, digits = 2): number => {
  const f = 10 ** digits;
  return Math.round((x + Number.EPSILON * Math.sign(x)) * f) / f;
};

/** A length in words: whole and half millimetres as they are, else to a tenth. */
export const mm = (x: number): string => `${round(x, 1)}`;
