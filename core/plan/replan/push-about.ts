// Jobs that push each other about until all have a place: what is hit goes where it costs least, what stood there goes on from there.

import type { Random } from "../../rng";
import type { Minute } from "../../time/zone";
import type { Board, Placed } from "../board";
import type { Keep } from "../generate";
import { isFree } from "../moves";
import { latestFinish } from "../passes";
import { grow, set } from "./grow";
import { spotsFor } from "./spots";
import { handoverLimits, moveWeight, nearness } from "./weight";

export interface PushTerms {
  /** How much chance is in a choice: the more, the less it goes by what costs least now. */
  noise: number;
  /** Given up beyond so many jobs put elsewhere. */
  most: number;
  /** Given up beyond so many days later, all builds together. */
  days: number;
  /** A job that was laid so often, and put out again, won't find its place by what is allowed now. */
  worn: number;
  /** So often a job asks what goes before it to be sooner, before its build is handed over a day later. */
  asked: number;
  /** Nothing that is published to begin before this makes way. */
  frozen: Minute;
  /** Given up after so many looks at a job. */
  steps: number;
}

export interface Found {
  /** Where jobs go that were put elsewhere; undefined: some found no place. */
  keep: Map<number, Keep> | undefined;
  /** Days by which handovers may have become later, all builds together. */
  days: number;
  /** Looks it took. */
  steps: number;
}

/**
 * Lays the open jobs one after another where it costs least; what has to make way is open then. What was put out before costs more
 * the next time, so that it does not go round in circles. Where a job can't be in time any more, what goes before it has to be sooner;
 * where that doesn't help, its build is handed over a day later. The board is left as it was.
 */
export function pushAbout(b: Board, hit: readonly number[], r: Random, terms: PushTerms): Found {
  const { jobs } = b.c;
  const open = new Set(hit);
  const limits = handoverLimits(b.c, 0);
  let over = latestFinish(b.c, limits);
  const dear = new Float64Array(jobs.length).fill(1);
  const asked = new Uint8Array(jobs.length);
  const laid = new Uint8Array(jobs.length);
  const was = new Map<number, Placed | undefined>();
  const stays = b.stays.flat().map((stay) => ({ stay, from: stay.from, to: stay.to, firm: stay.firm }));
  const putOut = (k: number) => {
    if (!was.has(k)) was.set(k, b.placed[k]);
    dear[k]++;
    open.add(k);
    b.unbook(k);
  };
  let last: number[] = [];
  let days = 0;
  let steps = 0;
  for (; open.size && steps < terms.steps && was.size <= terms.most; steps++) {
    const j = nextOf(b, open);
    if (j === undefined) break;
    const job = jobs[j];
    const by = (fixed: readonly number[]) => ({
      limit: limits[job.build],
      over: over[j],
      frozen: terms.frozen,
      fixed: (k: number) => fixed.includes(k),
      cost: (p: Placed, ejects: readonly number[]) =>
        moveWeight(b.c, job, p) * (1 + terms.noise * r()) + ejects.reduce((sum, k) => sum + nearness(b.c, jobs[k]) * dear[k], 0),
    });
    const worn = laid[j]++ >= terms.worn;
    const spot = worn ? undefined : (spotsFor(b, job, by(last))[0] ?? spotsFor(b, job, by([]))[0]);
    if (!spot) {
      const before = [...new Set(job.before.map((l) => l.job))].filter((k) => b.placed[k] && isFree(jobs[k]) && jobs[k].published);
      if (!worn && before.length && asked[j]++ < terms.asked) {
        // What goes before it has come too late: that has to be sooner.
        for (const k of before) {
          over[k] = Math.min(over[k], b.placed[k]!.end - 1);
          putOut(k);
        }
        continue;
      }
      if (++days > terms.days) break;
      limits[job.build] = b.c.zone.dayStart(b.c.zone.dayOf(limits[job.build]) + 1);
      over = latestFinish(b.c, limits);
      for (const k of b.c.builds[job.build].jobs) asked[k] = laid[k] = 0;
      continue;
    }
    if (!was.has(j)) was.set(j, b.placed[j]);
    for (const k of spot.ejects) putOut(k);
    grow(b, spot.changes);
    b.book(job, spot.placed);
    open.delete(j);
    last = [j, ...last].slice(0, 3);
  }
  const keep = open.size
    ? undefined
    : new Map([...was.keys()].map((j) => [j, { start: b.placed[j]!.start, place: b.placed[j]!.place, crew: b.placed[j]!.crew }]));
  for (const j of was.keys()) b.unbook(j);
  for (const { stay, from, to, firm } of stays) set(b, stay, from, to, firm);
  for (const [j, p] of was) if (p) b.book(jobs[j], p);
  return { keep, days, steps };
}

/** The next to be laid: what nothing open goes before, the soonest first. */
export function nextOf(b: Board, open: ReadonlySet<number>): number | undefined {
  const { jobs } = b.c;
  let found: number | undefined;
  for (const j of open) {
    if (jobs[j].before.some((l) => open.has(l.job))) continue;
    if (found === undefined || jobs[j].published!.start < jobs[found].published!.start) found = j;
  }
  return found;
}
