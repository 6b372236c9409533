// Which bay suits a roof unit best, and why: near what it is for, free of neighbours, bars and panels, in millimetres.

import { round } from "../../engine/outcome";

interface Rect {
  name: string;
  at: number;
  across: number;
  length: number;
  width: number;
  height: number;
}

export interface RankedBay {
  bay: number;
  /** Where the unit's centre would lie along. */
  at: number;
  /** From the middle of what it is for; null where nothing is named. */
  toUse: number | null;
  /** To the nearest other unit; null where there is none. */
  apart: number | null;
  /** To the nearest solar panel, beyond the shade that the unit throws; null where there is none. */
  unshaded: number | null;
  /** To the nearest other hole for light: so far apart both ends get some. */
  spread: number | null;
  bars: number;
  good: boolean;
}

/** A unit shades so many times its height beside it. A house figure. */
const SHADE = 2;

/** Clear distance between two rectangles; 0 where they touch or overlap. */
const gap = (a: Rect, b: Rect): number => {
  const dx = Math.max(0, Math.abs(a.at - b.at) - (a.length + b.length) / 2);
  const dy = Math.max(0, Math.abs(a.across - b.across) - (a.width + b.width) / 2);
  return Math.hypot(dx, dy);
};

const least = (list: readonly number[]): number | null => (list.length ? round(Math.min(...list), 1) : null);

/**
 * Bays that take a unit (`spans`: where its centre may lie in each), the best first: free of bars and neighbours (`reach`: what
 * lid and hand need), no panel in its shade, then near its use, then far from the other holes. Others stay where they are.
 */
export function rankBays(
  unit: Rect,
  spans: readonly { bay: number; from: number; to: number }[],
  others: readonly (Rect & { pierces: boolean })[],
  bars: readonly { from: number; to: number }[],
  more: { reach: number; use?: number },
): RankedBay[] {
  const rows = spans.map(({ bay, from, to }): RankedBay => {
    const at = Math.min(to, Math.max(from, more.use ?? (from + to) / 2));
    const here = { ...unit, at };
    const near = least(others.map((o) => gap(here, o)));
    const panels = others.filter((o) => /panel|solar/i.test(o.name));
    const shade = least(panels.map((o) => gap(here, o)));
    const unshaded = shade === null ? null : round(shade - SHADE * unit.height, 1);
    const hit = bars.filter((b) => at + unit.length / 2 > b.from && at - unit.length / 2 < b.to).length;
    return {
      bay,
      at: round(at, 1),
      toUse: more.use === undefined ? null : round(Math.abs(at - more.use), 1),
      apart: near,
      unshaded,
      spread: least(others.filter((o) => o.pierces).map((o) => gap(here, o))),
      bars: hit,
      good: hit === 0 && (near ?? Number.POSITIVE_INFINITY) >= more.reach && (unshaded ?? 0) >= 0,
    };
  });
  return rows.sort(
    (x, y) => Number(y.good) - Number(x.good) || (x.toUse ?? 0) - (y.toUse ?? 0) || (y.spread ?? 0) - (x.spread ?? 0) || x.bay - y.bay,
  );
}

/** A bay with its reasons. */
export const sayBay = (r: RankedBay, use?: string): string =>
  `bay ${r.bay} (${[
    r.toUse !== null && use && `${r.toUse} from ${use}`,
    r.bars > 0 && `${r.bars} ${r.bars === 1 ? "bar" : "bars"} in the way`,
    r.apart !== null && `${r.apart} to the next unit`,
    r.unshaded !== null && (r.unshaded < 0 ? `shades a panel by ${-r.unshaded}` : `${r.unshaded} clear of its shade on a panel`),
  ]
    .filter(Boolean)
    .join(", ")})`;
