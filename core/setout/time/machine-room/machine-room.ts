// Whether boards go through a machine where it stands, and which of them take somebody at the outfeed.

import { defineCalculator } from "../../engine/define";
import { count, house, rows, size, text, usual } from "../../engine/inputs";
import { type Finding, outcome } from "../../engine/outcome";
import { prefill } from "./prefill";

/** A machine is so long where nobody says otherwise, mm. */
export const MACHINE_MM = 1200;
/** Longer boards tip off the table behind the blade: somebody takes them there. A house figure, mm. */
export const OUTFEED_MM = 1600;

const inputs = {
  floor: size("Floor along the cut", { from: "measured", help: "Clear floor in front of the machine and behind it." }),
  machine: house(size("The machine itself", { help: "Along the cut." }), MACHINE_MM),
  outfeed: house(size("Hand at the outfeed over", { help: "Longer boards need a second person or a roller stand." }), OUTFEED_MM),
  hands: usual(count("People at it", [1, 9], { from: "chosen", help: "Who is there while it is cut." }), 1),
  boards: rows(
    "Boards to cut",
    "board",
    { name: text("Which"), length: size("Length") },
    { least: 1, from: "chosen", help: "The longest ones will do." },
  ),
};
/** The floor along the cut has to take twice the longest board and the machine: the board before it, and behind it. Lengths in mm. */
export const machineRoom = defineCalculator({
  name: "machine-room",
  title: "Room at a machine",
  stage: "time",
  asks: "Is there room at the machine for these boards?",
  words: "saw outfeed",

  inputs,
  example: {
    floor: 6200,
    hands: 1,
    boards: [
      { name: "long side", length: 2440 },
      { name: "bed front", length: 1830 },
    ],
  },
  results: {
    needs: ["needs", "mm"],
    takes: ["takes boards up to", "mm"],
    spare: ["spare", "mm"],
    tooLong: ["too long", ""],
    forTwo: ["for two people", ""],
  },
  fromPlan: true,
  prefill,
  check: ({ floor, machine }) => (floor <= machine ? [{ path: "floor", message: `is no longer than the machine (${machine} mm)` }] : []),
  work: ({ floor, machine, outfeed, hands, boards }) => {
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
});
