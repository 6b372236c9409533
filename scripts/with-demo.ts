// A throw-away demo, served from the production build at a fixed minute: for browser tests, tests of the running server, and pictures.

import { freePort, startDatabase } from "./database";
import { build, type Server, serve } from "./serve";

/** The minute that browser tests and pictures live in: a Wednesday. */
export const TEST_NOW = "2026-11-25T10:42";

export interface Demo {
  /** Addresses of its servers. */
  addresses: string[];
  servers: Server[];
  databaseUrl: string;
  databasePid: number;
}

/** Runs `work` with a fresh demo behind so many servers; ends servers and database after it, whatever happens. */
export async function withServers<T>(
  folder: string,
  count: number,
  work: (demo: Demo) => Promise<T>,
  env: Record<string, string> = {},
): Promise<T> {
  process.env.WIDE_LANE_NOW = TEST_NOW;
  const database = await startDatabase(folder, "wide_lane_browser");
  const servers: Server[] = [];
  try {
    process.env.DATABASE_URL = database.url;
    const { migrate } = await import("../db/migrate");
    await migrate(database.url);
    const { loadDemo } = await import("../demo/load");
    const { closePool } = await import("../db/pool");
    await loadDemo();
    await closePool();
    build(console.log);
    for (let i = 0; i < count; i++)
      servers.push(
        await serve("127.0.0.1", await freePort(), {
          DATABASE_URL: database.url,
          WIDE_LANE_NOW: TEST_NOW,
          WIDE_LANE_DATA: folder,
          // Whoever writes into what all read is told at once.
          WIDE_LANE_CHECKED: "1",
          ...env,
        }),
      );
    return await work({
      addresses: servers.map((s) => s.address),
      servers,
      databaseUrl: database.url,
      databasePid: database.pid,
    });
  } finally {
    await Promise.all(servers.map((s) => s.stop()));
    await database.stop();
  }
}

/** The same with one server. */
export const withDemo = <T>(folder: string, work: (address: string) => Promise<T>): Promise<T> =>
  withServers(folder, 1, ({ addresses }) => work(addresses[0]));
