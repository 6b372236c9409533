// What each choice is called and what each of its values means for the build, in words; in the order in which they are asked.

import { OPTION_KEYS, type OptionKey, type Options, valuesOf } from "./options";

export interface Choice {
  key: OptionKey;
  label: string;
  /** Where it is asked. */
  group: "How the van comes" | "Outside" | "Seats and outside" | "Water, gas, heat" | "Furniture" | "Order" | "Materials" | "Fixing";
  kind: "option" | "school";
  /** Name and consequence of each value, in order. */
  values: { value: Options[OptionKey]; label: string; means: string }[];
}

type Words = Record<string, [label: string, means: string]>;

const flag = (no: string, yes: string): Words => ({ false: ["no", no], true: ["yes", yes] });

const WORDS: Record<OptionKey, [label: string, group: Choice["group"], words: Words | ((n: number) => [string, string])]> = {
  exFleet: [
    "Fleet van before",
    "How the van comes",
    flag("few holes but the factory's", "racking and beacons: more fixings, many holes to close"),
  ],
  partition: [
    "A partition to take out",
    "How the van comes",
    flag("open to the cab", "a job of its own: bolts, bond and the harness through it"),
  ],
  loadFloor: [
    "Load floor",
    "How the van comes",
    {
      none: ["none", "bare metal: nothing to lift"],
      screwed: ["screwed", "lifted whole, kept as a template"],
      bonded: ["bonded", "sliced off with heat; its glue comes off after it"],
    },
  ],
  roofPoints: [
    "On the roof",
    "How the van comes",
    {
      points: ["factory points", "a rack stands on them"],
      rails: ["rails", "a rack clamps on: nothing is drilled"],
      none: ["nothing", "rails come first: ordered before all else, drilled where a rib carries them"],
    },
  ],
  rearClimate: [
    "A factory climate unit in the rear",
    "How the van comes",
    flag("the ceiling is free", "its rib bay is shut to roof units; ceiling and wall units are cut round it"),
  ],
  sideDoors: [
    "Sliding doors",
    "How the van comes",
    { one: ["one", "the other wall is whole"], two: ["two", "two doors to fill and line; both walls lose a stretch"] },
  ],
  addedCircuits: [
    "Circuits that somebody added",
    "How the van comes",
    flag("the factory's own only", "each is found, measured dead or led away before anything is cut"),
  ],
  factoryDamping: [
    "Damping mats from the factory",
    "How the van comes",
    flag("bare panels", "about an eighth of the metal is covered already: fewer mats"),
  ],
  windows: [
    "Side windows",
    "Outside",
    (n) => (n ? [`${n}`, "each cut, protected and set in one dry stretch"] : ["none", "no cut in the sides"]),
  ],
  windowKind: [
    "Kind of side window",
    "Outside",
    {
      bonded: ["bonded glass", "a day untouched after each; scratches show"],
      framed: ["framed, clamped", "a short hold; the lining must suit the clamp range"],
    },
  ],
  rearWindows: ["Windows in the rear doors", "Outside", flag("doors stay closed metal", "double skin: a chain of holes from outside")],
  fan: ["Roof fan", "Outside", flag("air by windows and vents", "one dry stretch on the roof, a night untouched")],
  skylight: ["Skylight", "Outside", flag("no second hole in the roof", "bigger and heavier than a fan, clamped overnight")],
  rack: ["Roof rack or rails", "Outside", flag("panels bond to the skin", "stands before the panels; its bars say where a fan can go")],
  solar: [
    "Solar panels",
    "Outside",
    (n) => (n ? [`${n}`, "live in daylight; a day's hold if bonded"] : ["none", "charged while driving and from the mains"]),
  ],
  pods: ["Side pods", "Outside", flag("the body's own width", "widen the sleeping zone; take the place of rear side windows")],
  swivels: [
    "Seats that turn",
    "Seats and outside",
    (n) => (n ? [`${n}`, "needs the ticket for seats; estimates are notorious"] : ["none", "cab seats stay as they are"]),
  ],
  lettering: ["Old lettering to take off", "Seats and outside", flag("nothing to take off", "peel, then polish when a ghost stays")],
  shore: ["Mains inlet", "Seats and outside", flag("no mains aboard", "inlet, breakers, test by a ticket holder")],
  water: [
    "Fresh water",
    "Water, gas, heat",
    {
      none: ["none", "no pipes, no pump"],
      inside: ["tank inside", "safe from frost; takes room"],
      "under-floor": ["tank under the floor", "has to be in before the floor is fixed"],
    },
  ],
  wetRoom: [
    "Wet room",
    "Water, gas, heat",
    {
      none: ["none", "no tanking"],
      panelled: ["panelled", "boards, joints tanked, panels bonded"],
      tiled: ["tiled", "two coats of tanking, tiles, then no driving until they are cured"],
    },
  ],
  gas: [
    "Gas",
    "Water, gas, heat",
    {
      none: ["none", "no locker, no certificate"],
      locker: ["bottle in a locker", "drop vents, pipework and certificate by a ticket holder"],
      tank: ["tank under the floor", "as a locker, and a filler, guards, weight below"],
    },
  ],
  heater: [
    "Heater",
    "Water, gas, heat",
    {
      none: ["none", "pipes are not safe in frost"],
      diesel: ["diesel", "flue and intake through the floor"],
      gas: ["gas", "needs gas aboard; ticket holder connects it"],
    },
  ],
  kitchen: [
    "Kitchen",
    "Furniture",
    { none: ["none", "no worktop, no fridge"], left: ["left", "opposite the slider"], right: ["right", "behind the slider's edge"] },
  ],
  wallUnits: ["Wall units", "Furniture", flag("open above", "hang on backing, before the base units")],
  bed: [
    "Bed",
    "Furniture",
    {
      across: ["fixed across", "shortest; the sleeping length must fit the width"],
      lengthways: ["fixed lengthways", "any length; takes the floor"],
      fold: ["fold-down panels", "floor by day; made every night"],
      slats: ["pull-out slats", "seat by day, bed by night"],
      lift: ["height-adjustable on rails", "garage by need; gap over its whole travel"],
    },
  ],
  benchSeat: ["Bench seat", "Furniture", flag("no bench", "not a travel seat; may hold the batteries")],
  wardrobe: ["Wardrobe", "Furniture", flag("no tall unit", "scribed to roof and wall; a bulkhead of studs")],
  garageMm: ["Garage height", "Furniture", (n) => (n ? [`${n} mm`, "clear height below the bed"] : ["none", "bed low, no garage"])],
  lining: [
    "Lining",
    "Furniture",
    {
      boards: ["boards", "joints land on battens, coated flat"],
      soft: ["soft lining", "carpet on the shape: lighter, no coats, no joints"],
    },
  ],
  firstFix: [
    "Cables and pipes against insulation",
    "Order",
    {
      "metal-side": ["on the metal, insulation over them", "first fix comes before insulation; nothing can be reached later"],
      "warm-side": ["insulation first, services on the warm side", "first fix comes after insulation; pipes stay warm, runs stay in reach"],
    },
  ],
  framing: [
    "Frame against insulation",
    "Order",
    {
      "insulate-first": ["insulate, then frame over", "quick insulation; battens bridge it"],
      "frame-first": ["frame, then fill between", "pieces are cut to the frame: a fifth more time"],
    },
  ],
  floorFinish: [
    "Finished floor",
    "Order",
    {
      "whole-floor": ["whole floor first, furniture on it", "units move later without a patch; heavier"],
      "round-furniture": ["furniture on the subfloor, finish cut round it", "less covering and weight; more scribing"],
    },
  ],
  coats: [
    "Coats on furniture",
    "Order",
    {
      "coat-first": ["coat first, hardware after", "never stands in the van before it is finished"],
      "trial-first": ["stand raw in the van, take out, coat", "what doesn't fit is found before paint; a van visit more"],
    },
  ],
  insulation: [
    "Insulation",
    "Materials",
    {
      fibre: ["fibre, wool or synthetic", "breathes, quick to fit, above 12 °C with spray adhesive"],
      board: ["rigid board, gaps foamed", "thin for its worth; every piece cut to size"],
      spray: ["sprayed closed-cell foam", "a booked trade for a day; nothing more to bare metal after it"],
      mixed: ["mixed by place", "board where it is flat, fibre where it is not"],
    },
  ],
  vapour: [
    "Vapour control",
    "Materials",
    {
      none: ["none, with breathable fibre", "relies on airing"],
      membrane: ["sealed membrane on the warm side", "a job more; every tail taped"],
      foam: ["foam as its own barrier", "only where foam or foamed board is all over"],
    },
  ],
  floor: [
    "Floor build-up",
    "Materials",
    {
      battens: ["battens, insulation between", "joints on battens; a night's hold, screws into the skin"],
      bonded: ["rigid board bonded under ply", "no battens; a day's hold under weights"],
    },
  ],
  damping: [
    "Damping mats",
    "Materials",
    {
      part: ["a third of each bare panel", "most of the effect for a third of the weight"],
      full: ["full cover", "the quietest; more sheets, hours and weight"],
    },
  ],
  fixing: [
    "Fixing to metal",
    "Fixing",
    {
      screws: ["self-drilling screws", "quick; a bare edge at each"],
      inserts: ["threaded inserts", "comes apart again; a third more time"],
      adhesive: ["structural adhesive", "no holes; a night under props, above 10 °C"],
    },
  ],
  walls: [
    "Walls",
    "Fixing",
    {
      plane: ["packed out to one plane", "straight lining, quick furniture, narrower"],
      follow: ["follow the van's shape", "all the width; every unit scribed, drawings wait for the survey"],
    },
  ],
  roofUnits: [
    "Roof units",
    "Fixing",
    {
      bond: ["bonded", "no holes beside the cut; a night untouched"],
      "bond-and-bolt": ["bonded and bolted", "may be moved sooner; more holes to coat and seal"],
    },
  ],
  cutFrom: [
    "Cutting side",
    "Fixing",
    {
      outside: ["from outside", "line in sight; panel taped all over"],
      inside: ["from inside", "scratches hidden; not where the skin is double"],
    },
  ],
  edges: [
    "Cut edges",
    "Fixing",
    {
      "one-coat": ["one coat of primer", "by its sheet; the skin is closed sooner"],
      "two-coats": ["primer and a second coat", "surer against rust; the skin stays open for longer"],
      "primer-alone": ["the bonding primer alone", "where its maker says that it protects the edge too; no coat to wait for"],
    },
  ],
  sealing: [
    "Seal under roof units",
    "Fixing",
    {
      wet: ["wet bead", "holds and seals; untouched until it has cured"],
      butyl: ["butyl tape", "seals at once and comes off again; does not hold, so bolts have to"],
    },
  ],
  drain: [
    "Shower drain",
    "Fixing",
    {
      straight: ["straight down", "low tray; must miss the chassis"],
      elbows: ["on elbows over the chassis", "tray on a plinth, less headroom"],
    },
  ],
};

const SCHOOLS = new Set<Choice["group"]>(["Order", "Materials", "Fixing"]);

/** All choices with their words, in the order of asking. */
export const CHOICES: readonly Choice[] = OPTION_KEYS.map((key) => {
  const [label, group, words] = WORDS[key];
  return {
    key,
    label,
    group,
    kind: SCHOOLS.has(group) ? "school" : "option",
    values: valuesOf(key).map((value) => {
      const [name, means] = typeof words === "function" ? words(Number(value)) : words[String(value)];
      return { value, label: name, means };
    }),
  };
});

export const choiceOf = (key: OptionKey): Choice => CHOICES.find((c) => c.key === key)!;

/** "Bed: fixed across". */
export function sayChoice(key: OptionKey, value: Options[OptionKey]): string {
  const c = choiceOf(key);
  return `${c.label}: ${c.values.find((v) => v.value === value)?.label ?? String(value)}`;
}

/** The value that leaves an option out; undefined where it can't be, or is left out already. */
export function leftOut(key: OptionKey, o: Options): Options[OptionKey] | undefined {
  const value = o[key];
  if (typeof value === "boolean") return value ? false : undefined;
  if (typeof value === "number") return value > 0 ? 0 : undefined;
  const none = choiceOf(key).values.some((v) => v.value === "none");
  return none && value !== "none" ? "none" : undefined;
}
