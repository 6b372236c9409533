// A window against what comes later: wall lines, the hand and arc of a sash, the opening opposite, dents it could take away.

import { calculator, type Finding, is, list, mm, object, outcome, round } from "./model";

interface Input {
  field: { from: number; to: number };
  cut: number;
  minLand: number;
  wish: number;
  walls?: { name: string; at: number }[];
  stack: { frame: number; lining: number; trim: number };
  sashHand?: number;
  opposite?: { from: number };
  symmetry?: number;
  dents?: { at: number }[];
}

/** A hand beside an opening sash, and how far opposite edges may differ, mm. House figures. */
const HAND = 70;
const SYMMETRY = 5;
/** Shifts are tried in steps of so many mm. */
const STEP = 5;

const schema = object(
  {
    field: object({ from: is.position, to: is.position }),
    cut: is.size,
    minLand: is.mm,
    wish: is.position,
    stack: object({ frame: is.mm, lining: is.mm, trim: is.mm }),
  },
  {
    walls: list(object({ name: is.name, at: is.position })),
    sashHand: is.mm,
    opposite: object({ from: is.position }),
    symmetry: is.mm,
    dents: list(object({ at: is.position })),
  },
);

/**
 * From, the window's left edge, in steps of 5 over the field: lands ≥ least; frame + lining + trim off every wall line (and
 * a hand's width for a sash); opposite edges within 5 or the lead accepts. Ranked by error of symmetry beyond that, dents taken away,
 * distance from the wish.
 */
export const inLine = calculator<Input>(
  { name: "in-line", title: "In line with what comes later" },
  schema,
  ({ field, cut }) => (field.to - field.from < cut ? [{ path: "cut", message: "is wider than the field" }] : []),
  ({ field, cut, minLand, wish, walls = [], stack, sashHand, opposite, symmetry = SYMMETRY, dents = [] }) => {
    const off = round(stack.frame + stack.lining + stack.trim + (sashHand === undefined ? 0 : Math.max(HAND, sashHand)));
    const clear = (from: number) => walls.every((w) => from >= w.at + off || from + cut <= w.at - off);
    const first = field.from + minLand;
    const last = field.to - minLand - cut;
    const tries = new Set([wish, first, last]);
    for (let x = Math.ceil(first / STEP) * STEP; x <= last; x += STEP) tries.add(x);
    const rows = [...tries]
      .filter((x) => x >= first - 1e-9 && x <= last + 1e-9 && clear(x))
      .map((from) => ({
        from: round(from, 1),
        landLeft: round(from - field.from, 1),
        landRight: round(field.to - from - cut, 1),
        outOfLine: opposite ? round(Math.abs(from - opposite.from), 1) : 0,
        dents: dents.filter((d) => d.at >= from && d.at <= from + cut).length,
      }));
    const beyond = (r: (typeof rows)[number]) => Math.max(0, r.outOfLine - symmetry);
    rows.sort((a, b) => beyond(a) - beyond(b) || b.dents - a.dents || Math.abs(a.from - wish) - Math.abs(b.from - wish));
    const best = rows[0];
    const findings: Finding[] = [];
    if (!best)
      findings.push({
        level: "stop",
        about: "wish",
        text: `no place keeps ${mm(off)} off every wall line and the lands: a smaller window, or the wall moves`,
      });
    else if (beyond(best) > 0)
      findings.push({
        level: "warn",
        about: "opposite",
        text: `${mm(best.outOfLine)} out of line with the one opposite: for the lead to accept`,
      });
    else
      findings.push({
        level: "ok",
        about: "wish",
        text: `from ${mm(best.from)}: lands ${mm(best.landLeft)} and ${mm(best.landRight)}${best.dents ? `, takes ${best.dents} ${best.dents === 1 ? "dent" : "dents"} away` : ""}`,
      });
    return outcome({ off, best: best ?? null, candidates: rows.slice(0, 8) }, { findings });
  },
);
