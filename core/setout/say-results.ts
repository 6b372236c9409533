// The figures of a set-out sheet in words: what each is called, and its unit.

import { sayInches } from "./lengths";

/** Sheets whose results are minutes, degrees, litres or money: a bare figure in them is no length. */
const NO_LENGTHS = new Set([
  "cure",
  "sealant",
  "open-skin",
  "battery-stand",
  "dew-point",
  "recoat",
  "lettering",
  "zone-rate",
  "template-gap",
  "session",
  "good-slot",
  "unit-choice",
  "cable",
  "unit-run",
  "edge-clock",
  "go-no-go",
  "disturbed-hold",
  "passes",
  "mixes",
  "second-hands",
  "hands-date",
  "land-product",
  "solar-fix",
]);

/** Figures that are counts or shares, whatever the sheet. */
const COUNTS = new Set([
  "count",
  "sheets",
  "packs",
  "bay",
  "bays",
  "bar",
  "station",
  "passes",
  "mixes",
  "mixesByTwo",
  "chainHoles",
  "timbers",
  "calls",
  "places",
  "dents",
  "factor",
  "holes",
  "feet",
  "serves",
  "needs",
  "takes",
]);

/** Figures in minutes. */
const MINUTES = new Set([
  "minutes",
  "spareMinutes",
  "twoMinutes",
  "minutesByTwo",
  "minutesLeft",
  "handsMinutes",
  "helperMinutes",
  "likelyMinutes",
  "carefulMinutes",
  "offMinutes",
  "polishMinutes",
  "freed",
  "p50",
  "p90",
  "oneByOne",
  "end",
  "cutBy",
  "setFrom",
  "oneAlone",
  "withTwo",
  "saved",
  "drySlot",
  "waits",
  "insteadOf",
]);

/** Names whose last part says the unit, longest first. */
const UNITS: readonly [RegExp, string][] = [
  [/MinutesPerM2$/i, "min per m²"],
  [/WhADay$/i, "Wh a day"],
  [/AhADay$/i, "Ah a day"],
  [/Mm2$/i, "mm²"],
  [/Dm2$/i, "dm²"],
  [/M2$/i, "m²"],
  [/Kg$/, "kg"],
  [/Ml$/i, "ml"],
  [/Mm$/i, "mm"],
  [/Amps$/, "A"],
  [/Fuse$/, "A"],
  [/Days$/i, "days"],
  [/Hours$/i, "h"],
  [/[a-z]H$/, "h"],
  [/[a-z]C$/, "°C"],
  [/[a-z]K$/, "K"],
  [/^watts$/, "W"],
  [/^metres$/, "m"],
];

/** What a figure is called where its name would have to be read twice. */
const CALLED: Readonly<Record<string, string>> = {
  primerDm2: "area to prime",
  leastMm2: "smallest core that does",
  mm2: "core to use",
  fuseAmps: "fuse",
  carriesAmps: "the core carries",
  p50: "minutes in half of all cases",
  p90: "minutes in nine cases of ten",
  aboveK: "metal above the dew point",
  dewPointC: "dew point",
  ahADay: "drawn",
  minutesPerM2: "pace",
  m2: "area",
  areaM2: "area",
  restM2: "area left",
  mm: "packing",
  ml: "sealant",
  allFilledMl: "sealant, were all filled",
  d: "diameter",
  at: "along",
  x: "across",
  y: "up",
  w: "width",
  h: "height",
  by: "edges",
  toUse: "off where it is wanted",
  bareMm: "bare edge",
  moreH: "longer",
  inAllH: "in all",
  earnedH: "held so far",
  moveAfterH: "may be moved after",
  sureOver: "sure work beyond the hours",
  allOver: "all work beyond the hours",
  whADay: "used",
  leastFuse: "smallest fuse",
  fullDays: "hardened through after",
  crewDays: "days of the crew",
  sureHours: "sure hours",
  allHours: "all hours",
  batteryHours: "the battery lasts",
  neededDays: "it stands for",
  metres: "length",
  watts: "power",
};

/** "corner holes" for cornerHoles, without the unit at its end. */
export function labelOf(key: string): string {
  if (CALLED[key]) return CALLED[key];
  const unit = MINUTES.has(key) ? undefined : UNITS.find(([r]) => r.test(key));
  const bare = unit && !/^(watts|metres)$/.test(key) ? key.replace(unit[0], (m) => (/^[a-z][HCK]$/.test(m) ? m[0] : "")) : key;
  return (bare || key).replace(/([a-z0-9])([A-Z])/g, (_m, a: string, b: string) => `${a} ${b.toLowerCase()}`);
}

const unitOf = (sheet: string, key: string): string => {
  if (COUNTS.has(key)) return "";
  if (MINUTES.has(key)) return "min";
  return UNITS.find(([r]) => r.test(key))?.[1] ?? (NO_LENGTHS.has(sheet) ? "" : "mm");
};

export interface SaidResult {
  label: string;
  /** One line, or one line for each of several. */
  lines: string[];
  /** Several figures together, or more than one line. */
  long: boolean;
}

function sayOne(sheet: string, v: unknown, key: string, inches: boolean): string {
  if (v === null) return "none";
  if (typeof v === "number") {
    const unit = unitOf(sheet, key);
    if (unit === "mm" && inches) return sayInches(v);
    return unit ? `${v} ${unit}` : String(v);
  }
  if (typeof v === "boolean") return v ? "yes" : "no";
  if (Array.isArray(v)) return v.length ? v.map((x) => sayOne(sheet, x, key, inches)).join("; ") : "none";
  if (typeof v === "object")
    return Object.entries(v as object)
      .filter(([k]) => k !== "pieces")
      .map(([k, x]) => (k === "name" || k === "verdict" ? String(x) : `${labelOf(k)} ${sayOne(sheet, x, k, inches)}`))
      .join(", ");
  return String(v);
}

/**
 * The results of a sheet as lines to read. `inches`: lengths to the nearest sixteenth of an inch instead of mm.
 * sayResults("sealant", { ml: 289.2, packs: 1 }) is [{ label: "sealant", lines: ["289.2 ml"], … }, { label: "packs", lines: ["1"], … }].
 */
export function sayResults(sheet: string, results: Readonly<Record<string, unknown>>, inches = false): SaidResult[] {
  return Object.entries(results).map(([k, v]) => ({
    label: labelOf(k),
    lines: Array.isArray(v) && v.length > 1 ? v.map((x) => sayOne(sheet, x, k, inches)) : [sayOne(sheet, v, k, inches)],
    long: typeof v === "object" && v !== null,
  }));
}
