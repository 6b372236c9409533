// Whether a bed lies across the van, before pods or windows are cut for it.

import { defineCalculator } from "../../engine/define";
import { typed } from "../../engine/handles";
import { group, house, length, size } from "../../engine/inputs";
import { mm, outcome, round } from "../../engine/outcome";

const inputs = {
  mattress: group({
    length: size("Mattress, length", { from: "chosen", help: "With its cover." }),
    width: size("Mattress, width", { from: "chosen", help: "Along the van." }),
  }),
  insideWidth: size("Inside at the bed", { from: "van", help: "Skin to skin at the height of the mattress." }),
  recesses: group({
    left: length("Recess left", { from: "chosen", help: "How deep the side goes out there; 0 where it does not." }),
    right: length("Recess right", { from: "chosen", help: "The same on the right." }),
  }),
  lining: length("Lining a side", { from: "chosen", help: "Board and what is behind it." }),
  slack: house(length("Slack", { help: "So that the cover can be tucked in." }), 20),
};
/** Fits when B + p1 + p2 − 2t ≥ L + c (20 unless told). Floor won against lengthways: L − W. */
export const bedAcross = defineCalculator({
  name: "bed-across",
  title: "Bed across",
  stage: "openings",
  asks: "Is the van wide enough to sleep across?",
  words: "pods width",

  holds: true,

  inputs,
  example: { mattress: { length: 1930, width: 1310 }, insideWidth: 1785, recesses: { left: 90, right: 90 }, lining: 7, slack: 20 },
  results: { room: ["room", "mm"], asked: ["asked for", "mm"], fits: ["fits", ""], floorWon: ["floor won", "mm"] },
  prefill: ({ geometry: g, options: o }) =>
    o.bed !== "across"
      ? undefined
      : {
          draft: {
            insideWidth: typed(g.inside.widthWaistMm),
            ...(o.pods ? {} : { "recesses.left": "0", "recesses.right": "0" }),
          },
          basis: { "inside width at the waist": g.inside.widthWaistMm, pods: o.pods ? "yes" : "no" },
          partial: true,
        },

  work: ({ mattress, insideWidth, recesses, lining, slack }) => {
    const room = round(insideWidth + recesses.left + recesses.right - 2 * lining);
    const asked = round(mattress.length + slack);
    const fits = room >= asked;
    return outcome(
      { room, asked, fits, floorWon: round(mattress.length - mattress.width) },
      {
        findings: [
          fits
            ? { level: "ok", about: "insideWidth", text: `fits with ${mm(room - asked)} to spare` }
            : {
                level: "stop",
                about: "insideWidth",
                text: `${room} against ${asked}: short by ${mm(asked - room)}. Deeper recesses, or the bed lengthways`,
              },
          { level: "warn", about: "recesses", text: "the layout is frozen before the saw: turning the bed later undoes the cuts" },
        ],
      },
    );
  },
});
