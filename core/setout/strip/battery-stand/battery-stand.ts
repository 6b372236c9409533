// How long the van's battery lasts while it stands with what was kept connected.

import { defineCalculator } from "../../engine/define";
import { amount, between, house, positive, rows, share, text } from "../../engine/inputs";
import { outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

const inputs = {
  capacityAh: positive("Battery", { unit: "Ah", from: "chosen", help: "On the battery's label." }),
  usable: house(share("Usable share", { help: "How much of it may be drawn: 0.5 is half." }), 0.5),
  standDays: amount("Longest stand in the plan", { unit: "days", from: "measured", help: "The longest time it stands without a drive." }),
  circuits: rows(
    "Kept circuits",
    "circuit",
    { name: text("What"), amps: amount("A"), hoursADay: between("h a day", [0, 24]) },
    { from: "measured", help: "Everything that stays connected, with the current it draws." },
  ),
  reserveDays: house(amount("Days kept in hand", { unit: "days", help: "Beyond the longest stand." }), 2),
};
/** D = Σ I·h ampere hours a day; days to flat = u·C ÷ D, u 0.5 unless told. */
export const batteryStand = defineCalculator({
  name: "battery-stand",
  title: "Battery while parked",
  stage: "strip",
  asks: "Will the battery last while the van stands?",
  words: "starter volts charge",

  inputs,
  example: {
    capacityAh: 95,
    usable: 0.5,
    standDays: 9,
    circuits: [
      { name: "standby", amps: 0.12, hoursADay: 24 },
      { name: "lamps", amps: 2.2, hoursADay: 0.75 },
    ],
  },
  results: { ahADay: ["drawn", "Ah a day"], daysToFlat: ["flat after", "days"], neededDays: ["it stands for", "days"] },

  fromPlan: true,
  prefill,
  work: ({ capacityAh, usable, standDays, circuits, reserveDays }) => {
    const ahADay = circuits.reduce((n, c) => n + c.amps * c.hoursADay, 0);
    const days = ahADay > 0 ? (usable * capacityAh) / ahADay : null;
    const needed = standDays + reserveDays;
    const short = days !== null && days < needed;
    return outcome(
      { ahADay: round(ahADay), daysToFlat: days === null ? null : round(days, 1), neededDays: needed },
      {
        findings: [
          short
            ? {
                level: "warn",
                about: "circuits",
                text: `flat after ${round(days, 1)} days; the van stands for ${standDays}, and ${reserveDays} spare days are needed: take the battery out, unplug it or put it on charge`,
              }
            : { level: "ok", about: "circuits", text: days === null ? "nothing draws on it" : `lasts ${round(days, 1)} days` },
          { level: "ok", about: "circuits", text: "lamps switched by motion are easily forgotten: look for them by name" },
        ],
      },
    );
  },
});
