// ./wide-lane backup: the whole database of ./wide-lane start (or of DATABASE_URL), photos included, as one file; --verify reads one through.

import { spawn } from "node:child_process";
import { closeSync, createWriteStream, existsSync, fsyncSync, openSync, renameSync, rmSync, statSync } from "node:fs";
import path from "node:path";
import { pipeline } from "node:stream/promises";
import mysql from "mysql2/promise";
import { nodesOf } from "../db/address";
import { readArgs } from "./args";
import { FORMAT, firstLine, Sealing, verifyBackup } from "./backup-file";
import { clientFor, withDatabase } from "./client";
import { Stop } from "./stop";

const USAGE = "./wide-lane backup FILE | ./wide-lane backup --verify FILE";

/** What the system says, in words. */
function words(e: NodeJS.ErrnoException, file: string): string {
  switch (e.code) {
    case "ENOSPC":
      return `the disk is full: ${file} could not be written. Nothing of it was left behind.`;
    case "ENOENT":
      return `the folder ${path.dirname(file)} does not exist.`;
    case "EACCES":
    case "EPERM":
    case "EROFS":
      return `${file} may not be written here.`;
    case "EISDIR":
      return `${file} is a folder: name a file.`;
    default:
      return `${file} could not be written: ${e.message}`;
  }
}

async function schemaOf(url: string): Promise<number> {
  const c = await mysql.createConnection({ ...nodesOf(url)[0], connectTimeout: 5000 });
  try {
    const [r] = await c.query<mysql.RowDataPacket[]>("SELECT MAX(CAST(version AS UNSIGNED)) AS v FROM schema_version");
    return Number(r[0]?.v ?? 0);
  } finally {
    await c.end();
  }
}

/** Writes a backup under another name until it is whole: half a one must never look like one. The file's size in bytes. */
export async function writeBackup(url: string, file: string): Promise<number> {
  const part = `${file}.part`;
  if (existsSync(file) && !statSync(file).isFile() && !statSync(file).isDirectory())
    throw new Stop(`${file} is no file that can be replaced.`);
  if (existsSync(file) && statSync(file).isDirectory()) throw new Stop(words({ code: "EISDIR" } as NodeJS.ErrnoException, file));
  const schema = await schemaOf(url).catch((e: Error) => {
    throw new Stop(`the database can't be read: ${e.message}`);
  });
  const client = clientFor(url);
  // Each row on a line of its own, so that rows can be counted; generated columns are made again by themselves.
  const dump = spawn(
    "mariadb-dump",
    [
      ...client.args,
      "--single-transaction",
      "--hex-blob",
      "--skip-extended-insert",
      "--no-autocommit",
      "--skip-add-locks",
      "--max-allowed-packet=64M",
      client.name,
    ],
    { env: client.env, stdio: ["ignore", "pipe", "pipe"] },
  );
  let said = "";
  dump.stderr.on("data", (d) => {
    said = (said + d).slice(-2000);
  });
  const over = new Promise<number | null>((resolve) => {
    dump.once("close", resolve);
    dump.once("error", () => resolve(-1));
  });
  try {
    const head = firstLine({ format: FORMAT, made: new Date().toISOString(), schema });
    await pipeline(dump.stdout, new Sealing(head), createWriteStream(part, { mode: 0o600 }));
    const code = await over;
    if (code !== 0) throw new Stop(`the backup failed: ${said.trim() || `mariadb-dump ended with ${code}`}`);
    const fd = openSync(part, "r+");
    fsyncSync(fd);
    closeSync(fd);
    renameSync(part, file);
    return statSync(file).size;
  } catch (e) {
    dump.kill("SIGKILL");
    rmSync(part, { force: true });
    throw e instanceof Stop ? e : new Stop(words(e as NodeJS.ErrnoException, file));
  }
}

const size = (bytes: number): string => (bytes < 1e6 ? `${Math.round(bytes / 1024)} KB` : `${(bytes / 1e6).toFixed(1)} MB`);

export default async function backup(args: string[]): Promise<number> {
  const { plain, options } = readArgs(args, [], ["verify"], USAGE);
  if (plain.length !== 1) throw new Stop(`say the file\nUsage: ${USAGE}`, 2);
  const [file] = plain;
  if (options.has("verify")) {
    const { manifest, whole } = await verifyBackup(file);
    const rows = Object.values(whole.rows).reduce((n, r) => n + r, 0);
    console.log(
      `${file}: whole. Made ${manifest.made}, ${Object.keys(whole.rows).length} tables with rows, ${rows} rows, ${size(whole.bytes)}.`,
    );
    return 0;
  }
  return withDatabase(async (url) => {
    const bytes = await writeBackup(url, file);
    console.log(`${file}: ${size(bytes)}`);
    return 0;
  });
}
