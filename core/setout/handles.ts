// What can be taken hold of in a set-out drawing, and what a move writes back into the figures as they are typed.

import { parseLength } from "./lengths";
import type { Outcome } from "./model";
import type { SheetDraft } from "./prefill";

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

interface Kind {
  of(draft: SheetDraft, results: Record<string, unknown>): Handle[];
  move(draft: SheetDraft, results: Record<string, unknown>, id: string, dx: number, dy: number): SheetDraft;
}

interface Box {
  left: number;
  right: number;
  bottom: number;
  top: number;
}

const text = (n: number) => String(Math.round(n * 10) / 10);
const within = (x: number, most: number) => Math.min(Math.max(0, x), Math.max(0, most));
/** A length as it was typed, in mm; NaN where it makes no sense. */
function typed(v: unknown): number {
  try {
    return parseLength(String(v ?? ""), "");
  } catch {
    return Number.NaN;
  }
}
const rowsOf = (draft: SheetDraft, key: string): SheetDraft[] => (Array.isArray(draft[key]) ? (draft[key] as SheetDraft[]) : []);

/** One row with other figures. */
const withRow = (draft: SheetDraft, key: string, at: number, patch: SheetDraft): SheetDraft => ({
  ...draft,
  [key]: rowsOf(draft, key).map((r, i) => (i === at ? { ...r, ...patch } : r)),
});

/** The cut stays in its field and keeps the side that it is measured from; one that was centred is measured from left or bottom. */
const opening: Kind = {
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
      const away = draft[`${key}.mode`] === back;
      next[`${key}.mode`] = away ? back : from;
      next[`${key}.by`] = text(within(away ? far - d : near + d, near + far));
    };
    shift("along", dx, lands.left, lands.right, ["fromLeft", "fromRight"]);
    shift("up", dy, lands.bottom, lands.top, ["fromBottom", "fromTop"]);
    return next;
  },
};

/** A unit's wish becomes the place that it is moved to; the search takes it there if the roof has it, else as near as it can. */
const roofPlan: Kind = {
  of: (draft, results) =>
    (results.placed as { name: string; at: number; across: number }[]).map((p) => {
      const row = rowsOf(draft, "items").find((r) => r.name === p.name);
      return {
        id: p.name,
        says: p.name,
        at: [p.at, p.across],
        w: typed(row?.["overall.length"]) || 100,
        h: typed(row?.["overall.width"]) || 100,
        step: 10,
      };
    }),
  move: (draft, results, id, dx, dy) => {
    const p = (results.placed as { name: string; at: number; across: number }[]).find((x) => x.name === id);
    if (!p || (!dx && !dy)) return draft;
    const row = rowsOf(draft, "items").findIndex((r) => r.name === id);
    return withRow(draft, "items", row, { "wish.at": text(Math.max(0, p.at + dx)), "wish.across": text(Math.max(0, p.across + dy)) });
  },
};

/** Seen from above, the front at the top: to the right is across, down is along. */
const underFloor: Kind = {
  of: (draft) =>
    rowsOf(draft, "holes").map((r, i) => ({
      id: String(i),
      says: `${r.name}`,
      at: [typed(r.across), typed(draft["floor.length"]) - typed(r.along)],
      w: Math.max(typed(r.d), 60),
      h: Math.max(typed(r.d), 60),
      step: 1,
    })),
  move: (draft, _results, id, dx, dy) => {
    const r = rowsOf(draft, "holes")[Number(id)];
    if (!dx && !dy) return draft;
    return withRow(draft, "holes", Number(id), {
      across: text(within(typed(r.across) + dx, typed(draft["floor.width"]))),
      along: text(within(typed(r.along) - dy, typed(draft["floor.length"]))),
    });
  },
};

const KINDS: Record<string, Kind> = { opening, "roof-plan": roofPlan, "under-floor": underFloor };

/** The handles of a sheet's drawing; none for what has no place in it. */
export function handlesOf(name: string, draft: SheetDraft, o: Outcome): Handle[] {
  return (KINDS[name]?.of(draft, o.results) ?? []).filter((h) => h.at.every(Number.isFinite));
}

/** The draft after a handle was moved by dx, dy (mm, drawing's axes) from where it stood in that draft and its outcome. */
export function moved(name: string, draft: SheetDraft, o: Outcome, id: string, dx: number, dy: number): SheetDraft {
  const handle = handlesOf(name, draft, o).find((h) => h.id === id);
  if (!handle) return draft;
  const whole = (d: number) => Math.round(d / handle.step) * handle.step;
  return KINDS[name].move(draft, o.results, id, whole(dx), whole(dy));
}
