// Where the feet of a solar panel go, and whether they stand square before a hole is drilled.

import { circle, line, rect } from "./drawing/shapes";
import { calculator, type Finding, is, list, mm, object, outcome, round } from "./model";

interface Input {
  centre: number;
  panel: { width: number; length: number };
  play: number;
  from?: number;
  ribs?: { at: number; width: number }[];
  foot?: number;
  diagonals?: [number, number];
  tolerancePerM?: number;
}

const schema = object(
  { centre: is.mm, panel: object({ width: is.size, length: is.size }), play: is.mm },
  {
    from: is.mm,
    ribs: list(object({ at: is.mm, width: is.size })),
    foot: is.size,
    diagonals: { type: "array", items: is.size, minItems: 2, maxItems: 2 },
    tolerancePerM: is.amount,
  },
);

/** Lines at c ± a/2, pair distance l + q along; diagonal √(a² + (l + q)²), both read within 3 mm a metre of it. */
export const solarFeet = calculator<Input>(
  { name: "solar-feet", title: "Feet of a solar panel" },
  schema,
  () => [],
  ({ centre, panel, play, from = 0, ribs = [], foot = 80, diagonals, tolerancePerM = 3 }) => {
    const lines = [round(centre - panel.width / 2), round(centre + panel.width / 2)];
    const pair = panel.length + play;
    const diagonal = Math.hypot(panel.width, pair);
    const tolerance = round((tolerancePerM * diagonal) / 1000);
    const findings: Finding[] = [];
    const feet = [from, from + pair].flatMap((at) => lines.map((across) => ({ at: round(at), across })));
    for (const at of [from, from + pair])
      for (const r of ribs) {
        const over = (foot + r.width) / 2 - Math.abs(at - r.at);
        if (over > 0)
          findings.push({
            level: "warn",
            about: "ribs",
            at: [at, centre],
            text: `the feet at ${mm(at)} lie on the rib at ${mm(r.at)}: ${mm(over)} ${at >= r.at ? "rearwards" : "forwards"} clears it`,
          });
      }
    if (diagonals) {
      const off = diagonals.map((d) => Math.abs(d - diagonal));
      const apart = Math.abs(diagonals[0] - diagonals[1]);
      findings.push(
        apart > tolerance
          ? { level: "stop", about: "diagonals", text: `${mm(apart)} apart, ${tolerance} allowed: not square, don't drill` }
          : { level: "ok", about: "diagonals", text: `square within ${tolerance}, at most ${round(Math.max(...off), 1)} off the sum` },
      );
    }
    findings.push({
      level: "ok",
      about: "panel",
      text: "cover the panel: it is live in daylight. Number the feet, so that each goes back to its mark",
    });
    return outcome(
      { lines, pair: round(pair), diagonal: round(diagonal, 1), tolerance, feet },
      {
        findings,
        drawing: {
          title: "Feet of a solar panel",
          seen: "from above, front to the left",
          shapes: [
            ...rect("outline", from, lines[0], from + pair, lines[1]),
            line("centre", from - 100, centre, from + pair + 100, centre),
            ...ribs.flatMap((r) => rect("centre", r.at - r.width / 2, lines[0] - 100, r.at + r.width / 2, lines[1] + 100)),
            ...feet.map((f) => circle("cut", f.at, f.across, foot / 2)),
          ],
        },
      },
    );
  },
);
