// Where not to drill: holes in the floor against what lies beneath, and where they could go instead.

import { circle, line, mirrored, rect, words } from "../../drawing/shapes";
import { defineCalculator } from "../../engine/define";
import { choice, count, group, house, type InputOf, length, optional, polygon, rows, size, text, usual } from "../../engine/inputs";
import { type Finding, mm, outcome, round, type Shape } from "../../engine/outcome";
import { second } from "../../engine/second";
import { handles } from "./handles";
import { prefill } from "./prefill";

type Point = [along: number, across: number];

function faults({ floor, holes }: Input) {
  return holes.flatMap((h, i) => [
    ...(h.along > floor.length ? [{ path: `holes[${i}].along`, message: `lies beyond the floor (${mm(floor.length)})` }] : []),
    ...(h.across > floor.width ? [{ path: `holes[${i}].across`, message: `lies beyond the floor (${mm(floor.width)})` }] : []),
  ]);
}

/** Distance from a point to a polygon's edge; negative inside. */
export function toPolygon([x, y]: Point, polygon: readonly Point[]): number {
  let least = Number.POSITIVE_INFINITY;
  let inside = false;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const [ax, ay] = polygon[j];
    const [bx, by] = polygon[i];
    const dx = bx - ax;
    const dy = by - ay;
    const l2 = dx * dx + dy * dy;
    const t = l2 ? Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / l2)) : 0;
    least = Math.min(least, Math.hypot(x - ax - t * dx, y - ay - t * dy));
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
  }
  return inside ? -least : least;
}

/** Clearance of a hole's edge to the zone that leaves it least room beyond its margin. */
function worst(p: Point, r: number, zones: readonly Zone[]): { zone: Zone; clearance: number; spare: number } | undefined {
  let found: { zone: Zone; clearance: number; spare: number } | undefined;
  for (const zone of zones) {
    const clearance = toPolygon(p, zone.polygon) - r;
    const spare = clearance - zone.margin;
    if (!found || spare < found.spare) found = { zone, clearance, spare };
  }
  return found;
}

type Zone = Input["zones"][number];

const inputs = {
  floor: group({
    length: size("Floor length", { from: "van", help: "From the bulkhead line to the rear sill." }),
    width: size("Floor width", { from: "van", help: "Between the walls at the floor." }),
  }),
  holes: rows(
    "Holes wanted",
    "hole",
    {
      name: text("For"),
      along: length("Along"),
      across: length("Across"),
      d: size("ø"),
      sits: usual(
        choice("Sits", [
          ["anywhere", "anywhere"],
          ["batten", "on a batten"],
          ["between", "between battens"],
        ]),
        "anywhere",
      ),
    },
    { from: "chosen", help: "What goes through, with its place from above." },
  ),
  zones: rows(
    "What lies below (along/across; …)",
    "zone",
    { name: text("What"), polygon: polygon("Corners"), margin: length("Margin", { help: "Kept clear of it." }) },
    { from: "van", help: "Seen from above: corners as along/across, one after the other." },
  ),
  battens: optional(
    rows(
      "Battens",
      "batten",
      { along: length("Along"), width: size("Width") },
      {
        from: "chosen",
        help: "Along from the bulkhead line. A bolt sits on one, a drain between them.",
      },
    ),
  ),
  candidates: house(count("Places listed on each batten, at most", [1, 10], { help: "The nearest to where it is wished for." }), 2),
};
type Input = InputOf<typeof inputs>;

/**
 * clear: the hole's edge is farther from every zone than its margin; tight: nearer, but outside; clash: inside a zone, by so
 * much. A bolt that sits on a batten gets clear places on each; a drain keeps between them. Nearest legal place by rings of a millimetre; the place seen from below is W − across.
 */
export const underFloor = defineCalculator({
  name: "under-floor",
  title: "Under the floor",
  stage: "openings",
  asks: "Which holes go through the floor, clear of what hangs below?",
  words: "tank axle exhaust drain",

  holds: true,

  inputs,
  example: {
    floor: { length: 3100, width: 1780 },
    holes: [
      { name: "drain", along: 1100, across: 500, d: 40 },
      { name: "bed bolt", along: 2300, across: 300, d: 9 },
    ],
    zones: [
      {
        name: "exhaust",
        polygon: [
          [900, 380],
          [2100, 380],
          [2100, 560],
          [900, 560],
        ],
        margin: 60,
      },
      {
        name: "fuel tank",
        polygon: [
          [1250, 900],
          [2050, 900],
          [2050, 1500],
          [1250, 1500],
        ],
        margin: 40,
      },
    ],
    battens: [],
    candidates: 2,
  },
  results: {
    holes: ["holes", ""],
    name: ["name", ""],
    verdict: ["verdict", ""],
    clearance: ["clear by", "mm"],
    zone: ["zone", ""],
    nearest: ["nearest clear place", ""],
    along: ["along", "mm"],
    across: ["across", "mm"],
    distance: ["distance", "mm"],
    fromBelow: ["across, seen from below", "mm"],
    onBatten: ["on batten", ""],
    onBattens: ["clear places on battens", ""],
  },
  prefill,
  handles,
  second: ({ floor, holes }) =>
    holes.flatMap((h) => [
      second(`${h.name} rear`, `${h.name}: from the rear sill to its centre`, floor.length - h.along),
      second(`${h.name} right`, `${h.name}: from the right skin to its centre`, floor.width - h.across),
    ]),
  check: faults,
  work: ({ floor, zones, holes, battens = [], candidates }) => {
    const findings: Finding[] = [];
    const out = holes.map((h) => {
      const r = h.d / 2;
      const here: Point = [h.along, h.across];
      const w = worst(here, r, zones);
      const verdict = !w || w.spare >= 0 ? "clear" : w.clearance < 0 ? "clash" : "tight";
      const between = h.sits === "between" ? battens : [];
      const off = between.some((b) => meets(h.along, r, b));
      const nearest =
        verdict === "clear" && !off ? { along: h.along, across: h.across, distance: 0 } : nearestLegal(here, r, floor, zones, between);
      const at: [number, number] = [h.across, floor.length - h.along];
      const onBatten = battens.some((b) => meets(h.along, r, b));
      const onBattens = h.sits === "batten" ? placesOnBattens(h, floor, zones, battens, candidates) : undefined;
      if (verdict === "clash")
        findings.push({
          level: "stop",
          about: "holes",
          at,
          text: `${h.name} runs into ${w!.zone.name} by ${mm(-w!.clearance)}${nearest ? `; the nearest place is ${mm(nearest.along)} along, ${mm(nearest.across)} across, ${mm(nearest.distance)} away` : "; there is no place for it on this floor"}`,
        });
      else if (verdict === "tight")
        findings.push({
          level: "warn",
          about: "holes",
          at,
          text: `${h.name} is ${mm(w!.clearance)} from ${w!.zone.name}, ${mm(w!.zone.margin)} are asked`,
        });
      else findings.push({ level: "ok", about: "holes", at, text: `${h.name} is clear` });
      if (off)
        findings.push({
          level: "stop",
          about: "holes",
          at,
          text: `${h.name} sits on a batten and has to lie between them${nearest ? `; the nearest place is ${mm(nearest.along)} along, ${mm(nearest.across)} across` : "; there is no place for it on this floor"}`,
        });
      else if (onBattens && !onBatten)
        findings.push({
          level: onBattens.length ? "warn" : "stop",
          about: "holes",
          at,
          text: onBattens.length
            ? `${h.name} is on no batten; clear places on one: ${onBattens.map((p) => `${mm(p.along)} along, ${mm(p.across)} across`).join("; ")}`
            : `${h.name} is to sit on a batten, and no batten has a clear place for it`,
        });
      else if (onBatten && h.sits === "anywhere")
        findings.push({ level: "ok", about: "battens", text: `${h.name} meets a batten: right for a bolt, wrong for a drain` });
      return {
        name: h.name,
        verdict,
        clearance: w ? round(w.clearance, 1) : null,
        zone: w ? w.zone.name : null,
        nearest,
        fromBelow: { along: h.along, across: round(floor.width - h.across) },
        onBatten,
        ...(onBattens && { onBattens }),
      };
    });
    findings.push({ level: "warn", about: "floor", text: "look underneath before drilling" });
    const above: Shape[] = [
      ...rect("outline", 0, 0, floor.width, floor.length),
      ...zones.flatMap((z) => [
        ...z.polygon.map(([al, ac], i) => {
          const [nal, nac] = z.polygon[(i + 1) % z.polygon.length];
          return line("outline", ac, floor.length - al, nac, floor.length - nal);
        }),
        words(z.polygon[0][1], floor.length - z.polygon[0][0] + 8, z.name, 32),
      ]),
      ...battens.flatMap((b) => [line("centre", 0, floor.length - b.along, floor.width, floor.length - b.along)]),
      ...holes.flatMap((h) => [
        circle("cut", h.across, floor.length - h.along, h.d / 2),
        words(h.across + h.d / 2 + 8, floor.length - h.along, h.name, 32),
      ]),
    ];
    const shift = floor.width + 400;
    const below = mirrored(above, floor.width).map(
      (s): Shape =>
        s.kind === "line"
          ? { ...s, from: [s.from[0] + shift, s.from[1]], to: [s.to[0] + shift, s.to[1]] }
          : { ...s, at: [s.at[0] + shift, s.at[1]] },
    );
    return outcome(
      { holes: out },
      {
        findings,
        drawing: {
          title: "Under the floor",
          seen: "left: from above; right: from below, mirrored. Along from the bulkhead line (top) rearwards, across from the left skin",
          shapes: [...above, words(0, -60, "from above"), ...below, words(shift, -60, "from below, mirrored")],
        },
      },
    );
  },
});

type Batten = NonNullable<Input["battens"]>[number];

/** Whether a hole's edge reaches a batten. */
const meets = (along: number, r: number, b: Batten): boolean => along + r > b.along - b.width / 2 && along - r < b.along + b.width / 2;

/**
 * Clear places on the middles of battens, the nearest to where the hole is wished for first, some of each batten: outside every zone by
 * its margin. Looked for in steps of 5 mm across.
 */
function placesOnBattens(
  h: Input["holes"][number],
  floor: Input["floor"],
  zones: readonly Zone[],
  battens: readonly Batten[],
  most: number,
): { along: number; across: number; distance: number }[] {
  const r = h.d / 2;
  const apart = 100;
  return battens
    .flatMap((b) => {
      const found: { along: number; across: number; distance: number }[] = [];
      const tries = Array.from({ length: Math.floor(floor.width / 5) + 1 }, (_, i) => i * 5)
        .concat(h.across)
        .filter((y) => y >= r && y <= floor.width - r && (worst([b.along, y], r, zones)?.spare ?? 0) >= 0)
        .map((y) => ({ along: b.along, across: y, distance: round(Math.hypot(b.along - h.along, y - h.across), 1) }))
        .sort((p, q) => p.distance - q.distance);
      for (const p of tries) {
        if (found.length >= most) break;
        if (found.every((f) => Math.abs(f.across - p.across) >= apart)) found.push(p);
      }
      return found;
    })
    .sort((p, q) => p.distance - q.distance);
}

function nearestLegal(
  [along, across]: Point,
  r: number,
  floor: Input["floor"],
  zones: readonly Zone[],
  between: readonly Batten[] = [],
): { along: number; across: number; distance: number } | null {
  const legal = (p: Point) =>
    p[0] >= r &&
    p[0] <= floor.length - r &&
    p[1] >= r &&
    p[1] <= floor.width - r &&
    (worst(p, r, zones)?.spare ?? 0) >= 0 &&
    !between.some((b) => meets(p[0], r, b));
  const ring = (radius: number, step: number): Point | undefined => {
    const n = Math.max(16, Math.ceil((2 * Math.PI * radius) / step));
    for (let k = 0; k < n; k++) {
      const a = (2 * Math.PI * k) / n;
      const p: Point = [along + radius * Math.cos(a), across + radius * Math.sin(a)];
      if (legal(p)) return p;
    }
    return undefined;
  };
  const most = Math.hypot(floor.length, floor.width);
  let coarse = 5;
  while (coarse <= most && !ring(coarse, 4)) coarse += 5;
  if (coarse > most) return null;
  for (let radius = Math.max(0.5, coarse - 5); radius <= coarse; radius += 0.5) {
    const p = ring(radius, 0.5);
    if (p) return { along: round(p[0], 1), across: round(p[1], 1), distance: round(radius, 1) };
  }
  return null;
}
