// What goes between which two materials: product and primer by pair and slope, and the window in which the bead goes on.

import { minutesOf } from "../../../time/clock";
import { clock } from "../../engine/cure-time";
import { defineCalculator } from "../../engine/define";
import { amount, between, choice, clockTime, house, oneOf, positive } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";

const PAIRS = ["glass-paint", "composite-metal", "plastic-metal", "timber-metal"] as const;
type Pair = (typeof PAIRS)[number];
const PRODUCTS = ["glass adhesive", "hybrid adhesive", "flexible sealant", "self-levelling sealant"] as const;

/** What the pair asks for, its primer, and products that are never put there. The maker's sheet rules over all of it. */
const TABLE: Record<Pair, { product: (typeof PRODUCTS)[number]; primer: string; never: readonly string[] }> = {
  "glass-paint": {
    product: "glass adhesive",
    primer: "primer on the glass rim and wherever paint was touched",
    never: ["self-levelling sealant", "flexible sealant"],
  },
  "composite-metal": {
    product: "hybrid adhesive",
    primer: "scuff both, the composite's own primer",
    never: ["glass adhesive", "self-levelling sealant"],
  },
  "plastic-metal": { product: "flexible sealant", primer: "adhesion promoter on the plastic, no solvent on it", never: ["glass adhesive"] },
  "timber-metal": { product: "hybrid adhesive", primer: "timber sealed first", never: ["glass adhesive", "self-levelling sealant"] },
};

const inputs = {
  pair: choice(
    "Between",
    [
      ["glass-paint", "glass and paint"],
      ["composite-metal", "composite and metal"],
      ["plastic-metal", "plastic and metal"],
      ["timber-metal", "timber and metal"],
    ],
    { from: "chosen", help: "What is bonded to what." },
  ),
  product: oneOf("Product on the shelf", ["glass adhesive", "hybrid adhesive", "flexible sealant", "self-levelling sealant"], {
    from: "chosen",
    help: "What you would use.",
  }),
  edgeCoat: oneOf("Coat on the edge", ["two-part primer", "one-part paint", "bonding primer", "none"], {
    from: "chosen",
    help: "What the bare metal of the cut was given.",
  }),
  slopeDeg: between("Slope of the land", [0, 180], { unit: "°", from: "measured", help: "Put a level on it." }),
  levelTo: house(between("Self-levelling up to", [0, 90], { unit: "°", help: "Steeper than this it runs off." }), 5),
  wiped: clockTime("Wiped and primed at", { from: "measured", help: "The product's clock starts then." }),
  flashMinutes: amount("Flash-off", { unit: "min", from: "chosen", help: "On the tin: how long it has to air." }),
  longestMinutes: positive("Longest wait", { unit: "min", from: "chosen", help: "On the tin: bond before this." }),
};
/** Self-levelling up to 5° of slope and no more; the bead between the wipe + flash-off and the wipe + longest wait. */
export const landProduct = defineCalculator({
  name: "land-product",
  title: "Clean land, right product",
  stage: "openings",
  asks: "Is the metal around the cut clean, and which product does it take?",
  words: "sealant primer paint",

  holds: true,

  inputs,
  example: {
    pair: "plastic-metal",
    product: "flexible sealant",
    edgeCoat: "two-part primer",
    slopeDeg: 2,
    levelTo: 5,
    wiped: "10:20",
    flashMinutes: 15,
    longestMinutes: 120,
  },
  results: {
    product: ["product", ""],
    primer: ["primer", ""],
    selfLevelling: ["self-levelling", ""],
    beadFrom: ["bead from", ""],
    beadUntil: ["bead no later than", ""],
  },
  check: ({ flashMinutes, longestMinutes }) =>
    flashMinutes >= longestMinutes ? [{ path: "longestMinutes", message: "has to be longer than the flash-off" }] : [],
  work: ({ pair, slopeDeg, product, edgeCoat, wiped, flashMinutes, longestMinutes, levelTo }) => {
    const row = TABLE[pair];
    const findings: Finding[] = [];
    if (row.never.includes(product))
      findings.push({ level: "stop", about: "product", text: `${product} is not for ${pair.replace("-", " on ")}: ${row.product}` });
    else if (product !== row.product)
      findings.push({
        level: "warn",
        about: "product",
        text: `${row.product} is usual for ${pair.replace("-", " on ")}: a swap is the lead's to allow`,
      });
    if (product === "self-levelling sealant" && slopeDeg > levelTo)
      findings.push({ level: "stop", about: "slopeDeg", text: `it runs off at ${slopeDeg}°, ${levelTo}° at most: a non-sag sealant` });
    if (edgeCoat === "one-part paint" && pair !== "timber-metal")
      findings.push({
        level: "stop",
        about: "edgeCoat",
        text: "primer lifts a one-part paint: two-part primer or the bonding primer itself",
      });
    if (edgeCoat === "none")
      findings.push({
        level: "warn",
        about: "edgeCoat",
        text: "bare metal at the edge: coat it, or the bonding primer alone where its maker says so",
      });
    if (!findings.some((f) => f.level === "stop"))
      findings.push({ level: "ok", about: "pair", text: `wipe, scuff, wipe, prime: ${row.primer}. No bead without the cleaning tick` });
    findings.push({ level: "warn", about: "product", text: "the maker's sheets of adhesive and primer come first; gloves, air" });
    const at = (m: number) => clock(Math.ceil(round(minutesOf(wiped) + m, 6)));
    return outcome(
      {
        product: row.product,
        primer: row.primer,
        selfLevelling: slopeDeg <= levelTo,
        beadFrom: at(flashMinutes),
        beadUntil: at(longestMinutes),
      },
      { findings },
    );
  },
});
