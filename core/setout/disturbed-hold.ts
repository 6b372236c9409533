// A hold whose warmth was not what it was planned for: what it has earned by now, and what is left.

import { atLimit } from "./at-limit";
import { calculator, type Finding, is, list, object, outcome, round } from "./model";

interface Input {
  holdH: number;
  refC: number;
  q?: number;
  minC?: number;
  moved?: boolean;
  /** In their order; the last without hours goes on until it is over. */
  stretches: { hours?: number; tempC: number }[];
}

const temperature = { type: "number", minimum: -40, maximum: 80 };
const schema = object(
  { holdH: is.size, refC: temperature, stretches: list(object({ tempC: temperature }, { hours: is.amount }), 1) },
  { q: { type: "number", minimum: 1, maximum: 4 }, minC: temperature, moved: { type: "boolean" } },
);

/**
 * Speed q^((T − T_ref)/10), q 2 unless told, none below the minimum; over when Σ hours × speed reaches the hold. The product's own
 * table goes before it.
 */
export const disturbedHold = calculator<Input>(
  { name: "disturbed-hold", title: "A hold that was disturbed" },
  schema,
  ({ stretches }) =>
    stretches.flatMap((s, i) =>
      s.hours === undefined && i < stretches.length - 1
        ? [{ path: `stretches[${i}].hours`, message: "is missing: only the last goes on" }]
        : [],
    ),
  ({ holdH, refC, q = 2, minC, moved, stretches }) => {
    const speed = (t: number) => (minC !== undefined && t < minC ? 0 : q ** ((t - refC) / 10));
    const findings: Finding[] = [];
    let earned = 0;
    let passed = 0;
    let overAt: number | null = null;
    for (const s of stretches) {
      const v = speed(s.tempC);
      findings.push(...atLimit(s.tempC, minC, "stretches", "a stretch, °C,"));
      if (v === 0)
        findings.push({
          level: "warn",
          about: "stretches",
          text: `from hour ${round(passed)} at ${s.tempC} °C nothing cures: a proof test before it is trusted`,
        });
      const left = holdH - earned;
      if (overAt === null && v > 0 && (s.hours === undefined || s.hours * v >= left - 1e-9)) overAt = passed + left / v;
      if (s.hours === undefined) break;
      earned += s.hours * v;
      passed += s.hours;
    }
    const more = overAt === null ? null : Math.max(0, overAt - passed);
    if (overAt === null)
      findings.push({
        level: "warn",
        about: "stretches",
        text: "it is not over, and at this warmth never will be: heat, or another product",
      });
    else findings.push({ level: "ok", about: "holdH", text: `over after ${round(overAt)} h in all; the product's own table rules` });
    if (moved)
      findings.unshift({
        level: "stop",
        about: "moved",
        text: "moved while it had to stand still: inspect the bond before anything goes on",
      });
    return outcome(
      {
        earnedH: round(Math.min(earned, holdH)),
        moreH: more === null ? null : round(more),
        inAllH: overAt === null ? null : round(overAt),
      },
      { findings, holdMinutes: overAt === null ? null : Math.ceil(round(overAt * 60, 6)) },
    );
  },
);
