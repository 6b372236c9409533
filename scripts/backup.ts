// ./wide-lane backup: the whole database of ./wide-lane start (or of DATABASE_URL), photos included, as one SQL file.

import { spawn } from "node:child_process";
import { createWriteStream, renameSync, rmSync, statSync } from "node:fs";
import path from "node:path";
import { pipeline } from "node:stream/promises";
import { readArgs } from "./args";
import { type Database, runningUrl, startDatabase } from "./database";
import { Stop } from "./stop";

/** Arguments and environment with which the MariaDB programs reach a database; the password never stands in a process list. */
export function clientFor(url: string): { args: string[]; env: NodeJS.ProcessEnv; name: string } {
  const u = new URL(url);
  return {
    args: [
      "--no-defaults",
      `--host=${u.hostname}`,
      `--port=${u.port || 3306}`,
      `--user=${decodeURIComponent(u.username)}`,
      "--protocol=tcp",
    ],
    env: { ...process.env, MYSQL_PWD: decodeURIComponent(u.password) },
    name: u.pathname.slice(1),
  };
}

/** Runs `work` with the database of the workshop: the one given, the one that is running, or its own, started for it. */
export async function withDatabase<T>(work: (url: string) => Promise<T>): Promise<T> {
  const folder = path.resolve(".data/shop");
  const there = process.env.DATABASE_URL ?? (await runningUrl(folder));
  if (there) return work(there);
  const database: Database = await startDatabase(folder, "wide_lane");
  try {
    return await work(database.url);
  } finally {
    await database.stop();
  }
}

export default async function backup(args: string[]): Promise<number> {
  const { plain } = readArgs(args, [], [], "./wide-lane backup FILE");
  if (plain.length !== 1) throw new Stop("say the file to write\nUsage: ./wide-lane backup FILE", 2);
  const file = plain[0];
  return withDatabase(async (url) => {
    const client = clientFor(url);
    const dump = spawn("mariadb-dump", [...client.args, "--single-transaction", "--hex-blob", "--routines", client.name], {
      env: client.env,
      stdio: ["ignore", "pipe", "pipe"],
    });
    let words = "";
    dump.stderr.on("data", (d) => {
      words += d;
    });
    const over = new Promise<number | null>((resolve) => dump.once("close", resolve));
    // Under another name until it is whole: half a backup must never look like one.
    await pipeline(dump.stdout, createWriteStream(`${file}.part`, { mode: 0o600 }));
    if ((await over) !== 0) {
      rmSync(`${file}.part`, { force: true });
      throw new Stop(`the backup failed: ${words.trim()}`);
    }
    renameSync(`${file}.part`, file);
    console.log(`${file}: ${Math.round(statSync(file).size / 1024)} KB`);
    return 0;
  });
}
