// How long a bond must be left: to move the van, and to full strength.

import { minutesOf } from "../../../time/clock";
import { defineCalculator } from "../../engine/define";
import { amount, clockTime, group, optional, size, temperature } from "../../engine/inputs";
import { outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

/** Cure slows to half for every ten degrees below 23 °C. */
export const coldFactor = (tempC: number): number => 2 ** ((23 - tempC) / 10);

/** "15:37", or "01:30, the day after": minutes from midnight of the first day. */
export function clock(minutes: number): string {
  const day = Math.floor(minutes / 1440);
  const m = minutes - day * 1440;
  const time = `${String(Math.floor(m / 60)).padStart(2, "0")}:${String(m % 60).padStart(2, "0")}`;
  return day === 0 ? time : `${time}, ${day === 1 ? "the day after" : `${day} days after`}`;
}

const inputs = {
  product: group({
    moveAfterH: amount("May be moved after", { unit: "h at 23 °C", from: "chosen", help: "On the tube, for 23 °C." }),
    mm24h: size("Cures in the first 24 h", { from: "chosen", help: "On the tube: how deep it cures in the first day at 23 °C." }),
    minC: temperature("Cures from", { from: "chosen", help: "Colder than this it does not cure." }),
    handsOffH: optional(
      amount("Hands off until", { unit: "h at 23 °C", from: "chosen", help: "On the tube, for 23 °C: nothing leans on it before." }),
    ),
    soakAfterH: optional(
      amount("May be soaked after", { unit: "h at 23 °C", from: "chosen", help: "On the tube, for 23 °C: no hose test before." }),
    ),
  }),
  depth: size("Depth of the bead", { from: "chosen", help: "The thickest place of the bead." }),
  tempC: temperature("Temperature there", { from: "measured", help: "The coldest it gets there until it has cured." }),
  bonded: optional(clockTime("Bonded at, as 14:20", { from: "measured", help: "Then the hours come out as clock times." })),
};
/** Full cure (d ÷ k)²·2^((23 − T)/10) days, k the millimetres of the first 24 h at 23 °C; hands off, move and soak by the same factor. */
export const cure = defineCalculator({
  name: "cure",
  title: "Cure",
  stage: "openings",
  asks: "When may it be moved, soaked and loaded?",
  words: "hardening adhesive glue bond",

  inputs,
  example: { product: { moveAfterH: 4, mm24h: 3, minC: 5 }, depth: 8, tempC: 13 },
  results: {
    fullDays: ["hardened through after", "days"],
    moveAfterH: ["may be moved after", "h"],
    handsOffH: ["hands off", "h"],
    soakAfterH: ["soak after", "h"],
    handsOffAt: ["hands off at", ""],
    moveAt: ["move at", ""],
    soakAt: ["soak at", ""],
    fullAt: ["full at", ""],
  },
  fromPlan: true,
  prefill,
  check: ({ product: p }) => [
    ...(p.handsOffH !== undefined && p.handsOffH > p.moveAfterH
      ? [{ path: "product.handsOffH", message: "comes after it may be moved" }]
      : []),
    ...(p.soakAfterH !== undefined && p.soakAfterH < p.moveAfterH
      ? [{ path: "product.soakAfterH", message: "comes before it may be moved" }]
      : []),
  ],
  work: ({ product, depth, tempC, bonded }) => {
    if (tempC < product.minC)
      return outcome(
        { fullDays: null, moveAfterH: null },
        {
          findings: [
            {
              level: "stop",
              about: "tempC",
              text: `${tempC} °C is below the ${product.minC} °C that it cures at: warm the place, or wait. The maker's sheet rules`,
            },
          ],
        },
      );
    const factor = coldFactor(tempC);
    const move = product.moveAfterH * factor;
    const full = (depth / product.mm24h) ** 2 * factor;
    const { handsOffH: hands, soakAfterH: soak } = product;
    const start = bonded === undefined ? undefined : minutesOf(bonded);
    const at = (key: string, h: number | undefined) =>
      start === undefined || h === undefined ? {} : { [key]: clock(Math.ceil(round(start + h * 60, 6))) };
    return outcome(
      {
        fullDays: round(full, 2),
        moveAfterH: round(move, 2),
        ...(hands === undefined ? {} : { handsOffH: round(hands * factor, 2) }),
        ...(soak === undefined ? {} : { soakAfterH: round(soak * factor, 2) }),
        ...at("handsOffAt", hands === undefined ? undefined : hands * factor),
        ...at("moveAt", move),
        ...at("soakAt", soak === undefined ? undefined : soak * factor),
        ...at("fullAt", full * 24),
      },
      {
        findings: [
          ...(tempC === product.minC
            ? [{ level: "warn" as const, about: "tempC", text: `exactly at the minimum of ${product.minC} °C: metal is colder than air` }]
            : []),
          { level: "ok", about: "product", text: "the maker's sheet rules; this is to plan by" },
        ],
        holdMinutes: Math.ceil(round(move * 60, 6)),
      },
    );
  },
});
