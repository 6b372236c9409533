// Screws through a flange into its ring: long enough to bite, short enough to stay inside.

import { defineCalculator } from "../../engine/define";
import { count, group, house, type InputOf, length, numbers, optional, share, size, text } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";

const inputs = {
  stack: numbers("Flange, adapter, skin", 1, { zero: true, from: "measured", help: "Each layer that the screw goes through, mm." }),
  ring: size("Ring", { from: "measured", help: "Thickness of the ring that it bites into." }),
  bite: house(size("Bite", { help: "The thread has to reach so far into the ring." }), 12),
  stock: numbers("Stock lengths", 1, { from: "chosen", help: "Screws on the shelf, mm." }),
  d: optional(size("Screw ø", { from: "chosen", help: "Outside of the thread. Gives the pilot." })),
  pilotShare: house(share("Pilot, as a share of the screw", { help: "0.8 for sheet metal: 3.4 for a screw of 4.2." }), 0.8),
  bag: optional(
    group({
      name: text("Bag", { from: "chosen", help: "The number or letter on the bag that belongs to this step." }),
      places: count("Places for a screw", undefined, { from: "chosen", help: "Holes in the flange." }),
      inBag: count("Screws in the bag", undefined, { from: "measured", help: "Counted before the first is driven." }),
      driven: optional(count("Driven", undefined, { from: "measured", help: "Counted when the last is in." })),
    }),
  ),
  shortOf: house(length("Ends short of the ring's far face by", { help: "So that no tip comes through." }), 2),
};
/**
 * Σt + bite ≤ L ≤ Σt + ring − 2; bite 12 unless told. Pilot = ø × share, to 0.1 mm. Left over = in the bag − driven: a place that lacks
 * its screw, or the bag of another step. Source: OP-n25.
 */
export const flangeScrew = defineCalculator({
  name: "flange-screw",
  title: "Screws of a flange",
  stage: "openings",
  asks: "Where do the flange's screws go, and how long are they?",
  words: "pitch",

  holds: true,

  inputs,
  example: { stack: [3.5, 11, 0.8], ring: 21, bite: 12, stock: [25, 30, 35] },
  results: { least: ["least", "mm"], most: ["most", "mm"], fits: ["fits", "mm"], pilot: ["pilot", "mm"], left: ["left over", ""] },

  check: ({ bag }) =>
    bag?.driven !== undefined && bag.driven > bag.places ? [{ path: "bag.driven", message: `is more than the ${bag.places} places` }] : [],
  work: ({ stack, ring, bite, stock, shortOf, d, pilotShare, bag }) => {
    const sum = stack.reduce((n, t) => n + t, 0);
    const [least, most] = [round(sum + bite), round(sum + ring - shortOf)];
    const fits = [...stock].sort((a, b) => a - b).filter((l) => l >= least && l <= most);
    const pilot = d === undefined ? undefined : round(d * pilotShare, 1);
    const left = bag?.driven === undefined ? undefined : bag.inBag - bag.driven;
    return outcome(
      { least, most, fits, ...(pilot === undefined ? {} : { pilot }), ...(left === undefined ? {} : { left }) },
      {
        findings: [
          fits.length
            ? {
                level: "ok",
                about: "stock",
                text: `${fits[0]} from stock${pilot === undefined ? "" : `, pilot ${pilot}`}; the ones in the middle of each side first; sweep the chips`,
              }
            : { level: "stop", about: "stock", text: `none in stock between ${least} and ${most}` },
          ...(bag ? ofBag(bag) : []),
        ],
      },
    );
  },
});

type Bag = NonNullable<InputOf<typeof inputs>["bag"]>;

/** Whether the bag holds enough, every place has its screw, and what is left over. */
function ofBag({ name, places, inBag, driven }: Bag): Finding[] {
  if (driven === undefined)
    return inBag < places
      ? [{ level: "stop", about: "bag.inBag", text: `bag ${name} is ${places - inBag} short for ${places} places` }]
      : [{ level: "ok", about: "bag", text: `bag ${name}: ${places} places, ${inBag} screws` }];
  if (driven < places)
    return [{ level: "stop", about: "bag.driven", text: `${driven} of ${places} driven: ${places - driven} still to drive` }];
  return inBag > driven
    ? [
        {
          level: "warn",
          about: "bag.inBag",
          text: `all ${places} driven and ${inBag - driven} left over of bag ${name}: look whether another step lacks them`,
        },
      ]
    : [{ level: "ok", about: "bag.driven", text: `${driven} of ${places} driven, none left over` }];
}
