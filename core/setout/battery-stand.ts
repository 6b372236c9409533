// How long the van's battery lasts while it stands with what was kept connected.

import { calculator, is, list, object, outcome, round } from "./model";

interface Input {
  capacityAh: number;
  usable?: number;
  standDays: number;
  circuits: { name: string; amps: number; hoursADay: number }[];
}

const schema = object(
  {
    capacityAh: is.size,
    standDays: is.amount,
    circuits: list(object({ name: is.name, amps: is.amount, hoursADay: { type: "number", minimum: 0, maximum: 24 } })),
  },
  { usable: is.share },
);

/** Over the longest stand in the plan so many days are kept in hand. */
const RESERVE_DAYS = 2;

/** D = Σ I·h ampere hours a day; days to flat = u·C ÷ D, u 0.5 unless told. */
export const batteryStand = calculator<Input>(
  { name: "battery-stand", title: "Battery while parked" },
  schema,
  () => [],
  ({ capacityAh, usable = 0.5, standDays, circuits }) => {
    const ahADay = circuits.reduce((n, c) => n + c.amps * c.hoursADay, 0);
    const days = ahADay > 0 ? (usable * capacityAh) / ahADay : null;
    const needed = standDays + RESERVE_DAYS;
    const short = days !== null && days < needed;
    return outcome(
      { ahADay: round(ahADay), daysToFlat: days === null ? null : round(days, 1), neededDays: needed },
      {
        findings: [
          short
            ? {
                level: "warn",
                about: "circuits",
                text: `flat after ${round(days, 1)} days; the van stands for ${standDays}, and ${RESERVE_DAYS} spare days are needed: take the battery out, unplug it or put it on charge`,
              }
            : { level: "ok", about: "circuits", text: days === null ? "nothing draws on it" : `lasts ${round(days, 1)} days` },
          { level: "ok", about: "circuits", text: "lamps switched by motion are easily forgotten: look for them by name" },
        ],
      },
    );
  },
);
