// Whether roof work goes on under the bay's beam, or in the yard.

import { calculator, type Finding, is, mm, object, outcome, round } from "./model";

interface Input {
  van: number;
  bay: number;
  working?: number;
}

const schema = object({ van: is.size, bay: is.size }, { working: is.mm });

/** Above this height (mm) a ladder or platform and a second person are booked. */
const REACH = 2000;

/** Indoors when van + working space (1100 unless told) ≤ the bay's clear height. */
export const height = calculator<Input>(
  { name: "height", title: "Room above the roof" },
  schema,
  () => [],
  ({ van, bay, working = 1100 }) => {
    const spare = round(bay - van - working);
    const findings: Finding[] = [
      spare >= 0
        ? { level: "ok", about: "bay", text: `indoors, ${mm(spare)} to spare` }
        : { level: "warn", about: "bay", text: `${mm(-spare)} short: in the yard, with dry, light and a shunt in the plan` },
    ];
    if (van > REACH)
      findings.push({
        level: "warn",
        about: "van",
        text: "ladder or platform and a second person; boards to spread the weight on a dry roof",
      });
    return outcome({ spare, indoors: spare >= 0 }, { findings });
  },
);
