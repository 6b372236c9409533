// Choices that contradict each other, or the van: told at once, with what would follow.

import type { Geometry } from "../van/model";
import type { OptionKey, Options } from "./options";
import { holds, type When } from "./when";

export interface Conflict {
  /** "stop": can't be built so; "warn": can, at a price that is named. */
  level: "stop" | "warn";
  keys: OptionKey[];
  text: string;
}

const RULES: { level: Conflict["level"]; when: When; text: string }[] = [
  {
    level: "stop",
    when: { insulation: ["spray"], framing: ["insulate-first"], fixing: ["screws", "inserts"] },
    text: "Battens screwed through sprayed foam find no bare metal, and each screw is a cold path through it. Frame first, or bond the battens.",
  },
  {
    level: "stop",
    when: { vapour: ["foam"], insulation: ["fibre"] },
    text: "Fibre is no barrier: with foam as the barrier the insulation has to be foam or foamed board.",
  },
  {
    level: "stop",
    when: { heater: ["gas"], gas: false },
    text: "A gas heater needs gas aboard. Choose a locker or a tank, or a diesel heater.",
  },
  { level: "stop", when: { wetRoom: true, water: false }, text: "A wet room without water: choose a tank, or leave the wet room out." },
  {
    level: "stop",
    when: { pods: true, windows: ["3", "4"] },
    text: "Pods take the place of the rear side windows: two side windows at most beside them.",
  },
  {
    level: "warn",
    when: { rearClimate: true, skylight: true },
    text: "The factory's climate unit shuts a rib bay at the rear: look whether the skylight still finds one before it is ordered.",
  },
  {
    level: "warn",
    when: { rearClimate: true, fan: true },
    text: "The factory's climate unit shuts a rib bay at the rear: look whether the fan still finds one before it is ordered.",
  },
  {
    level: "warn",
    when: { sideDoors: ["two"], kitchen: ["left"] },
    text: "There is a sliding door on the left too: the kitchen stands behind it.",
  },
  {
    level: "warn",
    when: { insulation: ["spray"], vapour: ["membrane"] },
    text: "Closed-cell foam is a barrier already: a membrane over it costs a job and shuts damp in between.",
  },
  {
    level: "warn",
    when: { insulation: ["spray"], firstFix: ["metal-side"] },
    text: "Foam buries cables and pipes for good: all runs go in conduit, a quarter more time for the first fix.",
  },
  {
    level: "warn",
    when: { insulation: ["spray"], fixing: ["inserts"] },
    text: "Foam fills threads: every insert is masked before the foam crew comes.",
  },
  {
    level: "warn",
    when: { insulation: ["board"], vapour: ["none"] },
    text: "Rigid board does not breathe: gaps left open behind it sweat. Foam every gap, or choose a barrier.",
  },
  {
    level: "warn",
    when: { insulation: ["mixed"], vapour: ["foam"] },
    text: "Where fibre is used there is no barrier: those places need a membrane of their own.",
  },
  {
    level: "warn",
    when: { wetRoom: true, vapour: ["none"], insulation: ["fibre", "mixed"] },
    text: "A wet room gives off much damp: without a barrier its walls rely on airing alone.",
  },
  {
    level: "warn",
    when: { sealing: ["butyl"], roofUnits: ["bond"] },
    text: "Butyl tape seals but does not hold: units without bolts need the wet bead of the maker's sheet.",
  },
  {
    level: "warn",
    when: { cutFrom: ["inside"], rearWindows: true },
    text: "The rear doors have a double skin: they are cut from outside all the same, along a chain of holes.",
  },
  {
    level: "warn",
    when: { pods: true, bed: ["lengthways", "fold", "slats"] },
    text: "Pods widen the van for a bed across; this bed does not use them.",
  },
  {
    level: "warn",
    when: { bed: ["fold", "slats"], garageMm: true },
    text: "This bed leaves no fixed garage: the height below it counts only while it is made.",
  },
  {
    level: "warn",
    when: { lining: ["soft"], walls: ["plane"] },
    text: "Soft lining follows any shape: packing the walls out to a plane is work that nobody will see.",
  },
  {
    level: "warn",
    when: { water: ["under-floor"], heater: false },
    text: "A tank under the floor without a heater: empty it before the first frost, or sleeve and heat it.",
  },
  {
    level: "warn",
    when: { wetRoom: true, drain: ["straight"], water: ["under-floor"] },
    text: "Drain and water tank both want the free field below: draw both before a hole is cut.",
  },
  {
    level: "warn",
    when: { kitchen: ["right"], swivels: true },
    text: "A kitchen behind the slider may stand in the turning circle of the seat: draw it before the unit is cut.",
  },
];

/** Finish on both sides and the play at each end of a mattress, mm. */
const LINING_AND_SLACK = 2 * (25 + 6) + 20;
const SLEEPING = 1900;
/** What a pair of pods adds to the width, mm. */
const POD = 2 * 110;

/** Every contradiction of the choices with each other and with the van's template. Lengths mm. */
export function conflictsOf(o: Options, g?: Geometry): Conflict[] {
  const out: Conflict[] = RULES.filter((r) => holds(r.when, o)).map((r) => ({
    level: r.level,
    keys: Object.keys(r.when) as OptionKey[],
    text: r.text,
  }));
  if (!g) return out;
  const across = g.inside.widthWaistMm + (o.pods ? POD : 0) - LINING_AND_SLACK;
  if (o.bed === "across" && across < SLEEPING)
    out.push({
      level: "warn",
      keys: o.pods ? ["bed"] : ["bed", "pods"],
      text: `Across there are ${across} mm to sleep in after lining and slack, under ${SLEEPING}. ${o.pods ? "Recess the walls or lay it lengthways." : "Pods, recessed walls, or a bed lengthways."}`,
    });
  const below = g.inside.heightMm - o.garageMm - 150;
  if (o.garageMm && below < 900)
    out.push({
      level: below < 600 ? "stop" : "warn",
      keys: ["garageMm", "bed"],
      text: `With ${o.garageMm} mm below it, ${below} mm are left above the mattress's frame: nobody can sit up under 900.`,
    });
  const roofMm = roofNeeded(o);
  const room = g.inside.lengthMm - 200;
  if (roofMm > room)
    out.push({
      level: "warn",
      keys: ["solar", "fan", "skylight", "rack"],
      text: `Roof units and panels in one row want ${roofMm} mm, the roof has ${room}: panels beside each other, or one less.`,
    });
  const left = g.windowFields.filter((f) => f.side === "left").length;
  const right = g.windowFields.filter((f) => f.side === "right").length;
  if (Math.ceil(o.windows / 2) > left || Math.floor(o.windows / 2) > right)
    out.push({
      level: "stop",
      keys: ["windows"],
      text: `This van has ${left} window fields on the left and ${right} on the right: too few for ${o.windows} windows.`,
    });
  if (o.rearWindows && !g.windowFields.some((f) => f.side === "rear"))
    out.push({ level: "stop", keys: ["rearWindows"], text: "The rear doors of this van have no field for a window." });
  if (o.wetRoom !== "none" && g.inside.heightMm < 1700)
    out.push({
      level: "warn",
      keys: ["wetRoom"],
      text: `Inside height is ${g.inside.heightMm} mm bare: nobody stands upright in this wet room.`,
    });
  return out;
}

/** Length that roof units and panels take along the roof, each with its land and a gap, mm; panels lie two abreast. */
function roofNeeded(o: Options): number {
  return (o.fan ? 400 + 160 : 0) + (o.skylight ? 400 + 160 : 0) + Math.ceil(o.solar / 2) * (1000 + 60);
}
