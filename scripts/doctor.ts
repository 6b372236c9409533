// ./wide-lane doctor: what is installed, free and running, looked at and not assumed. Exit 1 when something is bad.

import { spawnSync } from "node:child_process";
import { existsSync, readFileSync } from "node:fs";
import path from "node:path";
import mysql from "mysql2/promise";
import { nodesOf } from "../db/address";
import { newestMigration } from "../db/migrate";
import { diskFree, runningUrl } from "./database";
import { readKnown, runs } from "./process";
import { buildIsCurrent } from "./serve";

type Line = [what: string, ok: boolean, words: string];

const PROGRAMS = ["mariadbd", "mariadb-install-db", "mariadb", "mariadb-dump"];

function installed(): Line[] {
  const [major, minor] = process.versions.node.split(".").map(Number);
  const node: Line = ["Node", major > 20 || (major === 20 && minor >= 9), `${process.version}; 20.9 or newer is needed`];
  const programs = PROGRAMS.map((p): Line => {
    const found = spawnSync(p, ["--version"], { encoding: "utf8" });
    return [
      p,
      found.status === 0,
      found.status === 0 ? found.stdout.split("\n")[0].trim() : "not installed; ./wide-lane start installs it",
    ];
  });
  return [node, ...programs];
}

function room(): Line {
  const free = diskFree(".");
  const mb = Math.round(free / 1e6);
  return ["disk", free > 2e9, `${mb} MB free${free > 2e9 ? "" : ": below 2,000 MB it is time to make room"}`];
}

/** What is really there of one data folder: its launcher, its database, its schema, its server, its newest backup. */
async function running(name: string, url: string | undefined, folder?: string): Promise<Line[]> {
  const out: Line[] = [];
  const launcher = folder ? readKnown(path.join(folder, "running")) : undefined;
  const left = folder ? readKnown(path.join(folder, "database")) : undefined;
  if (folder) {
    const data = existsSync(path.join(folder, "mariadb"));
    if (runs(launcher)) out.push([name, true, `running, process ${launcher!.pid}`]);
    else if (runs(left))
      out.push([name, false, `its launcher is dead, but MariaDB (process ${left!.pid}) still runs; the next start ends it`]);
    else out.push([name, true, data ? "data there, not running" : "no data yet"]);
  }
  if (!url) {
    if (runs(launcher)) out.push([`${name} database`, false, "does not answer"]);
    return out;
  }
  try {
    const c = await mysql.createConnection({ ...nodesOf(url)[0], connectTimeout: 3000 });
    const [[s]] = await c.query<mysql.RowDataPacket[]>("SELECT MAX(CAST(version AS UNSIGNED)) AS v FROM schema_version");
    const newest = await newestMigration();
    const same = Number(s.v) === newest;
    out.push([`${name} database`, same, `answers; schema ${s.v}${same ? "" : `, this version brings ${newest}: start it once`}`]);
    const [[b]] = await c.query<mysql.RowDataPacket[]>(
      "SELECT TIMESTAMPDIFF(HOUR, MAX(at), UTC_TIMESTAMP()) AS h FROM safekeeping WHERE kind = 'backup' AND ok",
    );
    if (name !== "demo")
      out.push([`${name} backup`, b.h !== null && b.h < 49, b.h === null ? "none yet" : `the newest is ${b.h} hours old`]);
    await c.end();
  } catch (e) {
    out.push([`${name} database`, false, `does not answer as it should: ${(e as Error).message}`]);
  }
  return out;
}

export default async function doctor(): Promise<number> {
  const lines: Line[] = [...installed(), room()];
  const current = buildIsCurrent();
  lines.push([
    "build",
    true,
    current ? "there and current" : existsSync(".next") ? "older than the sources; made at the next start" : "made at the next start",
  ]);
  lines.push(["packages", sameFile("package-lock.json", "node_modules/.wide-lane"), "as package-lock.json says"]);
  for (const name of ["demo", "shop"]) {
    const folder = path.resolve(`.data/${name}`);
    lines.push(...(await running(name, await runningUrl(folder), folder)));
  }
  if (process.env.DATABASE_URL) lines.push(...(await running("DATABASE_URL", process.env.DATABASE_URL)));
  for (const [what, ok, words] of lines) console.log(`${ok ? "ok  " : "BAD "} ${what.padEnd(20)} ${words}`);
  return lines.every(([, ok]) => ok) ? 0 : 1;
}

const sameFile = (a: string, b: string): boolean => existsSync(a) && existsSync(b) && readFileSync(a).equals(readFileSync(b));
