// Beads by the clock: until when a unit goes down, what is wiped, and when the masking tape has to be off.

import { minutesOf } from "../../../time/clock";
import { clock } from "../../engine/cure-time";
import { defineCalculator } from "../../engine/define";
import { typed } from "../../engine/handles";
import { amount, choice, clockTime, count, house, type InputOf, length, optional, positive, size, tick, usual } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";
import { fromCut } from "../field";

const inputs = {
  school: choice(
    "School",
    [
      ["both", "tape and wet"],
      ["wet", "wet sealant"],
      ["tape", "bedding tape"],
    ],
    { from: "chosen", help: "How the house seals: tape, wet sealant, or both." },
  ),
  from: clockTime("First bead at", { from: "measured", help: "When the tube is first pressed." }),
  perimeter: size("Perimeter of a flange", { from: "chosen", help: "Once round the flange." }),
  flanges: count("Flanges", [0, 100_000], { from: "chosen", help: "How many get bedding tape." }),
  beadMinutes: positive("A bead takes", { unit: "min", from: "measured", help: "By your last one." }),
  passes: usual(count("Passes", [1, 10], { from: "chosen", help: "How many beads lie one over the other." }), 1),
  passWaitMinutes: optional(amount("Between passes", { unit: "min", from: "chosen", help: "How long one waits for the next." })),
  setMinutes: positive("Setting takes", { unit: "min", from: "measured", help: "From lifting the unit to the last clamp." }),
  openMinutes: positive("Open time", { unit: "min", from: "chosen", help: "On the tube: the unit has to be down by then." }),
  skinMinutes: positive("Skin after", { unit: "min", from: "chosen", help: "On the tube: tape comes off before that." }),
  tapeLongest: optional(positive("Masking tape, longest", { unit: "min", from: "chosen", help: "On the roll." })),
  wet: tick("It is damp", { from: "measured", help: "Damp halves the time of the tape." }),
  tapeMore: house(length("Bedding tape, more than the perimeter", { help: "For the butt of its two ends." }), 50),
  wipeMinutes: house(amount("Squeeze-out is wiped within", { unit: "min", help: "From setting on: later it smears." }), 15),
};
type Input = InputOf<typeof inputs>;

/**
 * Bedding tape P + 50 mm a flange. The unit is down by from + open time; squeeze-out wiped within 15 minutes of setting; masking
 * tape off before the skin, or its own longest time, which a wet one has half of.
 */
export const beadClock = defineCalculator({
  name: "bead-clock",
  title: "Beads by the clock",
  stage: "openings",
  asks: "When are the beads laid, wiped and freed of tape?",
  words: "sealant masking squeeze-out",

  inputs,
  example: {
    school: "both",
    from: "10:40",
    perimeter: 1600,
    flanges: 1,
    beadMinutes: 8,
    passes: 1,
    setMinutes: 6,
    openMinutes: 20,
    skinMinutes: 35,
    wet: false,
  },
  results: {
    tapeMm: ["tape", "mm"],
    laidBy: ["laid by", ""],
    downBy: ["down by", ""],
    wipedBy: ["wiped by", ""],
    tapeOffBy: ["tape off by", ""],
    spareMinutes: ["to spare", "min"],
  },
  prefill: (facts) => fromCut(facts, (c) => ({ perimeter: typed(2 * (c.w + c.h)), flanges: "1" })),

  work: ({
    from,
    perimeter,
    flanges,
    school,
    beadMinutes,
    setMinutes,
    openMinutes,
    skinMinutes,
    passes,
    passWaitMinutes = 0,
    tapeLongest,
    wet,
    tapeMore,
    wipeMinutes,
  }) => {
    const start = minutesOf(from);
    const laid = beadMinutes * passes + passWaitMinutes * (passes - 1);
    const down = laid + setMinutes;
    // The first bead is the oldest when the unit goes down.
    const wetSchool = school !== "tape";
    const tape = Math.min(skinMinutes, (tapeLongest ?? Number.POSITIVE_INFINITY) * (wet ? 0.5 : 1));
    const findings: Finding[] = [];
    if (wetSchool && down > openMinutes)
      findings.push({
        level: "stop",
        about: "openMinutes",
        text: `the unit is down ${round(down - openMinutes)} min after the open time: a second pair of hands, or a slower product`,
      });
    if (wetSchool && down + wipeMinutes > tape)
      findings.push({
        level: wet ? "stop" : "warn",
        about: wet ? "wet" : "tapeLongest",
        text: wet
          ? "bond in the damp, or take the tape off and redo it: the lead decides before the first bead"
          : `the tape comes off ${round(tape)} min after the first bead, while squeeze-out is still wiped: two people`,
      });
    findings.push({ level: "ok", about: "school", text: SCHOOL[school] });
    findings.push({ level: "warn", about: "flanges", text: "the lap is sealed before the unit goes over it" });
    const at = (m: number) => clock(Math.ceil(round(start + m, 6)));
    return outcome(
      {
        tapeMm: school === "wet" ? 0 : flanges * (perimeter + tapeMore),
        laidBy: at(laid),
        downBy: wetSchool ? at(openMinutes) : null,
        wipedBy: at(down + wipeMinutes),
        tapeOffBy: wetSchool ? at(tape) : null,
        spareMinutes: wetSchool ? round(openMinutes - down) : null,
      },
      { findings },
    );
  },
});

const SCHOOL: Record<Input["school"], string> = {
  tape: "bedding tape: ends butted on the low side, never two on top of each other",
  wet: "wet: one bead without a break, screw heads in it",
  both: "both: tape as a spacer inside, a wet bead outside it",
};
