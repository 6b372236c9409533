// What was read of the workshop's state is kept until something of it changes: the same is not read twice, however many ask.
//
// A state is known by the number of the change that made it (workshop.acts). A connection knows which state it sees: a
// snapshot from its beginning, a change from its beginning until it writes something itself. Every change notes which tables
// it wrote to (table_change), so that a part of an older state still stands where its tables were left alone.
// Everything kept is read only.

import { AsyncLocalStorage } from "node:async_hooks";
import type { Pool, RowDataPacket } from "mysql2/promise";
import type { Conn } from "./pool";
import { EVERY_TABLE, tablesRead } from "./tables-of";

/** Parts of one state, by name. */
interface State {
  acts: number;
  parts: Map<string, Promise<unknown>>;
}

/** A part of whichever state its tables belong to. */
interface Part {
  tables: readonly string[];
  /** The last change to any of its tables. */
  stamp: number;
  value: unknown;
}

type Stamps = ReadonlyMap<string, number>;

const shared = globalThis as {
  wideLaneKept?: State[];
  wideLaneSees?: WeakMap<object, number>;
  wideLaneParts?: Map<string, Part>;
  wideLaneReads?: AsyncLocalStorage<Set<string>>;
};
const states = (): State[] => (shared.wideLaneKept ??= []);
const sees = (): WeakMap<object, number> => (shared.wideLaneSees ??= new WeakMap());
const parts = (): Map<string, Part> => (shared.wideLaneParts ??= new Map());
/** The tables that the part being made has read so far. */
const reads = (): AsyncLocalStorage<Set<string>> => (shared.wideLaneReads ??= new AsyncLocalStorage());

/** The state at hand, and the one before it for whoever is still looking. */
const MOST = 2;
/** Far more than there are loaders and queries of the state. */
const MOST_PARTS = 400;

/** Says which state a connection sees from now on. */
export const seesState = (c: Conn, acts: number): void => void sees().set(c, acts);

/** It sees something of its own from now on, or nothing that is known. */
export const seesOwn = (c: Conn | Pool): void => void sees().delete(c);

/** Forgets all that is kept: somebody wrote to the database past the changes (tests do, and loading a demo). */
export function forgetKept(): void {
  states().splice(0);
  parts().clear();
}

function stateAt(acts: number): State {
  const list = states();
  let at = list.find((s) => s.acts === acts);
  if (!at) {
    at = { acts, parts: new Map() };
    list.push(at);
    list.sort((a, b) => b.acts - a.acts);
    list.splice(MOST);
  }
  return at;
}

/** A part of the state whose number is known; read where it is not kept. */
export async function keptAt<T>(acts: number, key: string, read: () => Promise<T>): Promise<T> {
  const of = stateAt(acts).parts;
  const there = of.get(key);
  // Whoever reads first may fail for a reason of its own, a broken connection, say: then it is read again.
  if (there) return there.catch(read) as Promise<T>;
  const reading = read().then((v) => (CHECKED ? frozen(v) : v));
  of.set(key, reading);
  reading.catch(() => of.delete(key));
  return reading;
}

/** When each table was last written to in the state that a connection sees; undefined where that state is not known. */
async function stampsOf(c: Conn | Pool): Promise<Stamps | undefined> {
  const acts = sees().get(c);
  if (acts === undefined) return undefined;
  const stamps = await keptAt(acts, "stamps", async () => {
    const [list] = await c.query<({ name: string; acts: number } & RowDataPacket)[]>("SELECT name, acts FROM table_change");
    // Every change writes to the workshop's own row.
    return new Map([...list.map((r) => [r.name, r.acts] as const), ["workshop", acts] as const]);
  });
  // Others may have asked on the same connection meanwhile, and written since.
  return sees().get(c) === acts ? stamps : undefined;
}

const stampOf = (stamps: Stamps, tables: readonly string[]): number =>
  Math.max(stamps.get(EVERY_TABLE) ?? 0, ...tables.map((t) => stamps.get(t) ?? 0));

/**
 * A part of the state that the connection sees. It is made again only where one of the tables read for it (by `rows`) was
 * written to; where the connection sees something of its own it is made and not kept.
 */
export async function kept<T>(c: Conn | Pool, key: string, read: () => Promise<T>): Promise<T> {
  const stamps = await stampsOf(c);
  if (!stamps) return read();
  const outer = reads().getStore();
  const there = parts().get(key);
  if (there && there.stamp === stampOf(stamps, there.tables)) {
    for (const t of there.tables) outer?.add(t);
    return there.value as T;
  }
  const tables = new Set<string>();
  const value = await reads().run(tables, read);
  for (const t of tables) outer?.add(t);
  keep(key, [...tables], stamps, CHECKED ? frozen(value) : value);
  return value;
}

function keep(key: string, tables: readonly string[], stamps: Stamps, value: unknown): void {
  const stamp = stampOf(stamps, tables);
  const map = parts();
  // A part of which nobody can say what it was made of may not stand for anything later.
  if (tables.includes(EVERY_TABLE)) return;
  // Whoever looks at an older state does not put it before the newer one.
  if ((map.get(key)?.stamp ?? -1) > stamp) return;
  map.delete(key);
  map.set(key, { tables, stamp, value });
  if (map.size > MOST_PARTS) map.delete(map.keys().next().value!);
}

/** The answer to a query, kept like a part where it is asked for one (`kept`). */
export async function keptRows<T>(c: Conn | Pool, sql: string, params: readonly unknown[], query: () => Promise<T>): Promise<T> {
  const part = reads().getStore();
  if (!part) return query();
  const tables = tablesRead(sql);
  for (const t of tables ?? [EVERY_TABLE]) part.add(t);
  const stamps = tables && (await stampsOf(c));
  if (!stamps) return query();
  const key = params.length ? `${sql} ${JSON.stringify(params)}` : sql;
  const there = parts().get(key);
  if (there && there.stamp === stampOf(stamps, tables)) return there.value as T;
  const value = await query();
  keep(key, tables, stamps, CHECKED ? frozen(value) : value);
  return value;
}

/** In tests whoever writes into what is kept is told at once. */
const CHECKED = !!(process.env.VITEST || process.env.WIDE_LANE_CHECKED);

function frozen<T>(value: T): T {
  if (value && typeof value === "object" && !Object.isFrozen(value) && !Buffer.isBuffer(value)) {
    Object.freeze(value);
    for (const v of Object.values(value)) frozen(v);
  }
  return value;
}
