// The time axis of the lanes: days side by side, each showing its working window, so that nights take no room.

import { type Minute, parseClock } from "../time/zone";

export interface AxisDay {
  /** Local midnight. */
  at: Minute;
  open: boolean;
}

export interface Zoom {
  /** Width of a day on which the shop is open, and of one on which it is closed (px). */
  openPx: number;
  closedPx: number;
}

/** Minutes after midnight between which a day is drawn to scale; what lies outside is drawn at its edge. */
export interface DrawnHours {
  from: number;
  to: number;
}

export type ZoomName = "days" | "weeks" | "season";

export const ZOOMS: Record<ZoomName, Zoom> = {
  season: { openPx: 9, closedPx: 4 },
  weeks: { openPx: 30, closedPx: 14 },
  days: { openPx: 230, closedPx: 40 },
};

interface Clocks {
  retired: boolean;
  windows: readonly { opens: string; closes: string }[];
  days: readonly { opens: string | null; closes: string | null }[];
}

/** A day without any hours is drawn so, minutes after midnight. */
const NO_HOURS: DrawnHours = { from: 420, to: 1080 };

/**
 * The hours that lanes are drawn in: from the first to the last that any calendar in use is open, single days included, in whole
 * hours and an hour wide at least.
 * Example: windows 07:30 to 12:00 and 12:45 to 16:15, one Saturday to 18:00: 7 to 18 o'clock.
 */
export function drawnHours(calendars: readonly Clocks[]): DrawnHours {
  const spans = calendars
    .filter((c) => !c.retired)
    .flatMap((c) => [...c.windows, ...c.days])
    .flatMap(({ opens, closes }) => (opens === null || closes === null ? [] : [[parseClock(opens), parseClock(closes)] as const]));
  if (!spans.length) return NO_HOURS;
  const from = Math.floor(Math.min(...spans.map(([a]) => a)) / 60) * 60;
  const to = Math.ceil(Math.max(...spans.map(([, b]) => b)) / 60) * 60;
  return { from, to: Math.max(to, from + 60) };
}

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
export function axis(days: readonly AxisDay[], zoom: Zoom, hours: DrawnHours): Axis {
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
    const share = (t - days[lo].at - hours.from) / (hours.to - hours.from);
    return lefts[lo] + Math.min(1, Math.max(0, share)) * widths[lo];
  };
  const at = (px: number): Minute => {
    if (!days.length) return 0;
    let i = lefts.findIndex((left, k) => px < left + widths[k]);
    if (i < 0) i = days.length - 1;
    const share = Math.min(1, Math.max(0, (px - lefts[i]) / widths[i]));
    return Math.round(days[i].at + hours.from + share * (hours.to - hours.from));
  };
  return { width: sum, lefts, widths, x, at };
}
