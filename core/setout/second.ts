// The second measuring of a mark-out, from the other datum: what has to be read there, and whether the two agree.

import type { Outcome } from "./model";

/** Two measurings agree within this, mm. */
export const AGREE_MM = 2;

export interface SecondReading {
  /** Stable within one sheet. */
  name: string;
  /** What is read, and from where. */
  label: string;
  /** What it comes to if the first measuring is right, mm. */
  expected: number;
}

type Any = Record<string, unknown>;
const n = (v: unknown) => v as number;
const r = (x: number) => Math.round(x * 10) / 10;

/**
 * Readings from the other datum for the outcome of a calculator: openings from the right and the upper crease and both
 * diagonals, roof units from the rear edge and the right, holes through the floor from the rear and the right. None for
 * sheets that mark nothing out.
 */
export function secondReadings(name: string, input: Any, o: Outcome): SecondReading[] {
  if (name === "opening") {
    const field = input.field as Record<string, number>;
    const e = (o.results as { edges: Record<string, number> }).edges;
    return [
      { name: "right", label: "From the field's right edge to the cut", expected: r(field.right - e.right) },
      { name: "top", label: "From the upper crease down to the cut", expected: r(field.top - e.top) },
      { name: "diagonal", label: "Diagonal of the cut's square corners", expected: r(n((o.results as Any).diagonal)) },
      { name: "other", label: "The other diagonal", expected: r(n((o.results as Any).diagonal)) },
    ];
  }
  if (name === "roof-plan") {
    const roof = input.roof as { length: number; width: number };
    return ((o.results as { placed: { name: string; at: number; across: number }[] }).placed ?? []).flatMap((p) => [
      { name: `${p.name} rear`, label: `${p.name}: from the roof's rear edge to its centre`, expected: r(roof.length - p.at) },
      { name: `${p.name} right`, label: `${p.name}: from the right edge to its centre`, expected: r(roof.width - p.across) },
    ]);
  }
  if (name === "under-floor") {
    const floor = input.floor as { length: number; width: number };
    return (input.holes as { name: string; along: number; across: number }[]).flatMap((h) => [
      { name: `${h.name} rear`, label: `${h.name}: from the rear sill to its centre`, expected: r(floor.length - h.along) },
      { name: `${h.name} right`, label: `${h.name}: from the right skin to its centre`, expected: r(floor.width - h.across) },
    ]);
  }
  return [];
}

/** The readings that differ from what the first measuring says, with both; empty when all agree. */
export function disagreements(
  wanted: readonly SecondReading[],
  read: Readonly<Record<string, number>>,
): { label: string; first: number; second: number | null }[] {
  return wanted
    .filter((w) => read[w.name] === undefined || Math.abs(read[w.name] - w.expected) > AGREE_MM)
    .map((w) => ({ label: w.label, first: w.expected, second: read[w.name] ?? null }));
}
