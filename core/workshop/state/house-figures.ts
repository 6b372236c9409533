// Figures of the house: thresholds that rules go by, each with its unit, its range and the usual value, and where it shows.

import type { Workshop } from "./model";

export interface HouseFigure {
  label: string;
  unit: string;
  usual: number;
  min: number;
  max: number;
  /** In steps of; 1: whole numbers only. */
  step: number;
  /** The page that shows its effect. */
  shows: string;
}

const figures = {
  tiredHours: {
    label: "Hours of work a day, then delicate work waits",
    unit: "h",
    usual: 9,
    min: 4,
    max: 16,
    step: 0.5,
    shows: "Card, Yard",
  },
  tiredDays: { label: "Days in a row, then delicate work waits", unit: "days", usual: 6, min: 2, max: 14, step: 1, shows: "Card, Yard" },
  coldBay: {
    label: "Colder than this in the bay, delicate work waits",
    unit: "°C",
    usual: 10,
    min: -5,
    max: 20,
    step: 1,
    shows: "Card, Yard",
  },
  lateHour: {
    label: "From this hour of the day delicate work waits",
    unit: "h",
    usual: 20,
    min: 12,
    max: 24,
    step: 1,
    shows: "Card, Yard",
  },
  firstTime: {
    label: "Times as long the first time somebody does a kind of job",
    unit: "×",
    usual: 1.5,
    min: 1,
    max: 4,
    step: 0.1,
    shows: "Card, Lanes",
  },
  secondTime: { label: "Times as long the second time", unit: "×", usual: 1.2, min: 1, max: 4, step: 0.1, shows: "Card, Lanes" },
  dayEnd: { label: "The end of the day is shown for its last", unit: "min", usual: 60, min: 10, max: 240, step: 5, shows: "Card" },
  slotFrom: { label: "Small things are offered for a gap from", unit: "min", usual: 20, min: 5, max: 120, step: 5, shows: "Card" },
  slotTo: { label: "Small things are offered for a gap up to", unit: "min", usual: 180, min: 30, max: 600, step: 10, shows: "Card" },
  sealFrom: { label: "Sealant is not laid on metal colder than", unit: "°C", usual: 5, min: -5, max: 20, step: 1, shows: "Card" },
  sheetWind: { label: "Big sheets stay indoors above", unit: "m/s", usual: 8, min: 2, max: 20, step: 0.5, shows: "Yard" },
  reach: { label: "Nobody reaches from the ground higher than", unit: "mm", usual: 2000, min: 1500, max: 2600, step: 10, shows: "Card" },
  frozenDays: {
    label: "Working days after today that a replan leaves alone",
    unit: "days",
    usual: 2,
    min: 0,
    max: 10,
    step: 1,
    shows: "Lanes",
  },
  baysAhead: { label: "Bays are looked at so far ahead", unit: "days", usual: 28, min: 7, max: 120, step: 1, shows: "Workshop, Bays" },
  scribeMetre: { label: "Scribing along a wall, a metre", unit: "min", usual: 40, min: 5, max: 240, step: 5, shows: "Build, Jobs" },
  dressPlace: { label: "Dressing a proud place", unit: "min", usual: 25, min: 5, max: 240, step: 5, shows: "Build, Jobs" },
  scuff: { label: "Scuffing a coat that stood too long", unit: "min", usual: 20, min: 5, max: 240, step: 5, shows: "Build, Jobs" },
  batteryCheck: { label: "Checking a battery that stands", unit: "min", usual: 15, min: 5, max: 240, step: 5, shows: "Build, Jobs" },
  acceptLook: { label: "Looking over work of others", unit: "min", usual: 10, min: 5, max: 240, step: 5, shows: "Build, Jobs" },
  acceptTest: {
    label: "Testing work of others that pierces the skin",
    unit: "min",
    usual: 20,
    min: 5,
    max: 480,
    step: 5,
    shows: "Build, Jobs",
  },
  edgeCoat: {
    label: "The edge coat of a late hole is left alone for",
    unit: "min",
    usual: 60,
    min: 10,
    max: 1440,
    step: 10,
    shows: "Build, Jobs",
  },
  soakMinutes: {
    label: "Each hole stands under water for",
    unit: "min",
    usual: 10,
    min: 1,
    max: 120,
    step: 1,
    shows: "Build, Holes; Card",
  },
  driest: {
    label: "Timber wetter than this is not bonded or shut in",
    unit: "%",
    usual: 18,
    min: 6,
    max: 30,
    step: 0.5,
    shows: "Build, Holes",
  },
  openDays: { label: "A hole may stay open for", unit: "days", usual: 3, min: 1, max: 30, step: 1, shows: "Yard" },
  lateCover: { label: "Covering for a hole that is made late", unit: "min", usual: 20, min: 0, max: 240, step: 5, shows: "Build, Holes" },
  lateLining: {
    label: "The lining's own cut for a hole that is made late",
    unit: "min",
    usual: 20,
    min: 0,
    max: 240,
    step: 5,
    shows: "Build, Holes",
  },
  smallHole: { label: "A small hole: cut, coated, closed", unit: "min", usual: 25, min: 5, max: 240, step: 5, shows: "Build, Holes" },
  degreased: {
    label: "Degreased metal counts as clean for",
    unit: "min",
    usual: 60,
    min: 5,
    max: 600,
    step: 5,
    shows: "Build, Bare body; Card",
  },
  clockWarns: { label: "A clock warns from this share of its time", unit: "%", usual: 70, min: 10, max: 100, step: 5, shows: "Card" },
  flange: { label: "A flange reaches beyond its cut by", unit: "mm", usual: 40, min: 5, max: 200, step: 5, shows: "Build, Strip" },
  nearCut: {
    label: "An open question so near to a cut holds it",
    unit: "mm",
    usual: 300,
    min: 0,
    max: 3000,
    step: 50,
    shows: "Card, Yard",
  },
  coverEach: { label: "Covering one finished thing", unit: "min", usual: 10, min: 1, max: 120, step: 1, shows: "Build, Jobs" },
  coverLeast: { label: "Covering finished things takes at least", unit: "min", usual: 15, min: 5, max: 240, step: 5, shows: "Build, Jobs" },
  cleanUp: { label: "Cleaning up after dirty work", unit: "min", usual: 15, min: 5, max: 240, step: 5, shows: "Build, Jobs" },
  edgeDiameters: {
    label: "Metal left beside a hole, in hole diameters",
    unit: "×",
    usual: 1.5,
    min: 1,
    max: 5,
    step: 0.1,
    shows: "Build, Seats",
  },
  flangeFollows: { label: "A unit's flange follows a bow of", unit: "mm", usual: 3, min: 0, max: 20, step: 0.5, shows: "Build, Openings" },
  cutJigsaw: { label: "Cutting the skin: the jigsaw comes as", unit: "in order", usual: 1, min: 0, max: 4, step: 1, shows: "Card, Kit" },
  cutNibbler: { label: "Cutting the skin: the nibbler comes as", unit: "in order", usual: 2, min: 0, max: 4, step: 1, shows: "Card, Kit" },
  cutReciprocating: {
    label: "Cutting the skin: the reciprocating saw comes as",
    unit: "in order",
    usual: 3,
    min: 0,
    max: 4,
    step: 1,
    shows: "Card, Kit",
  },
  cutGrinder: {
    label: "Cutting the skin: the grinder comes as (0: not used here)",
    unit: "in order",
    usual: 0,
    min: 0,
    max: 4,
    step: 1,
    shows: "Card, Kit",
  },
  promiseChance: { label: "A date is promised at a chance of", unit: "%", usual: 80, min: 50, max: 99, step: 1, shows: "Yard, Dates" },
  packUp: { label: "Packing up a job takes", unit: "min", usual: 15, min: 0, max: 120, step: 5, shows: "Card, End of the day" },
  aloneRule: {
    label: "Alone in the shop nobody cuts, climbs or does ticketed work (1: so, 0: it is allowed)",
    unit: "1 or 0",
    usual: 1,
    min: 0,
    max: 1,
    step: 1,
    shows: "Card",
  },
  aloneSign: {
    label: "Somebody alone in the shop ticks something every",
    unit: "min",
    usual: 60,
    min: 15,
    max: 240,
    step: 15,
    shows: "Yard",
  },
  bedBerths: { label: "A bed sleeps", unit: "people", usual: 2, min: 1, max: 4, step: 1, shows: "Build, Owner and others" },
  sleeperRoom: {
    label: "A bed is longer than its tallest sleeper by",
    unit: "mm",
    usual: 50,
    min: 0,
    max: 300,
    step: 5,
    shows: "Build, Owner and others",
  },
  torquePlay: { label: "A torque may be off by", unit: "%", usual: 5, min: 0, max: 20, step: 1, shows: "Build, Seats" },
  deadVolts: { label: "A circuit is dead up to", unit: "V", usual: 0.5, min: 0, max: 5, step: 0.1, shows: "Build, Circuits" },
  carrying: {
    label: "Carrying big sheets to where they are worked",
    unit: "min",
    usual: 10,
    min: 0,
    max: 120,
    step: 5,
    shows: "Card, Lanes",
  },
  fireWatch: { label: "The fire is watched after the last spark for", unit: "min", usual: 30, min: 10, max: 240, step: 5, shows: "Card" },
  secondLook: { label: "A second look for swarf comes after", unit: "min", usual: 30, min: 5, max: 480, step: 5, shows: "Card" },
  delayFrom: { label: "A start put off by less is no delay", unit: "min", usual: 60, min: 5, max: 1440, step: 5, shows: "Yard" },
  delaysAsk: { label: "A job put off so often asks for a decision", unit: "times", usual: 3, min: 1, max: 20, step: 1, shows: "Yard" },
  signsFrom: {
    label: "A first piece is signed from this level of the skill",
    unit: "level",
    usual: 3,
    min: 1,
    max: 3,
    step: 1,
    shows: "Card",
  },
  taughtBy: {
    label: "Our own times count from so many builds on",
    unit: "builds",
    usual: 3,
    min: 1,
    max: 20,
    step: 1,
    shows: "Build, Strip; Card",
  },
  fixClip: { label: "Taking out a clip", unit: "min", usual: 0.4, min: 0.1, max: 60, step: 0.1, shows: "Build, Strip" },
  fixTape: { label: "Taking out a hook tape", unit: "min", usual: 1, min: 0.1, max: 60, step: 0.1, shows: "Build, Strip" },
  fixBolt: { label: "Taking out a bolt", unit: "min", usual: 2.5, min: 0.1, max: 60, step: 0.1, shows: "Build, Strip" },
  fixRivet: { label: "Taking out a rivet", unit: "min", usual: 3, min: 0.1, max: 60, step: 0.1, shows: "Build, Strip" },
  fixBond: { label: "Taking out a bonded joint", unit: "min", usual: 12, min: 0.1, max: 240, step: 0.1, shows: "Build, Strip" },
  partsAhead: { label: "Missing tools are shown before a start by", unit: "days", usual: 3, min: 1, max: 60, step: 1, shows: "Yard" },
  proofAhead: { label: "Missing photos are shown before a start by", unit: "days", usual: 7, min: 1, max: 60, step: 1, shows: "Yard" },
  latePartsAhead: { label: "Late parts are shown before a start by", unit: "days", usual: 14, min: 1, max: 120, step: 1, shows: "Yard" },
  choicesAhead: {
    label: "Open choices are shown before their last day by",
    unit: "days",
    usual: 14,
    min: 1,
    max: 120,
    step: 1,
    shows: "Yard",
  },
  choicesPress: { label: "Open choices press before their last day by", unit: "days", usual: 7, min: 1, max: 60, step: 1, shows: "Yard" },
  consentAhead: { label: "A missing consent is shown before its job by", unit: "days", usual: 7, min: 1, max: 60, step: 1, shows: "Yard" },
  waitsAhead: {
    label: "A zone that is lent is asked back before its first work by",
    unit: "days",
    usual: 2,
    min: 0,
    max: 60,
    step: 1,
    shows: "Yard",
  },
  reactionDays: {
    label: "Working days that a client gets to answer an open choice",
    unit: "days",
    usual: 3,
    min: 0,
    max: 30,
    step: 1,
    shows: "Build, Choices",
  },
  readingDiffers: {
    label: "A size differs from the template above",
    unit: "mm",
    usual: 4,
    min: 1,
    max: 20,
    step: 0.5,
    shows: "Build, Van",
  },
  readingsAgree: {
    label: "Two measurings agree within",
    unit: "mm",
    usual: 2,
    min: 0.5,
    max: 10,
    step: 0.5,
    shows: "Build, Van; Set-out; Card",
  },
  sheetOver: { label: "Sheeting over an open skin takes", unit: "min", usual: 20, min: 5, max: 120, step: 5, shows: "Card, Yard" },
  prepareFrom: { label: "Work is prepared on the bench from", unit: "min", usual: 90, min: 15, max: 960, step: 5, shows: "Yard, Lanes" },
  settingUp: { label: "Setting up a second time", unit: "min", usual: 18, min: 0, max: 120, step: 1, shows: "Lanes; Build, Jobs" },
  tightDays: {
    label: "A date is tight with fewer days to spare than",
    unit: "days",
    usual: 2,
    min: 0,
    max: 20,
    step: 1,
    shows: "Yard, Builds",
  },
  slotDays: {
    label: "Openings wait together for a dry stretch within",
    unit: "days",
    usual: 7,
    min: 1,
    max: 30,
    step: 1,
    shows: "Set-out, Yard",
  },
  freeGap: { label: "Somebody counts as free from a gap of", unit: "min", usual: 45, min: 10, max: 240, step: 5, shows: "Yard" },
  noiseSoon: { label: "The hours of quiet are told so long before", unit: "min", usual: 120, min: 15, max: 480, step: 5, shows: "Card" },
} as const satisfies Record<string, HouseFigure>;

export type FigureName = keyof typeof figures;
export const HOUSE_FIGURES: Readonly<Record<FigureName, HouseFigure>> = figures;
export const FIGURE_NAMES = Object.keys(figures) as FigureName[];

/** The figures of a house that differ from the usual ones: of the rules by name, of the sheets by "cable.slack" (sheets/sheet-figures.ts). */
export type OwnFigures = Partial<Record<FigureName, number>> & { [name: string]: number | undefined };

/** Whatever knows the figures of its house: the shop, or one of its builds. */
export type House = { workshop: Pick<Workshop, "figures"> } | { figures?: Workshop["figures"] };

/** A figure as this house has it; the usual one where it has none of its own. */
export function figure(of: House, name: FigureName): number {
  const own = "workshop" in of ? of.workshop.figures : of.figures;
  return own?.[name] ?? HOUSE_FIGURES[name].usual;
}

/** What is wrong with figures that somebody gives, by name; what is not known is named too. */
export function figureFaults(
  given: Readonly<Record<string, unknown>>,
  table: Readonly<Record<string, HouseFigure>> = HOUSE_FIGURES,
): { path: string; message: string }[] {
  return Object.entries(given).flatMap(([name, value]) => {
    const f = table[name] as HouseFigure | undefined;
    if (!f || !Object.hasOwn(table, name)) return [{ path: name, message: "is no figure of the house" }];
    if (typeof value !== "number" || !Number.isFinite(value)) return [{ path: name, message: "is no number" }];
    if (value < f.min || value > f.max) return [{ path: name, message: `has to be from ${f.min} to ${f.max} ${f.unit}` }];
    if (f.step === 1 && !Number.isInteger(value)) return [{ path: name, message: "has to be a whole number" }];
    return [];
  });
}

/** Only what differs from the usual is kept: a usual figure that is bettered later reaches the house. */
export const ownFigures = (given: OwnFigures, table: Readonly<Record<string, HouseFigure>> = HOUSE_FIGURES): OwnFigures =>
  Object.fromEntries(Object.entries(table).flatMap(([n, f]) => (given[n] !== undefined && given[n] !== f.usual ? [[n, given[n]]] : [])));
