// What stripping leaves to do: holes to plug or seal, rust to treat, and what has left the van.

import { defineCalculator } from "../../engine/define";
import {
  amount,
  choice,
  count,
  house,
  houseGroup,
  type InputOf,
  length,
  oneOf,
  optional,
  rows,
  size,
  text,
  yesNo,
} from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

type Patch = Input["rust"][number];

/** dm². */
const areaOf = (r: Patch): number => (r.w !== undefined && r.h !== undefined ? (r.w * r.h) / 1e4 : r.areaDm2!);

/**
 * Primer for a patch, dm²: (w + 2m)·(h + 2m); one of which only the area is known is taken as a square. Source: ST-n26.
 * Example: 90 × 60 with 20 mm around: 130 × 100 = 1.30 dm².
 */
function primerOf(r: Patch, m: number): number {
  const side = Math.sqrt(areaOf(r) * 1e4);
  const [w, h] = r.w !== undefined && r.h !== undefined ? [r.w, r.h] : [side, side];
  return ((w + 2 * m) * (h + 2 * m)) / 1e4;
}

const inputs = {
  holes: rows(
    "Holes",
    "hole",
    { d: size("ø"), count: count("Count"), place: text("Place"), throughSkin: yesNo("Through the skin") },
    { from: "measured", help: "Count them by size and place." },
  ),
  rust: rows(
    "Rust",
    "patch",
    {
      w: optional(size("Width")),
      h: optional(size("Height")),
      areaDm2: optional(amount("or area dm²", { help: "Width and height, or the area." })),
      grade: choice("Grade", [
        [1, "1 surface"],
        [2, "2 pitted"],
        [3, "3 through"],
      ]),
    },
    { from: "measured", help: "Grade 1 wipes off, 2 is pitted, 3 goes through." },
  ),
  items: rows(
    "Taken out",
    "item",
    { name: text("Name"), kg: amount("kg"), fate: oneOf("Fate", ["scrap", "sell", "keep", "store", "return", "template", "stays on"]) },
    { from: "measured", help: "Everything that leaves the van, and what becomes of it." },
  ),
  primerMargin: house(length("Primer goes beyond a patch by", { help: "Sound metal round the patch that is primed too." }), 20),
  norms: houseGroup({
    plug: house(amount("A hole plugged", { unit: "min", help: "One that is not through the skin, by your own last jobs." }), 3),
    seal: house(amount("A hole sealed through the skin", { unit: "min", help: "By your own last jobs." }), 6),
    plate: house(
      amount("A hole plated or welded", { unit: "min", help: "Through the skin and too wide for a plug; by your own last jobs." }),
      45,
    ),
    plateOver: house(
      amount("Plated above", { unit: "mm ø", help: "A hole through the skin that is wider than this gets a plate or a weld." }),
      50,
    ),
    rust1: house(amount("Rust, grade 1", { unit: "min per dm²", help: "On the surface: sanded, primed, painted." }), 5),
    rust2: house(amount("Rust, grade 2", { unit: "min per dm²", help: "Pitted: ground back first." }), 12),
  }),
};
type Input = InputOf<typeof inputs>;

/** Minutes by norm; plugs by size; kilograms of all that leaves the van. Perforated rust (grade 3) is for a body shop. */
export const stripList = defineCalculator({
  name: "strip-list",
  title: "Holes, rust, removed items",
  stage: "strip",
  asks: "Which holes, rust and removed items are there, and how long do they take?",
  words: "primer plugs weight",

  onlyOn: "strip-close",

  inputs,
  example: {
    holes: [
      { d: 6, count: 41, place: "wall", throughSkin: false },
      { d: 12, count: 13, place: "roof", throughSkin: true },
    ],
    rust: [{ w: 90, h: 60, grade: 1 }],
    items: [
      { name: "racking", kg: 57.5, fate: "sell" },
      { name: "load floor", kg: 38.6, fate: "template" },
    ],
  },
  results: {
    minutes: ["minutes", "min"],
    plugs: ["plugs", ""],
    d: ["diameter", "mm"],
    count: ["count", ""],
    massRemovedKg: ["mass removed", "kg"],
    primerDm2: ["area to prime", "dm²"],
    reuse: ["kept", ""],
    sell: ["sold or returned", ""],
    scrap: ["scrapped", ""],
  },
  prefill,
  check: (input) =>
    input.rust.flatMap((r, i) =>
      r.areaDm2 === undefined && (r.w === undefined || r.h === undefined)
        ? [{ path: `rust[${i}].areaDm2`, message: "is missing: the area, or width and height" }]
        : [],
    ),
  work: (input) => {
    const m = input.primerMargin;
    const n = input.norms;
    const plate = (h: Input["holes"][number]) => h.throughSkin && h.d > n.plateOver;
    let minutes = 0;
    const plugs = new Map<number, number>();
    const findings: Finding[] = [];
    for (const h of input.holes) {
      minutes += h.count * (plate(h) ? n.plate : h.throughSkin ? n.seal : n.plug);
      if (plate(h))
        findings.push({
          level: "warn",
          about: "holes",
          text: `${h.count} of ${h.d} mm in the ${h.place} are too wide for a plug: weld or plate them`,
        });
      else plugs.set(h.d, (plugs.get(h.d) ?? 0) + h.count);
    }
    for (const r of input.rust) {
      if (r.grade === 3)
        findings.push({
          level: "stop",
          about: "rust",
          text: `${round(areaOf(r))} dm² are rusted through: a body shop decides before anything covers them`,
        });
      else minutes += areaOf(r) * (r.grade === 1 ? n.rust1 : n.rust2);
    }
    const gone = input.items.filter((i) => i.fate !== "stays on");
    const mass = gone.reduce((s, i) => s + i.kg, 0);
    const primer = input.rust.filter((r) => r.grade !== 3).reduce((s, r) => s + primerOf(r, m), 0);
    const list = [...plugs].sort((a, b) => a[0] - b[0]).map(([d, count]) => ({ d, count }));
    const of = (...fates: string[]) => gone.filter((i) => fates.includes(i.fate)).map((i) => i.name);
    return outcome(
      {
        minutes: round(minutes),
        plugs: list,
        massRemovedKg: round(mass, 3),
        primerDm2: round(primer),
        reuse: of("keep", "store", "template"),
        sell: of("sell", "return"),
        scrap: of("scrap"),
      },
      {
        findings,
        parts: list.map((p) => ({ name: `plug ${p.d} mm`, quantity: p.count, unit: "pc" })),
        minutes: {
          best: round(minutes * 0.7),
          likely: round(minutes),
          worst: round(minutes * 1.6),
          covers: "whole",
          what: "holes and rust treated",
        },
        massKg: round(-mass, 3),
      },
    );
  },
});
