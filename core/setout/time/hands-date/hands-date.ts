// Hands against a date: the hours that are left, and the days that are sure, or only hoped for.

import { defineCalculator } from "../../engine/define";
import { amount, between, house, type InputOf, positive, rows, text, yesNo } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

const inputs = {
  hoursLeft: amount("Work that is left", { unit: "h", from: "chosen", help: "Of all jobs that are not done." }),
  hoursADay: positive("Hours a day", { from: "chosen", help: "That one person is there." }),
  share: house(between("Share that is worked", [0, 1], { above: true, help: "How much of a day goes into work: 0.85." }), 0.85),
  people: rows(
    "Days until the date",
    "person",
    { name: text("Who"), days: amount("Days"), sure: yesNo("Sure") },
    { least: 1, from: "chosen", help: "Untick who is only hoped for." },
  ),
};
type Input = InputOf<typeof inputs>;

/** Capacity = days × hours a day × share that is worked (0.85 unless told). */
export const handsDate = defineCalculator({
  name: "hands-date",
  title: "Hands against the date",
  stage: "time",
  asks: "Are there hands enough to make the date?",
  words: "people days",

  inputs,
  example: {
    hoursLeft: 88,
    hoursADay: 7.5,
    share: 0.85,
    people: [
      { name: "A", days: 12, sure: true },
      { name: "B", days: 4, sure: false },
    ],
  },
  results: {
    sureHours: ["sure hours", "h"],
    allHours: ["all hours", "h"],
    sureOver: ["sure work beyond the hours", "h"],
    allOver: ["all work beyond the hours", "h"],
    crewDays: ["days of the crew", "days"],
  },

  prefill,
  work: ({ hoursLeft, hoursADay, share, people }) => {
    const hours = (list: readonly Input["people"][number][]) => list.reduce((n, p) => n + p.days, 0) * hoursADay * share;
    const sure = round(hours(people.filter((p) => p.sure)), 1);
    const all = round(hours(people), 1);
    const hoped = people.filter((p) => !p.sure && p.days > 0).map((p) => p.name);
    const finding: Finding =
      all < hoursLeft
        ? {
            level: "stop",
            about: "hoursLeft",
            text: `${round(hoursLeft - all, 1)} hours too many even so: more hands, fewer jobs, or another date`,
          }
        : sure < hoursLeft
          ? {
              level: "warn",
              about: "people",
              text: `only with ${hoped.join(", ")}: sure days are ${round(hoursLeft - sure, 1)} hours short`,
            }
          : { level: "ok", about: "people", text: `${round(sure - hoursLeft, 1)} hours to spare on sure days` };
    return outcome(
      {
        sureHours: sure,
        allHours: all,
        sureOver: round(sure - hoursLeft, 1),
        allOver: round(all - hoursLeft, 1),
        crewDays: round(hoursLeft / (hoursADay * share), 1),
      },
      { findings: [finding] },
    );
  },
});
