// Where the pocket behind the skin is deep enough for an inlet, and which such place is nearest to the wish.

import { defineCalculator } from "../../engine/define";
import { group, house, type InputOf, length, position, rows, size } from "../../engine/inputs";
import { type Finding, mm, outcome, round } from "../../engine/outcome";

const inputs = {
  body: length("Body, depth", { from: "chosen", help: "How deep the inlet reaches in." }),
  cable: length("Cable ø", { from: "chosen", help: "It needs room to bend." }),
  flange: size("Flange", { from: "chosen", help: "Its outer edge, across." }),
  play: house(length("Play", { help: "So that the hole is not tight round the body." }), 10),
  wish: group({
    x: position("Wished for, along", { from: "chosen", help: "Along and up from the same corner as the readings." }),
    y: position("Wished for, up", { from: "chosen", help: "From the same corner, upwards." }),
  }),
  points: rows(
    "Pocket read at",
    "point",
    { x: position("Along"), y: position("Up"), depth: length("Deep") },
    { least: 1, from: "measured", help: "Depth of the pocket, read at a grid of points." },
  ),
};
type Input = InputOf<typeof inputs>;

/**
 * Need = body + 4·cable (the bend) + play (10 unless told). A point will do as a centre when every point read within half the
 * flange of it is as deep (mm). The nearest of them to the wish is taken.
 */
export const inlet = defineCalculator({
  name: "inlet",
  title: "Inlet where the pocket is deep",
  stage: "openings",
  asks: "Where does the inlet fit, where the pocket is deep enough?",
  words: "mains water",

  holds: true,

  inputs,
  example: {
    body: 48,
    cable: 12,
    flange: 100,
    play: 10,
    wish: { x: 0, y: 0 },
    points: [
      { x: 0, y: 0, depth: 90 },
      { x: 0, y: 50, depth: 90 },
      { x: 50, y: 0, depth: 118 },
      { x: 50, y: 50, depth: 118 },
      { x: 100, y: 0, depth: 118 },
      { x: 100, y: 50, depth: 118 },
      { x: 150, y: 0, depth: 118 },
      { x: 150, y: 50, depth: 118 },
    ],
  },
  results: {
    need: ["depth needed", "mm"],
    places: ["places that will do", ""],
    x: ["across", "mm"],
    y: ["up", "mm"],
    fromWish: ["from where it was wished", "mm"],
  },

  work: ({ body, cable, flange, play, wish, points }) => {
    const need = round(body + 4 * cable + play);
    const half = flange / 2 + 1e-9;
    const under = (p: Input["points"][number]) => points.filter((q) => Math.abs(q.x - p.x) <= half && Math.abs(q.y - p.y) <= half);
    const fits = points.filter((p) => under(p).every((q) => q.depth >= need));
    const far = (p: { x: number; y: number }) => Math.hypot(p.x - wish.x, p.y - wish.y);
    const best = fits.toSorted((a, b) => far(a) - far(b) || a.x - b.x || a.y - b.y)[0];
    const findings: Finding[] = best
      ? [
          {
            level: far(best) > flange / 2 ? "warn" : "ok",
            about: "wish",
            text:
              far(best) < 0.05
                ? "the wish is deep enough"
                : `${mm(best.x)}, ${mm(best.y)}: ${mm(far(best))} from the wish, and deep enough all over`,
          },
        ]
      : [{ level: "stop", about: "points", text: `nowhere ${mm(need)} deep under the whole flange: a shorter unit, or another panel` }];
    findings.push({
      level: "warn",
      about: "points",
      text: "pilot from inside; look outside first: flap, fuel cap, the path of the sliding door",
    });
    return outcome(
      { need, places: fits.length, x: best?.x ?? null, y: best?.y ?? null, fromWish: best ? round(far(best), 1) : null },
      { findings },
    );
  },
});
