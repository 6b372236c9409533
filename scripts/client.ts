// MariaDB's own programs, and how they reach a database: the password never stands in a process list.

import path from "node:path";
import { nodesOf, urlOf } from "../db/address";
import { type Database, runningUrl, startDatabase } from "./database";

/** Arguments and environment for a program; of a cluster, the first node. */
export function clientFor(url: string): { args: string[]; env: NodeJS.ProcessEnv; name: string } {
  const [n] = nodesOf(url);
  return {
    args: ["--no-defaults", `--host=${n.host}`, `--port=${n.port}`, `--user=${n.user}`, "--protocol=tcp"],
    env: { ...process.env, MYSQL_PWD: n.password },
    name: n.database,
  };
}

/** The same server, another database in it. */
export const sibling = (url: string, database: string): string => urlOf(nodesOf(url)[0], database);

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
