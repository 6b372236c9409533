// How much a replan turns over what was published, and how late it makes it.

import type { Board } from "../board";
import type { Compiled } from "../compile";
import type { Generated } from "../generate";
import { SAME_START } from "./weight";

export interface Upheaval {
  /** Published jobs that have no place any more. */
  lost: number;
  /** Pins that are broken. */
  pins: number;
  /** Calendar days by which builds are handed over later than published, all together. */
  days: number;
  /** Jobs that begin more than a quarter of an hour from their published start, or are done by somebody else. */
  moved: number;
  /** Those of them that were to begin in days which are to be left alone. */
  frozen: number;
  /** Jobs that could be moved: published, and not begun. */
  all: number;
}

/** What a day later of one build counts against jobs moved, in per cent of all jobs. */
const DAY_WORTH = 5;
/** More than a tenth of the wall turned over is looked at by nobody: it counts so much more. */
const TENTH = 10;
const TURNED_OVER = 30;
/** A job moved in days that are to be left alone counts for so many. */
const FROZEN_WORTH = 4;
/** Up to this score a replan is looked at no further: a tenth of the jobs moved, no date lost. */
export const SMALL = 10;

/** The upheaval of a plan against the published one of its problem. */
export function upheavalOf({ board, unplaced, pinsBroken }: Generated): Upheaval {
  const { c } = board;
  const out: Upheaval = { lost: 0, pins: pinsBroken.size, days: daysLater(board), moved: 0, frozen: 0, all: 0 };
  for (const j of c.jobs) {
    if (!j.published || j.done || j.started) continue;
    out.all++;
    const p = board.placed[j.index];
    if (!p) out.lost += unplaced.has(j.index) ? 1 : 0;
    else if (Math.abs(p.start - j.published.start) > SAME_START || j.published.fitters.some((f) => !p.crew.includes(f))) {
      out.moved++;
      if (j.published.start < c.frozen) out.frozen++;
    }
  }
  return out;
}

/** Days by which each build is handed over later than published, earlier ones not set off against it. */
function daysLater(b: Board): number {
  const { c } = b;
  const dayOf = (ends: number[]) => (ends.length ? c.zone.dayOf(Math.max(...ends) - 1) : undefined);
  let days = 0;
  for (const build of c.builds) {
    const was = dayOf(build.jobs.flatMap((j) => c.jobs[j].published?.holdUntil ?? []));
    const is = dayOf(build.jobs.flatMap((j) => (c.jobs[j].published && b.placed[j] ? [b.placed[j]!.holdUntil] : [])));
    if (was !== undefined && is !== undefined) days += Math.max(0, is - was);
  }
  return days;
}

/**
 * The less, the quieter: per cent of the jobs moved, and what days later count; what is lost or broken comes before both.
 *
 * Example: 6 of 300 jobs moved and one build a day later: 2 + 5 = 7; two of the six today or tomorrow, days to be left alone: 9.
 */
export function noise(u: Upheaval): number {
  const moved = (100 * u.moved) / Math.max(1, u.all);
  const frozen = (100 * (FROZEN_WORTH - 1) * u.frozen) / Math.max(1, u.all);
  return 1e6 * u.lost + 1e4 * u.pins + moved + frozen + (moved > TENTH ? TURNED_OVER : 0) + DAY_WORTH * u.days;
}

/** Nothing was published, or all of it is done. */
export const nothingToKeep = (c: Compiled): boolean => !c.jobs.some((j) => j.published && !j.done && !j.started);
