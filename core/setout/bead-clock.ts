// Beads by the clock: until when a unit goes down, what is wiped, and when the masking tape has to be off.

import { CLOCK, minutesOf } from "../time/clock";
import { clock } from "./cure";
import { calculator, type Finding, is, object, outcome, round } from "./model";

interface Input {
  from: string;
  perimeter: number;
  flanges: number;
  school: "tape" | "wet" | "both";
  beadMinutes: number;
  setMinutes: number;
  openMinutes: number;
  skinMinutes: number;
  passes?: number;
  passWaitMinutes?: number;
  tapeLongest?: number;
  wet?: boolean;
}

/** Millimetres more of bedding tape than the perimeter, for the butt; minutes in which squeeze-out is wiped. House figures. */
const TAPE_MORE = 50;
const WIPE = 15;

const school = { type: "string", enum: ["tape", "wet", "both"] };
const schema = object(
  {
    from: CLOCK,
    perimeter: is.size,
    flanges: is.count,
    school,
    beadMinutes: is.size,
    setMinutes: is.size,
    openMinutes: is.size,
    skinMinutes: is.size,
  },
  { passes: { type: "integer", minimum: 1, maximum: 10 }, passWaitMinutes: is.amount, tapeLongest: is.size, wet: is.bool },
);

/**
 * Bedding tape P + 50 mm a flange. The unit is down by from + open time; squeeze-out wiped within 15 minutes of setting; masking
 * tape off before the skin, or its own longest time, which a wet one has half of.
 */
export const beadClock = calculator<Input>(
  { name: "bead-clock", title: "Beads by the clock" },
  schema,
  () => [],
  ({
    from,
    perimeter,
    flanges,
    school,
    beadMinutes,
    setMinutes,
    openMinutes,
    skinMinutes,
    passes = 1,
    passWaitMinutes = 0,
    tapeLongest,
    wet = false,
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
    if (wetSchool && down + WIPE > tape)
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
        tapeMm: school === "wet" ? 0 : flanges * (perimeter + TAPE_MORE),
        laidBy: at(laid),
        downBy: wetSchool ? at(openMinutes) : null,
        wipedBy: at(down + WIPE),
        tapeOffBy: wetSchool ? at(tape) : null,
        spareMinutes: wetSchool ? round(openMinutes - down) : null,
      },
      { findings },
    );
  },
);

const SCHOOL: Record<Input["school"], string> = {
  tape: "bedding tape: ends butted on the low side, never two on top of each other",
  wet: "wet: one bead without a break, screw heads in it",
  both: "both: tape as a spacer inside, a wet bead outside it",
};
