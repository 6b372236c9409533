// Whether roof work goes on under the bay's beam, or in the yard.

import { defineCalculator } from "../../engine/define";
import { house, length, size } from "../../engine/inputs";
import { type Finding, mm, outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

const inputs = {
  van: size("Van's height", { from: "van", help: "At its highest place." }),
  bay: size("Bay, clear height", { from: "van", help: "Floor to the lowest beam above the roof." }),
  working: house(length("Working space", { help: "For a person kneeling, and the saw." }), 1100),
  reach: house(size("A hand reaches", { help: "Higher than that takes a platform." }), 2000),
};
/** Indoors when van + working space (1100 unless told) ≤ the bay's clear height. */
export const height = defineCalculator({
  name: "height",
  title: "Room above the roof",
  stage: "openings",
  asks: "Is there room to work above the roof in this bay?",
  words: "beam reach",

  inputs,
  example: { van: 2745, bay: 3900, working: 1100 },
  results: { spare: ["spare", "mm"], indoors: ["indoors", ""] },

  prefill,
  work: ({ van, bay, working, reach }) => {
    const spare = round(bay - van - working);
    const findings: Finding[] = [
      spare >= 0
        ? { level: "ok", about: "bay", text: `indoors, ${mm(spare)} to spare` }
        : { level: "warn", about: "bay", text: `${mm(-spare)} short: in the yard, with dry, light and a shunt in the plan` },
    ];
    if (van > reach)
      findings.push({
        level: "warn",
        about: "van",
        text: "ladder or platform and a second person; boards to spread the weight on a dry roof",
      });
    return outcome({ spare, indoors: spare >= 0 }, { findings });
  },
});
