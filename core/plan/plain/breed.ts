// Search on plain problems: a population of lists, crossed and shaken, each child laid and justified.

import type { Random } from "../../rng";
import { cableEndsFromStart, inOrder } from "./model";
import { listOf, type Scheduler } from "./schedule";

export interface Best {
  /** Starts in units. */
  starts: Int32Array;
  length: number;
}

interface FramePart {
  list: Int32Array;
  length: number;
}

const POPULATION = 40;
/** Children without a better schedule after which all but the best is bred anew. */
const PATIENCE = 6000;

/** Raises one child after the other and yields after each; `best` is kept up to date and may be bettered from outside. */
export function* breed(s: Scheduler, r: Random, best: Best): Generator<void, never> {
  const p = s.plain;
  const { n } = p;
  const rest = cableEndsFromStart(p);
  let stale = 0;
  const keep = (length: number): void => {
    if (length >= best.length) return;
    best.length = length;
    best.starts.set(s.starts);
    stale = 0;
  };
  const raise = (list: Int32Array): FramePart => {
    stale++;
    let length = s.lay(list);
    keep(length);
    length = s.justify(length);
    keep(length);
    const own = new Int32Array(n);
    listOf(s.starts, own);
    return { list: own, length };
  };
  const child = new Int32Array(n);
  const taken = new Uint8Array(n);
  for (let generation = 0; ; generation++) {
    const herd: FramePart[] = [];
    for (let i = 0; i < POPULATION; i++) {
      sample(s, r, rest, i === 0 && generation === 0 ? 0 : 1, child);
      herd.push(raise(child));
      yield;
    }
    if (generation > 0 && r() < 0.7) {
      const list = new Int32Array(n);
      listOf(best.starts, list);
      herd[0] = { list, length: best.length };
    }
    stale = 0;
    while (stale < PATIENCE) {
      const a = choose(herd, r);
      const b = choose(herd, r);
      cross(herd[a].list, herd[b].list, child, taken, r);
      shake(s, child, r);
      const next = raise(child);
      // The child takes the place of the worse of two drawn by lot, unless it is worse still or known already.
      const x = Math.floor(r() * herd.length);
      const y = Math.floor(r() * herd.length);
      const out = herd[x].length >= herd[y].length ? x : y;
      if (next.length <= herd[out].length && !herd.some((m) => m.length === next.length && same(m.list, next.list))) herd[out] = next;
      yield;
    }
  }
}

const same = (a: Int32Array, b: Int32Array) => {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
};

/** The better of two by lot. */
function choose(herd: readonly FramePart[], r: Random): number {
  const a = Math.floor(r() * herd.length);
  const b = Math.floor(r() * herd.length);
  return herd[a].length <= herd[b].length ? a : b;
}

/** A list that prefers jobs with much after them; `chance` 0 strictly so. */
function sample(s: Scheduler, r: Random, rest: Int32Array, chance: number, out: Int32Array): void {
  const p = s.plain;
  const waiting = new Int32Array(p.n);
  const ready: number[] = [];
  const followers: number[][] = Array.from({ length: p.n }, () => []);
  for (const j of inOrder(p)) {
    waiting[j] = p.beforeAt[j + 1] - p.beforeAt[j];
    for (let k = p.beforeAt[j]; k < p.beforeAt[j + 1]; k++) followers[p.before[k]].push(j);
    if (!waiting[j]) ready.push(j);
  }
  for (let i = 0; i < p.n; i++) {
    let least = Number.POSITIVE_INFINITY;
    for (const j of ready) least = Math.min(least, rest[j]);
    let pick = 0;
    if (chance) {
      let total = 0;
      for (const j of ready) total += (rest[j] - least + 1) ** 2;
      let left = r() * total;
      for (pick = 0; pick < ready.length - 1; pick++) {
        left -= (rest[ready[pick]] - least + 1) ** 2;
        if (left <= 0) break;
      }
    } else for (let k = 1; k < ready.length; k++) if (rest[ready[k]] > rest[ready[pick]]) pick = k;
    const [j] = ready.splice(pick, 1);
    out[i] = j;
    for (const f of followers[j]) if (--waiting[f] === 0) ready.push(f);
  }
}

/** Two cuts: the middle from the second parent, what is left from the first, each in its parent's order. */
function cross(a: Int32Array, b: Int32Array, out: Int32Array, taken: Uint8Array, r: Random): void {
  const n = a.length;
  let q1 = Math.floor(r() * (n + 1));
  let q2 = Math.floor(r() * (n + 1));
  if (q1 > q2) [q1, q2] = [q2, q1];
  taken.fill(0);
  let at = 0;
  for (; at < q1; at++) {
    out[at] = a[at];
    taken[a[at]] = 1;
  }
  for (let i = 0; at < q2; i++) {
    if (taken[b[i]]) continue;
    out[at++] = b[i];
    taken[b[i]] = 1;
  }
  for (let i = 0; at < n; i++) if (!taken[a[i]]) out[at++] = a[i];
}

/** Swaps neighbours here and there where precedence lets it. */
function shake(s: Scheduler, list: Int32Array, r: Random): void {
  const { beforeAt, before } = s.plain;
  for (let i = 0; i + 1 < list.length; i++) {
    if (r() >= 0.05) continue;
    const next = list[i + 1];
    let tied = false;
    for (let k = beforeAt[next]; k < beforeAt[next + 1]; k++) if (before[k] === list[i]) tied = true;
    if (tied) continue;
    list[i + 1] = list[i];
    list[i] = next;
  }
}
