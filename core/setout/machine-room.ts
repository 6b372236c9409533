// Whether boards go through a machine where it stands, and which of them take somebody at the outfeed.

import { calculator, type Finding, is, list, object, outcome } from "./model";

interface Input {
  floor: number;
  machine?: number;
  outfeed?: number;
  hands?: number;
  boards: { name: string; length: number }[];
}

/** A machine is so long where nobody says otherwise, mm. */
export const MACHINE_MM = 1200;
/** Longer boards tip off the table behind the blade: somebody takes them there. A house figure, mm. */
export const OUTFEED_MM = 1600;

const schema = object(
  { floor: is.size, boards: list(object({ name: is.name, length: is.size }), 1) },
  { machine: is.size, outfeed: is.size, hands: { type: "integer", minimum: 1, maximum: 9 } },
);

/** The floor along the cut has to take twice the longest board and the machine: the board before it, and behind it. Lengths in mm. */
export const machineRoom = calculator<Input>(
  { name: "machine-room", title: "Room at a machine" },
  schema,
  ({ floor, machine = MACHINE_MM }) =>
    floor <= machine ? [{ path: "floor", message: `is no longer than the machine (${machine} mm)` }] : [],
  ({ floor, machine = MACHINE_MM, outfeed = OUTFEED_MM, hands = 1, boards }) => {
    const longest = Math.max(...boards.map((b) => b.length));
    const needs = 2 * longest + machine;
    const takes = Math.floor((floor - machine) / 2);
    const tooLong = boards.filter((b) => b.length > takes).map((b) => b.name);
    const forTwo = boards.filter((b) => b.length > outfeed && b.length <= takes).map((b) => b.name);
    const findings: Finding[] = [
      tooLong.length
        ? {
            level: "stop",
            about: "floor",
            text: `${tooLong.join(", ")} ${tooLong.length > 1 ? "do" : "does"} not go through here: boards up to ${takes} mm do. Cut down by hand first, or elsewhere`,
          }
        : { level: "ok", about: "floor", text: `${needs} mm of floor needed, ${floor} there` },
    ];
    if (forTwo.length)
      findings.push({
        level: hands > 1 ? "ok" : "warn",
        about: "hands",
        text: `${forTwo.join(", ")}: longer than ${outfeed} mm, ${hands > 1 ? "the second one stands at the outfeed" : "a second pair of hands at the outfeed, or a roller stand"}`,
      });
    findings.push({
      level: "ok",
      about: "machine",
      text: "guards, push sticks and who may work with it: by the house's and the local rules",
    });
    return outcome({ needs, takes, spare: floor - needs, tooLong, forTwo }, { findings });
  },
);
