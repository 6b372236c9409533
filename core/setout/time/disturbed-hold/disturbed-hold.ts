// A hold whose warmth was not what it was planned for: what it has earned by now, and what is left.

import { atLimit } from "../../engine/at-limit";
import { defineCalculator } from "../../engine/define";
import { amount, between, house, optional, positive, rows, temperature, tick } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

const inputs = {
  holdH: positive("Hold", { unit: "h", from: "chosen", help: "As it was planned." }),
  refC: temperature("At", { from: "chosen", help: "The temperature that the hold is told for." }),
  q: house(between("Faster every 10 °C, times", [1, 4], { help: "By the maker's table, where it has one." }), 2),
  minC: optional(temperature("Nothing below", { from: "chosen", help: "Colder than this nothing happens." })),
  moved: tick("Moved while it had to stand", { from: "measured", help: "Then the bond is looked at before it counts." }),
  stretches: rows(
    "How warm it was, the last goes on",
    "stretch",
    { hours: optional(amount("Hours")), tempC: temperature("°C") },
    { least: 1, from: "measured", help: "Read off while it stood." },
  ),
};
/**
 * Speed q^((T − T_ref)/10), q 2 unless told, none below the minimum; over when Σ hours × speed reaches the hold. The product's own
 * table goes before it.
 */
export const disturbedHold = defineCalculator({
  name: "disturbed-hold",
  title: "A hold that was disturbed",
  stage: "time",
  asks: "Somebody moved it while it cured: what now?",
  words: "bond hold",
  onlyIf: true,

  inputs,
  example: { holdH: 20, refC: 20, q: 2, moved: false, stretches: [{ hours: 6, tempC: 18 }, { tempC: 8 }] },
  results: { earnedH: ["held so far", "h"], moreH: ["longer", "h"], inAllH: ["in all", "h"] },
  fromPlan: true,
  prefill,
  check: ({ stretches }) =>
    stretches.flatMap((s, i) =>
      s.hours === undefined && i < stretches.length - 1
        ? [{ path: `stretches[${i}].hours`, message: "is missing: only the last goes on" }]
        : [],
    ),
  work: ({ holdH, refC, q, minC, moved, stretches }) => {
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
});
