// What was read of the workshop's state is kept until the next change: the same state is not read twice, however many ask.
//
// A state is known by the number of the change that made it (workshop.acts). A connection knows which state it sees: a
// snapshot from its beginning, a change from its beginning until it writes something itself. Everything kept is read only.

import type { Pool } from "mysql2/promise";
import type { Conn } from "./pool";

interface State {
  acts: number;
  parts: Map<string, Promise<unknown>>;
}

const shared = globalThis as { wideLaneKept?: State[]; wideLaneSees?: WeakMap<object, number> };
const states = (): State[] => (shared.wideLaneKept ??= []);
const sees = (): WeakMap<object, number> => (shared.wideLaneSees ??= new WeakMap());

/** The state at hand, and the one before it for whoever is still looking. */
const MOST = 2;

/** Says which state a connection sees from now on. */
export const seesState = (c: Conn, acts: number): void => void sees().set(c, acts);

/** It sees something of its own from now on, or nothing that is known. */
export const seesOwn = (c: Conn | Pool): void => void sees().delete(c);

/** Forgets all that is kept: somebody wrote to the database past the changes (tests do, and loading a demo). */
export const forgetKept = (): void => void states().splice(0);

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

/** Whether all these parts of a state are kept. */
export const hasKept = (acts: number, keys: readonly string[]): boolean => {
  const at = states().find((s) => s.acts === acts);
  return at !== undefined && keys.every((k) => at.parts.has(k));
};

/** A part of the state that the connection sees; read where it is not kept, or where the connection sees something of its own. */
export async function kept<T>(c: Conn | Pool, key: string, read: () => Promise<T>): Promise<T> {
  const acts = sees().get(c);
  return acts === undefined ? read() : keptAt(acts, key, read);
}

/** The same for a state whose number is known. */
export async function keptAt<T>(acts: number, key: string, read: () => Promise<T>): Promise<T> {
  const { parts } = stateAt(acts);
  const there = parts.get(key);
  // Whoever reads first may fail for a reason of its own, a broken connection, say: then it is read again.
  if (there) return there.catch(read) as Promise<T>;
  const reading = read().then((v) => (CHECKED ? frozen(v) : v));
  parts.set(key, reading);
  reading.catch(() => parts.delete(key));
  return reading;
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
