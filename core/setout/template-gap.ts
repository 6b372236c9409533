// Floor that no kept template covers: the scribing that it adds.

import { calculator, is, list, object, outcome, round } from "./model";

interface Input {
  uncovered: { name: string; m2: number }[];
  minutesPerM2?: number;
}

const schema = object({ uncovered: list(object({ name: is.name, m2: is.amount })) }, { minutesPerM2: is.amount });

/** Σ area × norm (25 min/m² unless told), added to cutting and dry-fitting the floor boards. */
export const templateGap = calculator<Input>(
  { name: "template-gap", title: "Floor without a template" },
  schema,
  () => [],
  ({ uncovered, minutesPerM2 = 25 }) => {
    const m2 = uncovered.reduce((n, u) => n + u.m2, 0);
    const minutes = round(m2 * minutesPerM2, 1);
    return outcome(
      { m2: round(m2), minutes },
      {
        findings: [
          { level: "ok", about: "uncovered", text: m2 ? `${minutes} minutes of scribing more` : "the templates cover all of it" },
          { level: "warn", about: "uncovered", text: "a template is scrapped only when floor, finish and linings are signed" },
        ],
        minutes: {
          best: minutes,
          likely: minutes,
          worst: round(minutes * 1.5, 1),
          covers: "addition",
          what: "scribing where no template covers",
        },
      },
    );
  },
);
