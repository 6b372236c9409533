// A board's cut-out against the roof's: the same place and size from the same two edges, before the board goes up.

import { rect } from "../../drawing/shapes";
import { defineCalculator } from "../../engine/define";
import { group, house, type InputOf, length, optional, position, size } from "../../engine/inputs";
import { type Finding, mm, outcome, round } from "../../engine/outcome";

type Cut = Input["roof"];

const inputs = {
  roof: group({
    front: position("Roof, from the front edge", {
      from: "measured",
      help: "From the same edge as on the board, before the board goes up.",
    }),
    left: position("Roof, from the left edge", { from: "measured", help: "From the same edge as on the board." }),
    w: size("Roof's cut, across", { from: "measured", help: "The hole in the roof, left to right." }),
    h: size("Roof's cut, along", { from: "measured", help: "The hole in the roof, front to rear." }),
  }),
  board: group({
    front: position("Board, from the front edge", {
      from: "measured",
      help: "On the board as it lies, from the edge that goes to the front.",
    }),
    left: position("Board, from the left edge", { from: "measured", help: "From the edge that goes to the left once it is up." }),
    w: size("Board's cut, across", { from: "measured", help: "As marked on the board." }),
    h: size("Board's cut, along", { from: "measured", help: "As marked on the board." }),
  }),
  tolerance: house(length("Within", { help: "A difference up to this is no fault." }), 3),
  trim: optional(length("The trim hides beyond that", { from: "chosen", help: "How much of a difference the trim covers." })),
};
type Input = InputOf<typeof inputs>;

/** Each edge of the board's cut-out within 3 mm of the roof's; beyond that the trim hides it or it does not. */
export const boardMatch = defineCalculator({
  name: "board-match",
  title: "Ceiling board against roof",
  stage: "openings",
  asks: "Do the ceiling boards meet the opening in the roof?",
  words: "lining joints",

  holds: true,

  inputs,
  example: { roof: { front: 860, left: 620, w: 400, h: 400 }, board: { front: 862, left: 619, w: 402, h: 400 }, tolerance: 3 },
  results: { worst: ["worst", "mm"], front: ["front", "mm"], rear: ["rear", "mm"], left: ["left", "mm"], right: ["right", "mm"] },

  work: ({ roof, board, tolerance, trim = 0 }) => {
    const edges = (c: Cut) => ({ front: c.front, rear: c.front + c.h, left: c.left, right: c.left + c.w });
    const [r, b] = [edges(roof), edges(board)];
    const off = (Object.keys(r) as (keyof typeof r)[]).map((k) => ({ k, by: round(b[k] - r[k]) }));
    const worst = Math.max(...off.map((o) => Math.abs(o.by)));
    const findings: Finding[] = off
      .filter((o) => Math.abs(o.by) > tolerance)
      .map((o) => ({
        level: Math.abs(o.by) > tolerance + trim ? ("stop" as const) : ("warn" as const),
        about: `board.${o.k === "front" || o.k === "rear" ? "front" : "left"}`,
        text: `${o.k} edge ${mm(Math.abs(o.by))} off the roof's${Math.abs(o.by) > tolerance + trim ? ": the wrong board, the wrong bay, or turned round" : ", hidden by the trim"}`,
      }));
    if (!findings.length) findings.push({ level: "ok", about: "board", text: `every edge within ${mm(tolerance)}` });
    return outcome(
      { worst, front: off[0].by, rear: off[1].by, left: off[2].by, right: off[3].by },
      {
        findings,
        drawing: {
          title: "Ceiling board against roof",
          seen: "from below; the roof's cut, and the board's over it",
          shapes: [...rect("outline", roof.left, roof.front, r.right, r.rear), ...rect("cut", board.left, board.front, b.right, b.rear)],
        },
      },
    );
  },
});
