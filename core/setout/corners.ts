// Whether a frame with round corners enters a cut with round corners.

import { calculator, type Finding, is, object, outcome, round } from "./model";

interface Input {
  cutRadius: number;
  frameRadius: number;
  gap: number;
  blade?: number;
}

const schema = object({ cutRadius: is.mm, frameRadius: is.mm, gap: is.mm }, { blade: is.size });

/** In skin no corner is sharper (mm). */
const SHARPEST = 8;
const K = Math.SQRT2 - 1;

/** Enters when Rt ≤ Rf + c·√2 ÷ (√2 − 1); else ease to that, or take a gap of (Rt − Rf)·(√2 − 1) ÷ √2. Starter hole: blade + 2. */
export const corners = calculator<Input>(
  { name: "corners", title: "Corners and starter holes" },
  schema,
  () => [],
  ({ cutRadius, frameRadius, gap, blade }) => {
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
    if (cutRadius < SHARPEST)
      findings.push({ level: "warn", about: "cutRadius", text: `sharper than ${SHARPEST} in skin tears: no square corners` });
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
);
