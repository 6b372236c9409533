// The demo's made-up workshop: place, people, bays, suppliers and builds. No real names, no real makes.

import { DEFAULT_OPTIONS, type OptionKey, type Options } from "../core/library/options";

/** The demo's lead. */
export const LEAD = "mara";

export const DEMO_PASSWORD = "open-the-yard";

export const workshop = {
  id: "saltmarsh",
  name: "Saltmarsh Vans",
  zone: "Europe/Lisbon",
  latitude: 38.52,
  longitude: -8.89,
  noise: ["08:30", "17:30"] as const,
  yardPlaces: 6,
  yardHas: ["roof-access", "scales"],
};

const day = (weekday: number, ...w: [string, string][]) => w.map(([opens, closes]) => ({ weekday, opens, closes }));
const week = (...w: [string, string][]) => [0, 1, 2, 3, 4].flatMap((d) => day(d, ...w));

export const calendars = [
  { id: "shop", name: "Shop hours", windows: week(["08:00", "12:00"], ["12:45", "17:00"]) },
  { id: "early", name: "Early shift", windows: week(["07:00", "12:00"], ["12:45", "15:15"]) },
  { id: "four-days", name: "Four days", windows: [0, 1, 2, 3].flatMap((d) => day(d, ["08:00", "12:00"], ["12:45", "18:00"])) },
];

export interface DemoBay {
  id: string;
  name: string;
  has: string[];
  tempC: number | null;
  maxHeightMm: number | null;
  maxLengthMm: number | null;
  dayCost: number;
  heat?: { tempC: number; by: string; hourCost: number; aheadMinutes: number };
}

export const bays: DemoBay[] = [
  {
    id: "long-bay",
    name: "Long bay",
    has: ["indoor", "heated", "lit", "lift", "roof-access", "scales"],
    tempC: 18,
    maxHeightMm: 4200,
    maxLengthMm: 7500,
    dayCost: 68,
  },
  { id: "bay-2", name: "Bay 2", has: ["indoor", "heated", "lit"], tempC: 18, maxHeightMm: 3200, maxLengthMm: 6500, dayCost: 52 },
  {
    id: "bay-3",
    name: "Bay 3",
    has: ["indoor", "heated", "lit", "roof-access"],
    tempC: 17,
    maxHeightMm: 3600,
    maxLengthMm: 6500,
    dayCost: 55,
  },
  {
    id: "wet-bay",
    name: "Wet bay",
    has: ["wash", "roof-access"],
    tempC: null,
    maxHeightMm: null,
    maxLengthMm: null,
    dayCost: 24,
    heat: { tempC: 16, by: "Mara", hourCost: 4, aheadMinutes: 90 },
  },
];

export const fitters = [
  {
    id: "ines",
    name: "Ines",
    calendar: "shop",
    skills: { body: 3, paint: 2, joinery: 1 },
    tickets: [["seats", "+300"]] as [string, string][],
  },
  { id: "teo", name: "Teo", calendar: "shop", skills: { body: 2, trim: 2, electric: 1 }, tickets: [] as [string, string][] },
  { id: "rosa", name: "Rosa", calendar: "shop", skills: { joinery: 3, trim: 1, paint: 1 }, tickets: [] as [string, string][] },
  { id: "malik", name: "Malik", calendar: "early", skills: { joinery: 2, plumbing: 2, paint: 2 }, tickets: [] as [string, string][] },
  { id: "nils", name: "Nils", calendar: "shop", skills: { electric: 3, plumbing: 1 }, tickets: [["mains", "+210"]] as [string, string][] },
  {
    id: "dora",
    name: "Dora",
    calendar: "four-days",
    skills: { plumbing: 3, gas: 3, trim: 2 },
    tickets: [["gas", "+400"]] as [string, string][],
  },
];

export const users = [
  { id: "mara", login: "mara", name: "Mara", role: "lead" as const, fitterId: null },
  ...fitters.map((f) => ({ id: `u-${f.id}`, login: f.id, name: f.name, role: "fitter" as const, fitterId: f.id })),
];

export const suppliers = [
  { id: "roof units", name: "Crown Roof Units", lead: [4, 8, 20] },
  { id: "glass", name: "Bay Glass", lead: [3, 7, 15] },
  { id: "power", name: "Ohm & Sons", lead: [2, 5, 14] },
  { id: "timber", name: "Lowmoor Timber", lead: [1, 2, 5] },
  { id: "insulation", name: "Fleece and Foam", lead: [2, 4, 9] },
  { id: "fixings", name: "Tool Corner", lead: [1, 1, 3] },
  { id: "chemicals", name: "Bond & Seal", lead: [1, 3, 8] },
  { id: "plumbing", name: "Ferry Street Plumbing", lead: [1, 3, 7] },
  { id: "heating", name: "Emberline", lead: [6, 12, 28] },
  { id: "appliances", name: "Galley Supply", lead: [3, 6, 18] },
  { id: "seats", name: "Turnseat", lead: [5, 9, 21] },
  { id: "trim", name: "Tread Floors", lead: [2, 4, 10] },
  { id: "trades", name: "Shell Foam, booked crew", lead: [8, 12, 25] },
];

const options = (o: Partial<Options>): Options => ({ ...DEFAULT_OPTIONS, ...o });

/** `arrived`: working days before today (negative: still to come). `slack`: working days between the planned finish and the deadline. */
export const builds = [
  {
    id: "beekeepers",
    name: "Beekeepers",
    client: "The Hallow brothers",
    purpose: "honey road, two sleepers",
    van: "drover-l2h2",
    arrived: 18,
    slack: -2,
    weight: 2,
    options: options({
      solar: 0,
      kitchen: "right",
      bed: "slats",
      benchSeat: true,
      water: "inside",
      lining: "soft",
      walls: "follow",
      garageMm: 0,
    }),
  },
  {
    id: "marlin-puppets",
    name: "Marlin Puppets",
    client: "Puppet theatre Marlin",
    purpose: "touring theatre",
    van: "drover-l3h2",
    arrived: 17,
    slack: 4,
    weight: 1,
    options: options({
      swivels: 2,
      heater: "none",
      rack: true,
      wardrobe: true,
      bed: "fold",
      garageMm: 0,
      framing: "frame-first",
      fixing: "inserts",
    }),
  },
  {
    id: "coast-rangers",
    name: "Coast rangers",
    client: "Dune and Reef Trust",
    purpose: "night patrol",
    van: "drover-l2h2",
    arrived: 14,
    slack: 0,
    weight: 1,
    options: options({
      gas: "locker",
      windows: 1,
      firstFix: "warm-side",
      bed: "lift",
      fixing: "adhesive",
      damping: "full",
      roofUnits: "bond-and-bolt",
    }),
  },
  {
    id: "field-vet",
    name: "Field vet",
    client: "Dr. Adair Quill",
    purpose: "mobile surgery",
    van: "drover-l3h3",
    arrived: 5,
    slack: 6,
    weight: 1,
    options: options({
      windows: 2,
      rearWindows: true,
      water: "under-floor",
      floor: "bonded",
      floorFinish: "round-furniture",
      wardrobe: true,
    }),
  },
  {
    id: "night-bakery",
    name: "Night bakery",
    client: "Crumb & Ember",
    purpose: "market van with a bed",
    van: "drover-l3h2",
    arrived: 7,
    slack: 5,
    weight: 1,
    options: options({ gas: "tank", heater: "gas", solar: 0, lettering: true, bed: "across", pods: true, cutFrom: "inside" }),
  },
  {
    id: "darkroom-van",
    name: "Darkroom van",
    client: "Odile Farrow",
    purpose: "photographer",
    van: "drover-l3h2",
    arrived: 1,
    slack: 8,
    weight: 1,
    open: ["bed", "vapour"] as OptionKey[],
    options: options({ windows: 0, heater: "none", skylight: true, insulation: "board", vapour: "membrane", coats: "trial-first" }),
  },
  {
    id: "seed-library",
    name: "Seed library",
    client: "Parish of Low Mere",
    purpose: "seeds and a sleeping loft",
    van: "tern-l1h1",
    arrived: -3,
    slack: 9,
    weight: 1,
    options: options({
      windows: 1,
      solar: 0,
      heater: "none",
      firstFix: "warm-side",
      wallUnits: false,
      shore: false,
      garageMm: 400,
      lining: "soft",
      walls: "follow",
    }),
  },
];
