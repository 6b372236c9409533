// Fixing a solar panel: bonded only, or bonded and bolted; its chain, and what a second person saves.

import { defineCalculator } from "../../engine/define";
import { amount, choice, count, group, optional, yesNo } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";

const inputs = {
  school: choice(
    "School",
    [
      ["bond", "bond only"],
      ["bond-and-bolt", "bond and bolt"],
    ],
    { from: "chosen", help: "Bolts are more holes to coat and seal." },
  ),
  feet: count("Feet", [1, 60], { from: "chosen", help: "How many feet the panel stands on." }),
  boltsPerFoot: optional(count("Bolts a foot", [1, 12], { from: "chosen", help: "Where bolts are used." })),
  minutes: group({
    mark: amount("Mark, dry", { unit: "min", from: "measured", help: "By your last one." }),
    drill: optional(amount("Drill a hole", { unit: "min", from: "measured", help: "By your last one." })),
    swarf: optional(amount("Swarf off", { unit: "min", from: "measured", help: "By your last one, for all of it." })),
    coat: optional(amount("Coat a hole", { unit: "min", from: "measured", help: "By your last one." })),
    bond: amount("Bond", { unit: "min", from: "measured", help: "By your last one, for all feet." }),
    set: amount("Set", { unit: "min", from: "measured", help: "Until the panel lies and is held." }),
    clean: amount("Clean the bead", { unit: "min", from: "measured", help: "By your last one, for all of it." }),
    bolt: optional(amount("A bolt", { unit: "min", from: "measured", help: "By your last one." })),
  }),
  coatDries: optional(amount("Coat dries", { unit: "min", from: "chosen", help: "On the tin." })),
  flashOff: optional(amount("Degrease, flash off", { unit: "min", from: "chosen", help: "Until the surface has aired." })),
  rainSafe: amount("Bead rain-safe after", { unit: "min", from: "chosen", help: "On the tube." }),
  dryMinutes: optional(amount("Dry for", { unit: "min", from: "measured", help: "From the forecast, from now on." })),
  covered: yesNo("Panel covered, or its leads capped", { from: "chosen", help: "A panel in the light is live." }),
};
/**
 * mark → drill → swarf → coat, dry → degrease, flash off → bond → set → clean the bead → bolts. Times of one hole, or one bolt,
 * are given a piece. With two, one is inside: he drills out burrs and holds nuts while the other works on the roof, so that
 * swarf and bolts take half. Dry from the first mark until the bead is rain-safe.
 */
export const solarFix = defineCalculator({
  name: "solar-fix",
  title: "Fixing a solar panel",
  stage: "openings",
  asks: "How long does it take to fix a solar panel, and in which order?",
  words: "bond bolts",

  inputs,
  example: {
    school: "bond-and-bolt",
    feet: 4,
    boltsPerFoot: 2,
    minutes: { mark: 20, drill: 3, swarf: 20, coat: 2, bond: 20, set: 15, clean: 10, bolt: 4 },
    coatDries: 40,
    flashOff: 15,
    rainSafe: 60,
    covered: true,
  },
  results: {
    holes: ["holes", ""],
    oneAlone: ["one alone", "min"],
    withTwo: ["with two", "min"],
    saved: ["saved", "min"],
    drySlot: ["dry slot", "min"],
  },
  check: ({ school, boltsPerFoot, minutes }) => [
    ...(school === "bond-and-bolt" && boltsPerFoot === undefined
      ? [{ path: "boltsPerFoot", message: "is missing where it is bolted" }]
      : []),
    ...(school === "bond-and-bolt"
      ? (["drill", "coat", "bolt"] as const)
          .filter((k) => minutes[k] === undefined)
          .map((k) => ({ path: `minutes.${k}`, message: "is missing where it is bolted" }))
      : []),
  ],
  work: ({ school, feet, boltsPerFoot = 0, minutes: m, coatDries = 0, flashOff = 0, covered, rainSafe, dryMinutes }) => {
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
});
