// Whether a seat on its swivel turns clear of what stands round it, and where a unit beside it may begin.

import { circle, rect, words } from "./drawing/shapes";
import { calculator, type Finding, is, list, mm, object, outcome, round } from "./model";

interface Box {
  name: string;
  left: number;
  right: number;
  bottom: number;
  top: number;
}

interface Input {
  radius: number;
  clearance?: number;
  /** Of things round the pivot, which is at 0, 0; x rearwards. */
  around?: Box[];
  unit?: { faceBeside: number; begins: number; length: number };
}

const schema = object(
  { radius: is.size },
  {
    clearance: is.mm,
    around: list(object({ name: is.name, left: is.position, right: is.position, bottom: is.position, top: is.position })),
    unit: object({ faceBeside: is.mm, begins: is.position, length: is.size }),
  },
);

/** From the pivot to the nearest point of a rectangle. */
const distance = (b: Box) => Math.hypot(Math.max(b.left, 0, -b.right), Math.max(b.bottom, 0, -b.top));

/** Overlap R + g − distance; a unit whose face runs d < R + g beside the pivot begins √((R + g)² − d²) behind it. */
export const swivel = calculator<Input>(
  { name: "swivel", title: "Seat that turns" },
  schema,
  ({ around = [] }) =>
    around.flatMap((b, i) => [
      ...(b.right < b.left ? [{ path: `around[${i}].right`, message: "lies before its left" }] : []),
      ...(b.top < b.bottom ? [{ path: `around[${i}].top`, message: "lies below its bottom" }] : []),
    ]),
  ({ radius, clearance = 25, around = [], unit }) => {
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
);
