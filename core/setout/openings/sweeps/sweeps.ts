// What swings or slides out inside, against units, legs and places that are kept free: every overlap, and the longest unit that stays clear.

import { line, rect, words } from "../../drawing/shapes";
import { defineCalculator } from "../../engine/define";
import { between, choice, house, type InputOf, length, optional, position, rows, size, text } from "../../engine/inputs";
import { type Finding, mm, outcome, round, type Shape } from "../../engine/outcome";
import { type Box, depthInSweep } from "../../geometry/swing";

const inputs = {
  swings: optional(
    rows(
      "What swings",
      "swing",
      {
        name: text("What"),
        along: position("Along"),
        across: position("Across"),
        reach: size("Reach"),
        from: between("From, °", [0, 359]),
        turn: between("Turn, °", [1, 360]),
      },
      { from: "chosen", help: "Seats, doors, hatches, lids: the pivot from the bulkhead and the left wall. 0° rearwards, 90° right." },
    ),
  ),
  slides: optional(
    rows(
      "What slides out",
      "slide",
      { name: text("What"), from: position("From"), to: position("To"), left: position("Left"), right: position("Right") },
      { from: "chosen", help: "Drawers and tables: the floor they need when they are out." },
    ),
  ),
  things: rows(
    "What stands there",
    "thing",
    {
      name: text("What"),
      kind: choice("It is", [
        ["unit", "a unit"],
        ["leg", "a leg or foot"],
        ["free", "kept free"],
      ]),
      from: position("From"),
      to: position("To"),
      left: position("Left"),
      right: position("Right"),
    },
    { from: "chosen", help: "Along from the bulkhead, across from the left wall. Kept free: drain, hatch, wheel winch." },
  ),
  clearance: house(length("Clear all round", { help: "Between what moves and what stands." }), 10),
};
type Input = InputOf<typeof inputs>;
type Thing = Input["things"][number];
type Swing = NonNullable<Input["swings"]>[number];

const boxOf = (t: { from: number; to: number; left: number; right: number }): Box => ({
  left: t.from,
  right: t.to,
  low: t.left,
  high: t.right,
});

/** How deep two areas lie in each other, mm: the smaller of the two ways out; 0 where they don't. */
const depthOf = (a: Box, b: Box): number => Math.max(0, Math.min(a.right - b.left, b.right - a.left, a.high - b.low, b.high - a.low));

/** How deep a thing stands in a swing with its clearance, mm. */
const inSwing = (s: Swing, clearance: number, b: Box): number =>
  depthInSweep([s.along, s.across], s.reach + clearance, s.from, s.from + s.turn, b);

/** Grown by the clearance on every side. */
const grown = (b: Box, by: number): Box => ({ left: b.left - by, right: b.right + by, low: b.low - by, high: b.high + by });

/**
 * Overlap of a thing with a swing: reach + clearance − distance of its nearest point inside the sector; with a slide: the shortest way
 * out. Longest: the unit grows from its front or its rear end until it would touch, to 1 mm; the longer of the two. Source: PL-n7.
 * E.g. a door of 600 that swings over 90°, a unit that stands 550 from its pivot, 10 clear: in the way by 60.
 */
export const sweeps = defineCalculator({
  name: "sweeps",
  title: "Sweeps and places kept free",
  stage: "openings",
  asks: "Does anything that swings or slides out meet a unit, a leg or a place kept free?",
  words: "door lid hatch drawer table seat swing",

  holds: true,

  inputs,
  example: {
    swings: [{ name: "wet room door", along: 1400, across: 720, reach: 600, from: 0, turn: 90 }],
    slides: [{ name: "fridge drawer", from: 1900, to: 2400, left: 460, right: 900 }],
    things: [
      { name: "bench", kind: "unit", from: 1950, to: 2850, left: 700, right: 1200 },
      { name: "table leg", kind: "leg", from: 1600, to: 1660, left: 900, right: 960 },
      { name: "floor drain", kind: "free", from: 500, to: 700, left: 300, right: 500 },
    ],
    clearance: 10,
  },
  results: {
    overlaps: ["overlaps", ""],
    longest: ["longest that stays clear", ""],
    name: ["name", ""],
    meets: ["meets", ""],
    overlap: ["overlap", "mm"],
    length: ["length", "mm"],
    lost: ["lost", "mm"],
  },
  check: ({ things, slides = [] }) =>
    (
      [
        ["things", things],
        ["slides", slides],
      ] as const
    ).flatMap(([path, list]) =>
      list.flatMap((t, i) => [
        ...(t.to <= t.from ? [{ path: `${path}[${i}].to`, message: "has to lie behind where it begins" }] : []),
        ...(t.right <= t.left ? [{ path: `${path}[${i}].right`, message: "has to lie right of its left" }] : []),
      ]),
    ),
  work: ({ swings = [], slides = [], things, clearance }) => {
    const met = (b: Box): { meets: string; overlap: number }[] => [
      ...swings.map((s) => ({ meets: s.name, overlap: inSwing(s, clearance, b) })),
      ...slides.map((s) => ({ meets: s.name, overlap: depthOf(grown(boxOf(s), clearance), b) })),
    ];
    const clear = (b: Box): boolean => met(b).every((m) => m.overlap <= 0);
    const findings: Finding[] = [];
    const overlaps: { name: string; meets: string; overlap: number }[] = [];
    const longest: { name: string; length: number; lost: number }[] = [];
    for (const t of things) {
      const b = boxOf(t);
      const at: [number, number] = [(t.from + t.to) / 2, (t.left + t.right) / 2];
      const hits = met(b).filter((m) => m.overlap > 0);
      for (const h of hits) {
        overlaps.push({ name: t.name, meets: h.meets, overlap: round(h.overlap, 1) });
        findings.push({ level: "stop", about: "things", at, text: `${SAYS[t.kind](t.name, h.meets)} by ${mm(round(h.overlap, 1))}` });
      }
      if (!hits.length) findings.push({ level: "ok", about: "things", at, text: `${t.name} stays clear` });
      else if (t.kind === "unit") {
        const best = longestOf(t, clear);
        longest.push({ name: t.name, length: best, lost: t.to - t.from - best });
        findings.push({
          level: "warn",
          about: "things",
          at,
          text: best
            ? `${t.name} stays clear at ${mm(best)}, ${mm(t.to - t.from - best)} shorter`
            : `${t.name} has no length that stays clear there`,
        });
      }
    }
    return outcome(
      { overlaps, longest },
      {
        findings,
        drawing: {
          title: "Sweeps and places kept free",
          seen: "from above: rearwards to the right, the left wall below",
          shapes: [
            ...things.flatMap((t) => [...rect("outline", t.from, t.left, t.to, t.right), words(t.from, t.right + 12, t.name, 36)]),
            ...slides.flatMap((s) => [...rect("cut", s.from, s.left, s.to, s.right), words(s.from, s.right + 12, s.name, 36)]),
            ...swings.flatMap(drawSwing),
          ],
        },
      },
    );
  },
});

const SAYS: Record<Thing["kind"], (name: string, meets: string) => string> = {
  unit: (name, meets) => `${name} is in the way of ${meets}`,
  leg: (name, meets) => `${name} may not stand in the sweep of ${meets}: it stands in it`,
  free: (name, meets) => `${meets} runs over ${name}, which is kept free,`,
};

/** The longest that a unit can be where it begins, or where it ends, whole millimetres: it only grows worse as it grows. */
function longestOf(t: Thing, clear: (b: Box) => boolean): number {
  const grow = (box: (length: number) => Box): number => {
    let [low, high] = [0, Math.floor(t.to - t.from)];
    while (low < high) {
      const middle = Math.ceil((low + high) / 2);
      if (clear(box(middle))) low = middle;
      else high = middle - 1;
    }
    return low;
  };
  const b = boxOf(t);
  return Math.max(
    grow((n) => ({ ...b, right: t.from + n })),
    grow((n) => ({ ...b, left: t.to - n })),
  );
}

function drawSwing(s: Swing): Shape[] {
  const end = (deg: number): [number, number] => [
    s.along + s.reach * Math.cos((deg * Math.PI) / 180),
    s.across + s.reach * Math.sin((deg * Math.PI) / 180),
  ];
  const [from, to] = [s.from, s.from + s.turn];
  const whole = s.turn === 360;
  return [
    { kind: "arc", layer: "centre", at: [s.along, s.across], r: s.reach, from, to },
    ...(whole ? [] : [line("centre", s.along, s.across, ...end(from)), line("centre", s.along, s.across, ...end(to))]),
    words(s.along, s.across, s.name, 36),
  ];
}
