// Where the feet of a solar panel go, and whether they stand square before a hole is drilled.

import { circle, line, rect, words } from "./drawing/shapes";
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
  /** Lids, glands and whatever else a foot may not touch: from along to, from across to. */
  keepOuts?: { name: string; fromAlong: number; toAlong: number; fromAcross: number; toAcross: number }[];
  /** Gaps read under the feet in the dry fit, by number. */
  gaps?: { foot: number; gap: number }[];
  /** A layer of tape for packing. */
  tape?: number;
}

const schema = object(
  { centre: is.mm, panel: object({ width: is.size, length: is.size }), play: is.mm },
  {
    from: is.mm,
    ribs: list(object({ at: is.mm, width: is.size })),
    foot: is.size,
    diagonals: { type: "array", items: is.size, minItems: 2, maxItems: 2 },
    tolerancePerM: is.amount,
    keepOuts: list(object({ name: is.name, fromAlong: is.position, toAlong: is.position, fromAcross: is.position, toAcross: is.position })),
    gaps: list(object({ foot: { type: "integer", minimum: 1, maximum: 4 }, gap: is.mm })),
    tape: is.size,
  },
);

/** The feet are glued to so much of their square, as a share: round feet fill π/4 of it. */
const ROUND = Math.PI / 4;

type KeepOut = NonNullable<Input["keepOuts"]>[number];

/** The smallest shift along that takes a foot off a keep-out; undefined where they don't meet. Rearwards is positive. */
function shiftOff(foot: { at: number; across: number }, size: number, k: KeepOut): number | undefined {
  const r = size / 2;
  const meets = foot.at + r > k.fromAlong && foot.at - r < k.toAlong && foot.across + r > k.fromAcross && foot.across - r < k.toAcross;
  if (!meets) return undefined;
  const back = k.toAlong + r - foot.at;
  const forwards = k.fromAlong - r - foot.at;
  return back <= -forwards ? back : forwards;
}

/**
 * Lines at c ± a/2, pair distance l + q along; diagonal √(a² + (l + q)²), both read within 3 mm a metre of it. A foot on a keep-out is
 * told with the smallest shift along that clears it. A gap g under a foot takes ⌈g ÷ t⌉ layers of tape t, or filler g·A over the foot's
 * own area A. Source: OP-n10. Example: a gap of 2.5 mm under a foot of 80: 3 layers of 1 mm, or 12.6 ml.
 */
export const solarFeet = calculator<Input>(
  { name: "solar-feet", title: "Feet of a solar panel" },
  schema,
  () => [],
  ({ centre, panel, play, from = 0, ribs = [], foot = 80, diagonals, tolerancePerM = 3, keepOuts = [], gaps = [], tape = 1 }) => {
    const lines = [round(centre - panel.width / 2), round(centre + panel.width / 2)];
    const pair = panel.length + play;
    const diagonal = Math.hypot(panel.width, pair);
    const tolerance = round((tolerancePerM * diagonal) / 1000);
    const findings: Finding[] = [];
    const feet = [from, from + pair]
      .flatMap((at) => lines.map((across) => ({ at: round(at), across })))
      .map((f, i) => ({ no: i + 1, ...f }));
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
    for (const f of feet)
      for (const k of keepOuts) {
        const shift = shiftOff(f, foot, k);
        if (shift !== undefined)
          findings.push({
            level: "stop",
            about: "keepOuts",
            at: [f.at, f.across],
            text: `foot ${f.no} lies on ${k.name}: ${mm(Math.abs(shift))} ${shift > 0 ? "rearwards" : "forwards"} clears it`,
          });
      }
    const packing = gaps
      .filter((g) => g.gap > 0)
      .map((g) => ({
        foot: g.foot,
        layers: Math.ceil(g.gap / tape - 1e-9),
        fillerMl: round((g.gap * ROUND * foot * foot) / 1000, 1),
      }));
    for (const p of packing)
      findings.push({
        level: "warn",
        about: "gaps",
        text: `foot ${p.foot} stands hollow: ${p.layers} ${p.layers === 1 ? "layer" : "layers"} of tape, or ${p.fillerMl} ml of filler`,
      });
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
      { lines, pair: round(pair), diagonal: round(diagonal, 1), tolerance, feet, ...(packing.length ? { packing } : {}) },
      {
        findings,
        drawing: {
          title: "Feet of a solar panel",
          seen: "from above, front to the left",
          shapes: [
            ...rect("outline", from, lines[0], from + pair, lines[1]),
            line("centre", from - 100, centre, from + pair + 100, centre),
            ...ribs.flatMap((r) => rect("centre", r.at - r.width / 2, lines[0] - 100, r.at + r.width / 2, lines[1] + 100)),
            ...keepOuts.flatMap((k) => rect("centre", k.fromAlong, k.fromAcross, k.toAlong, k.toAcross)),
            ...feet.flatMap((f) => [circle("cut", f.at, f.across, foot / 2), words(f.at + foot / 2 + 6, f.across, String(f.no))]),
          ],
        },
      },
    );
  },
);
