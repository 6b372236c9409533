// Floor that no kept template covers: the scribing that it adds.

import { defineCalculator } from "../../engine/define";
import { amount, house, rows, text } from "../../engine/inputs";
import { outcome, round } from "../../engine/outcome";

const inputs = {
  minutesPerM2: house(amount("Scribing", { unit: "min/m²", help: "By your own last jobs, for each m² of board." }), 25),
  uncovered: rows(
    "What no template covers",
    "place",
    { name: text("Where"), m2: amount("m²") },
    { from: "measured", help: "Where the old floor gives no outline: measure the area." },
  ),
};
/** Σ area × norm (25 min/m² unless told), added to cutting and dry-fitting the floor boards. */
export const templateGap = defineCalculator({
  name: "template-gap",
  title: "Floor without a template",
  stage: "strip",
  asks: "How is a floor cut without a template?",
  words: "plywood board",

  onlyOn: "floor-boards",

  inputs,
  example: { minutesPerM2: 25, uncovered: [{ name: "rear edge", m2: 1.4 }] },
  results: { m2: ["area", "m²"], minutes: ["minutes", "min"] },

  work: ({ uncovered, minutesPerM2 }) => {
    const m2 = uncovered.reduce((n, u) => n + u.m2, 0);
    const minutes = round(m2 * minutesPerM2, 1);
    return outcome(
      { m2: round(m2), minutes },
      {
        findings: [
          { level: "ok", about: "uncovered", text: m2 ? `${minutes} minutes of scribing more` : "the templates cover all of it" },
          { level: "warn", about: "uncovered", text: "a template is scrapped only when floor, finish and linings are signed" },
        ],
        minutes: {
          best: minutes,
          likely: minutes,
          worst: round(minutes * 1.5, 1),
          covers: "addition",
          what: "scribing where no template covers",
        },
      },
    );
  },
});
