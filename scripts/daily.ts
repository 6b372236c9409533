// A backup a day and a trial of one a month, made by the launcher while it runs; how each went is written where the workshop shows it.

import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from "node:fs";
import path from "node:path";
import mysql from "mysql2/promise";
import { addSafekeeping, newestSafekeeping } from "../db/access/safekeeping";
import { nodesOf } from "../db/address";
import { makePool } from "../db/pool";
import { writeBackup } from "./backup";
import { verifyBackup } from "./backup-file";
import { diskFree } from "./database";
import { loadBeside } from "./restore";

const HOUR = 3_600_000;
const DAY_SECONDS = 86_400;
/** Kept: the newest of each of so many days, and of so many months. */
export const DAYS_KEPT = 14;
export const MONTHS_KEPT = 6;
const TRIAL_SECONDS = 30 * DAY_SECONDS;
/** Below this no backup is written: a full disk would stop the database. */
const LEAST_FREE = 1024 ** 3;

const NAME = /^wide-lane-(\d{4}-\d{2}-\d{2})T[\d-]+\.sql$/;

/** Names to be thrown away: all but the newest of the last days and of the last months. Newest names sort last. */
export function outdated(names: readonly string[]): string[] {
  const list = names
    .filter((n) => NAME.test(n))
    .sort()
    .reverse();
  const keep = new Set<string>();
  const newestOf = (length: number, most: number) => {
    const seen = new Set<string>();
    for (const n of list) {
      const key = NAME.exec(n)![1].slice(0, length);
      if (seen.has(key) || seen.size >= most) continue;
      seen.add(key);
      keep.add(n);
    }
  };
  newestOf(10, DAYS_KEPT);
  newestOf(7, MONTHS_KEPT);
  return list.filter((n) => !keep.has(n));
}

/** Makes a backup when the newest is a day old, and tries one when the last trial is a month old. Returns what it said. */
export async function keepSafe(folder: string, url: string, now = new Date()): Promise<string[]> {
  const pool = makePool(url);
  const said: string[] = [];
  const backups = path.join(folder, "backups");
  mkdirSync(backups, { recursive: true, mode: 0o700 });
  try {
    if (!(await takesTurn(url))) return said;
    const newest = await newestSafekeeping(pool, "backup");
    const file = path.join(backups, `wide-lane-${now.toISOString().slice(0, 19).replaceAll(":", "-")}.sql`);
    if (!newest || newest.ageSeconds > DAY_SECONDS - 600 || !existsSync(newest.file)) {
      const began = performance.now();
      const note = async (ok: boolean, bytes: number, text: string) =>
        addSafekeeping(pool, { kind: "backup", ok, file, bytes, seconds: Math.round((performance.now() - began) / 100) / 10, text });
      try {
        if (diskFree(backups) < LEAST_FREE) throw new Error("less than 1 GB of disk is free, so no backup was written");
        const bytes = await writeBackup(url, file);
        await note(true, bytes, "");
        for (const old of outdated(readdirSync(backups))) rmSync(path.join(backups, old), { force: true });
      } catch (e) {
        await note(false, 0, (e as Error).message);
        said.push(`The daily backup failed: ${(e as Error).message}`);
      }
    }
    const trial = await newestSafekeeping(pool, "trial");
    const last = readdirSync(backups)
      .filter((n) => NAME.test(n))
      .sort()
      .at(-1);
    if (last && (!trial || trial.ageSeconds > TRIAL_SECONDS)) said.push(...(await tryOne(pool, url, path.join(backups, last))));
  } finally {
    await pool.end();
  }
  return said;
}

async function tryOne(pool: mysql.Pool, url: string, file: string): Promise<string[]> {
  const began = performance.now();
  const scratch = `${nodesOf(url)[0].database}_trial`;
  const note = (ok: boolean, text: string) =>
    addSafekeeping(pool, {
      kind: "trial",
      ok,
      file,
      bytes: statSync(file).size,
      seconds: Math.round((performance.now() - began) / 100) / 10,
      text,
    });
  try {
    await loadBeside(url, file, await verifyBackup(file), scratch);
    await note(true, "");
    return [];
  } catch (e) {
    await note(false, (e as Error).message);
    return [`The trial restore of ${file} failed: ${(e as Error).message}`];
  } finally {
    await pool.query(`DROP DATABASE IF EXISTS \`${scratch}\``).catch(() => undefined);
  }
}

/** Of several launchers at one database one makes the backup: whoever takes the turn of this hour. */
async function takesTurn(url: string): Promise<boolean> {
  const c = await mysql.createConnection({ ...nodesOf(url)[0], connectTimeout: 5000 });
  try {
    await c.query("DELETE FROM launcher_turn WHERE expires_at < UTC_TIMESTAMP(3)");
    const [r] = await c.query<mysql.ResultSetHeader>(
      "INSERT IGNORE INTO launcher_turn (name, expires_at) VALUES ('backup', UTC_TIMESTAMP(3) + INTERVAL 30 MINUTE)",
    );
    return r.affectedRows === 1;
  } finally {
    await c.end();
  }
}

/** Looks every hour, the first time soon after the start. What is returned stops it. */
export function startDaily(folder: string, url: string, say: (text: string) => void): () => void {
  const look = () =>
    void keepSafe(folder, url).then(
      (lines) => lines.forEach(say),
      (e: Error) => say(`The daily backup could not be made: ${e.message}`),
    );
  const first = setTimeout(look, 60_000);
  const timer = setInterval(look, HOUR);
  return () => {
    clearTimeout(first);
    clearInterval(timer);
  };
}
