// Whether a unit runs on the board it is for: volts, fuse and lead, and how long the battery carries it.

import { calculator, type Finding, is, object, outcome, round } from "./model";

interface Input {
  /** `from` and `to`: the volts that its maker allows; without them the usual tolerance of its nominal voltage. */
  unit: { volts: number; amps: number; from?: number; to?: number };
  board: { volts: number; converter?: boolean };
  fuse: number;
  leadCarries: number;
  battery?: { ah: number; usable?: number };
  hoursADay?: number;
}

/** A fuse is at least so many times the current. A house figure. */
const FUSE = 1.25;

/** What a unit usually takes, as shares of its nominal voltage: 10.8 to 15 V for one of 12 V. House figures; its maker's range rules. */
const TOLERANCE = { under: 0.1, over: 0.25 };

const schema = object(
  {
    unit: object({ volts: is.size, amps: is.size }, { from: is.size, to: is.size }),
    board: object({ volts: is.size }, { converter: is.bool }),
    fuse: is.size,
    leadCarries: is.size,
  },
  { battery: object({ ah: is.size }, { usable: is.share }), hoursADay: is.amount },
);

/** The board's volts within the unit's range, or a converter listed; 1.25·I ≤ fuse ≤ what the lead carries (A); hours on the battery = u·U·C ÷ P. */
export const unitRun = calculator<Input>(
  { name: "unit-run", title: "Does the unit run on this board?" },
  schema,
  ({ unit }) =>
    unit.from !== undefined && unit.to !== undefined && unit.to < unit.from
      ? [{ path: "unit.to", message: "is less than the lowest" }]
      : [],
  ({ unit, board, fuse, leadCarries, battery, hoursADay = 0 }) => {
    const findings: Finding[] = [];
    const from = unit.from ?? round(unit.volts * (1 - TOLERANCE.under));
    const to = unit.to ?? round(unit.volts * (1 + TOLERANCE.over));
    const runs = board.volts >= from && board.volts <= to;
    const least = round(FUSE * unit.amps);
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
    const hours = battery ? round(((battery.usable ?? 0.5) * board.volts * battery.ah) / watts, 1) : null;
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
);
