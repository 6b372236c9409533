// One running Wide Lane: lock, database, migrations, server, daily backups; started again when a part dies; ended in the reverse order by a signal.

import { mkdirSync, rmSync, writeFileSync } from "node:fs";
import path from "node:path";
import { migrate, newestMigration } from "../db/migrate";
import { type Args, whole } from "./args";
import { startDaily } from "./daily";
import { type Database, startDatabase } from "./database";
import { lock, lockFile } from "./lock";
import { endProcess, known, readKnown, runs, writeKnown } from "./process";
import { build, checkPort, type Server, serve } from "./serve";
import { Stop } from "./stop";
import { type Supervised, supervise } from "./supervise";

export const say = (text: string): void => console.log(text);

export interface Running {
  args: Args;
  folder: string;
  port: number;
  /** Makes a backup a day and tries one a month. */
  backups?: boolean;
  /** Prepares the data once the schema is there; what it returns is printed behind the address. */
  prepare(): Promise<string[]>;
}

const SIGNALS = ["SIGINT", "SIGTERM", "SIGHUP"] as const;

/** A server that a dead launcher left behind on this port is ended; anybody else's is left alone. */
async function endOldServer(file: string): Promise<void> {
  const left = readKnown(file);
  if (runs(left) && !(await endProcess(left!, 8000))) throw new Stop(`an old server (process ${left!.pid}) does not end.`);
  rmSync(file, { force: true });
}

/** Runs until a signal comes or a part is given up. The exit code. */
export async function runUntilStopped(r: Running): Promise<number> {
  const host = r.args.options.get("host") ?? "127.0.0.1";
  const port = whole(r.args, "port", 1, 65_535) ?? r.port;
  const metricsPort = whole(r.args, "metrics-port", 1, 65_535);
  const given = process.env.DATABASE_URL;
  mkdirSync(r.folder, { recursive: true });
  const unlock = lock(lockFile(r.folder, given, port));
  const serverFile = path.join(r.folder, `server-${port}`);
  let database: Supervised<Database> | undefined;
  let server: Supervised<Server> | undefined;
  let stopDaily: (() => void) | undefined;
  let signalled: (code: number) => void = () => undefined;
  const signal = new Promise<number>((resolve) => {
    signalled = resolve;
  });
  const onSignal = () => signalled(0);
  for (const s of SIGNALS) process.on(s, onSignal);
  try {
    await endOldServer(serverFile);
    await checkPort(host, port);
    build(say);
    if (!given) {
      let kept: number | undefined;
      database = await supervise(
        "MariaDB",
        async () => {
          const d = await startDatabase(r.folder, "wide_lane", { port: kept });
          kept = d.port;
          return d;
        },
        say,
      );
    }
    const url = given ?? database!.now.url;
    process.env.DATABASE_URL = url;
    await migrate(url).catch((e: Error) => {
      throw new Stop(`the database can't be brought to this version: ${e.message}`);
    });
    const lines = await r.prepare();
    const env = {
      DATABASE_URL: url,
      WIDE_LANE_DATA: r.folder,
      WIDE_LANE_SCHEMA: String(await newestMigration()),
      ...(metricsPort ? { WIDE_LANE_METRICS_PORT: String(metricsPort) } : {}),
    };
    server = await supervise(
      "The server",
      async () => {
        const s = await serve(host, port, env);
        writeFileSync(serverFile, writeKnown(known(s.pid)));
        return s;
      },
      say,
    );
    if (r.backups) stopDaily = startDaily(r.folder, url, say);
    say(`\nWide Lane is at ${server.now.address}`);
    if (host === "0.0.0.0") say(`Phones in the same network reach it at this machine's own address, port ${port}.`);
    if (metricsPort) say(`Figures for monitoring: http://127.0.0.1:${metricsPort}/metrics`);
    for (const l of lines) say(l);
    say("Ctrl-C ends it.");
    return await Promise.race([signal, server.failed, ...(database ? [database.failed] : [])]);
  } finally {
    stopDaily?.();
    await server?.stop();
    rmSync(serverFile, { force: true });
    await database?.stop();
    unlock();
    for (const s of SIGNALS) process.off(s, onSignal);
  }
}
