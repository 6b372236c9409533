// The library's versions: the shipped one is put in when it is new; the newest is in use.

import { createHash } from "node:crypto";
import type { Pool } from "mysql2/promise";
import { type Entry, library, libraryFile, readLibraryFile } from "@/core/library/library";
import { type Conn, fromSql, insert, rows, toSql } from "../pool";

export interface LibraryVersion {
  number: number;
  kind: "shipped" | "workshop";
  note: string;
  madeAt: number;
  madeBy: string | null;
}

const text = (jobs: readonly Entry[]) => JSON.stringify(libraryFile(jobs));
const hashOf = (t: string) => createHash("sha256").update(t).digest("hex");

const cache = new Map<string, Entry[]>();

/** Stored jobs, read and checked once a process for each content. */
function parsed(hash: string, jobs: string): Entry[] {
  const old = cache.get(hash);
  if (old) return old;
  const made = readLibraryFile(JSON.parse(jobs));
  if (cache.size > 20) cache.clear();
  cache.set(hash, made);
  return made;
}

/** Adds a version; returns its number. */
export async function addLibraryVersion(
  c: Conn,
  jobs: readonly Entry[],
  kind: LibraryVersion["kind"],
  note: string,
  at: number,
  by: string | null,
): Promise<number> {
  const [{ n }] = await rows<{ n: number }>(c, "SELECT COALESCE(MAX(number), 0) + 1 AS n FROM library_version FOR UPDATE");
  const t = text(jobs);
  // Two edits of one version would both name it as their base, which the table takes once only.
  await insert(c, "library_version", [
    { number: n, base: n > 1 ? n - 1 : null, kind, hash: hashOf(t), jobs: t, note, made_at: toSql(at), made_by: by },
  ]);
  return n;
}

export interface LibraryInUse {
  number: number;
  jobs: Entry[];
  shipped: boolean;
}

const shippedHash = (() => {
  let hash: string | undefined;
  return () => (hash ??= hashOf(text(library)));
})();

/** The library in use: the newest version; undefined while the shipped one, or a newer shipped one, has still to be put in. */
export async function storedLibrary(c: Conn | Pool): Promise<LibraryInUse | undefined> {
  const r = await newestVersion(c);
  if (!r || followsShipped(r)) return undefined;
  return { number: r.number, jobs: await jobsOfVersion(c, r.number), shipped: r.hash === shippedHash() };
}

/** The same, put in where it is missing: only in a transaction that changes something. */
export async function currentLibrary(c: Conn, at: number): Promise<LibraryInUse> {
  const there = await storedLibrary(c);
  if (there) return there;
  const note = (await newestVersion(c)) ? "as shipped, newer" : "as shipped";
  return { number: await addLibraryVersion(c, library, "shipped", note, at, null), jobs: [...library], shipped: true };
}

const newestVersion = async (c: Conn | Pool) =>
  (
    await rows<{ number: number; hash: string; kind: string }>(
      c,
      "SELECT number, hash, kind FROM library_version ORDER BY number DESC LIMIT 1",
    )
  )[0];

/** A workshop that changed nothing follows the shipped library when that grows. */
const followsShipped = (r: { kind: string; hash: string }): boolean => r.kind === "shipped" && r.hash !== shippedHash();

/** Jobs of one version; the shipped library when the build is of before there were versions. */
export async function jobsOfVersion(c: Conn | Pool, number: number | null): Promise<Entry[]> {
  if (number === null) return [...library];
  const [head] = await rows<{ hash: string }>(c, "SELECT hash FROM library_version WHERE number = ?", [number]);
  if (!head) throw new Error(`no library version ${number}`);
  const known = cache.get(head.hash);
  if (known) return known;
  const [r] = await rows<{ jobs: string }>(c, "SELECT jobs FROM library_version WHERE number = ?", [number]);
  return parsed(head.hash, r.jobs);
}

/** All versions, newest first. */
export async function libraryVersions(c: Conn | Pool): Promise<LibraryVersion[]> {
  const list = await rows<{ number: number; kind: LibraryVersion["kind"]; note: string; made_at: string; name: string | null }>(
    c,
    `SELECT v.number, v.kind, v.note, v.made_at, u.name FROM library_version v LEFT JOIN user u ON u.id = v.made_by ORDER BY v.number DESC`,
  );
  return list.map((r) => ({ number: r.number, kind: r.kind, note: r.note, madeAt: fromSql(r.made_at), madeBy: r.name }));
}
