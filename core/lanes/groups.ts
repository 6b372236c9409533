// The same plan seen from its bays and from its people: who is where, and who does what, when.

import type { OpenSet } from "../time/openset";
import type { Minute } from "../time/zone";
import type { Shop } from "../workshop/state/model";
import type { Block, Lane } from "./lanes";
import { type WeekLoad, weekLoad } from "./load";
import { pack } from "./pack";

export interface GroupBlock extends Block {
  build: string;
  buildId: string;
}

export interface GroupRow {
  id: string;
  name: string;
  about: string;
  rows: number;
  blocks: GroupBlock[];
  /** Stretches that belong to one build as a whole: a van in this bay. */
  stays: { buildId: string; build: string; from: Minute; to: Minute }[];
  /** Stretches in which nobody works here: absences, closures. */
  off: { from: Minute; to: Minute; reason: string }[];
  /** Booked against open hours, by week; empty where hours say nothing (yard, bench). */
  load: WeekLoad[];
}

/** A block of a group as it is sent: the lanes hold all else of it. */
export interface BlockRef {
  job: string;
  row: number;
  /** Of a helper: their part of it. */
  part?: { from: Minute; to: Minute; lead: number };
}

export type GroupSketch = Omit<GroupRow, "blocks"> & { blocks: BlockRef[] };

/** Rows without what the lanes say already. */
export const sketch = (rows: readonly GroupRow[]): GroupSketch[] =>
  rows.map((r) => ({
    ...r,
    blocks: r.blocks.map((b) => ({
      job: b.jobId,
      row: b.row,
      ...(b.lead === undefined ? {} : { part: { from: b.from, to: b.to, lead: b.lead } }),
    })),
  }));

/** The rows again, out of their sketch and the lanes that it was made of. */
export function fill(rows: readonly GroupSketch[], lanes: readonly Lane[]): GroupRow[] {
  const blocks = new Map(all(lanes).map((b) => [b.jobId, b]));
  return rows.map((r) => ({
    ...r,
    blocks: r.blocks.flatMap(({ job, row, part }) => {
      const b = blocks.get(job);
      return b ? [{ ...b, row, ...(part && { ...part, holdUntil: null }) }] : [];
    }),
  }));
}

/** Mondays from the first to the last, with the hours to count against. */
export interface Weeks {
  mondays: readonly Minute[];
  /** Of a fitter by their id, of a bay by its id. */
  open(id: string): OpenSet;
}

const all = (lanes: readonly Lane[]): GroupBlock[] =>
  lanes.flatMap((l) => l.blocks.map((b) => ({ ...b, build: l.name, buildId: l.buildId })));

/** One row a bay, the yard and the bench, with the work that happens there. */
export function byBay(shop: Shop, lanes: readonly Lane[], weeks?: Weeks): GroupRow[] {
  const blocks = new Map<string, GroupBlock[]>();
  for (const b of all(lanes)) {
    const id = b.bench ? "bench" : b.place;
    const there = blocks.get(id);
    if (there) there.push(b);
    else blocks.set(id, [b]);
  }
  const row = (id: string, name: string, about: string, off: GroupRow["off"]): GroupRow => {
    const mine = blocks.get(id) ?? [];
    const stays = lanes.flatMap((l) =>
      l.stays.filter((s) => s.place === id).map((s) => ({ buildId: l.buildId, build: l.name, from: s.from, to: s.to })),
    );
    return {
      id,
      name,
      about,
      rows: Math.max(1, pack(mine)),
      blocks: mine,
      stays: id === "yard" ? [] : stays.sort((a, b) => a.from - b.from),
      off,
      // A bay is taken as long as a van stands in it, worked on or not.
      load:
        !weeks || id === "yard" || id === "bench"
          ? []
          : weekLoad(
              weeks.mondays,
              weeks.open(id),
              stays.map((s) => [s.from, s.to] as const),
            ),
    };
  };
  return [
    ...shop.bays.filter((b) => !b.retired).map((b) => row(b.id, b.name, b.has.join(" · "), b.closures)),
    row("yard", "Yard", `${shop.workshop.yardPlaces} places`, []),
    row("bench", "Bench", "off the van", []),
  ];
}

const part = (b: Block) => (h: Block["helpers"][number] | undefined) =>
  h ? { from: h.from, to: h.to, lead: h.from - b.from, holdUntil: null } : {};

/** One row a fitter, with all that they are on. */
export function byFitter(shop: Shop, lanes: readonly Lane[], weeks?: Weeks): GroupRow[] {
  const blocks = all(lanes);
  return shop.fitters
    .filter((f) => !f.retired)
    .map((f) => {
      // Who helps stands in their own row only while they are there.
      const mine = blocks
        .filter((b) => b.fitters.includes(f.id))
        .map((b) => ({ ...b, ...part(b)(b.helpers.find((h) => h.fitter === f.id)) }));
      const load = weeks
        ? weekLoad(
            weeks.mondays,
            weeks.open(f.id),
            mine.map((b) => [b.from, b.to] as const),
          )
        : [];
      const about = Object.entries(f.skills)
        .map(([s, l]) => `${s} ${l}`)
        .join(" · ");
      return { id: f.id, name: f.name, about, rows: Math.max(1, pack(mine)), blocks: mine, stays: [], off: f.absences, load };
    });
}

export interface StageSpan {
  stage: string;
  from: Minute;
  to: Minute;
  done: boolean;
}

/** A lane at the scale of a season: stages instead of jobs, each from its first to its last work on the van, gaps over two days apart. */
export function stageSpans(lane: Pick<Lane, "blocks">): StageSpan[] {
  const out: StageSpan[] = [];
  for (const b of lane.blocks.filter((x) => !x.bench).sort((p, q) => p.from - q.from)) {
    const last = [...out].reverse().find((s) => s.stage === b.stage);
    if (last && b.from - last.to < 2 * 1440) {
      last.to = Math.max(last.to, b.to);
      last.done &&= b.state === "done";
    } else out.push({ stage: b.stage, from: b.from, to: b.to, done: b.state === "done" });
  }
  return out;
}
