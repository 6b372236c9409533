// Whether a unit runs on the board it is for: volts, fuse and lead, and how long the battery carries it.

import { calculator, type Finding, is, object, outcome, round } from "./model";

interface Input {
  unit: { volts: number; amps: number };
  board: { volts: number; converter?: boolean };
  fuse: number;
  leadCarries: number;
  battery?: { ah: number; usable?: number };
  hoursADay?: number;
}

/** A fuse is at least so many times the current. A house figure. */
const FUSE = 1.25;

const schema = object(
  {
    unit: object({ volts: is.size, amps: is.size }),
    board: object({ volts: is.size }, { converter: is.bool }),
    fuse: is.size,
    leadCarries: is.size,
  },
  { battery: object({ ah: is.size }, { usable: is.share }), hoursADay: is.amount },
);

/** Volts alike, or a converter listed; 1.25·I ≤ fuse ≤ what the lead carries (A); hours on the battery = u·U·C ÷ P. */
export const unitRun = calculator<Input>(
  { name: "unit-run", title: "Does the unit run on this board?" },
  schema,
  () => [],
  ({ unit, board, fuse, leadCarries, battery, hoursADay = 0 }) => {
    const findings: Finding[] = [];
    const same = unit.volts === board.volts;
    const least = round(FUSE * unit.amps);
    if (!same && !board.converter)
      findings.push({
        level: "stop",
        about: "unit",
        text: `${unit.volts} V over a board of ${board.volts} V: another unit, or a converter that is listed`,
      });
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
      { watts: round(watts, 1), leastFuse: least, sameVolts: same, whADay: round(watts * hoursADay, 1), batteryHours: hours },
      { findings },
    );
  },
);
