// What swings about a pivot: how far it opens before it meets something, and how deep a thing stands in its sweep.

export type Point = readonly [x: number, y: number];

/** A rectangle by its edges. */
export interface Box {
  left: number;
  right: number;
  low: number;
  high: number;
}

const DEG = 180 / Math.PI;

/** Corners of a box, one after the other. */
const corners = (b: Box): Point[] => [
  [b.left, b.low],
  [b.right, b.low],
  [b.right, b.high],
  [b.left, b.high],
];

/** The angle of a point seen from the pivot, degrees from 0 up to but not 360. */
const angleOf = ([px, py]: Point, [x, y]: Point): number => {
  const a = Math.atan2(y - py, x - px) * DEG;
  return a < 0 ? a + 360 : a;
};

/** Where a circle about the pivot meets the edges of a box. */
function onCircle([px, py]: Point, r: number, b: Box): Point[] {
  const out: Point[] = [];
  for (const x of [b.left, b.right]) {
    const h = r * r - (x - px) ** 2;
    if (h < 0) continue;
    for (const y of [py + Math.sqrt(h), py - Math.sqrt(h)]) if (y >= b.low && y <= b.high) out.push([x, y]);
  }
  for (const y of [b.low, b.high]) {
    const h = r * r - (y - py) ** 2;
    if (h < 0) continue;
    for (const x of [px + Math.sqrt(h), px - Math.sqrt(h)]) if (x >= b.left && x <= b.right) out.push([x, y]);
  }
  return out;
}

/** The point of a box that lies nearest to the pivot; the pivot itself inside it. */
export const nearest = ([px, py]: Point, b: Box): Point => [Math.min(Math.max(px, b.left), b.right), Math.min(Math.max(py, b.low), b.high)];

/**
 * The angle at which a leaf of length r, shut at 0°, opening towards 180°, first meets a box that stands on its opening side (y ≥ the
 * pivot's), degrees; undefined where it never does. A leaf that turns the other way is mirrored by the caller.
 * E.g. pivot 0/0, r 500, a box from 100 to 200 along and 300 to 400 out: it meets the corner 200/300 at 56.3°.
 */
export function meetsAt(pivot: Point, r: number, b: Box): number | undefined {
  const reach = (p: Point) => Math.hypot(p[0] - pivot[0], p[1] - pivot[1]) <= r + 1e-9;
  const seen = [...corners(b).filter(reach), ...onCircle(pivot, r, b)].map((p) => angleOf(pivot, p)).filter((a) => a <= 180);
  return seen.length ? Math.min(...seen) : undefined;
}

/**
 * How deep a box stands in the sweep of a leaf of length r between two angles (degrees, counted from the x axis towards y, to > from),
 * mm: r less the distance to its nearest point inside the sector; 0 where it stands clear.
 */
export function depthInSweep(pivot: Point, r: number, from: number, to: number, b: Box): number {
  const inside = (p: Point): boolean => {
    const d = Math.hypot(p[0] - pivot[0], p[1] - pivot[1]);
    if (d < 1e-9) return true;
    const turn = (((angleOf(pivot, p) - from) % 360) + 360) % 360;
    return d <= r && turn <= to - from + 1e-9;
  };
  // Nearest points are: the nearest of all, where the two rays enter the box, and corners.
  const rays = [from, to].flatMap((a) => onRay(pivot, a / DEG, r, b));
  const found = [nearest(pivot, b), ...rays, ...corners(b), ...onCircle(pivot, r, b)].filter(inside);
  if (!found.length) return 0;
  return r - Math.min(...found.map((p) => Math.hypot(p[0] - pivot[0], p[1] - pivot[1])));
}

/** Where a ray from the pivot, as long as r, crosses the edges of a box. */
function onRay([px, py]: Point, angle: number, r: number, b: Box): Point[] {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const out: Point[] = [];
  if (Math.abs(c) > 1e-12)
    for (const x of [b.left, b.right]) {
      const t = (x - px) / c;
      const y = py + t * s;
      if (t >= 0 && t <= r && y >= b.low - 1e-9 && y <= b.high + 1e-9) out.push([x, y]);
    }
  if (Math.abs(s) > 1e-12)
    for (const y of [b.low, b.high]) {
      const t = (y - py) / s;
      const x = px + t * c;
      if (t >= 0 && t <= r && x >= b.left - 1e-9 && x <= b.right + 1e-9) out.push([x, y]);
    }
  return out;
}
