// What can be taken hold of in a set-out drawing, and what a move writes back into the figures as they are typed.

import { parseLength } from "../lengths";
import type { Draft } from "./form";

export interface Handle {
  id: string;
  /** What is moved, in words. */
  says: string;
  /** Its middle and its size in the drawing's axes (mm). */
  at: [number, number];
  w: number;
  h: number;
  /** The least move (mm): a roof's places lie on a grid of 10. */
  step: number;
}

/** What a calculator says of its handles; dx and dy in mm, in the drawing's axes. */
export interface Handles {
  of(draft: Draft, results: Record<string, unknown>): Handle[];
  move(draft: Draft, results: Record<string, unknown>, id: string, dx: number, dy: number): Draft;
}

/** A figure as it is typed, to a tenth. */
export const typed = (n: number): string => String(Math.round(n * 10) / 10);

/** A length as it was typed, in mm; NaN where it makes no sense. */
export function typedLength(v: unknown): number {
  try {
    return parseLength(String(v ?? ""), "");
  } catch {
    return Number.NaN;
  }
}

/** Between nothing and the most there is. */
export const bounded = (x: number, most: number): number => Math.min(Math.max(0, x), Math.max(0, most));

export const rowsOf = (draft: Draft, key: string): Draft[] => (Array.isArray(draft[key]) ? (draft[key] as Draft[]) : []);

/** One row with other figures. */
export const withRow = (draft: Draft, key: string, at: number, patch: Draft): Draft => ({
  ...draft,
  [key]: rowsOf(draft, key).map((r, i) => (i === at ? { ...r, ...patch } : r)),
});

type Movable = { handles?: Handles };

/** The handles of a sheet's drawing; none for what has no place in it. */
export const handlesOf = (c: Movable, draft: Draft, o: { results: Record<string, unknown> }): Handle[] =>
  (c.handles?.of(draft, o.results) ?? []).filter((h) => h.at.every(Number.isFinite));

/** The draft after a handle was moved by dx, dy (mm, drawing's axes) from where it stood in that draft and its outcome. */
export function moved(c: Movable, draft: Draft, o: { results: Record<string, unknown> }, id: string, dx: number, dy: number): Draft {
  const handle = handlesOf(c, draft, o).find((h) => h.id === id);
  if (!handle) return draft;
  const whole = (d: number) => Math.round(d / handle.step) * handle.step;
  return c.handles!.move(draft, o.results, id, whole(dx), whole(dy));
}
