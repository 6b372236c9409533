// The figures of a set-out sheet in words: what each is called and its unit, as its calculator says.

import { sayInches } from "../lengths";
import type { Said } from "./define";

interface Named {
  results: Readonly<Record<string, Said>>;
}

/** "corner holes" for cornerHoles: a name that stands in no calculator's list, as of a unit that somebody named. */
const spaced = (key: string): string => key.replace(/([a-z0-9])([A-Z])/g, (_m, a: string, b: string) => `${a} ${b.toLowerCase()}`);

/** What a result of a calculator is called. */
export const labelOf = (c: Named, key: string): string => c.results[key]?.[0] ?? spaced(key);
const unitOf = (c: Named, key: string): string => c.results[key]?.[1] ?? "";

export interface SaidResult {
  label: string;
  /** One line, or one line for each of several. */
  lines: string[];
  /** Several figures together, or more than one line. */
  long: boolean;
}

function sayOne(c: Named, v: unknown, key: string, inches: boolean): string {
  if (v === null) return "none";
  if (typeof v === "number") {
    const unit = unitOf(c, key);
    if (unit === "mm" && inches) return sayInches(v);
    return unit ? `${v} ${unit}` : String(v);
  }
  if (typeof v === "boolean") return v ? "yes" : "no";
  if (Array.isArray(v)) return v.length ? v.map((x) => sayOne(c, x, key, inches)).join("; ") : "none";
  if (typeof v === "object")
    return Object.entries(v as object)
      .filter(([k]) => k !== "pieces")
      .map(([k, x]) => (k === "name" || k === "verdict" ? String(x) : `${labelOf(c, k)} ${sayOne(c, x, k, inches)}`))
      .join(", ");
  return String(v);
}

/**
 * The results of a sheet as lines to read. `inches`: lengths to the nearest sixteenth of an inch instead of mm.
 * sayResults(sealant, { ml: 289.2, packs: 1 }) is [{ label: "sealant", lines: ["289.2 ml"], … }, { label: "packs", lines: ["1"], … }].
 */
export function sayResults(c: Named, results: Readonly<Record<string, unknown>>, inches = false): SaidResult[] {
  return Object.entries(results).map(([k, v]) => ({
    label: labelOf(c, k),
    lines: Array.isArray(v) && v.length > 1 ? v.map((x) => sayOne(c, x, k, inches)) : [sayOne(c, v, k, inches)],
    long: typeof v === "object" && v !== null,
  }));
}
