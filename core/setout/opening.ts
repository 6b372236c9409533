// One opening in the skin: where its cut lies, what land is left, the corners, the checks before and after marking.

import { circle, dimension, mirrored, rect, rounded, words } from "./drawing/shapes";
import { calculator, type Finding, is, list, mm, object, outcome, round, type Shape } from "./model";

interface Box {
  left: number;
  right: number;
  bottom: number;
  top: number;
}

interface Input {
  field: Box;
  cut: { w: number; h: number; r: number };
  flange?: number;
  minLand: number;
  place: {
    along: "centre" | { fromLeft: number } | { fromRight: number };
    up: "centre" | { fromBottom: number } | { fromTop: number };
  };
  keepOuts?: (Box & { name: string; gap: number })[];
  skin: "single" | "double";
  saws?: number[];
  measuredDiagonals?: [number, number];
  /** Top, bottom, left, right of the outline as marked. */
  measuredSides?: [number, number, number, number];
  tolerancePerM?: number;
}

const box = { left: is.position, right: is.position, bottom: is.position, top: is.position };
const schema = object(
  {
    field: object(box),
    cut: object({ w: is.size, h: is.size, r: is.mm }),
    minLand: is.mm,
    place: object({
      along: { anyOf: [{ type: "string", enum: ["centre"] }, object({ fromLeft: is.mm }), object({ fromRight: is.mm })] },
      up: { anyOf: [{ type: "string", enum: ["centre"] }, object({ fromBottom: is.mm }), object({ fromTop: is.mm })] },
    }),
    skin: { type: "string", enum: ["single", "double"] },
  },
  {
    flange: is.mm,
    keepOuts: list(object({ name: is.name, ...box, gap: is.mm })),
    saws: list(is.size, 1),
    measuredDiagonals: { type: "array", items: is.size, minItems: 2, maxItems: 2 },
    measuredSides: { type: "array", items: is.size, minItems: 4, maxItems: 4 },
    tolerancePerM: is.amount,
  },
);

/** Hole saws that workshops have (mm). */
export const STOCK_SAWS = [16, 20, 25, 30, 32, 35, 40, 44, 51, 57, 60, 64, 68, 76, 80, 83, 92, 100, 102, 108, 114, 120, 127, 140, 152];
/** Out of square by more than so many millimetres a metre of diagonal is marked anew. */
const TOLERANCE = 3;
/** Opposite sides of a marked outline may differ by so much, mm. A house figure. */
const SIDES_AGREE = 2;

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

/**
 * Edges from the datum; lands on four sides; corner holes at edge ± r with the largest saw of at most 2r; perimeter
 * 2(w + h) − 8r + 2πr; diagonal √(w² + h²). Two measured diagonals: out by their difference; the top edge leans by
 * (d1² − d2²) ÷ 4w, d1 from bottom left to top right.
 */
export const opening = calculator<Input>({ name: "opening", title: "Opening" }, schema, faults, (input) => {
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
  const saws = (input.saws ?? STOCK_SAWS).filter((s) => s <= 2 * r);
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
  if (input.measuredSides) sidesFindings(input.measuredSides, findings, [(edges.left + edges.right) / 2, edges.top]);
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
  const tolerance = ((input.tolerancePerM ?? TOLERANCE) * diagonal) / 1000;
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
function sidesFindings([top, bottom, left, right]: readonly number[], findings: Finding[], at: [number, number]): void {
  const pairs = [
    ["top and bottom", Math.abs(top - bottom)],
    ["left and right", Math.abs(left - right)],
  ] as const;
  const off = pairs.filter(([, d]) => d > SIDES_AGREE);
  for (const [name, d] of off)
    findings.push({
      level: "stop",
      about: "measuredSides",
      at,
      text: `${name} differ by ${mm(round(d))}, ${SIDES_AGREE} are allowed: it is a trapezium, whatever the diagonals say`,
    });
  if (!off.length) findings.push({ level: "ok", about: "measuredSides", text: `opposite sides agree within ${SIDES_AGREE}` });
}
