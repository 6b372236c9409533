// Finds anything of the workshop by a few letters: builds, jobs, parts, people, sheets and records, in this order.

import MiniSearch from "minisearch";
import { findCalculator } from "../../setout/calculators";
import { RECORD_WORDS } from "../records/record-words";
import type { BuildRow, JobRow, Shop } from "./model";

export const FOUND_KINDS = ["build", "job", "part", "person", "sheet", "record"] as const;
export type FoundKind = (typeof FOUND_KINDS)[number];

export interface Found {
  kind: FoundKind;
  id: string;
  label: string;
  detail: string;
  href: string;
}

interface Entry extends Found {
  /** How near it is to what goes on: 3 under way, 2 next, 1 still to come, 0 over. */
  near: number;
}

/** Of each kind at most so many are shown; builds and jobs are what is looked for most. */
const MOST: Readonly<Record<FoundKind, number>> = { build: 12, job: 12, part: 8, person: 8, sheet: 6, record: 6 };
const NEAR_WORDS = ["done", "", "next", "on now"] as const;

/** Whether all that a job waits for is done. */
const mayBegin = (j: JobRow, byId: ReadonlyMap<string, JobRow>): boolean =>
  j.after.every((a) => (byId.get(a.job)?.state ?? "done") === "done");

function nearOf(j: JobRow, byId: ReadonlyMap<string, JobRow>): number {
  if (j.state === "started" || j.state === "paused") return 3;
  if (j.state === "done") return 0;
  return mayBegin(j, byId) ? 2 : 1;
}

function ofBuild(b: BuildRow): Entry[] {
  const byId = new Map(b.jobs.map((j) => [j.id, j]));
  const list: Entry[] = [{ kind: "build", id: b.id, label: b.name, detail: b.client, href: `/builds/${b.id}`, near: 2 }];
  for (const j of b.jobs) {
    const near = nearOf(j, byId);
    const job = `/builds/${b.id}?job=${encodeURIComponent(j.id)}`;
    const detail = [b.name, NEAR_WORDS[near]].filter(Boolean).join(", ");
    list.push({ kind: "job", id: j.id, label: `${j.code} ${j.name}`, detail, href: job, near });
    for (const p of j.parts) {
      const href = `/stores?part=${encodeURIComponent(p.id)}`;
      list.push({ kind: "part", id: p.id, label: p.name, detail: `for ${b.name}`, href, near });
    }
  }
  for (const s of b.sheets) {
    const of = s.jobId ? `job=${encodeURIComponent(s.jobId)}` : `build=${encodeURIComponent(b.id)}`;
    const near = s.jobId && byId.get(s.jobId)?.state === "done" ? 0 : 1;
    const label = findCalculator(s.calculator)?.title ?? s.calculator;
    list.push({ kind: "sheet", id: s.id, label, detail: b.name, href: `/set-out?${of}&sheet=${s.calculator}`, near });
  }
  for (const r of b.records) {
    const { words, tab } = RECORD_WORDS[r.kind];
    const near = r.closedAt === null ? 2 : 0;
    list.push({
      kind: "record",
      id: r.id,
      label: r.title || words,
      detail: `${words}, ${b.name}`,
      href: `/builds/${b.id}?tab=${tab}`,
      near,
    });
  }
  return list;
}

/** What can be found, with an index over it; made once for each state of the workshop. */
export class Finder {
  private readonly index = new MiniSearch<{ id: number; label: string; detail: string }>({ fields: ["label", "detail"] });
  private readonly entries: Entry[];

  constructor(shop: Shop) {
    const people = shop.fitters
      .filter((f) => !f.retired)
      .map(
        (f): Entry => ({
          kind: "person",
          id: f.id,
          label: f.name,
          detail: "fitter",
          href: `/card?fitter=${encodeURIComponent(f.id)}`,
          near: 2,
        }),
      );
    this.entries = [...people, ...shop.builds.flatMap(ofBuild)];
    this.index.addAll(this.entries.map(({ label, detail }, id) => ({ id, label, detail })));
  }

  /**
   * What has all the words, each as a beginning and with a slip of the finger forgiven. By kind, and within a kind what is
   * under way or next before what is over. Nothing for an empty text.
   * Example: find("windw") finds the jobs and parts of windows.
   */
  find(text: string): Found[] {
    const hits = this.index.search(text.slice(0, 100), {
      combineWith: "AND",
      prefix: true,
      // Of four letters one may be wrong; of five and more two, since two letters that changed places count as two.
      fuzzy: (word) => (word.length < 4 ? false : word.length < 5 ? 1 : 2),
      boost: { label: 3 },
      boostDocument: (id) => 1 + this.entries[id as number].near,
    });
    const out: Found[] = [];
    for (const kind of FOUND_KINDS) {
      const of = hits.map((h) => this.entries[h.id as number]).filter((e) => e.kind === kind);
      out.push(...of.slice(0, MOST[kind]).map(({ near: _near, ...found }) => found));
    }
    return out;
  }
}
