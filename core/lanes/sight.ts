// What of the lanes is in sight: heights and tops of rows, and the blocks that lie within a stretch.

import type { ZoomName } from "./axis";

export const ROW_PX = 23;
export const BENCH_ROW_PX = 20;
export const KERB_PX = 15;
const LANE_GAP = 8;
const GROUP_GAP = 6;

export interface LaneShape {
  height: number;
  /** Top of the road inside the lane, and its height. */
  top: number;
  road: number;
}

/** Measures of a build's lane (px): shoulder with the bench rows, road with the van's rows, kerb. */
export function laneShape(lane: { rows: number; benchRows: number }, zoom: ZoomName): LaneShape {
  const shoulder = 8 + Math.max(1, lane.benchRows) * BENCH_ROW_PX;
  const road = (zoom === "season" ? 2 : lane.rows) * ROW_PX + 8;
  const height = Math.max(shoulder + road + KERB_PX + 12, 116);
  return { height, top: height - 12 - KERB_PX - road, road };
}

/** Height of a bay's or fitter's row (px). */
export const groupHeight = (row: { rows: number; stays: readonly unknown[] }): number =>
  Math.max(58, row.rows * ROW_PX + 14 + (row.stays.length ? 17 : 0));

/** Tops of rows that follow each other with a gap, from `first` on. */
export function tops(heights: readonly number[], first: number, kind: "lanes" | "groups"): number[] {
  const gap = kind === "lanes" ? LANE_GAP : GROUP_GAP;
  let at = first;
  return heights.map((h) => {
    const top = at;
    at += h + gap;
    return top;
  });
}

/** Whether [from, to] and [a, b] have anything in common. */
export const meets = (from: number, to: number, a: number, b: number): boolean => from <= b && to >= a;
