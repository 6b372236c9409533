// The few shapes that set-out drawings are made of.

import type { Layer, Shape } from "../engine/outcome";

export const line = (layer: Layer, x1: number, y1: number, x2: number, y2: number): Shape => ({
  kind: "line",
  layer,
  from: [x1, y1],
  to: [x2, y2],
});

export const rect = (layer: Layer, left: number, bottom: number, right: number, top: number): Shape[] => [
  line(layer, left, bottom, right, bottom),
  line(layer, right, bottom, right, top),
  line(layer, right, top, left, top),
  line(layer, left, top, left, bottom),
];

/** A rectangle with round corners; square where r is 0. */
export function rounded(layer: Layer, left: number, bottom: number, right: number, top: number, r: number): Shape[] {
  if (r <= 0) return rect(layer, left, bottom, right, top);
  return [
    line(layer, left + r, bottom, right - r, bottom),
    line(layer, right, bottom + r, right, top - r),
    line(layer, right - r, top, left + r, top),
    line(layer, left, top - r, left, bottom + r),
    { kind: "arc", layer, at: [left + r, bottom + r], r, from: 180, to: 270 },
    { kind: "arc", layer, at: [right - r, bottom + r], r, from: 270, to: 360 },
    { kind: "arc", layer, at: [right - r, top - r], r, from: 0, to: 90 },
    { kind: "arc", layer, at: [left + r, top - r], r, from: 90, to: 180 },
  ];
}

export const words = (x: number, y: number, text: string, size = 24): Shape => ({ kind: "text", layer: "text", at: [x, y], size, text });

export const circle = (layer: Layer, x: number, y: number, r: number): Shape => ({ kind: "circle", layer, at: [x, y], r });

/** A dimension between two points at one height or at one side: line, ticks and its figure. */
export function dimension(x1: number, y1: number, x2: number, y2: number, text: string, size = 24): Shape[] {
  const flat = y1 === y2;
  const tick = size / 2;
  const ends: Shape[] = [
    [x1, y1],
    [x2, y2],
  ].map(([x, y]) => line("dimension", x - tick / 2, y - tick / 2, x + tick / 2, y + tick / 2));
  const at: [number, number] = flat ? [(x1 + x2) / 2 - (text.length * size) / 4, y1 + size / 3] : [x1 + size / 3, (y1 + y2) / 2];
  return [line("dimension", x1, y1, x2, y2), ...ends, { kind: "text", layer: "dimension", at, size, text }];
}

/** The same seen from the other side: x becomes width − x; words stay readable. */
export function mirrored(shapes: readonly Shape[], width: number): Shape[] {
  return shapes.map((s) => {
    if (s.kind === "line") return { ...s, from: [width - s.from[0], s.from[1]], to: [width - s.to[0], s.to[1]] };
    if (s.kind === "circle") return { ...s, at: [width - s.at[0], s.at[1]] };
    if (s.kind === "arc") return { ...s, at: [width - s.at[0], s.at[1]], from: (540 - s.to) % 360, to: (540 - s.from) % 360 || 360 };
    return { ...s, at: [width - s.at[0] - s.text.length * s.size * 0.8, s.at[1]] };
  });
}
