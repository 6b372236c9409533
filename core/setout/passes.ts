// The first piece, then the run in passes: the hold of one piece is the work time of the next.

import { calculator, is, object, outcome, round } from "./model";

interface Input {
  pieces: number;
  first: number;
  hold: number;
  second: number;
}

const schema = object({ pieces: { type: "integer", minimum: 1, maximum: 1000 }, first: is.amount, hold: is.amount, second: is.amount });

/** One crew, n pieces, work a, hold h, work b (minutes): max(n·(a + b), a + h + n·b, n·a + h + b); one by one n·(a + h + b). */
export const passes = calculator<Input>(
  { name: "passes", title: "First piece, then the run" },
  schema,
  () => [],
  ({ pieces: n, first: a, hold: h, second: b }) => {
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
);
