// A board's cut-out against the roof's: the same place and size from the same two edges, before the board goes up.

import { rect } from "./drawing/shapes";
import { calculator, type Finding, is, mm, object, outcome, round } from "./model";

interface Cut {
  front: number;
  left: number;
  w: number;
  h: number;
}

interface Input {
  roof: Cut;
  board: Cut;
  tolerance?: number;
  trim?: number;
}

const cut = object({ front: is.position, left: is.position, w: is.size, h: is.size });
const schema = object({ roof: cut, board: cut }, { tolerance: is.mm, trim: is.mm });

/** Each edge of the board's cut-out within 3 mm of the roof's; beyond that the trim hides it or it does not. */
export const boardMatch = calculator<Input>(
  { name: "board-match", title: "Ceiling board against roof" },
  schema,
  () => [],
  ({ roof, board, tolerance = 3, trim = 0 }) => {
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
);
