// Whether a part's bolt holes meet those of this van, before anything is taken apart.

import { calculator, type Finding, is, mm, object, outcome, round } from "./model";

interface Input {
  part: { a: number; b: number; hole: number };
  van: { a: number; b: number; bolt: number; diagonals?: [number, number]; edge?: number };
}

const schema = object({
  part: object({ a: is.size, b: is.size, hole: is.size }),
  van: object(
    { a: is.size, b: is.size, bolt: is.size },
    { diagonals: { type: "array", items: is.size, minItems: 2, maxItems: 2 }, edge: is.mm },
  ),
});

/** Metal left between a hole and the edge, in hole diameters. A house figure; the maker's sheet rules. */
const EDGE = 1.5;

/** Fits when √((a − a′)² + (b − b′)²) ≤ hole − bolt, and the van's diagonals differ by no more than that play. */
export const boltPattern = calculator<Input>(
  { name: "bolt-pattern", title: "Bolt pattern" },
  schema,
  ({ part, van }) => (van.bolt > part.hole ? [{ path: "van.bolt", message: `does not go into a hole of ${mm(part.hole)}` }] : []),
  ({ part, van }) => {
    const play = round(part.hole - van.bolt);
    const [da, db] = [Math.abs(part.a - van.a), Math.abs(part.b - van.b)];
    const off = round(Math.hypot(da, db));
    const lean = van.diagonals ? round(Math.abs(van.diagonals[0] - van.diagonals[1])) : 0;
    const worse = da >= db ? "a" : "b";
    const findings: Finding[] = [];
    if (off > play)
      findings.push({
        level: "stop",
        about: `van.${worse}`,
        text: `out by ${round(off - play)}: ${worse} is worse. Claim it before a seat or a bay is booked; never force a bolt`,
      });
    if (lean > play)
      findings.push({ level: "stop", about: "van.diagonals", text: `the van's diagonals differ by ${lean}, the play is ${play}` });
    const least = round(EDGE * part.hole);
    if (van.edge !== undefined && van.edge < least)
      findings.push({
        level: "stop",
        about: "van.edge",
        text: `${mm(van.edge)} from hole to edge, ${mm(least)} at least: no metal is taken off here`,
      });
    if (!findings.length) findings.push({ level: "ok", about: "part", text: `fits: ${off} off, ${play} of play` });
    return outcome({ play, off, outBy: round(Math.max(0, off - play)), fits: off <= play && lean <= play, worse }, { findings });
  },
);
