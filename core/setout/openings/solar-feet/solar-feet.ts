// Where the feet of a solar panel go, and whether they stand square before a hole is drilled.

import { circle, line, rect, words } from "../../drawing/shapes";
import { defineCalculator } from "../../engine/define";
import { typed } from "../../engine/handles";
import {
  amount,
  count,
  group,
  house,
  type InputOf,
  length,
  optional,
  position,
  readings,
  rows,
  size,
  text,
  usual,
} from "../../engine/inputs";
import { type Finding, mm, outcome, round } from "../../engine/outcome";

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

/** The panels that the roof plan lays out, mm. */
const PANEL = { width: 620, length: 1000 };

const inputs = {
  centre: length("Centre line of the roof", { from: "van", help: "From the left skin." }),
  panel: group({
    width: size("Panel across", { from: "chosen", help: "On its label or by tape." }),
    length: size("Panel along", { from: "chosen", help: "On its label or by tape." }),
  }),
  play: length("Play", { from: "chosen", help: "So that the panel drops in." }),
  from: optional(length("First feet at", { from: "chosen", help: "From the bulkhead line to the middle of the first two." })),
  foot: usual(size("Foot", { from: "chosen", help: "Across its plate." }), 80),
  diagonals: optional(
    readings(
      "Diagonals read",
      [
        ["a", "One diagonal read"],
        ["b", "Other diagonal read"],
      ],
      { from: "measured", help: "As marked, before anything is drilled." },
    ),
  ),
  ribs: optional(
    rows("Ribs", "rib", { at: length("Centre at"), width: size("Width") }, { from: "van", help: "A foot stays clear of them." }),
  ),
  keepOuts: optional(
    rows(
      "Lids, glands and the like",
      "keep-out",
      {
        name: text("What"),
        fromAlong: position("Along from"),
        toAlong: position("to"),
        fromAcross: position("Across from"),
        toAcross: position("to"),
      },
      { from: "measured", help: "What no foot may stand on." },
    ),
  ),
  gaps: optional(
    rows(
      "Gaps under the feet",
      "gap",
      { foot: count("Foot", [1, 4]), gap: length("Gap") },
      { from: "measured", help: "From the dry fit: which foot, and the gap under it." },
    ),
  ),
  tape: house(size("Packing tape, a layer", { help: "How thick one layer is, pressed." }), 1),
  tolerancePerM: house(amount("Diagonals may differ by", { unit: "mm per m", help: "More than that, and the feet are marked again." }), 3),
};
type Input = InputOf<typeof inputs>;

/**
 * Lines at c ± a/2, pair distance l + q along; diagonal √(a² + (l + q)²), both read within 3 mm a metre of it. A foot on a keep-out is
 * told with the smallest shift along that clears it. A gap g under a foot takes ⌈g ÷ t⌉ layers of tape t, or filler g·A over the foot's
 * own area A. Source: OP-n10. Example: a gap of 2.5 mm under a foot of 80: 3 layers of 1 mm, or 12.6 ml.
 */
export const solarFeet = defineCalculator({
  name: "solar-feet",
  title: "Feet of a solar panel",
  stage: "openings",
  asks: "Where do the feet of a solar panel stand?",
  words: "roof ribs brackets",

  holds: true,

  inputs,
  example: {
    centre: 806,
    panel: { width: 664, length: 1176 },
    play: 4,
    from: 1500,
    foot: 80,
    ribs: [{ at: 1480, width: 50 }],
    keepOuts: [{ name: "fan lid", fromAlong: 900, toAlong: 1420, fromAcross: 560, toAcross: 1060 }],
    gaps: [{ foot: 3, gap: 2.5 }],
    tape: 1,
  },
  results: {
    lines: ["lines of the feet", "mm"],
    pair: ["from pair to pair", "mm"],
    diagonal: ["diagonal", "mm"],
    tolerance: ["tolerance", "mm"],
    feet: ["feet", ""],
    no: ["number", ""],
    at: ["along", "mm"],
    across: ["across", "mm"],
    packing: ["packing", ""],
    foot: ["foot", ""],
    layers: ["layers of tape", ""],
    fillerMl: ["filler", "ml"],
  },
  prefill: ({ geometry: g, options: o }) =>
    o.solar === 0
      ? undefined
      : {
          draft: {
            centre: typed(g.inside.widthRoofMm / 2),
            "panel.width": typed(PANEL.width),
            "panel.length": typed(PANEL.length),
            play: "4",
            ribs: g.roofRibs.map((r) => ({ at: typed(r.atMm), width: typed(r.widthMm) })),
          },
          basis: { "roof width": g.inside.widthRoofMm, ribs: g.roofRibs.map((r) => r.atMm).join(", ") },
        },

  work: ({ centre, panel, play, from = 0, ribs = [], foot, diagonals, tolerancePerM, keepOuts = [], gaps = [], tape }) => {
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
});
