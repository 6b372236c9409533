// A job that needs a second pair of hands in its middle: when to start it so that the two meet and nobody waits.

import { minutesOf } from "../../../time/clock";
import { clock } from "../../engine/cure-time";
import { defineCalculator } from "../../engine/define";
import { amount, clockTime, house, optional, positive, rows, tick } from "../../engine/inputs";
import { type Finding, outcome } from "../../engine/outcome";

const inputs = {
  from: clockTime("Could begin, as 08:30", { from: "chosen", help: "When you could begin." }),
  before: amount("Alone before", { unit: "min", from: "chosen", help: "What you can do until two are needed." }),
  pair: positive("Together", { unit: "min", from: "chosen", help: "As short as it can be: the other one has work too." }),
  after: amount("Alone after", { unit: "min", from: "chosen", help: "What is left for one, once it is held." }),
  kg: optional(amount("Weighs", { unit: "kg", from: "chosen", help: "Of the heaviest piece." })),
  glass: tick("Glass", { from: "chosen", help: "Two always carry glass." }),
  propMinutes: optional(amount("With a prop, more", { unit: "min", from: "chosen", help: "If a prop stood in for the second person." })),
  helper: rows(
    "When the other is free",
    "window",
    { from: clockTime("From"), to: clockTime("To") },
    { least: 1, from: "measured", help: "When the other one is free." },
  ),
  aloneKg: house(amount("Alone up to", { unit: "kg", help: "Heavier than this, two lift." }), 15),
};
/** The pair begins in the first free window of the helper that holds all of it; started so much before, nobody waits. Minutes. */
export const secondHands = defineCalculator({
  name: "second-hands",
  title: "A second pair of hands",
  stage: "time",
  asks: "What may one person lift, and what needs two?",
  words: "weight glass",

  inputs,
  example: {
    from: "08:30",
    before: 70,
    pair: 25,
    after: 40,
    glass: false,
    helper: [
      { from: "09:00", to: "09:20" },
      { from: "10:15", to: "11:30" },
    ],
  },
  results: {
    readyAt: ["ready at", ""],
    waits: ["waits", "min"],
    pairFrom: ["pair from", ""],
    pairTo: ["pair to", ""],
    startAt: ["start at", ""],
    doneAt: ["done at", ""],
    helperMinutes: ["the helper's time", "min"],
    insteadOf: ["instead of", "min"],
  },
  check: ({ helper }) =>
    helper.flatMap((w, i) => (minutesOf(w.to) <= minutesOf(w.from) ? [{ path: `helper[${i}].to`, message: "lies before its begin" }] : [])),
  work: ({ from, before, pair, after, helper, kg = 0, glass, propMinutes, aloneKg }) => {
    const start = minutesOf(from);
    const ready = start + before;
    const windows = helper.map((w) => [minutesOf(w.from), minutesOf(w.to)] as const).sort((x, y) => x[0] - y[0]);
    const fits = windows.find(([a, z]) => Math.max(a, ready) + pair <= z);
    const forTwo = glass || kg > aloneKg;
    const findings: Finding[] = [];
    const alone = start + before + 2 * pair + after;
    if (!fits) {
      findings.push(
        forTwo
          ? { level: "stop", about: "helper", text: "nobody is free long enough, and this is never lifted alone" }
          : {
              level: "warn",
              about: "helper",
              text:
                propMinutes === undefined
                  ? `nobody is free long enough: a prop, or alone in twice the time, done ${clock(alone)}`
                  : `nobody is free long enough: a prop, one fitter, ${propMinutes} minutes more`,
            },
      );
      const done = propMinutes === undefined ? alone : start + before + pair + propMinutes + after;
      return outcome({ pairFrom: null, waits: null, startAt: null, doneAt: forTwo ? null : clock(done) }, { findings });
    }
    const pairFrom = Math.max(fits[0], ready);
    const waits = pairFrom - ready;
    const startAt = pairFrom - before;
    findings.push({
      level: waits ? "warn" : "ok",
      about: "from",
      text: waits
        ? `started ${from} it is ready ${clock(ready)} and waits ${waits} minutes; started ${clock(startAt)} nobody waits`
        : `the helper is booked ${clock(pairFrom)} to ${clock(pairFrom + pair)}, and free again`,
    });
    if (forTwo) findings.push({ level: "warn", about: "kg", text: "for two: never alone, whatever the hurry" });
    return outcome(
      {
        readyAt: clock(ready),
        waits,
        pairFrom: clock(pairFrom),
        pairTo: clock(pairFrom + pair),
        startAt: clock(startAt),
        doneAt: clock(pairFrom + pair + after),
        helperMinutes: pair,
        insteadOf: before + pair + after,
      },
      { findings },
    );
  },
});
