// Whether a part's bolt holes meet those of this van, before anything is taken apart.

import { defineCalculator } from "../../engine/define";
import { between, group, house, length, optional, readings, size } from "../../engine/inputs";
import { type Finding, mm, outcome, round } from "../../engine/outcome";

const inputs = {
  part: group({
    a: size("Part, a", { from: "measured", help: "Between the middles of two holes, the short way." }),
    b: size("Part, b", { from: "measured", help: "The same, the long way." }),
    hole: size("Part, hole ø", { from: "measured", help: "In the part that goes on." }),
  }),
  van: group({
    a: size("Van, a", { from: "measured", help: "Between the middles of the van's own holes, the short way." }),
    b: size("Van, b", { from: "measured", help: "The same, the long way." }),
    bolt: size("Van, bolt ø", { from: "measured", help: "The bolt that has to go through." }),
    edge: optional(length("Van, hole to edge", { from: "measured", help: "From the middle of the hole to the edge of the metal." })),
    diagonals: optional(
      readings(
        "Van, diagonals",
        [
          ["a", "Van, one diagonal"],
          ["b", "Van, other diagonal"],
        ],
        { from: "measured", help: "Both, across the van's four holes: they tell a pattern that is out of square." },
      ),
    ),
  }),
  edgeTimes: house(
    between("Hole to edge, in hole diameters", [0.5, 5], { help: "Metal left between a hole and the edge; the maker's sheet rules." }),
    1.5,
  ),
};
/** Fits when √((a − a′)² + (b − b′)²) ≤ hole − bolt, and the van's diagonals differ by no more than that play. */
export const boltPattern = defineCalculator({
  name: "bolt-pattern",
  title: "Bolt pattern",
  stage: "strip",
  asks: "Do the holes of the base meet those of the seat's mount?",
  words: "swivel drilling",

  holds: true,
  fitsPart: true,

  inputs,
  example: { part: { a: 286, b: 310, hole: 10.5 }, van: { a: 284.6, b: 309.1, bolt: 8 } },
  results: { play: ["play", "mm"], off: ["off", "mm"], outBy: ["out by", "mm"], fits: ["fits", ""], worse: ["worse direction", ""] },
  check: ({ part, van }) => (van.bolt > part.hole ? [{ path: "van.bolt", message: `does not go into a hole of ${mm(part.hole)}` }] : []),
  work: ({ part, van, edgeTimes }) => {
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
    const least = round(edgeTimes * part.hole);
    if (van.edge !== undefined && van.edge < least)
      findings.push({
        level: "stop",
        about: "van.edge",
        text: `${mm(van.edge)} from hole to edge, ${mm(least)} at least: no metal is taken off here`,
      });
    if (!findings.length) findings.push({ level: "ok", about: "part", text: `fits: ${off} off, ${play} of play` });
    return outcome({ play, off, outBy: round(Math.max(0, off - play)), fits: off <= play && lean <= play, worse }, { findings });
  },
});
