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
  /** The page on which what follows from it is seen. */
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
  secondTime: { label: "And the second time", unit: "×", usual: 1.2, min: 1, max: 4, step: 0.1, shows: "Card, Lanes" },
  dayEnd: { label: "The end of the day is shown for its last", unit: "min", usual: 60, min: 10, max: 240, step: 5, shows: "Card" },
  slotFrom: { label: "Small things are offered for a gap from", unit: "min", usual: 20, min: 5, max: 120, step: 5, shows: "Card" },
  slotTo: { label: "And up to", unit: "min", usual: 180, min: 30, max: 600, step: 10, shows: "Card" },
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
  acceptTest: { label: "And testing what pierces the skin", unit: "min", usual: 20, min: 5, max: 480, step: 5, shows: "Build, Jobs" },
  edgeCoat: {
    label: "The edge coat of a late hole is left alone for",
    unit: "min",
    usual: 60,
    min: 10,
    max: 1440,
    step: 10,
    shows: "Build, Jobs",
  },
} as const satisfies Record<string, HouseFigure>;

export type FigureName = keyof typeof figures;
export const HOUSE_FIGURES: Readonly<Record<FigureName, HouseFigure>> = figures;
export const FIGURE_NAMES = Object.keys(figures) as FigureName[];

type House = { workshop: Pick<Workshop, "figures"> };

/** A figure as this house has it; the usual one where it has none of its own. */
export const figure = (shop: House, name: FigureName): number => shop.workshop.figures[name] ?? HOUSE_FIGURES[name].usual;

/** What is wrong with figures that somebody gives, by name; what is not known is named too. */
export function figureFaults(given: Readonly<Record<string, unknown>>): { path: string; message: string }[] {
  return Object.entries(given).flatMap(([name, value]) => {
    const f = HOUSE_FIGURES[name as FigureName] as HouseFigure | undefined;
    if (!f || !Object.hasOwn(HOUSE_FIGURES, name)) return [{ path: name, message: "is no figure of the house" }];
    if (typeof value !== "number" || !Number.isFinite(value)) return [{ path: name, message: "is no number" }];
    if (value < f.min || value > f.max) return [{ path: name, message: `has to be from ${f.min} to ${f.max} ${f.unit}` }];
    if (f.step === 1 && !Number.isInteger(value)) return [{ path: name, message: "has to be a whole number" }];
    return [];
  });
}

/** Only what differs from the usual is kept: a usual figure that is bettered later reaches the house. */
export const ownFigures = (given: Partial<Record<FigureName, number>>): Partial<Record<FigureName, number>> =>
  Object.fromEntries(FIGURE_NAMES.flatMap((n) => (given[n] !== undefined && given[n] !== HOUSE_FIGURES[n].usual ? [[n, given[n]]] : [])));
