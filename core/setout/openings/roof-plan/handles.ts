// Units are moved on the drawing of the roof.

import { type Handles, rowsOf, typed, typedLength, withRow } from "../../engine/handles";

/** A unit's wish becomes the place that it is moved to; the search takes it there if the roof has it, else as near as it can. */
export const handles: Handles = {
  of: (draft, results) =>
    (results.placed as { name: string; at: number; across: number }[]).map((p) => {
      const row = rowsOf(draft, "items").find((r) => r.name === p.name);
      return {
        id: p.name,
        says: p.name,
        at: [p.at, p.across],
        w: typedLength(row?.["overall.length"]) || 100,
        h: typedLength(row?.["overall.width"]) || 100,
        step: 10,
      };
    }),
  move: (draft, results, id, dx, dy) => {
    const p = (results.placed as { name: string; at: number; across: number }[]).find((x) => x.name === id);
    if (!p || (!dx && !dy)) return draft;
    const row = rowsOf(draft, "items").findIndex((r) => r.name === id);
    return withRow(draft, "items", row, { "wish.at": typed(Math.max(0, p.at + dx)), "wish.across": typed(Math.max(0, p.across + dy)) });
  },
};
