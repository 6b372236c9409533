// Minutes for lettering and the outline that it leaves in the paint.

import { calculator, is, object, outcome, round } from "./model";

interface Input {
  letterM2: number;
  panelM2: number;
  norms: { peel: number; adhesive: number; faint: number; clear: number };
  ghost: "not known" | "none" | "faint" | "clear";
  share?: number;
}

const schema = object(
  {
    letterM2: is.amount,
    panelM2: is.amount,
    norms: object({ peel: is.amount, adhesive: is.amount, faint: is.amount, clear: is.amount }),
    ghost: { type: "string", enum: ["not known", "none", "faint", "clear"] },
  },
  { share: is.share },
);

/**
 * Letters' area × (peel + adhesive), then the panel's area × the norm of what shows in low light. Before anything is peeled:
 * the house's share of vans that needed the clear norm.
 */
export const lettering = calculator<Input>(
  { name: "lettering", title: "Lettering and its ghost" },
  schema,
  ({ ghost, share }) =>
    ghost === "not known" && share === undefined ? [{ path: "share", message: "is needed while the ghost is not known" }] : [],
  ({ letterM2, panelM2, norms, ghost, share = 0 }) => {
    const off = letterM2 * (norms.peel + norms.adhesive);
    const full = panelM2 * norms.clear;
    const polish = ghost === "clear" ? full : ghost === "faint" ? panelM2 * norms.faint : ghost === "none" ? 0 : share * full;
    const likely = off + polish;
    return outcome(
      { offMinutes: round(off, 1), polishMinutes: round(polish, 1), minutes: round(likely, 1) },
      {
        findings: [
          {
            level: ghost === "not known" ? "warn" : "ok",
            about: "ghost",
            text:
              ghost === "not known"
                ? "look along the panel in low light once it is peeled"
                : "nothing is marked out or bonded there until the polish is off",
          },
        ],
        minutes: {
          best: round(off, 1),
          likely: round(likely, 1),
          worst: round(off + (ghost === "not known" ? full : polish), 1),
          covers: "whole",
          what: "film off and the outline polished",
        },
      },
    );
  },
);
