// The frame of battens under an opening: two pieces run through, two lie between.

import { ROOF_FRAME } from "../../../library/need";
import { rect } from "../../drawing/shapes";
import { defineCalculator } from "../../engine/define";
import { choice, group, house, length, optional, size, tick } from "../../engine/inputs";
import { type Finding, mm, outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

const inputs = {
  cut: group({
    w: size("Cut across the ribs' run", { from: "chosen", help: "The longer pieces run along it." }),
    h: size("Cut between the ribs", { from: "chosen", help: "The shorter pieces run along it." }),
  }),
  batten: group({
    b: size("Batten width", { from: "measured", help: "Measure the wood that is there; it is seldom its nominal size." }),
    t: size("Batten thickness", { from: "measured", help: "As measured." }),
  }),
  gap: size("Clear between ribs", { from: "van", help: "Between the two ribs that the frame stands between, at its narrowest." }),
  play: house(length("Play each side", { help: "Between frame and rib." }), ROOF_FRAME.play),
  relief: optional(
    group({
      kind: choice(
        "A relief is",
        [
          ["narrower", "made narrower"],
          ["rebate", "a rebate"],
        ],
        { from: "chosen", help: "What is taken off where something stands in the way." },
      ),
      depth: size("Relief, depth", { from: "measured", help: "Where a rib or a wire stands in the way." }),
    }),
  ),
  pass: house(size("One pass, at most", { help: "No deeper in one pass of the router." }), 3),
  inPlace: tick("Built in its place", { from: "chosen", help: "Where it can't be lifted in as one." }),
};
/**
 * Long pieces W + 2b, short ones H, fitting when H + 2b ≤ gap − 2·play; the other way round when only that fits. Else each
 * long piece is shaved by (H + 2b − (gap − 2·play)) ÷ 2, never below half its width. A relief goes down in passes of 3 mm at
 * most: narrower takes it off the width, a rebate off the thickness. Timber in all 2W + 2H + 4b.
 */
export const supportFrame = defineCalculator({
  name: "support-frame",
  title: "Support frame",
  stage: "openings",
  asks: "How long are the pieces of the frame around a roof unit?",
  words: "batten wood ribs",

  holds: true,

  inputs,
  example: { cut: { w: 400, h: 400 }, batten: { b: 36, t: 20 }, gap: 478, play: 3, inPlace: false },
  results: {
    long: ["long", ""],
    length: ["length", "mm"],
    count: ["count", ""],
    short: ["short", ""],
    shave: ["shave", "mm"],
    fits: ["fits", ""],
    timber: ["timber", "mm"],
    passes: ["passes", ""],
  },
  prefill,
  check: ({ gap, play, relief, batten }) => [
    ...(2 * play >= gap ? [{ path: "play", message: "leaves no gap" }] : []),
    ...(relief && relief.depth >= (relief.kind === "rebate" ? batten.t : batten.b)
      ? [{ path: "relief.depth", message: "leaves nothing of the batten" }]
      : []),
  ],
  work: ({ cut, batten, gap, play, relief, pass, inPlace }) => {
    const { b, t } = batten;
    const room = gap - 2 * play;
    const turned = cut.h + 2 * b > room && cut.w + 2 * b <= room;
    const [through, between] = turned ? [cut.h, cut.w] : [cut.w, cut.h];
    const shave = round(Math.max(0, (between + 2 * b - room) / 2));
    const findings: Finding[] = [];
    if (shave > b / 2)
      findings.push({
        level: "stop",
        about: "gap",
        text: `each long piece would lose ${mm(shave)} of ${mm(b)}: less than half is left. A smaller unit, or another bay`,
      });
    else if (shave > 0)
      findings.push({
        level: "warn",
        about: "gap",
        text: `shave ${mm(shave)} off the outside of each long piece: ${mm(b - shave)} of ${mm(b)} stay`,
      });
    else findings.push({ level: "ok", about: "gap", text: `fits with ${mm(room - between - 2 * b)} to spare` });
    if (turned)
      findings.push({ level: "ok", about: "cut", text: "the long pieces run the other way: only so the frame fits between the ribs" });
    const passes = relief ? Math.ceil(round(relief.depth / pass, 9)) : 0;
    if (relief) {
      const [left, whole, word] = relief.kind === "rebate" ? [t - relief.depth, t, "thick"] : [b - relief.depth, b, "wide"];
      findings.push({
        level: left < whole / 2 ? "warn" : "ok",
        about: "relief",
        text: `${relief.kind === "rebate" ? "a rebate" : "made narrower"}: ${mm(left)} of ${mm(whole)} ${word} stay there; ${passes} ${passes === 1 ? "pass" : "passes"} of ${mm(pass)} at most, fence set, guard on, a test piece first`,
      });
    }
    findings.push({
      level: "ok",
      about: "cut",
      text: inPlace
        ? "built in its place: the two that lie between go in first, the long ones close it"
        : "tried between its ribs before the hole is cut",
    });
    const long = { length: round(through + 2 * b), count: 2 };
    const short = { length: round(between), count: 2 };
    return outcome(
      { long, short, shave, fits: shave === 0, timber: round(2 * cut.w + 2 * cut.h + 4 * b), passes },
      {
        findings,
        cuts: [
          { name: "long", material: "batten", w: long.length, h: round(b - shave), t, count: 2 },
          { name: "short", material: "batten", w: short.length, h: b, t, count: 2 },
        ],
        drawing: {
          title: "Support frame",
          seen: "from inside, looking up",
          shapes: [
            ...rect("outline", 0, 0, long.length, b - shave),
            ...rect("outline", 0, b - shave + between, long.length, 2 * (b - shave) + between),
            ...rect("outline", 0, b - shave, b, b - shave + between),
            ...rect("outline", long.length - b, b - shave, long.length, b - shave + between),
            ...rect("cut", b, b - shave, long.length - b, b - shave + between),
          ],
        },
      },
    );
  },
});
