// The first piece, then the run in passes: the hold of one piece is the work time of the next.

import { defineCalculator } from "../../engine/define";
import { amount, count } from "../../engine/inputs";
import { outcome, round } from "../../engine/outcome";

const inputs = {
  pieces: count("Pieces", [1, 1000], { from: "chosen", help: "How many there are." }),
  first: amount("First pass, each", { unit: "min", from: "measured", help: "Cut and coat one." }),
  hold: amount("Hold", { unit: "min", from: "measured", help: "Until the coat is dry." }),
  second: amount("Second pass, each", { unit: "min", from: "measured", help: "Set one." }),
};
/** One crew, n pieces, work a, hold h, work b (minutes): max(n·(a + b), a + h + n·b, n·a + h + b); one by one n·(a + h + b). */
export const passes = defineCalculator({
  name: "passes",
  title: "First piece, then the run",
  stage: "time",
  asks: "How long does the run take once the first piece is right?",
  words: "batch repeat",

  inputs,
  example: { pieces: 6, first: 20, hold: 90, second: 15 },
  results: { minutes: ["minutes", "min"], oneByOne: ["one after the other", "min"], binds: ["decided by", ""] },

  work: ({ pieces: n, first: a, hold: h, second: b }) => {
    const ways: [number, string][] = [
      [n * (a + b), "the work itself"],
      [a + h + n * b, "the first piece's hold"],
      [n * a + h + b, "the last piece's hold"],
    ];
    const [length, binds] = ways.reduce((x, y) => (y[0] > x[0] ? y : x));
    const oneByOne = n * (a + h + b);
    return outcome(
      { minutes: round(length, 1), oneByOne: round(oneByOne, 1), binds },
      {
        // Locked with its job, the run is as long in the plan as it is in passes.
        minutes: {
          best: Math.ceil(n * (a + b)),
          likely: Math.ceil(length),
          worst: Math.max(Math.ceil(length), Math.ceil(oneByOne)),
          covers: "part",
          what: "the run of pieces with its holds",
          // The work on the pieces is in the job already; what is new is the wait.
          held: Math.ceil(n * (a + b)),
        },
        findings: [
          {
            level: "ok",
            about: "pieces",
            text: `${round(length, 1)} minutes in passes against ${round(oneByOne, 1)} one by one; ${binds} decides`,
          },
          { level: "ok", about: "first", text: "the first piece alone, measured and looked at, lets the others go" },
        ],
      },
    );
  },
});
