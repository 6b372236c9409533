// Minutes for lettering and the outline that it leaves in the paint.

import { defineCalculator } from "../../engine/define";
import { amount, house, houseGroup, oneOf, optional, share } from "../../engine/inputs";
import { outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

const inputs = {
  letterM2: amount("Letters", { unit: "m²", from: "measured", help: "The letters themselves." }),
  panelM2: amount("Panels", { unit: "m²", from: "measured", help: "The panels that they stand on: that is what gets polished." }),
  norms: houseGroup({
    peel: house(amount("Peel", { unit: "min/m²", help: "By your own last jobs, letters only." }), 14),
    adhesive: house(amount("Adhesive off", { unit: "min/m²", help: "By your own last jobs, with the panel washed." }), 9),
    faint: house(amount("Polish, faint", { unit: "min/m²", help: "A light pass over the whole panel." }), 9),
    clear: house(amount("Polish, clear", { unit: "min/m²", help: "Compound and finish over the whole panel." }), 22),
  }),
  ghost: oneOf("Outline in low light", ["not known", "none", "faint", "clear"], {
    from: "measured",
    help: "Look along the panel in low light once the letters are off.",
  }),
  share: optional(
    share("Share of vans that needed it", { from: "measured", help: "Of the vans that were judged so far: 0.64 is 64 in 100." }),
  ),
};
/**
 * Letters' area × (peel + adhesive), then the panel's area × the norm of what shows in low light. Before anything is peeled:
 * the house's share of vans that needed the clear norm.
 */
export const lettering = defineCalculator({
  name: "lettering",
  title: "Lettering and its ghost",
  stage: "strip",
  asks: "How long does the lettering take, and does it leave a ghost?",
  words: "film letters polish",

  inputs,
  example: { letterM2: 2.6, panelM2: 7.8, norms: { peel: 14, adhesive: 9, faint: 9, clear: 22 }, ghost: "not known", share: 0.64 },
  results: { offMinutes: ["letters off", "min"], polishMinutes: ["polishing", "min"], minutes: ["in all", "min"] },
  prefill,
  check: ({ ghost, share }) =>
    ghost === "not known" && share === undefined ? [{ path: "share", message: "is needed while the ghost is not known" }] : [],
  work: ({ letterM2, panelM2, norms, ghost, share = 0 }) => {
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
});
