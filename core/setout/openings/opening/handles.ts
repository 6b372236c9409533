// The cut of an opening is moved within its field.

import { bounded, type Handles, typed } from "../../engine/handles";

interface Box {
  left: number;
  right: number;
  bottom: number;
  top: number;
}

/** The cut stays in its field and keeps the side that it is measured from; one that was centred is measured from left or bottom. */
export const handles: Handles = {
  of: (_draft, results) => {
    const e = results.edges as Box;
    return [
      {
        id: "cut",
        says: "the cut",
        at: [(e.left + e.right) / 2, (e.bottom + e.top) / 2],
        w: e.right - e.left,
        h: e.top - e.bottom,
        step: 1,
      },
    ];
  },
  move: (draft, results, _id, dx, dy) => {
    const lands = results.lands as Box;
    const next = { ...draft };
    const shift = (key: "along" | "up", d: number, near: number, far: number, [from, back]: [string, string]) => {
      if (!d) return;
      const away = draft[`place.${key}.mode`] === back;
      next[`place.${key}.mode`] = away ? back : from;
      next[`place.${key}.by`] = typed(bounded(away ? far - d : near + d, near + far));
    };
    shift("along", dx, lands.left, lands.right, ["fromLeft", "fromRight"]);
    shift("up", dy, lands.bottom, lands.top, ["fromBottom", "fromTop"]);
    return next;
  },
};
