// Whether a library, however it was edited, still makes networks that can be worked; and how it differs from the shipped one.

import { type Fault, InputError } from "../plan/fault";
import { random } from "../rng";
import { vans } from "../van/model";
import { checkNetwork } from "./check-network";
import { type Entry, readLibraryFile } from "./library";
import { buildNetwork } from "./network";
import { DEFAULT_OPTIONS, OPTION_KEYS, type Options, valuesOf } from "./options";
import { type Role, roleFaults } from "./roles";

/** How many combinations of choices an edited library is tried with. */
const TRIES = 80;

/** Combinations to try: each value of each choice beside the defaults, then mixed ones by chance. */
function samples(): Options[] {
  const one = OPTION_KEYS.flatMap((k) => valuesOf(k).map((v) => ({ ...DEFAULT_OPTIONS, [k]: v }) as Options));
  const r = random(11);
  const mixed = Array.from(
    { length: TRIES },
    () =>
      Object.fromEntries(
        OPTION_KEYS.map((k) => {
          const v = valuesOf(k);
          return [k, v[Math.floor(r() * v.length)]];
        }),
      ) as Options,
  );
  return [DEFAULT_OPTIONS, ...one, ...mixed];
}

/**
 * Faults that only the networks show (cycles, unproven covers, loose ends, formulas without value), each once, with the
 * choices it came up with. `onTry` is told before each of many tries; false stops there.
 */
export function libraryFaults(jobs: readonly Entry[], onTry: (done: number, all: number) => boolean = () => true): Fault[] {
  const out = new Map<string, Fault>();
  const tries = samples();
  for (const [i, o] of tries.entries()) {
    if (!onTry(i, tries.length)) break;
    let found: Fault[];
    try {
      found = checkNetwork(buildNetwork(o, vans[0].geometry, jobs));
    } catch (e) {
      const [path, message] = (e as Error).message.split(/: (.*)/s);
      found = [{ path, message }];
    }
    for (const f of found) {
      const key = `${f.path} ${f.message}`;
      if (out.has(key)) continue;
      const differs = OPTION_KEYS.filter((k) => o[k] !== DEFAULT_OPTIONS[k]);
      const said = differs.length === 1 ? ` (with ${differs[0]} ${String(o[differs[0]])})` : differs.length ? " (with some choices)" : "";
      out.set(key, { path: f.path, message: `${f.message}${said}` });
    }
    if (out.size > 20) break;
  }
  return [...out.values()];
}

/**
 * Reads a library file and tries it with many choices. Throws InputError with the place of every fault. A library without a role that
 * some rule needs is refused, but for those `excused`.
 */
export function readWholeLibrary(value: unknown, excused: readonly Role[] = [], onTry?: (done: number, all: number) => boolean): Entry[] {
  const jobs = readLibraryFile(value);
  const lost = roleFaults(jobs, excused);
  if (lost.length) throw new InputError(lost);
  const faults = libraryFaults(jobs, onTry);
  if (faults.length) throw new InputError(faults);
  return jobs;
}

export interface JobDiff {
  code: string;
  name: string;
  kind: "added" | "removed" | "changed";
  /** Fields that differ, each with both values as short text. */
  fields: { field: string; shipped: string; own: string }[];
}

const short = (v: unknown): string => {
  if (v === undefined) return "nothing";
  const t = typeof v === "string" ? v : JSON.stringify(v);
  return t.length > 160 ? `${t.slice(0, 157)}…` : t;
};

/** What a list says, item by item, where only some items of it differ. */
function listDiff(field: string, a: unknown, b: unknown): JobDiff["fields"] | undefined {
  if (!Array.isArray(a) || !Array.isArray(b)) return undefined;
  const as = a.map((x) => JSON.stringify(x));
  const bs = b.map((x) => JSON.stringify(x));
  const say = (x: unknown) => short(x && typeof x === "object" && "text" in x ? (x as { text: string }).text : x);
  const gone = a.filter((_, i) => !bs.includes(as[i])).map(say);
  const come = b.filter((_, i) => !as.includes(bs[i])).map(say);
  if (!gone.length && !come.length) return [{ field, shipped: "this order", own: "another order" }];
  return Array.from({ length: Math.max(gone.length, come.length) }, (_, i) => ({
    field,
    shipped: gone[i] ?? "nothing",
    own: come[i] ?? "nothing",
  }));
}

/** How one library differs from another, job by job and field by field. */
export function diffLibraries(shipped: readonly Entry[], own: readonly Entry[]): JobDiff[] {
  const a = new Map(shipped.map((j) => [j.code, j]));
  const b = new Map(own.map((j) => [j.code, j]));
  const out: JobDiff[] = [];
  for (const code of new Set([...a.keys(), ...b.keys()])) {
    const x = a.get(code) as Record<string, unknown> | undefined;
    const y = b.get(code) as Record<string, unknown> | undefined;
    if (!x || !y) {
      out.push({ code, name: String((x ?? y)!.name), kind: x ? "removed" : "added", fields: [] });
      continue;
    }
    const fields = [...new Set([...Object.keys(x), ...Object.keys(y)])]
      .filter((k) => JSON.stringify(x[k]) !== JSON.stringify(y[k]))
      .flatMap((field) => listDiff(field, x[field], y[field]) ?? [{ field, shipped: short(x[field]), own: short(y[field]) }]);
    if (fields.length) out.push({ code, name: String(y.name), kind: "changed", fields });
  }
  return out.sort((p, q) => p.code.localeCompare(q.code));
}
