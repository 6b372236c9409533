// Whether a frame with round corners enters a cut with round corners.

import { defineCalculator } from "../../engine/define";
import { house, length, optional, size } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

const K = Math.SQRT2 - 1;

const inputs = {
  cutRadius: length("Corner of the cut", { from: "chosen", help: "Of the hole in the skin." }),
  frameRadius: length("Corner of the frame", { from: "measured", help: "Measure it on the frame that goes in." }),
  gap: length("Gap a side", { from: "measured", help: "Between frame and hole." }),
  blade: optional(size("Blade", { from: "measured", help: "Width of the jigsaw's blade: the starter hole follows it." })),
  sharpest: house(length("No corner in skin sharper than", { help: "Sharper corners tear." }), 8),
};
/** Enters when Rt ≤ Rf + c·√2 ÷ (√2 − 1); else ease to that, or take a gap of (Rt − Rf)·(√2 − 1) ÷ √2. Starter hole: blade + 2. */
export const corners = defineCalculator({
  name: "corners",
  title: "Corners, starter holes",
  stage: "openings",
  asks: "Which hole saw starts the corners?",
  words: "radius drill",

  holds: true,

  inputs,
  example: { cutRadius: 60, frameRadius: 58, gap: 2, blade: 8 },
  results: {
    enters: ["enters", ""],
    largestRadius: ["largest radius", "mm"],
    gapNeeded: ["gap needed", "mm"],
    sawAtMost: ["saw at most", "mm"],
    starterHole: ["starter hole", "mm"],
  },

  fromPlan: true,
  prefill,
  work: ({ cutRadius, frameRadius, gap, blade, sharpest }) => {
    const most = frameRadius + (gap * Math.SQRT2) / K;
    const needs = Math.max(0, ((cutRadius - frameRadius) * K) / Math.SQRT2);
    const enters = cutRadius <= most;
    const findings: Finding[] = [
      enters
        ? { level: "ok", about: "cutRadius", text: "the frame enters; try it the right way up" }
        : {
            level: "stop",
            about: "cutRadius",
            text: `it jams in the corners: make the corner radius ${round(most, 1)} or less, or leave a gap of ${round(needs, 1)} a side`,
          },
    ];
    if (cutRadius < sharpest)
      findings.push({ level: "warn", about: "cutRadius", text: `sharper than ${sharpest} in skin tears: no square corners` });
    return outcome(
      {
        enters,
        largestRadius: round(most, 1),
        gapNeeded: round(needs, 1),
        sawAtMost: 2 * cutRadius,
        ...(blade ? { starterHole: blade + 2 } : {}),
      },
      { findings },
    );
  },
});
