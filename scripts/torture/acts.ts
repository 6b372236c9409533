// What the simulated people do: acts whose trace can be counted afterwards, and acts that only stir.

import type { Random } from "../../core/rng";

export interface Houseful {
  builds: string[];
  jobs: { id: string; build: string }[];
  shots: string[];
  fitters: string[];
  bays: string[];
  parts: { id: string; version: number }[];
}

export interface Deed {
  method: "POST" | "PATCH";
  path: string;
  body: unknown;
  /** Bytes of a photo instead of a body. */
  photo?: Buffer;
  /** How to count what it left behind: exactly one once it was acknowledged, one at most otherwise. */
  trace?: { kind: TraceKind; mark: string };
}

export type TraceKind = "remark" | "supplier" | "record" | "hole" | "absence" | "publish" | "photo";

/** By what a trace is counted; the mark is unique to its act. */
export const TRACES: Record<TraceKind, string> = {
  remark: "SELECT text AS mark FROM remark WHERE text LIKE 'mark %'",
  supplier: "SELECT name AS mark FROM supplier WHERE name LIKE 'mark %'",
  record: "SELECT title AS mark FROM record WHERE kind = 'decision' AND title LIKE 'mark %'",
  hole: "SELECT title AS mark FROM record WHERE kind = 'penetration' AND title LIKE 'mark %'",
  absence: "SELECT reason AS mark FROM absence WHERE reason LIKE 'mark %'",
  publish: "SELECT note AS mark FROM plan WHERE kind = 'published' AND note LIKE 'mark %'",
  photo: "SELECT sha256 AS mark FROM photo",
};

const pick = <T>(r: Random, list: readonly T[]): T => list[Math.floor(r() * list.length)];

/** The next thing that somebody does. `mark` is unique. */
export function nextDeed(r: Random, mark: string, lead: boolean, h: Houseful, photo: () => Promise<Buffer>): Deed | Promise<Deed> {
  const job = pick(r, h.jobs);
  const build = pick(r, h.builds);
  const x = r();
  if (!lead) {
    if (x < 0.5) return remark(job.id, mark);
    if (x < 0.8) return stir(r, `jobs/${encodeURIComponent(job.id)}/act`, { act: pick(r, ["start", "pause", "done", "undo"]) });
    return stir(r, `jobs/${encodeURIComponent(job.id)}/step`, { n: 1 + Math.floor(r() * 4), done: r() < 0.7 });
  }
  if (x < 0.2) return remark(job.id, mark);
  if (x < 0.32)
    return { method: "POST", path: "suppliers", body: { name: mark, best: 1, likely: 2, worst: 3 }, trace: { kind: "supplier", mark } };
  if (x < 0.44)
    return {
      method: "POST",
      path: `builds/${build}/records`,
      body: { kind: "decision", title: mark, data: { who: "somebody" } },
      trace: { kind: "record", mark },
    };
  if (x < 0.56)
    return {
      method: "POST",
      path: `builds/${build}/records`,
      body: { kind: "penetration", title: mark, data: { side: "left", place: "low", by: "us", state: "wanted" } },
      trace: { kind: "hole", mark },
    };
  if (x < 0.64)
    return {
      method: "POST",
      path: "absences",
      body: { fitterId: pick(r, h.fitters), from: "2027-06-01T08:00", to: "2027-06-02T17:00", reason: mark },
      trace: { kind: "absence", mark },
    };
  if (x < 0.7)
    return photo().then((bytes) => ({
      method: "POST",
      path: `shots/${encodeURIComponent(pick(r, h.shots))}/photo`,
      body: undefined,
      photo: bytes,
      // Which photo it is says the answer: it is kept by its content.
      trace: { kind: "photo", mark: "" },
    }));
  if (x < 0.82) return stir(r, `jobs/${encodeURIComponent(job.id)}/act`, { act: pick(r, ["start", "pause", "done", "undo"]) });
  if (x < 0.9) return stir(r, `builds/${build}/move`, { place: pick(r, [...h.bays, "yard"]) });
  if (x < 0.95) {
    const p = pick(r, h.parts);
    return {
      method: "PATCH",
      path: `parts/${encodeURIComponent(p.id)}`,
      body: { version: p.version, state: pick(r, ["ordered", "arrived", "checked"]) },
    };
  }
  if (x < 0.98) return { method: "POST", path: "plan", body: { quick: true } };
  return { method: "POST", path: "plan/publish", body: { note: mark }, trace: { kind: "publish", mark } };
}

const remark = (job: string, mark: string): Deed => ({
  method: "POST",
  path: `jobs/${encodeURIComponent(job)}/remark`,
  body: { kind: "other", text: mark, stopsWork: false },
  trace: { kind: "remark", mark },
});

const stir = (_r: Random, path: string, body: unknown): Deed => ({ method: "POST", path, body });
