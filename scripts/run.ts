// One running Wide Lane: data folder, database, migrations, server; ended in the reverse order by a signal or a fault.

import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import path from "node:path";
import { migrate } from "../db/migrate";
import { type Args, whole } from "./args";
import { type Database, startDatabase } from "./database";
import { build, checkPort, serve } from "./serve";
import { Stop } from "./stop";

export const say = (text: string): void => console.log(text);

/** Refuses a second start on the same data folder. */
export function lock(folder: string): () => void {
  mkdirSync(folder, { recursive: true });
  const file = path.join(folder, "running");
  if (existsSync(file)) {
    const pid = Number(readFileSync(file, "utf8"));
    let alive = true;
    try {
      process.kill(pid, 0);
    } catch {
      alive = false;
    }
    if (alive && pid !== process.pid)
      throw new Stop(`it is running already on this data (process ${pid}). Stop that one first, with Ctrl-C or kill ${pid}.`);
  }
  writeFileSync(file, String(process.pid));
  return () => rmSync(file, { force: true });
}

export interface Running {
  args: Args;
  folder: string;
  port: number;
  /** Prepares the data once the schema is there; what it returns is printed behind the address. */
  prepare(): Promise<string[]>;
}

/** Runs until a signal comes or a part dies. The exit code. */
export async function runUntilStopped(r: Running): Promise<number> {
  const host = r.args.options.get("host") ?? "127.0.0.1";
  const port = whole(r.args, "port", 1, 65_535) ?? r.port;
  const unlock = lock(r.folder);
  let database: Database | undefined;
  let stopServer: (() => Promise<void>) | undefined;
  let signalled: (code: number) => void = () => undefined;
  const signal = new Promise<number>((resolve) => {
    signalled = resolve;
  });
  const onSignal = () => signalled(0);
  process.on("SIGINT", onSignal);
  process.on("SIGTERM", onSignal);
  try {
    await checkPort(host, port);
    build(say);
    const given = process.env.DATABASE_URL;
    if (!given) database = await startDatabase(r.folder, "wide_lane");
    const url = given ?? database!.url;
    process.env.DATABASE_URL = url;
    await migrate(url).catch((e: Error) => {
      throw new Stop(`the database can't be brought to this version: ${e.message}`);
    });
    const lines = await r.prepare();
    const server = await serve(host, port, { DATABASE_URL: url });
    stopServer = server.stop;
    say(`\nWide Lane is at ${server.address}`);
    if (host === "0.0.0.0") say(`Phones in the same network reach it at this machine's own address, port ${port}.`);
    for (const l of lines) say(l);
    say("Ctrl-C ends it.");
    const over = await Promise.race([
      signal,
      server.ended.then((code) => `the server ended by itself (${code})`),
      ...(database
        ? [
            database.ended.then(
              (code) => `MariaDB ended by itself (${code}); its log is ${path.join(r.folder, "mariadb.log")}. Starting again repairs it.`,
            ),
          ]
        : []),
    ]);
    if (typeof over === "string") throw new Stop(over);
    return over;
  } finally {
    process.off("SIGINT", onSignal);
    process.off("SIGTERM", onSignal);
    await stopServer?.();
    await database?.stop();
    unlock();
  }
}
