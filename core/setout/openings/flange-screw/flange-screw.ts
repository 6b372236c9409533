// Screws through a flange into its ring: long enough to bite, short enough to stay inside.

import { defineCalculator } from "../../engine/define";
import { house, length, numbers, size } from "../../engine/inputs";
import { outcome, round } from "../../engine/outcome";

const inputs = {
  stack: numbers("Flange, adapter, skin", 1, { zero: true, from: "measured", help: "Each layer that the screw goes through, mm." }),
  ring: size("Ring", { from: "measured", help: "Thickness of the ring that it bites into." }),
  bite: house(size("Bite", { help: "The thread has to reach so far into the ring." }), 12),
  stock: numbers("Stock lengths", 1, { from: "chosen", help: "Screws on the shelf, mm." }),
  shortOf: house(length("Ends short of the ring's far face by", { help: "So that no tip comes through." }), 2),
};
/** Σt + bite ≤ L ≤ Σt + ring − 2; bite 12 unless told. */
export const flangeScrew = defineCalculator({
  name: "flange-screw",
  title: "Screws of a flange",
  stage: "openings",
  asks: "Where do the flange's screws go, and how long are they?",
  words: "pitch",

  holds: true,

  inputs,
  example: { stack: [3.5, 11, 0.8], ring: 21, bite: 12, stock: [25, 30, 35] },
  results: { least: ["least", "mm"], most: ["most", "mm"], fits: ["fits", "mm"] },

  work: ({ stack, ring, bite, stock, shortOf }) => {
    const sum = stack.reduce((n, t) => n + t, 0);
    const [least, most] = [round(sum + bite), round(sum + ring - shortOf)];
    const fits = [...stock].sort((a, b) => a - b).filter((l) => l >= least && l <= most);
    return outcome(
      { least, most, fits },
      {
        findings: [
          fits.length
            ? { level: "ok", about: "stock", text: `${fits[0]} from stock; the ones in the middle of each side first` }
            : { level: "stop", about: "stock", text: `none in stock between ${least} and ${most}` },
        ],
      },
    );
  },
});
