// Placing rectangles on a roof: by wish first; and when that finds no way, by a complete search over places where things
// touch, which finds one whenever there is one on the grid.

export interface Strip {
  from: number;
  to: number;
}

export interface Item {
  name: string;
  /** Along and across. */
  length: number;
  width: number;
  /** Where its centre may lie along; undefined: anywhere. */
  spans?: Strip[];
  wish: { at?: number; across?: number; near?: string };
  height: number;
}

export interface Roof {
  length: number;
  width: number;
  edge: number;
  gap: number;
  bars: Strip[];
  items: Item[];
}

interface Spot {
  at: number;
  across: number;
}

export interface Placement {
  placed: { name: string; at: number; across: number }[];
  unplaced: { name: string; reason: string }[];
  barsInTheWay: { bar: number; item: string }[];
  /** Items that have a wish and lie elsewhere. */
  relaxed: string[];
}

export const GRID = 10;
const NEAR_STEPS = 3_000_000;
const ALL_STEPS = 1_500_000;
const WISH_STEPS = 500_000;

const onGrid = (x: number) => Math.ceil(x / GRID - 1e-9) * GRID;

/** Whether the centre of an item may lie there, other items apart. */
function free(roof: Roof, it: Item, at: number, across: number, bars: boolean): boolean {
  if (at - it.length / 2 < roof.edge - 1e-9 || at + it.length / 2 > roof.length - roof.edge + 1e-9) return false;
  if (across - it.width / 2 < roof.edge - 1e-9 || across + it.width / 2 > roof.width - roof.edge + 1e-9) return false;
  if (it.spans && !it.spans.some((s) => at >= s.from - 1e-9 && at <= s.to + 1e-9)) return false;
  return !bars || !roof.bars.some((b) => at + it.length / 2 > b.from + 1e-9 && at - it.length / 2 < b.to - 1e-9);
}

const meet = (roof: Roof, a: Item, p: Spot, b: Item, q: Spot): boolean =>
  Math.abs(p.at - q.at) < (a.length + b.length) / 2 + roof.gap - 1e-9 &&
  Math.abs(p.across - q.across) < (a.width + b.width) / 2 + roof.gap - 1e-9;

/** All places on the grid that an item may have, those nearest to what is wished first. */
function spots(roof: Roof, it: Item, bars: boolean, near: Spot | undefined): Spot[] {
  const out: (Spot & { cost: number })[] = [];
  for (let at = 0; at <= roof.length; at += GRID)
    for (let across = 0; across <= roof.width; across += GRID) {
      if (!free(roof, it, at, across, bars)) continue;
      const wishAt = it.wish.at ?? near?.at;
      const cost =
        (wishAt === undefined ? 0 : Math.abs(at - wishAt)) +
        Math.abs(across - (it.wish.across ?? roof.width / 2)) * (it.wish.across === undefined ? 0.5 : 1);
      out.push({ at, across, cost });
    }
  return out.sort((a, b) => a.cost - b.cost || a.at - b.at || a.across - b.across);
}

/** Depth-first over each item's places in their order; undefined when none goes, "open" when the steps ran out. */
function search(roof: Roof, items: readonly Item[], lists: readonly Spot[][], steps: number): Spot[] | undefined | "open" {
  const at: Spot[] = [];
  let left = steps;
  const go = (i: number): boolean | "open" => {
    if (i === items.length) return true;
    for (const s of lists[i]) {
      if (left-- <= 0) return "open";
      if (at.some((q, k) => k < i && meet(roof, items[i], s, items[k], q))) continue;
      at[i] = s;
      const r = go(i + 1);
      if (r) return r;
    }
    return false;
  };
  const r = go(0);
  return r === true ? at.slice(0, items.length) : r === "open" ? "open" : undefined;
}

/**
 * Every arrangement on the grid can be pushed forward and to the left, one item after the other, until each touches an edge, the end of
 * a rib's margin or of a bar, or another item: so it is enough to try those places. Complete.
 */
function touching(roof: Roof, items: readonly Item[], bars: boolean, steps: number): Spot[] | undefined | "open" {
  let left = steps;
  const at: Spot[] = [];
  const done: number[] = [];
  const go = (): boolean | "open" => {
    if (done.length === items.length) return true;
    for (let i = 0; i < items.length; i++) {
      if (done.includes(i)) continue;
      const it = items[i];
      const xs = new Set<number>([onGrid(roof.edge + it.length / 2)]);
      for (const s of it.spans ?? []) xs.add(onGrid(s.from));
      if (bars) for (const b of roof.bars) xs.add(onGrid(b.to + it.length / 2));
      const ys = new Set<number>([onGrid(roof.edge + it.width / 2)]);
      for (const k of done) {
        xs.add(onGrid(at[k].at + (items[k].length + it.length) / 2 + roof.gap));
        ys.add(onGrid(at[k].across + (items[k].width + it.width) / 2 + roof.gap));
      }
      for (const x of [...xs].sort((a, b) => a - b))
        for (const y of [...ys].sort((a, b) => a - b)) {
          if (left-- <= 0) return "open";
          if (!free(roof, it, x, y, bars) || done.some((k) => meet(roof, it, { at: x, across: y }, items[k], at[k]))) continue;
          at[i] = { at: x, across: y };
          done.push(i);
          const r = go();
          if (r) return r;
          done.pop();
        }
    }
    return false;
  };
  const r = go();
  return r === true ? [...at] : r === "open" ? "open" : undefined;
}

/** Places all items: bars free where that can be, then with bars to move; what can't be placed at all is left out, last asked first. */
export function place(roof: Roof): Placement {
  const unplaced: Placement["unplaced"] = [];
  let items = roof.items.filter((it) => {
    if (spots(roof, it, false, undefined).length) return true;
    unplaced.push({
      name: it.name,
      reason: it.spans?.length === 0 ? "no bay of ribs is long enough for its cut" : "it fits nowhere between the edges and the ribs",
    });
    return false;
  });
  for (;;) {
    let open = false;
    for (const bars of roof.bars.length ? [true, false] : [false]) {
      const found = arrange(roof, items, bars);
      if (found === "open") open = true;
      else if (found) return result(roof, items, found, unplaced);
    }
    const last = items[items.length - 1];
    unplaced.push({
      name: last.name,
      reason: open
        ? "no room was found for it beside the others before the search gave up; try it with fewer units"
        : "there is no room for it beside the others",
    });
    items = items.slice(0, -1);
  }
}

/** Whether a place is the wished one, as near as the grid has it. */
const asWished = (it: Item, s: Spot): boolean =>
  (it.wish.at === undefined || Math.abs(s.at - it.wish.at) <= GRID) &&
  (it.wish.across === undefined || Math.abs(s.across - it.wish.across) <= GRID);

function arrange(roof: Roof, items: readonly Item[], bars: boolean): Spot[] | undefined | "open" {
  if (!items.length) return [];
  const all = items.map((it) => {
    const near = it.wish.near === undefined ? undefined : items.find((x) => x.name === it.wish.near)?.wish.at;
    return spots(roof, it, bars, near === undefined ? undefined : { at: near, across: roof.width / 2 });
  });
  if (!all.every((l) => l.length)) return undefined;
  // Wishes are kept one after the other in the order in which they are asked, as long as everything still finds a place.
  let kept: Spot[] | undefined;
  let lists = all;
  items.forEach((it, i) => {
    if (it.wish.at === undefined && it.wish.across === undefined) return;
    const wished = all[i].filter((s) => asWished(it, s));
    if (!wished.length) return;
    const narrowed = lists.map((l, k) => (k === i ? wished : l));
    const found = ordered(roof, items, narrowed, WISH_STEPS);
    if (!found || found === "open") return;
    kept = found;
    lists = narrowed;
  });
  if (kept) return kept;
  const found = ordered(roof, items, all, NEAR_STEPS);
  return found === "open" ? touching(roof, items, bars, ALL_STEPS) : found;
}

/** Those that can lie in few places first, and tall ones before the panels they would shade. */
function ordered(roof: Roof, items: readonly Item[], lists: readonly Spot[][], steps: number): Spot[] | undefined | "open" {
  const order = items.map((_, i) => i).sort((a, b) => lists[a].length - lists[b].length || items[b].height - items[a].height);
  const found = search(
    roof,
    order.map((i) => items[i]),
    order.map((i) => lists[i]),
    steps,
  );
  if (!found || found === "open") return found;
  const out: Spot[] = [];
  order.forEach((i, k) => {
    out[i] = found[k];
  });
  return out;
}

function result(roof: Roof, items: readonly Item[], at: readonly Spot[], unplaced: Placement["unplaced"]): Placement {
  return {
    placed: items.map((it, i) => ({ name: it.name, at: at[i].at, across: at[i].across })),
    unplaced,
    barsInTheWay: items.flatMap((it, i) =>
      roof.bars.flatMap((b, bar) =>
        at[i].at + it.length / 2 > b.from + 1e-9 && at[i].at - it.length / 2 < b.to - 1e-9 ? [{ bar, item: it.name }] : [],
      ),
    ),
    relaxed: items.flatMap((it, i) => {
      const away = (wish: number | undefined, is: number) => wish !== undefined && Math.abs(wish - is) > GRID;
      return away(it.wish.at, at[i].at) || away(it.wish.across, at[i].across) ? [it.name] : [];
    }),
  };
}
