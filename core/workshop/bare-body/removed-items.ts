// What came out of a van: what becomes of it, where it lies, what it weighs and brings, and what may not happen to it yet.

import { hasRole } from "../../library/roles";
import type { Item, ItemFate } from "../records/kinds/item";
import type { BuildRecord } from "../records/records";
import type { BuildRow, JobRow } from "../state/model";

export type ItemRecord = Extract<BuildRecord, { kind: "item" }>;

export const FATE_WORDS: Record<ItemFate, string> = {
  undecided: "not decided",
  "stays on": "stays in the van",
  keep: "kept, goes back in",
  store: "stored for the client",
  template: "template",
  sell: "to be sold",
  return: "goes back to its owner",
  scrap: "to be scrapped",
};

/** Needs a place to lie at until it is wanted. */
const LIES: ReadonlySet<ItemFate> = new Set(["keep", "store", "template"]);
const SELLS: ReadonlySet<ItemFate> = new Set(["sell"]);

export const itemsIn = (records: readonly BuildRecord[]): ItemRecord[] => records.filter((r): r is ItemRecord => r.kind === "item");

/** The jobs of the build that a template still serves: its fate can't change before they are done. */
export function stillServes(build: Pick<BuildRow, "jobs">, item: Item): JobRow[] {
  return build.jobs.filter((j) => item.fate === "template" && item.serves?.some((code) => code === j.code) && j.state !== "done");
}

/** Why an item may not become what is asked, by field; empty where it may. `closed`: it has gone, or is back in its place. */
export function itemFaults(
  build: Pick<BuildRow, "jobs">,
  was: Item | undefined,
  next: Item,
  closed: boolean,
  why: string,
): { path: string; message: string }[] {
  const faults: { path: string; message: string }[] = [];
  const open = was ? stillServes(build, was) : [];
  const kept = next.fate === "template" && !closed && (was?.serves ?? []).every((c) => next.serves?.includes(c));
  if (open.length && !kept)
    faults.push({
      path: closed ? "closed" : next.fate === "template" ? "serves" : "fate",
      message: `is refused: it is still the template of ${open.map((j) => j.name).join(", ")}`,
    });
  if (was && was.fate !== "undecided" && was.fate !== next.fate && !why.trim())
    faults.push({ path: "why", message: `is missing: it was "${FATE_WORDS[was.fate]}", say why it changes` });
  if (next.fate === "template" && !next.serves?.length)
    faults.push({ path: "serves", message: "is missing: say what it is the template of" });
  if (closed && next.fate === "undecided") faults.push({ path: "fate", message: "is not decided yet" });
  return faults;
}

/** What keeps a job from being finished for things that came out: at the end of stripping nothing is undecided or lies nowhere. */
export function stripOpen(build: Pick<BuildRow, "jobs" | "records">, job: Pick<JobRow, "roles">): string[] {
  if (!hasRole(job, "strip-close")) return [];
  return itemsIn(build.records)
    .filter((r) => r.closedAt === null)
    .flatMap((r) =>
      r.data.fate === "undecided"
        ? [`${r.title}: what becomes of it is not decided`]
        : LIES.has(r.data.fate) && !r.data.place?.trim()
          ? [`${r.title}: ${FATE_WORDS[r.data.fate]}, but nobody wrote down where it lies`]
          : [],
    );
}

/** Templates that a job can be cut by, with where they lie. */
export function templatesFor(build: Pick<BuildRow, "records">, code: string): string[] {
  return itemsIn(build.records)
    .filter((r) => r.closedAt === null && r.data.fate === "template" && r.data.serves?.includes(code))
    .map((r) => {
      const worn = Object.entries(r.data.edges ?? {}).filter(([, state]) => state !== "trusted");
      return [
        `${r.title}, ${r.data.place?.trim() || "place not written down"}`,
        ...(worn.length ? [`not by its ${worn.map(([edge, state]) => `${edge} edge (${state})`).join(", ")}`] : []),
      ].join("; ");
    });
}

export interface Inventory {
  items: number;
  undecided: number;
  /** Kilograms of all that leaves the van for good or for a while; what stays in it is left out. */
  kgOut: number;
  /** Of it, what goes back in. */
  kgBack: number;
  /** Money: of what is sold, and of what is still to be sold. */
  sold: number;
  toSell: number;
}

/** Sums over what came out; kg to 0.1, money in the workshop's currency. Undecided things count as out. */
export function inventoryOf(records: readonly BuildRecord[]): Inventory {
  const all = itemsIn(records);
  const sum = (list: readonly ItemRecord[], of: (i: Item) => number) => Math.round(list.reduce((n, r) => n + of(r.data), 0) * 10) / 10;
  const sells = all.filter((r) => SELLS.has(r.data.fate));
  return {
    items: all.length,
    undecided: all.filter((r) => r.data.fate === "undecided").length,
    kgOut: sum(
      all.filter((r) => r.data.fate !== "stays on"),
      (i) => i.kg,
    ),
    kgBack: sum(
      all.filter((r) => r.data.fate === "keep"),
      (i) => i.kg,
    ),
    sold: sum(
      sells.filter((r) => r.closedAt !== null),
      (i) => i.credit ?? 0,
    ),
    toSell: sum(
      sells.filter((r) => r.closedAt === null),
      (i) => i.credit ?? 0,
    ),
  };
}

/** Rows of the strip list, in the order in which things came out; what is not decided is left out. */
export function itemRows(records: readonly BuildRecord[]): { name: string; kg: number; fate: string }[] {
  return itemsIn(records)
    .filter((r) => r.data.fate !== "undecided")
    .sort((a, b) => a.saidAt - b.saidAt || a.id.localeCompare(b.id))
    .map((r) => ({ name: r.title, kg: r.data.kg, fate: r.data.fate }));
}

/** What a job's fitter has to know of things that came out: the template to cut by, and what stripping still leaves open. */
export function cameOutWords(build: Pick<BuildRow, "jobs" | "records">, job: Pick<JobRow, "code" | "roles" | "state">): string[] {
  if (job.state === "done") return [];
  return [
    ...templatesFor(build, job.code).map((t) => `Template: ${t}`),
    ...stripOpen(build, job).map((t) => `Open before stripping closes: ${t}`),
  ];
}
