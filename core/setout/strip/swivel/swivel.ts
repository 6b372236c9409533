// Whether a seat on its swivel turns clear of what stands round it, and where a unit beside it may begin.

import { circle, rect, words } from "../../drawing/shapes";
import { defineCalculator } from "../../engine/define";
import { group, house, type InputOf, length, optional, position, rows, size, text } from "../../engine/inputs";
import { type Finding, mm, outcome, round } from "../../engine/outcome";

/** From the pivot to the nearest point of a rectangle. */
const distance = (b: Box) => Math.hypot(Math.max(b.left, 0, -b.right), Math.max(b.bottom, 0, -b.top));

type Box = NonNullable<Input["around"]>[number];

const inputs = {
  radius: size("Largest radius of the seat", { from: "chosen", help: "From the pivot to the farthest corner of the seat." }),
  clearance: house(length("Clear all round", { help: "So that nothing is touched when somebody sits in it." }), 25),
  unit: optional(
    group({
      faceBeside: length("Unit, its face beside the pivot", { from: "chosen", help: "From the pivot across to the unit's face." }),
      begins: position("Unit, begins behind the pivot", { from: "chosen", help: "From the pivot back to where the unit begins." }),
      length: size("Unit, length", { from: "chosen", help: "Along the van." }),
    }),
  ),
  around: optional(
    rows(
      "What stands round it, from the pivot",
      "thing",
      { name: text("What"), left: position("From"), right: position("To"), bottom: position("Right"), top: position("Left") },
      { from: "measured", help: "Measured from the pivot: rearwards and to the left count up." },
    ),
  ),
};
type Input = InputOf<typeof inputs>;

/** Overlap R + g − distance; a unit whose face runs d < R + g beside the pivot begins √((R + g)² − d²) behind it. */
export const swivel = defineCalculator({
  name: "swivel",
  title: "Seat that turns",
  stage: "strip",
  asks: "Can the seat turn without touching door, brake and wheel?",
  words: "sweep",

  holds: true,

  inputs,
  example: {
    radius: 540,
    clearance: 25,
    unit: { faceBeside: 380, begins: 360, length: 1640 },
    around: [{ name: "door post", left: -300, right: -220, bottom: 560, top: 640 }],
  },
  results: {
    reach: ["reach", "mm"],
    around: ["around", "mm"],
    beginsAt: ["begins at", "mm"],
    lost: ["lost", "mm"],
    lengthLeft: ["length left", "mm"],
    name: ["name", ""],
    overlap: ["overlap", "mm"],
  },
  check: ({ around = [] }) =>
    around.flatMap((b, i) => [
      ...(b.right < b.left ? [{ path: `around[${i}].right`, message: "lies before its left" }] : []),
      ...(b.top < b.bottom ? [{ path: `around[${i}].top`, message: "lies below its bottom" }] : []),
    ]),
  work: ({ radius, clearance, around = [], unit }) => {
    const reach = radius + clearance;
    const findings: Finding[] = [];
    const checked = around.map((b) => {
      const overlap = round(reach - distance(b), 1);
      findings.push(
        overlap > 0
          ? {
              level: "stop",
              about: "around",
              at: [(b.left + b.right) / 2, (b.bottom + b.top) / 2],
              text: `${b.name} is in the way by ${mm(overlap)}`,
            }
          : { level: "ok", about: "around", text: `${b.name} is clear by ${mm(-overlap)}` },
      );
      return { name: b.name, overlap };
    });
    const start = unit && (unit.faceBeside < reach ? Math.sqrt(reach ** 2 - unit.faceBeside ** 2) : 0);
    const lost = unit && unit.faceBeside < reach ? Math.max(0, start! - unit.begins) : 0;
    if (unit)
      findings.push(
        lost > 0
          ? {
              level: "warn",
              about: "unit.begins",
              text: `the unit has to begin ${round(start!, 1)} behind the pivot: ${round(lost, 1)} of it are lost`,
            }
          : { level: "ok", about: "unit", text: "the unit is clear, nothing is lost" },
      );
    const box = (b: Box) => [...rect("outline", b.left, b.bottom, b.right, b.top), words(b.left, b.top + 10, b.name)];
    return outcome(
      {
        reach,
        around: checked,
        ...(unit ? { beginsAt: round(start!, 1), lost: round(lost, 1), lengthLeft: round(unit.length - lost, 1) } : {}),
      },
      {
        findings,
        drawing: {
          title: "Seat that turns",
          seen: "from above, front to the left; the pivot in the middle",
          shapes: [circle("centre", 0, 0, reach), circle("cut", 0, 0, radius), ...around.flatMap(box)],
        },
      },
    );
  },
});
