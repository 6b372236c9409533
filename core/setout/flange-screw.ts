// Screws through a flange into its ring: long enough to bite, short enough to stay inside.

import { calculator, is, list, object, outcome, round } from "./model";

interface Input {
  stack: number[];
  ring: number;
  bite?: number;
  stock: number[];
}

const schema = object({ stack: list(is.mm, 1), ring: is.size, stock: list(is.size, 1) }, { bite: is.size });

/** Ends so far short of the ring's far face (mm). */
const SHORT_OF = 2;

/** Σt + bite ≤ L ≤ Σt + ring − 2; bite 12 unless told. */
export const flangeScrew = calculator<Input>(
  { name: "flange-screw", title: "Screws of a flange" },
  schema,
  () => [],
  ({ stack, ring, bite = 12, stock }) => {
    const sum = stack.reduce((n, t) => n + t, 0);
    const [least, most] = [round(sum + bite), round(sum + ring - SHORT_OF)];
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
);
