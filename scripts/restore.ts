// ./wide-lane restore: puts a backup into the workshop's database. The file is read through first; it is loaded beside what is there,
// counted, and takes its place only when all of it has come.

import { spawn } from "node:child_process";
import { createReadStream } from "node:fs";
import path from "node:path";
import { pipeline } from "node:stream/promises";
import mysql from "mysql2/promise";
import { nodesOf } from "../db/address";
import { newestMigration } from "../db/migrate";
import { readArgs } from "./args";
import { type Verified, verifyBackup } from "./backup-file";
import { clientFor, sibling, withDatabase } from "./client";
import { readKnown, runs } from "./process";
import { Stop } from "./stop";

const USAGE = "./wide-lane restore FILE [--replace]";

const named = (name: string): string => `\`${name.replaceAll("`", "``")}\``;

async function tablesOf(c: mysql.Connection, database: string): Promise<string[]> {
  const [r] = await c.query<mysql.RowDataPacket[]>(
    "SELECT TABLE_NAME AS t FROM information_schema.TABLES WHERE TABLE_SCHEMA = ? AND TABLE_TYPE = 'BASE TABLE' ORDER BY 1",
    [database],
  );
  return r.map((x) => String(x.t));
}

/** Loads a verified backup into a database that is made for it, and counts what has come. Throws a Stop, and leaves nothing behind. */
export async function loadBeside(url: string, file: string, { whole }: Verified, beside: string): Promise<void> {
  const c = await mysql.createConnection({ ...nodesOf(url)[0], connectTimeout: 5000 });
  try {
    await c.query(`DROP DATABASE IF EXISTS ${named(beside)}`);
    await c.query(`CREATE DATABASE ${named(beside)} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`).catch((e: Error) => {
      throw new Stop(`a database beside the workshop's can't be made: ${e.message}. The database user needs that right for a restore.`);
    });
    try {
      await load(sibling(url, beside), file);
      for (const [table, n] of Object.entries(whole.rows)) {
        const [r] = await c.query<mysql.RowDataPacket[]>(`SELECT COUNT(*) AS n FROM ${named(beside)}.${named(table)}`);
        if (Number(r[0].n) !== n) throw new Stop(`${table} has ${r[0].n} rows after loading where the backup holds ${n}.`);
      }
    } catch (e) {
      await c.query(`DROP DATABASE IF EXISTS ${named(beside)}`);
      throw e;
    }
  } finally {
    await c.end();
  }
}

async function load(url: string, file: string): Promise<void> {
  const client = clientFor(url);
  const program = spawn("mariadb", [...client.args, "--max-allowed-packet=64M", client.name], {
    env: client.env,
    stdio: ["pipe", "ignore", "pipe"],
  });
  let said = "";
  program.stderr.on("data", (d) => {
    said = (said + d).slice(-2000);
  });
  const over = new Promise<number | null>((resolve) => {
    program.once("close", resolve);
    program.once("error", () => resolve(-1));
  });
  await pipeline(createReadStream(file), program.stdin).catch(() => undefined);
  const code = await over;
  if (code !== 0) throw new Stop(`the backup could not be loaded: ${said.trim() || `mariadb ended with ${code}`}`);
}

/** Puts the tables of `beside` in the place of the workshop's, all in one step; what was there is kept under `before`. */
async function switchTo(url: string, beside: string, before: string): Promise<void> {
  const [node] = nodesOf(url);
  const c = await mysql.createConnection({ ...node, connectTimeout: 5000 });
  try {
    const target = node.database;
    const old = await tablesOf(c, target);
    const fresh = await tablesOf(c, beside);
    if (old.length) await c.query(`CREATE DATABASE ${named(before)} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
    const moves = [
      ...old.map((t) => `${named(target)}.${named(t)} TO ${named(before)}.${named(t)}`),
      ...fresh.map((t) => `${named(beside)}.${named(t)} TO ${named(target)}.${named(t)}`),
    ];
    await c.query(`RENAME TABLE ${moves.join(", ")}`);
    await c.query(`DROP DATABASE ${named(beside)}`);
  } finally {
    await c.end();
  }
}

export default async function restore(args: string[]): Promise<number> {
  const { plain, options } = readArgs(args, [], ["replace"], USAGE);
  if (plain.length !== 1) throw new Stop(`say the file to read\nUsage: ${USAGE}`, 2);
  const [file] = plain;
  const verified = await verifyBackup(file);
  const newest = await newestMigration();
  if (verified.manifest.schema > newest)
    throw new Stop(`${file} was made by a newer version (schema ${verified.manifest.schema}, this one knows ${newest}). Upgrade first.`);
  const launcher = readKnown(path.resolve(".data/shop/running"));
  if (!process.env.DATABASE_URL && runs(launcher)) throw new Stop(`Wide Lane runs (process ${launcher!.pid}). Stop it before a restore.`);
  return withDatabase(async (url) => {
    const [node] = nodesOf(url);
    const c = await mysql.createConnection({ ...node, connectTimeout: 5000 });
    const there = (await tablesOf(c, node.database)).length;
    await c.end();
    if (there && !options.has("replace"))
      throw new Stop(
        "this database is not empty. --replace puts the backup in its place and keeps what is there in a database of another name; or name an empty one in DATABASE_URL.",
      );
    const stamp = new Date().toISOString().replace(/\D/g, "").slice(0, 14);
    const beside = `${node.database}_restore_${stamp}`;
    const before = `${node.database}_before_${stamp}`;
    await loadBeside(url, file, verified, beside);
    await switchTo(url, beside, before);
    const rows = Object.values(verified.whole.rows).reduce((n, r) => n + r, 0);
    console.log(`restored ${rows} rows from ${file}${there ? `; what was there before is kept in the database ${before}` : ""}`);
    return 0;
  });
}
