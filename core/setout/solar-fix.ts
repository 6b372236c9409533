// Fixing a solar panel: bonded only, or bonded and bolted; its chain, and what a second person saves.

import { calculator, type Finding, is, object, outcome, round } from "./model";

interface Input {
  school: "bond" | "bond-and-bolt";
  feet: number;
  boltsPerFoot?: number;
  minutes: { mark: number; bond: number; set: number; clean: number; drill?: number; swarf?: number; coat?: number; bolt?: number };
  coatDries?: number;
  flashOff?: number;
  covered: boolean;
  rainSafe: number;
  dryMinutes?: number;
}

const schema = object(
  {
    school: { type: "string", enum: ["bond", "bond-and-bolt"] },
    feet: { type: "integer", minimum: 1, maximum: 60 },
    minutes: object(
      { mark: is.amount, bond: is.amount, set: is.amount, clean: is.amount },
      { drill: is.amount, swarf: is.amount, coat: is.amount, bolt: is.amount },
    ),
    covered: is.bool,
    rainSafe: is.amount,
  },
  { boltsPerFoot: { type: "integer", minimum: 1, maximum: 12 }, coatDries: is.amount, flashOff: is.amount, dryMinutes: is.amount },
);

/**
 * mark → drill → swarf → coat, dry → degrease, flash off → bond → set → clean the bead → bolts. Times of one hole, or one bolt,
 * are given a piece. With two, one is inside: he drills out burrs and holds nuts while the other works on the roof, so that
 * swarf and bolts take half. Dry from the first mark until the bead is rain-safe.
 */
export const solarFix = calculator<Input>(
  { name: "solar-fix", title: "Fixing a solar panel" },
  schema,
  ({ school, boltsPerFoot, minutes }) => [
    ...(school === "bond-and-bolt" && boltsPerFoot === undefined
      ? [{ path: "boltsPerFoot", message: "is missing where it is bolted" }]
      : []),
    ...(school === "bond-and-bolt"
      ? (["drill", "coat", "bolt"] as const)
          .filter((k) => minutes[k] === undefined)
          .map((k) => ({ path: `minutes.${k}`, message: "is missing where it is bolted" }))
      : []),
  ],
  ({ school, feet, boltsPerFoot = 0, minutes: m, coatDries = 0, flashOff = 0, covered, rainSafe, dryMinutes }) => {
    const bolted = school === "bond-and-bolt";
    const holes = bolted ? feet * boltsPerFoot : 0;
    const hands = {
      mark: m.mark,
      drill: holes * (m.drill ?? 0),
      swarf: bolted ? (m.swarf ?? 0) : 0,
      coat: holes * (m.coat ?? 0),
      bond: m.bond,
      set: m.set,
      clean: m.clean,
      bolts: holes * (m.bolt ?? 0),
    };
    const dry = (bolted ? coatDries : 0) + flashOff;
    const one = Object.values(hands).reduce((a, b) => a + b, 0) + dry;
    const two = one - (hands.swarf + hands.bolts) / 2;
    const findings: Finding[] = [];
    if (!covered)
      findings.push({
        level: "stop",
        about: "covered",
        text: "a panel in light is live: cover it, or cap each lead, before it is touched",
      });
    if (bolted)
      findings.push({
        level: "warn",
        about: "school",
        text: `${holes} holes more through the skin: deburred, coated, sealed, each on the list; their underside is reached before lining`,
      });
    else findings.push({ level: "ok", about: "school", text: "bonded only: no hole in the roof; the paint under it has to hold" });
    const slot = two + rainSafe;
    if (dryMinutes !== undefined && dryMinutes < slot)
      findings.push({
        level: "stop",
        about: "dryMinutes",
        text: `dry for ${round(dryMinutes)} min, ${round(slot)} are needed with two, until the bead is rain-safe: another day`,
      });
    findings.push({
      level: "warn",
      about: "covered",
      text: "battery to the controller first, then the panel; a competent person answers for the wiring",
    });
    return outcome(
      { holes, oneAlone: round(one), withTwo: round(two), saved: round(one - two), drySlot: round(slot) },
      {
        findings,
        minutes: { best: round(two), likely: round(one), worst: round(one * 1.4), covers: "whole", what: "feet fixed and panels set" },
        parts: bolted ? [{ name: "bolt with sealing washer", quantity: holes, unit: "pc" }] : [],
      },
    );
  },
);
