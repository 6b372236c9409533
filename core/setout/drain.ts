// A drain that can't go straight down: how far its tray is raised, and what head room that leaves.

import { calculator, is, mm, object, outcome, round } from "./model";

interface Input {
  trap: number;
  run: number;
  fall?: number;
  insideHeight: number;
  floorStack: number;
  tallest?: number;
  reserve?: number;
}

const schema = object(
  { trap: is.mm, run: is.mm, insideHeight: is.size, floorStack: is.mm },
  { fall: { type: "number", minimum: 0.005, maximum: 0.2 }, tallest: is.size, reserve: is.mm },
);

/** Raise = trap + fall·run (fall 0.02 unless told); head room = inside height − floor stack − raise. */
export const drain = calculator<Input>(
  { name: "drain", title: "Drain on elbows" },
  schema,
  () => [],
  ({ trap, run, fall = 0.02, insideHeight, floorStack, tallest, reserve = 30 }) => {
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
);
