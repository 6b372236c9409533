// A throw-away demo, served from the production build at a fixed minute: for browser tests and pictures.

import { freePort, startDatabase } from "./database";
import { build, serve } from "./serve";

/** The minute that browser tests and pictures live in: a Wednesday. */
export const TEST_NOW = "2026-11-25T10:42";

/** Runs `work` with the address of a fresh demo; ends server and database after it, whatever happens. */
export async function withDemo<T>(folder: string, work: (address: string) => Promise<T>): Promise<T> {
  process.env.WIDE_LANE_NOW = TEST_NOW;
  const database = await startDatabase(folder, "wide_lane_browser");
  try {
    process.env.DATABASE_URL = database.url;
    const { migrate } = await import("../db/migrate");
    await migrate(database.url);
    const { loadDemo } = await import("../demo/load");
    const { pool } = await import("../db/pool");
    await loadDemo();
    await pool().end();
    build(console.log);
    const server = await serve("127.0.0.1", await freePort(), { DATABASE_URL: database.url, WIDE_LANE_NOW: TEST_NOW });
    try {
      return await work(server.address);
    } finally {
      await server.stop();
    }
  } finally {
    await database.stop();
  }
}
