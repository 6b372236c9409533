// A van that stands longer where it is: what comes after it there, and where it goes next, begins later.

import type { Minute } from "../../time/zone";
import type { Board, Stay } from "../board";
import { yardFree } from "../stays";

/** A stay as it would be. */
export interface Change {
  stay: Stay;
  from: Minute;
  to: Minute;
}

export interface Growth {
  changes: Change[];
  /** Jobs that would begin before their van is there: they have to go elsewhere. */
  ejects: number[];
}

/** How far one stay may push others: van after van, place after place. */
const DEEP = 12;

/**
 * What it takes for a van to stand where it is until `until`. `may`: whether a job may be put elsewhere. Undefined: it can't be, as a
 * yard place or a van that can't move is in the way.
 *
 * Example: a van needs its bay an hour longer. The next van comes an hour later and stays in the yard as long; its first job, which was
 * to begin at once, has to go elsewhere.
 */
export function growth(b: Board, stay: Stay, until: Minute, may: (job: number) => boolean): Growth | undefined {
  const out: Growth = { changes: [], ejects: [] };
  return new Grower(b, out, may).longer(stay, until, 0) ? out : undefined;
}

/** Makes the changes; returns what takes them back. */
export function grow(b: Board, changes: readonly Change[]): () => void {
  const was = changes.map(({ stay }) => ({ stay, from: stay.from, to: stay.to, firm: stay.firm }));
  for (const { stay, from, to } of changes) set(b, stay, from, to, Math.max(stay.firm, to));
  return () => {
    for (const { stay, from, to, firm } of was) set(b, stay, from, to, firm);
  };
}

/** The stays at a place lie in the order of their begin. */
export function set(b: Board, stay: Stay, from: Minute, to: Minute, firm: Minute): void {
  const sorted = stay.from === from;
  if (!sorted) b.dropAtPlace(stay);
  Object.assign(stay, { from, to, firm });
  if (!sorted) b.insertAtPlace(stay);
}

class Grower {
  private readonly b: Board;
  private readonly out: Growth;
  private readonly may: (job: number) => boolean;

  constructor(b: Board, out: Growth, may: (job: number) => boolean) {
    this.b = b;
    this.out = out;
    this.may = may;
  }

  private now(stay: Stay): Change {
    let change = this.out.changes.find((c) => c.stay === stay);
    if (!change) {
      change = { stay, from: stay.from, to: stay.to };
      this.out.changes.push(change);
    }
    return change;
  }

  private endOf = (stay: Stay): Minute => this.out.changes.find((c) => c.stay === stay)?.to ?? stay.to;
  private beginOf = (stay: Stay): Minute => this.out.changes.find((c) => c.stay === stay)?.from ?? stay.from;

  /** The van stands there until `until`. */
  longer(stay: Stay, until: Minute, deep: number, own = true): boolean {
    const { b } = this;
    const was = this.endOf(stay);
    if (until <= was) return true;
    if (deep > DEEP) return false;
    this.now(stay).to = until;
    if (stay.place === b.c.yard) {
      if (!yardFree(b, was, until, [stay.build])) return false;
    } else
      for (const next of b.atPlace[stay.place])
        if (next.build !== stay.build && next.from >= stay.to && next.from < until && !this.later(next, until, deep + 1)) return false;
    const after = own ? nextOf(b, stay) : undefined;
    return !after || this.later(after, until + b.c.shunt, deep + 1, true);
  }

  /** The van comes there at `from` at the soonest. `left`: it is known to stand long enough where it comes from. */
  private later(stay: Stay, from: Minute, deep: number, left = false): boolean {
    const { b } = this;
    if (this.beginOf(stay) >= from) return true;
    if (deep > DEEP) return false;
    this.now(stay).from = from;
    for (const j of b.c.builds[stay.build].jobs) {
      const p = b.placed[j];
      if (!p || !b.c.jobs[j].van || p.place !== stay.place || p.start < stay.from || p.start >= stay.to || p.start >= from) continue;
      if (!this.may(j)) return false;
      if (!this.out.ejects.includes(j)) this.out.ejects.push(j);
    }
    if (this.endOf(stay) <= from && !this.longer(stay, from + 1, deep + 1)) return false;
    const before = left ? undefined : previousOf(b, stay);
    return !before || this.longer(before, from - b.c.shunt, deep + 1, false);
  }
}

function nextOf(b: Board, stay: Stay): Stay | undefined {
  const list = b.stays[stay.build];
  return list[list.indexOf(stay) + 1];
}

function previousOf(b: Board, stay: Stay): Stay | undefined {
  const list = b.stays[stay.build];
  return list[list.indexOf(stay) - 1];
}
