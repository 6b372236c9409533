// A window against what comes later: wall lines, room for a hand beside a sash, the opening opposite, dents it could take away.

import { defineCalculator } from "../../engine/define";
import { group, house, length, optional, position, rows, size, text } from "../../engine/inputs";
import { type Finding, mm, outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

const inputs = {
  field: group({
    from: position("Field from", { from: "van", help: "The flat field, from the bulkhead line." }),
    to: position("Field to", { from: "van", help: "Where the flat field ends." }),
  }),
  cut: size("Cut width", { from: "chosen", help: "The hole itself, as the unit's maker gives it." }),
  minLand: length("Land the unit asks for", { from: "chosen", help: "Flat metal that the flange needs." }),
  wish: position("Wished for, from", { from: "chosen", help: "Where the cut would begin by the drawing." }),
  stack: group({
    frame: length("Frame", { from: "chosen", help: "How thick it is between wall and lining." }),
    lining: length("Lining", { from: "chosen", help: "Board and cover." }),
    trim: length("Trim", { from: "chosen", help: "How far it stands over the cut." }),
  }),
  sashHand: optional(length("Opening sash, beside it", { from: "chosen", help: "Room for a hand beside a sash that opens." })),
  opposite: optional(
    group({ from: position("The one opposite, from", { from: "chosen", help: "Where the cut of the window across begins." }) }),
  ),
  walls: optional(
    rows(
      "Wall lines",
      "wall",
      { name: text("Which"), at: position("At") },
      { from: "chosen", help: "Wall lines of the layout, from the bulkhead." },
    ),
  ),
  dents: optional(
    rows("Dents", "dent", { at: position("At") }, { from: "measured", help: "Where the metal is not flat, from the bulkhead line." }),
  ),
  symmetry: house(length("Counts as opposite within", { help: "Two windows look like a pair up to this." }), 5),
  leastHand: house(length("Room for a hand, at least", { help: "To work a catch or pull a cord." }), 70),
  step: house(size("Places tried every", { help: "Smaller steps find more, and take longer." }), 5),
};
/**
 * From, the window's left edge, in steps of 5 over the field: lands ≥ least; frame + lining + trim off every wall line (and
 * a hand's width for a sash); opposite edges within 5 or the lead accepts. Ranked by error of symmetry beyond that, dents taken away,
 * distance from the wish.
 */
export const inLine = defineCalculator({
  name: "in-line",
  title: "In line with what comes later",
  stage: "openings",
  asks: "Is the window in line with walls, blinds and the one across?",
  words: "symmetry",

  holds: true,

  inputs,
  example: {
    field: { from: 905, to: 2105 },
    cut: 700,
    minLand: 60,
    wish: 1155,
    stack: { frame: 18, lining: 7, trim: 15 },
    walls: [{ name: "wet room", at: 1960 }],
    dents: [{ at: 1110 }],
  },
  results: {
    off: ["off the cut", "mm"],
    best: ["best", ""],
    from: ["from", "mm"],
    landLeft: ["land left", "mm"],
    landRight: ["land right", "mm"],
    outOfLine: ["out of line", "mm"],
    dents: ["dents covered", ""],
    candidates: ["places tried", ""],
  },
  prefill,
  check: ({ field, cut }) => (field.to - field.from < cut ? [{ path: "cut", message: "is wider than the field" }] : []),
  work: ({ field, cut, minLand, wish, walls = [], stack, sashHand, opposite, symmetry, dents = [], leastHand, step }) => {
    const off = round(stack.frame + stack.lining + stack.trim + (sashHand === undefined ? 0 : Math.max(leastHand, sashHand)));
    const clear = (from: number) => walls.every((w) => from >= w.at + off || from + cut <= w.at - off);
    const first = field.from + minLand;
    const last = field.to - minLand - cut;
    const tries = new Set([wish, first, last]);
    for (let x = Math.ceil(first / step) * step; x <= last; x += step) tries.add(x);
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
});
