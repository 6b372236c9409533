// Holes are moved on the drawing of the floor.

import { bounded, type Handles, rowsOf, typed, typedLength, withRow } from "../../engine/handles";

/** Seen from above, the front at the top: to the right is across, down is along. */
export const handles: Handles = {
  of: (draft) =>
    rowsOf(draft, "holes").map((r, i) => ({
      id: String(i),
      says: `${r.name}`,
      at: [typedLength(r.across), typedLength(draft["floor.length"]) - typedLength(r.along)],
      w: Math.max(typedLength(r.d), 60),
      h: Math.max(typedLength(r.d), 60),
      step: 1,
    })),
  move: (draft, _results, id, dx, dy) => {
    const r = rowsOf(draft, "holes")[Number(id)];
    if (!dx && !dy) return draft;
    return withRow(draft, "holes", Number(id), {
      across: typed(bounded(typedLength(r.across) + dx, typedLength(draft["floor.width"]))),
      along: typed(bounded(typedLength(r.along) - dy, typedLength(draft["floor.length"]))),
    });
  },
};
