// A drawing as DXF (ASCII, the plain R12 form that every program reads): millimetres, one layer a purpose.

import type { Drawing, Layer, Shape } from "../engine/outcome";
import { bounds } from "./svg";

const COLOUR: Record<Layer, number> = { outline: 7, cut: 1, centre: 8, dimension: 5, text: 3 };
const LAYERS = Object.keys(COLOUR) as Layer[];

const n = (x: number) => (Math.round(x * 1000) / 1000).toFixed(3);
const pairs = (...list: [number, string | number][]) => list.map(([code, value]) => `${code}\n${value}`).join("\n");
const at = (x: number, y: number, shift = 0): [number, string][] => [
  [10 + shift, n(x)],
  [20 + shift, n(y)],
  [30 + shift, "0.000"],
];

function entity(s: Shape): string {
  const layer = s.layer.toUpperCase();
  if (s.kind === "line") return pairs([0, "LINE"], [8, layer], ...at(...s.from), ...at(s.to[0], s.to[1], 1));
  if (s.kind === "circle") return pairs([0, "CIRCLE"], [8, layer], ...at(...s.at), [40, n(s.r)]);
  if (s.kind === "arc") return pairs([0, "ARC"], [8, layer], ...at(...s.at), [40, n(s.r)], [50, n(s.from)], [51, n(s.to)]);
  return pairs([0, "TEXT"], [8, layer], ...at(...s.at), [40, n(s.size)], [1, plain(s.text)]);
}

/** R12 knows ASCII and a few codes for what drawings need. */
const plain = (text: string): string =>
  text
    .replace(/°/g, "%%d")
    .replace(/ø|⌀/g, "%%c")
    .replace(/±/g, "%%p")
    .replace(/[–—−]/g, "-")
    .replace(/×/g, "x")
    .replace(/[^\x20-\x7e]/g, "?");

export function toDxf(d: Drawing): string {
  const b = bounds(d.shapes);
  const head = pairs(
    [0, "SECTION"],
    [2, "HEADER"],
    [9, "$ACADVER"],
    [1, "AC1009"],
    [9, "$INSUNITS"],
    [70, 4],
    [9, "$MEASUREMENT"],
    [70, 1],
    [9, "$EXTMIN"],
    ...at(b.left, b.bottom),
    [9, "$EXTMAX"],
    ...at(b.right, b.top),
    [0, "ENDSEC"],
  );
  const layers = LAYERS.map((l) => pairs([0, "LAYER"], [2, l.toUpperCase()], [70, 0], [62, COLOUR[l]], [6, "CONTINUOUS"])).join("\n");
  const tables = `${pairs([0, "SECTION"], [2, "TABLES"], [0, "TABLE"], [2, "LAYER"], [70, LAYERS.length])}\n${layers}\n${pairs([0, "ENDTAB"], [0, "ENDSEC"])}`;
  const entities = [pairs([0, "SECTION"], [2, "ENTITIES"]), ...d.shapes.map(entity), pairs([0, "ENDSEC"], [0, "EOF"])].join("\n");
  return `${head}\n${tables}\n${entities}\n`;
}
