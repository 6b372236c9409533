// The time axis of the lanes: days side by side, each showing its working window, so that nights take no room.

import type { Minute } from "../time/zone";

export interface AxisDay {
  /** Local midnight. */
  at: Minute;
  open: boolean;
}

export interface Zoom {
  /** Width of a day on which the shop is open, and of one on which it is closed (px). */
  openPx: number;
  closedPx: number;
  /** Minutes after midnight between which a day is drawn to scale; what lies outside is drawn at its edge. */
  from: number;
  to: number;
}

export type ZoomName = "days" | "weeks" | "season";

export const ZOOMS: Record<ZoomName, Zoom> = {
  season: { openPx: 9, closedPx: 4, from: 420, to: 1080 },
  weeks: { openPx: 30, closedPx: 14, from: 420, to: 1080 },
  days: { openPx: 230, closedPx: 40, from: 420, to: 1080 },
};

export interface Axis {
  width: number;
  /** Left edge of each day. */
  lefts: number[];
  widths: number[];
  /** The instant at a position; the inverse of x within what is drawn to scale. */
  at(px: number): Minute;
  /** Position of an instant; those before the first day stand at 0, those after the last at the end. */
  x(t: Minute): number;
}

/** Builds an axis; `days` follow each other without gaps. Never runs backward in time. */
export function axis(days: readonly AxisDay[], zoom: Zoom): Axis {
  const widths = days.map((d) => (d.open ? zoom.openPx : zoom.closedPx));
  const lefts: number[] = [];
  let sum = 0;
  for (const w of widths) {
    lefts.push(sum);
    sum += w;
  }
  const x = (t: Minute): number => {
    if (!days.length || t <= days[0].at) return 0;
    let lo = 0;
    let hi = days.length - 1;
    while (lo < hi) {
      const mid = (lo + hi + 1) >> 1;
      if (days[mid].at <= t) lo = mid;
      else hi = mid - 1;
    }
    const share = (t - days[lo].at - zoom.from) / (zoom.to - zoom.from);
    return lefts[lo] + Math.min(1, Math.max(0, share)) * widths[lo];
  };
  const at = (px: number): Minute => {
    if (!days.length) return 0;
    let i = lefts.findIndex((left, k) => px < left + widths[k]);
    if (i < 0) i = days.length - 1;
    const share = Math.min(1, Math.max(0, (px - lefts[i]) / widths[i]));
    return Math.round(days[i].at + zoom.from + share * (zoom.to - zoom.from));
  };
  return { width: sum, lefts, widths, x, at };
}
