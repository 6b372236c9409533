// Marks on the van in words, and what they come to: the figures of the sheet for holes and rust.

import type { FoundOnBody } from "../../setout/engine/facts";
import type { ViewName } from "../../van/drawing";
import { MAKERS, type Mark } from "../records/kinds/mark";
import type { BuildRecord } from "../records/records";
import type { BuildRow, Shop } from "../state/model";
import { inventoryOf, itemRows } from "./removed-items";

export type MarkRecord = Extract<BuildRecord, { kind: "mark" }>;

/** Where the norms put what is marked in a view. */
const PLACE: Record<ViewName, "roof" | "wall" | "floor" | "door"> = {
  roof: "roof",
  left: "wall",
  right: "wall",
  rear: "door",
  plan: "floor",
  under: "floor",
};

export const marksIn = (records: readonly BuildRecord[]): MarkRecord[] => records.filter((r): r is MarkRecord => r.kind === "mark");

export const CAUSE_WORDS: Readonly<Record<NonNullable<Mark["cause"]>, string>> = {
  swarf: "swarf",
  scratch: "a scratch",
  "trapped water": "trapped water",
  factory: "the factory",
};

/** Whether rust still has to be treated: light bloom that the lead accepted is sealed in as it is. */
export const toTreat = (r: Pick<MarkRecord, "data" | "closedAt">): boolean =>
  r.data.what === "rust" && r.closedAt === null && !r.data.accepted;

/** Rust by what it came from, dm², and of swarf the jobs that left it: the same mistake is not made twice. */
export function rustByCause(build: {
  records: readonly BuildRecord[];
  jobs: readonly { id: string; name: string }[];
}): { cause: string; dm2: number; jobs: string[] }[] {
  const rust = marksIn(build.records).filter((r) => r.data.what === "rust" && r.data.cause);
  return byKey(rust, (r) => r.data.cause!).map((list) => ({
    cause: CAUSE_WORDS[list[0].data.cause!],
    dm2: Math.round(list.reduce((n, r) => n + r.data.areaDm2!, 0) * 100) / 100,
    jobs: [...new Set(list.flatMap((r) => build.jobs.find((j) => j.id === r.data.causeJob)?.name ?? []))],
  }));
}

/** Holes still open, inside and from below apart. */
export function openHoles(records: readonly BuildRecord[]): { inside: number; below: number } {
  const open = marksIn(records).filter((r) => r.data.what === "hole" && r.data.fate === "close" && r.closedAt === null);
  const sum = (list: typeof open) => list.reduce((n, r) => n + (r.data.count ?? 1), 0);
  return { inside: sum(open.filter((r) => r.data.view !== "under")), below: sum(open.filter((r) => r.data.view === "under")) };
}

/** "3 holes of 12, through the skin, to be closed"; rust and damage likewise. */
export function sayMark(m: Mark): string {
  const n = m.count ?? 1;
  if (m.what === "hole")
    return [
      `${n === 1 ? "hole" : `${n} holes`} of ${m.dMm}`,
      m.throughSkin ? "through the skin" : "in the inner skin",
      m.fate === "keep" ? "kept" : "to be closed",
      ...(m.madeBy ? [`made by ${MAKERS[m.madeBy]}`] : []),
    ].join(", ");
  if (m.what === "rust")
    return [
      `rust, grade ${m.grade}, ${m.areaDm2} dm²${m.grade === 3 ? ": stop, for a body shop" : ""}`,
      ...(m.cause ? [`from ${CAUSE_WORDS[m.cause]}`] : []),
      ...(m.accepted ? [`accepted as it is by ${m.accepted}`] : []),
    ].join(", ");
  return "damage";
}

const byKey = <T>(list: readonly T[], key: (t: T) => string): T[][] => {
  const groups = new Map<string, T[]>();
  for (const t of list) groups.set(key(t), [...(groups.get(key(t)) ?? []), t]);
  return [...groups.values()];
};

/**
 * What was found on the bare body: holes to be closed by size, place and depth, rust patch by patch, and what came out, as far as its
 * fate is decided. Treated or not. Undefined where nothing is written down.
 */
export function foundOnBody(records: readonly BuildRecord[]): FoundOnBody | undefined {
  const marks = marksIn(records).map((r) => r.data);
  const holes = marks.filter((m) => m.what === "hole" && m.fate === "close");
  const rust = marks.filter((m) => m.what === "rust" && !m.accepted);
  const items = itemRows(records);
  if (!holes.length && !rust.length && !items.length) return undefined;
  return {
    holes: byKey(holes, (m) => `${m.dMm} ${PLACE[m.view]} ${!!m.throughSkin}`)
      .map((g) => ({
        d: g[0].dMm!,
        count: g.reduce((n, m) => n + (m.count ?? 1), 0),
        place: PLACE[g[0].view],
        throughSkin: !!g[0].throughSkin,
      }))
      .sort((a, b) => a.d - b.d),
    rust: rust.map((m) => ({ areaDm2: m.areaDm2!, grade: m.grade! })),
    items,
    kgOut: inventoryOf(records).kgOut,
  };
}

/** What was met on earlier vans of this type and is not marked here: looked for, the most usual first. */
export function usualMarks(shop: Pick<Shop, "marked">, build: Pick<BuildRow, "id" | "vanId" | "records">): string[] {
  const here = new Set(marksIn(build.records).map((m) => m.title.toLowerCase()));
  const seen = new Map<string, { words: string; builds: Set<string> }>();
  for (const m of shop.marked) {
    const key = m.title.toLowerCase();
    if (m.vanId !== build.vanId || m.buildId === build.id || here.has(key)) continue;
    const e = seen.get(key) ?? { words: `${m.title} (${m.what})`, builds: new Set<string>() };
    e.builds.add(m.buildId);
    seen.set(key, e);
  }
  return [...seen.values()].sort((a, b) => b.builds.size - a.builds.size || a.words.localeCompare(b.words)).map((e) => e.words);
}
