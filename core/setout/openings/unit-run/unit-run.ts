// Whether a unit runs on the board it is for: volts, fuse and lead, and how long the battery carries it.

import { defineCalculator } from "../../engine/define";
import { amount, between, group, house, optional, positive, share, tick } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";

const inputs = {
  unit: group({
    volts: positive("Unit", { unit: "V", from: "chosen", help: "On its label." }),
    from: optional(
      positive("Runs from", {
        unit: "V",
        from: "chosen",
        help: "The volts that its maker allows. Left empty, the usual tolerance counts.",
      }),
    ),
    to: optional(positive("Runs to", { unit: "V", from: "chosen", help: "The most volts that its maker allows." })),
    amps: positive("Unit", { unit: "A", from: "chosen", help: "On its label, the most it draws." }),
  }),
  board: group({
    volts: positive("Board", { unit: "V", from: "measured", help: "Measured at the board." }),
    converter: tick("A converter is listed", { from: "chosen", help: "One that suits this unit." }),
  }),
  fuse: positive("Fuse", { unit: "A", from: "chosen", help: "What protects the lead." }),
  leadCarries: positive("Lead carries", { unit: "A", from: "chosen", help: "By its cross-section and length." }),
  battery: optional(
    group({
      ah: positive("Battery", { unit: "Ah", from: "chosen", help: "What is on its label." }),
      usable: house(share("Usable share", { help: "How much of it may be taken out: 0.5 is half." }), 0.5),
    }),
  ),
  hoursADay: optional(amount("Runs", { unit: "h a day", from: "chosen", help: "How long on a usual day." })),
  fuseTimes: house(between("Fuse, times the current", [1, 3], { help: "So that it holds at full load." }), 1.25),
  under: house(share("A unit runs below its voltage by", { help: "As a share, where its maker names no range." }), 0.1),
  over: house(share("A unit runs above its voltage by", { help: "As a share, where its maker names no range." }), 0.25),
};
/** The board's volts within the unit's range, or a converter listed; 1.25·I ≤ fuse ≤ what the lead carries (A); hours on the battery = u·U·C ÷ P. */
export const unitRun = defineCalculator({
  name: "unit-run",
  title: "Does it run on this board?",
  stage: "openings",
  asks: "Does the unit run on this board?",
  words: "volts amps fuse test",

  holds: true,
  fitsPart: true,

  inputs,
  example: {
    unit: { volts: 12, amps: 4 },
    board: { volts: 12.8, converter: false },
    fuse: 7.5,
    leadCarries: 16,
    battery: { ah: 100, usable: 0.5 },
    hoursADay: 6,
  },
  results: {
    watts: ["power", "W"],
    leastFuse: ["smallest fuse", "A"],
    takes: ["the unit takes", ""],
    from: ["from", "V"],
    to: ["to", "V"],
    runs: ["runs", ""],
    whADay: ["used", "Wh a day"],
    batteryHours: ["the battery lasts", "h"],
  },
  check: ({ unit }) =>
    unit.from !== undefined && unit.to !== undefined && unit.to < unit.from
      ? [{ path: "unit.to", message: "is less than the lowest" }]
      : [],
  work: ({ unit, board, fuse, leadCarries, battery, hoursADay = 0, fuseTimes, under, over }) => {
    const findings: Finding[] = [];
    const from = unit.from ?? round(unit.volts * (1 - under));
    const to = unit.to ?? round(unit.volts * (1 + over));
    const runs = board.volts >= from && board.volts <= to;
    const least = round(fuseTimes * unit.amps);
    if (!runs && !board.converter)
      findings.push({
        level: "stop",
        about: "unit",
        text: `the unit takes ${from} to ${to} V, the board has ${board.volts} V: another unit, or a converter that is listed`,
      });
    if (runs && (board.volts === from || board.volts === to))
      findings.push({ level: "warn", about: "unit", text: `${board.volts} V is the very limit of what the unit takes: no margin` });
    if (fuse < least) findings.push({ level: "stop", about: "fuse", text: `${fuse} A is too small: ${least} A at least` });
    if (fuse > leadCarries)
      findings.push({
        level: "stop",
        about: "fuse",
        text: `${fuse} A protects no lead that carries ${leadCarries} A: a smaller fuse or a thicker lead`,
      });
    const watts = unit.volts * unit.amps;
    const hours = battery ? round((battery.usable * board.volts * battery.ah) / watts, 1) : null;
    if (!findings.length)
      findings.push({ level: "ok", about: "unit", text: "it may be tried on the bench: polarity, each setting, lid by hand" });
    findings.push({
      level: "warn",
      about: "board",
      text: "tried again after mounting and before the ceiling; a competent person answers for the wiring",
    });
    return outcome(
      { watts: round(watts, 1), leastFuse: least, takes: { from, to }, runs, whADay: round(watts * hoursADay, 1), batteryHours: hours },
      { findings },
    );
  },
});
