// Hands against a date: the hours that are left, and the days that are sure, or only hoped for.

import { calculator, type Finding, is, list, object, outcome, round } from "./model";

interface Input {
  hoursLeft: number;
  hoursADay: number;
  share?: number;
  people: { name: string; days: number; sure: boolean }[];
}

const schema = object(
  {
    hoursLeft: is.amount,
    hoursADay: is.size,
    people: list(object({ name: is.name, days: is.amount, sure: { type: "boolean" } }), 1),
  },
  { share: { type: "number", exclusiveMinimum: 0, maximum: 1 } },
);

/** Capacity = days × hours a day × share that is worked (0.85 unless told). */
export const handsDate = calculator<Input>(
  { name: "hands-date", title: "Hands against the date" },
  schema,
  () => [],
  ({ hoursLeft, hoursADay, share = 0.85, people }) => {
    const hours = (list: readonly Input["people"][number][]) => list.reduce((n, p) => n + p.days, 0) * hoursADay * share;
    const sure = round(hours(people.filter((p) => p.sure)), 1);
    const all = round(hours(people), 1);
    const hoped = people.filter((p) => !p.sure && p.days > 0).map((p) => p.name);
    const finding: Finding =
      all < hoursLeft
        ? {
            level: "stop",
            about: "hoursLeft",
            text: `${round(hoursLeft - all, 1)} hours too many even so: more hands, fewer jobs, or another date`,
          }
        : sure < hoursLeft
          ? {
              level: "warn",
              about: "people",
              text: `only with ${hoped.join(", ")}: sure days are ${round(hoursLeft - sure, 1)} hours short`,
            }
          : { level: "ok", about: "people", text: `${round(sure - hoursLeft, 1)} hours to spare on sure days` };
    return outcome(
      {
        sureHours: sure,
        allHours: all,
        sureOver: round(sure - hoursLeft, 1),
        allOver: round(all - hoursLeft, 1),
        crewDays: round(hoursLeft / (hoursADay * share), 1),
      },
      { findings: [finding] },
    );
  },
);
