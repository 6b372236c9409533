// Where the pocket behind the skin is deep enough for an inlet, and which such place is nearest to the wish.

import { calculator, type Finding, is, list, mm, object, outcome, round } from "./model";

interface Input {
  body: number;
  cable: number;
  flange: number;
  play?: number;
  wish: { x: number; y: number };
  points: { x: number; y: number; depth: number }[];
}

const schema = object(
  {
    body: is.mm,
    cable: is.mm,
    flange: is.size,
    wish: object({ x: is.position, y: is.position }),
    points: list(object({ x: is.position, y: is.position, depth: is.mm }), 1),
  },
  { play: is.mm },
);

/**
 * Need = body + 4·cable (the bend) + play (10 unless told). A point will do as a centre when every point read within half the
 * flange of it is as deep (mm). The nearest of them to the wish is taken.
 */
export const inlet = calculator<Input>(
  { name: "inlet", title: "Inlet where the pocket is deep" },
  schema,
  () => [],
  ({ body, cable, flange, play = 10, wish, points }) => {
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
);
