// A drawing as SVG: millimetres, y up, layers as classes with strokes that print.

import type { Drawing, Layer, Shape } from "../engine/outcome";

const STROKE: Record<Layer, string> = {
  outline: 'stroke="#222" stroke-width="2"',
  cut: 'stroke="#b3261e" stroke-width="3"',
  centre: 'stroke="#555" stroke-width="1" stroke-dasharray="16 5 3 5"',
  dimension: 'stroke="#1f4e79" stroke-width="1"',
  text: 'stroke="none"',
};

const MARGIN = 80;

export function bounds(shapes: readonly Shape[]): { left: number; bottom: number; right: number; top: number } {
  const xs: number[] = [];
  const ys: number[] = [];
  for (const s of shapes) {
    if (s.kind === "line") {
      xs.push(s.from[0], s.to[0]);
      ys.push(s.from[1], s.to[1]);
    } else if (s.kind === "text") {
      xs.push(s.at[0], s.at[0] + (s.text.length * s.size) / 2);
      ys.push(s.at[1], s.at[1] + s.size);
    } else {
      xs.push(s.at[0] - s.r, s.at[0] + s.r);
      ys.push(s.at[1] - s.r, s.at[1] + s.r);
    }
  }
  if (!xs.length) return { left: 0, bottom: 0, right: 1, top: 1 };
  return { left: Math.min(...xs), bottom: Math.min(...ys), right: Math.max(...xs), top: Math.max(...ys) };
}

const escaped = (t: string) => t.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(/>/g, "&gt;").replace(/"/g, "&quot;");
const n = (x: number) => String(Math.round(x * 100) / 100);

function element(s: Shape): string {
  if (s.kind === "line")
    return `<line class="${s.layer}" x1="${n(s.from[0])}" y1="${n(-s.from[1])}" x2="${n(s.to[0])}" y2="${n(-s.to[1])}" ${STROKE[s.layer]}/>`;
  if (s.kind === "circle")
    return `<circle class="${s.layer}" cx="${n(s.at[0])}" cy="${n(-s.at[1])}" r="${n(s.r)}" fill="none" ${STROKE[s.layer]}/>`;
  if (s.kind === "text")
    return `<text class="${s.layer}" x="${n(s.at[0])}" y="${n(-s.at[1])}" font-size="${n(s.size)}" font-family="sans-serif" fill="#222">${escaped(s.text)}</text>`;
  const point = (deg: number) =>
    `${n(s.at[0] + s.r * Math.cos((deg * Math.PI) / 180))} ${n(-s.at[1] - s.r * Math.sin((deg * Math.PI) / 180))}`;
  const large = (s.to - s.from + 360) % 360 > 180 ? 1 : 0;
  return `<path class="${s.layer}" d="M ${point(s.from)} A ${n(s.r)} ${n(s.r)} 0 ${large} 0 ${point(s.to)}" fill="none" ${STROKE[s.layer]}/>`;
}

/** One millimetre is one unit; the size is given in mm, so that it prints to scale. */
export function toSvg(d: Drawing): string {
  const b = bounds(d.shapes);
  const w = b.right - b.left + 2 * MARGIN;
  const h = b.top - b.bottom + 2 * MARGIN;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${n(w)}mm" height="${n(h)}mm" viewBox="${n(b.left - MARGIN)} ${n(-b.top - MARGIN)} ${n(w)} ${n(h)}">
<title>${escaped(d.title)}</title>
<desc>${escaped(d.seen)}</desc>
${d.shapes.map(element).join("\n")}
</svg>
`;
}
