// A drain that can't go straight down: how far its tray is raised, and what head room that leaves.

import { defineCalculator } from "../../engine/define";
import { typed } from "../../engine/handles";
import { between, house, length, optional, size } from "../../engine/inputs";
import { mm, outcome, round } from "../../engine/outcome";

const inputs = {
  trap: length("Trap", { from: "chosen", help: "How high the trap stands." }),
  run: length("Run", { from: "chosen", help: "From the drain to where the water goes." }),
  fall: house(between("Fall", [0.005, 0.2], { help: "As a share: 0.02 is 2 cm a metre." }), 0.02),
  insideHeight: size("Inside height", { from: "van", help: "Floor to ceiling, both finished." }),
  floorStack: length("Floor stack", { from: "chosen", help: "Everything between the metal and the floor that you stand on." }),
  tallest: optional(size("Tallest", { from: "chosen", help: "Who stands there." })),
  reserve: house(length("Head room kept over the tallest", { help: "So that nobody stoops." }), 30),
};
/** Raise = trap + fall·run (fall 0.02 unless told); head room = inside height − floor stack − raise. */
export const drain = defineCalculator({
  name: "drain",
  title: "Drain on elbows",
  stage: "openings",
  asks: "Does the drain fall enough on its way round the elbows?",
  words: "pipe water slope",

  inputs,
  example: { trap: 48, run: 460, fall: 0.02, insideHeight: 1915, floorStack: 39, tallest: 1780 },
  results: { raise: ["raised by", "mm"], headRoom: ["head room", "mm"] },
  prefill: ({ geometry: g, options: o }) =>
    o.wetRoom === "none"
      ? undefined
      : { draft: { insideHeight: typed(g.inside.heightMm) }, basis: { "inside height": g.inside.heightMm }, partial: true },

  work: ({ trap, run, fall, insideHeight, floorStack, tallest, reserve }) => {
    const raise = round(trap + fall * run);
    const head = round(insideHeight - floorStack - raise);
    const short = tallest === undefined ? 0 : tallest + reserve - head;
    return outcome(
      { raise, headRoom: head },
      {
        findings: [
          short > 0
            ? {
                level: "warn",
                about: "tallest",
                text: `${mm(short)} short of the tallest and ${mm(reserve)} to spare: straight down, or another place`,
              }
            : { level: "ok", about: "run", text: `the tray stands ${mm(raise)} up, ${mm(head)} above it` },
          { level: "warn", about: "run", text: "a hatch to elbow and trap; look underneath before anything is drilled" },
        ],
      },
    );
  },
});
