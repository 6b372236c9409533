// One opening in the skin: where its cut lies, what land is left, the corners, the checks before and after marking.

import { circle, dimension, mirrored, rect, rounded, words } from "../../drawing/shapes";
import { defineCalculator } from "../../engine/define";
import {
  amount,
  group,
  house,
  type InputOf,
  length,
  numbers,
  oneOf,
  optional,
  place,
  position,
  readings,
  rows,
  size,
  text,
} from "../../engine/inputs";
import { type Finding, mm, outcome, round, type Shape } from "../../engine/outcome";
import { second } from "../../engine/second";
import { handles } from "./handles";
import { prefill } from "./prefill";

/** Hole saws that workshops have (mm). */
export const STOCK_SAWS = [16, 20, 25, 30, 32, 35, 40, 44, 51, 57, 60, 64, 68, 76, 80, 83, 92, 100, 102, 108, 114, 120, 127, 140, 152];

function faults({ field, cut, keepOuts }: Input) {
  const out: { path: string; message: string }[] = [];
  const say = (path: string, message: string) => out.push({ path, message });
  if (field.right <= field.left) say("field.right", "must lie beyond field.left");
  if (field.top <= field.bottom) say("field.top", "must lie above field.bottom");
  if (!out.length && cut.w > field.right - field.left) say("cut.w", `is wider than the field (${mm(field.right - field.left)})`);
  if (!out.length && cut.h > field.top - field.bottom) say("cut.h", `is higher than the field (${mm(field.top - field.bottom)})`);
  if (2 * cut.r > Math.min(cut.w, cut.h)) say("cut.r", "is more than half of the smaller side");
  keepOuts?.forEach((k, i) => {
    if (k.right < k.left) say(`keepOuts[${i}].right`, "lies before its left");
    if (k.top < k.bottom) say(`keepOuts[${i}].top`, "lies below its bottom");
  });
  return out;
}

/** Distance between two boxes; negative: they overlap by so much at least. */
function apart(a: Box, b: Box): number {
  const dx = Math.max(b.left - a.right, a.left - b.right);
  const dy = Math.max(b.bottom - a.top, a.bottom - b.top);
  return dx > 0 && dy > 0 ? Math.hypot(dx, dy) : Math.max(dx, dy);
}

type Box = Input["field"];

const inputs = {
  cut: group({
    w: size("Cut width", { from: "chosen", help: "The hole itself, as the unit's maker gives it." }),
    h: size("Cut height", { from: "chosen", help: "The same, upwards." }),
    r: length("Corner radius", { from: "chosen", help: "Of the hole, not of the frame." }),
  }),
  minLand: length("Land the unit asks for", { from: "chosen", help: "Flat metal that the flange needs all round the hole." }),
  flange: optional(length("Flange all round", { from: "chosen", help: "How far it stands out over the hole." })),
  place: group({
    along: place("Along", ["fromLeft", "from the left"], ["fromRight", "from the right"], {
      from: "chosen",
      help: "Centred, or measured from one side.",
    }),
    up: place("Up", ["fromBottom", "from the lower crease"], ["fromTop", "from the upper crease"], {
      first: "side",
      from: "chosen",
      help: "From the lower or the upper crease.",
    }),
  }),
  field: group({
    left: position("Field from", { from: "van", help: "Where the flat field begins, from the bulkhead line." }),
    right: position("Field to", { from: "van", help: "Where the flat field ends." }),
    bottom: position("Lower crease", { from: "van", help: "From the floor's rib crests up to the lower crease." }),
    top: position("Upper crease", { from: "van", help: "From the floor's rib crests up to the upper crease." }),
  }),
  skin: oneOf("Skin", ["single", "double"], { from: "van", help: "Double skin needs another unit." }),
  measuredDiagonals: optional(
    readings(
      "Measured diagonals",
      [
        ["d1", "Measured diagonal, lower left up"],
        ["d2", "Measured diagonal, lower right up"],
      ],
      { from: "measured", help: "Between the square corners of the cut, before anything is cut." },
    ),
  ),
  measuredSides: optional(
    readings(
      "Measured sides",
      [
        ["s1", "Measured top"],
        ["s2", "Measured bottom"],
        ["s3", "Measured left side"],
        ["s4", "Measured right side"],
      ],
      { from: "measured", help: "All four, as marked." },
    ),
  ),
  keepOuts: optional(
    rows(
      "Keep clear of",
      "keep-out",
      {
        name: text("What"),
        left: position("From"),
        right: position("To"),
        bottom: position("Bottom"),
        top: position("Top"),
        gap: length("Gap"),
      },
      { from: "measured", help: "What the cut must stay clear of, with the gap it needs." },
    ),
  ),
  saws: house(numbers("Hole saws in the shop, mm", 1, { help: "The corner holes take the next one down." }), STOCK_SAWS),
  tolerancePerM: house(
    amount("Diagonals may differ by", { unit: "mm per m", help: "More than that, and the mark-out is out of square." }),
    3,
  ),
  sidesAgree: house(length("Opposite sides agree within", { help: "More than that, and it is marked again." }), 2),
};
type Input = InputOf<typeof inputs>;

/**
 * Edges from the datum; lands on four sides; corner holes at edge ± r with the largest saw of at most 2r; perimeter
 * 2(w + h) − 8r + 2πr; diagonal √(w² + h²). Two measured diagonals: out by their difference; the top edge leans by
 * (d1² − d2²) ÷ 4w, d1 from bottom left to top right.
 */
export const opening = defineCalculator({
  name: "opening",
  title: "Opening",
  stage: "openings",
  asks: "Where is the opening cut, seen from both sides?",
  words: "window datum diagonal land rib",

  holds: true,

  inputs,
  example: {
    cut: { w: 1120, h: 520, r: 60 },
    minLand: 25,
    field: { left: 1320, right: 2630, bottom: 640, top: 1305 },
    skin: "single",
    keepOuts: [],
    place: { along: "centre", up: { fromBottom: 55 } },
  },
  results: {
    edges: ["edges", ""],
    left: ["left", "mm"],
    right: ["right", "mm"],
    bottom: ["bottom", "mm"],
    top: ["top", "mm"],
    lands: ["lands", ""],
    cornerHoles: ["corner holes", "mm"],
    x: ["across", "mm"],
    y: ["up", "mm"],
    saw: ["hole saw", "mm"],
    perimeter: ["perimeter", "mm"],
    diagonal: ["diagonal", "mm"],
    cutFrom: ["cut from", ""],
    square: ["square", ""],
    outBy: ["out by", "mm"],
    lean: ["lean", "mm"],
    keepOuts: ["clear of", ""],
    name: ["name", ""],
    clearance: ["clearance", "mm"],
    gap: ["gap", "mm"],
  },
  prefill,
  handles,
  second: ({ field }, o) => {
    const { edges, diagonal } = o.results as { edges: Box; diagonal: number };
    return [
      second("right", "From the field's right edge to the cut", field.right - edges.right),
      second("top", "From the upper crease down to the cut", field.top - edges.top),
      second("diagonal", "Diagonal of the cut's square corners", diagonal),
      second("other", "The other diagonal", diagonal),
    ];
  },
  check: faults,
  work: (input) => {
    const { field, cut, flange = 0, minLand, place, skin } = input;
    const { w, h, r } = cut;
    const left =
      place.along === "centre"
        ? (field.left + field.right - w) / 2
        : "fromLeft" in place.along
          ? field.left + place.along.fromLeft
          : field.right - place.along.fromRight - w;
    const bottom =
      place.up === "centre"
        ? (field.bottom + field.top - h) / 2
        : "fromBottom" in place.up
          ? field.bottom + place.up.fromBottom
          : field.top - place.up.fromTop - h;
    const edges = { left: round(left), right: round(left + w), bottom: round(bottom), top: round(bottom + h) };
    const lands = {
      left: round(edges.left - field.left),
      right: round(field.right - edges.right),
      bottom: round(edges.bottom - field.bottom),
      top: round(field.top - edges.top),
    };
    const findings: Finding[] = [...landFindings(lands, minLand, flange, field, cut, edges)];
    const body = { left: edges.left - flange, right: edges.right + flange, bottom: edges.bottom - flange, top: edges.top + flange };
    const keepOuts = (input.keepOuts ?? []).map((k) => {
      const clearance = round(apart(body, k));
      if (clearance < k.gap)
        findings.push({
          level: "stop",
          about: "keepOuts",
          at: middle(k),
          text:
            clearance < 0
              ? `${k.name} overlaps it by ${mm(-clearance)}`
              : `${k.name} is ${mm(clearance)} away, ${mm(k.gap)} are asked: ${mm(k.gap - clearance)} short`,
        });
      return { name: k.name, clearance, gap: k.gap };
    });
    const saws = input.saws.filter((s) => s <= 2 * r);
    const saw = saws.length ? Math.max(...saws) : null;
    if (r > 0 && saw === null)
      findings.push({
        level: "warn",
        about: "saws",
        text: `no saw of at most ${mm(2 * r)}: drill small and cut the corners with the jigsaw`,
      });
    if (r === 0) findings.push({ level: "warn", about: "cut.r", text: "square corners tear: drill each one first" });
    const perimeter = 2 * (w + h) - 8 * r + 2 * Math.PI * r;
    const diagonal = Math.hypot(w, h);
    const square = input.measuredDiagonals && squareOf(input, diagonal, findings, [(edges.left + edges.right) / 2, edges.top]);
    if (input.measuredSides) sidesFindings(input.measuredSides, input.sidesAgree, findings, [(edges.left + edges.right) / 2, edges.top]);
    const cutFrom = skin === "double" ? "inside" : "outside";
    findings.push({
      level: "ok",
      about: "skin",
      text:
        skin === "double"
          ? "double skin: cut the inner skin from inside along the template, then the outer one through it, each on its own line"
          : "single skin: pilot holes from inside at the corners, then cut from outside on tape with a fine metal blade, so that the good side does not chip",
    });
    findings.push({
      level: "ok",
      about: "cut",
      text: "before the saw: coat bare edges the same day, sheet the inside against swarf, and look behind the metal",
    });
    const inside: Shape[] = [
      ...rect("outline", field.left, field.bottom, field.right, field.top),
      ...rounded("cut", edges.left, edges.bottom, edges.right, edges.top, r),
      ...(input.keepOuts ?? []).flatMap((k) => [
        ...rect("outline", k.left, k.bottom, k.right, k.top),
        words(k.left, k.bottom - 30, k.name, 20),
      ]),
      ...(r > 0 ? corners(edges, r).flatMap((c) => [circle("centre", c.x, c.y, (saw ?? 2 * r) / 2)]) : []),
      // Chains outside the field: land, cut, land.
      ...dimension(field.left, field.bottom - 70, edges.left, field.bottom - 70, mm(lands.left)),
      ...dimension(edges.left, field.bottom - 70, edges.right, field.bottom - 70, mm(w)),
      ...dimension(edges.right, field.bottom - 70, field.right, field.bottom - 70, mm(lands.right)),
      ...dimension(field.right + 70, field.bottom, field.right + 70, edges.bottom, mm(lands.bottom)),
      ...dimension(field.right + 70, edges.bottom, field.right + 70, edges.top, mm(h)),
      ...dimension(field.right + 70, edges.top, field.right + 70, field.top, mm(lands.top)),
      words(
        field.left,
        field.bottom - 150,
        `inside: edges at ${mm(edges.left)} and ${mm(edges.right)} from the datum, ${mm(edges.bottom)} and ${mm(edges.top)} up`,
        28,
      ),
    ];
    const drop = field.top - field.bottom + 260;
    const outside = mirrored(inside.slice(0, -1), field.left + field.right).map((s) => moved(s, -drop));
    return outcome(
      {
        edges,
        lands,
        cornerHoles: corners(edges, r),
        saw,
        perimeter: round(perimeter, 1),
        diagonal: round(diagonal, 1),
        cutFrom,
        ...(input.keepOuts ? { keepOuts } : {}),
        ...(square ? { square } : {}),
      },
      {
        findings,
        drawing: {
          title: "Opening",
          seen: "above: from inside; below: from outside, mirrored. Along from the bulkhead line, up from the rib crests of the floor",
          shapes: [...inside, ...outside, words(field.left, field.bottom - drop - 150, "outside, mirrored", 28)],
        },
      },
    );
  },
});

const middle = (b: Box): [number, number] => [(b.left + b.right) / 2, (b.bottom + b.top) / 2];

const corners = (e: Box, r: number) =>
  [
    [e.left + r, e.bottom + r],
    [e.right - r, e.bottom + r],
    [e.right - r, e.top - r],
    [e.left + r, e.top - r],
  ].map(([x, y]) => ({ x: round(x), y: round(y) }));

function moved(s: Shape, dy: number): Shape {
  if (s.kind === "line") return { ...s, from: [s.from[0], s.from[1] + dy], to: [s.to[0], s.to[1] + dy] };
  return { ...s, at: [s.at[0], s.at[1] + dy] };
}

function landFindings(lands: Box, least: number, flange: number, field: Box, cut: { w: number; h: number }, edges: Box): Finding[] {
  const out: Finding[] = [];
  const [x, y] = middle(edges);
  const place: Record<keyof Box, [number, number]> = {
    left: [(field.left + edges.left) / 2, y],
    right: [(field.right + edges.right) / 2, y],
    bottom: [x, (field.bottom + edges.bottom) / 2],
    top: [x, (field.top + edges.top) / 2],
  };
  const away = { left: "right", right: "left", bottom: "up", top: "down" } as const;
  const axis = {
    left: field.right - field.left - cut.w,
    right: field.right - field.left - cut.w,
    bottom: field.top - field.bottom - cut.h,
    top: field.top - field.bottom - cut.h,
  };
  for (const side of ["left", "right", "bottom", "top"] as const) {
    const land = lands[side];
    const at = place[side];
    if (land < 0) out.push({ level: "stop", about: "place", at, text: `the cut leaves the field at the ${side} by ${mm(-land)}` });
    else if (land < least)
      out.push({
        level: "stop",
        about: "minLand",
        at,
        text:
          axis[side] >= 2 * least
            ? `land at the ${side} is ${mm(land)}, ${mm(least)} are asked: ${mm(least - land)} ${away[side]}`
            : `land at the ${side} is ${mm(land)}, ${mm(least)} are asked: ${mm(least - land)} short, and the field is too small to make it up`,
      });
    else if (land < flange)
      out.push({
        level: "warn",
        about: "flange",
        at,
        text: `the flange (${mm(flange)}) runs over the edge of the flat field at the ${side} by ${mm(flange - land)}`,
      });
  }
  return out;
}

function squareOf(input: Input, diagonal: number, findings: Finding[], at: [number, number]): { outBy: number; lean: number } {
  const [d1, d2] = input.measuredDiagonals!;
  const outBy = round(Math.abs(d1 - d2));
  const lean = round((d1 ** 2 - d2 ** 2) / (4 * input.cut.w));
  const tolerance = (input.tolerancePerM * diagonal) / 1000;
  if (outBy > tolerance)
    findings.push({
      level: "stop",
      about: "measuredDiagonals",
      at,
      text: `out of square by ${mm(outBy)} (${round(tolerance)} allowed): move the top edge ${mm(Math.abs(lean))} to the ${lean < 0 ? "right" : "left"}`,
    });
  else findings.push({ level: "ok", about: "measuredDiagonals", text: `square within ${round(tolerance)}` });
  return { outBy, lean };
}

/** Equal diagonals alone fit a trapezium as well: opposite sides have to be alike. */
function sidesFindings([top, bottom, left, right]: readonly number[], sidesAgree: number, findings: Finding[], at: [number, number]): void {
  const pairs = [
    ["top and bottom", Math.abs(top - bottom)],
    ["left and right", Math.abs(left - right)],
  ] as const;
  const off = pairs.filter(([, d]) => d > sidesAgree);
  for (const [name, d] of off)
    findings.push({
      level: "stop",
      about: "measuredSides",
      at,
      text: `${name} differ by ${mm(round(d))}, ${sidesAgree} are allowed: it is a trapezium, whatever the diagonals say`,
    });
  if (!off.length) findings.push({ level: "ok", about: "measuredSides", text: `opposite sides agree within ${sidesAgree}` });
}
