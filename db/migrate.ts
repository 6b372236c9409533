// Brings a database to the newest schema.

import { randomUUID } from "node:crypto";
import { readdir } from "node:fs/promises";
import path from "node:path";
import mysql from "mysql2/promise";
import Postgrator from "postgrator";
import { nodesOf } from "./address";

/** The newest migration that this version brings. */
export async function newestMigration(folder = path.join(process.cwd(), "db/migrations")): Promise<number> {
  return Math.max(0, ...(await readdir(folder)).map((f) => Number.parseInt(f, 10)).filter((n) => n > 0));
}

/** Runs every migration that the database has not had. Returns their names. */
export async function migrate(url: string, folder = path.join(process.cwd(), "db/migrations")): Promise<string[]> {
  const c = await firstNode(url);
  const holder = randomUUID();
  await takeTurn(c, holder);
  try {
    if ((await readdir(folder)).length === 0) throw new Error(`no migrations in ${folder}`);
    const [[{ db }]] = (await c.query("SELECT DATABASE() AS db")) as unknown as [[{ db: string }]];
    await c.query(`ALTER DATABASE \`${db}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
    const p = new Postgrator({
      driver: "mysql",
      database: db,
      migrationPattern: path.join(folder, "*.sql"),
      schemaTable: "schema_version",
      execQuery: async (query: string) => {
        const [rows] = await c.query(query);
        return { rows: Array.isArray(rows) ? (rows as unknown[]) : [] } as never;
      },
    });
    return (await p.migrate()).map((m) => m.filename ?? m.name);
  } finally {
    await c.query("DELETE FROM migration_turn WHERE holder = ?", [holder]).catch(() => undefined);
    await c.end();
  }
}

/** A connection to the first node that can be reached. */
async function firstNode(url: string): Promise<mysql.Connection> {
  let last: unknown;
  for (const node of nodesOf(url))
    try {
      return await mysql.createConnection({ ...node, multipleStatements: true, timezone: "Z", connectTimeout: 5000 });
    } catch (e) {
      last = e;
    }
  throw last;
}

/** So long a server may be at it before another takes it for dead. */
const TURN_SECONDS = 180;

/** Two servers that are started at once don't change the schema at once: the second waits until the first is through. */
async function takeTurn(c: mysql.Connection, holder: string): Promise<void> {
  await c.query(
    "CREATE TABLE IF NOT EXISTS migration_turn (one TINYINT NOT NULL PRIMARY KEY, holder VARCHAR(40) NOT NULL, expires_at DATETIME(3) NOT NULL) ENGINE=InnoDB",
  );
  for (const until = Date.now() + TURN_SECONDS * 1500; ; ) {
    await c.query("DELETE FROM migration_turn WHERE expires_at < UTC_TIMESTAMP(3)");
    const [r] = await c.query<mysql.ResultSetHeader>(
      "INSERT IGNORE INTO migration_turn (one, holder, expires_at) VALUES (1, ?, UTC_TIMESTAMP(3) + INTERVAL ? SECOND)",
      [holder, TURN_SECONDS],
    );
    if (r.affectedRows === 1) return;
    if (Date.now() > until) throw new Error("another server is still bringing the database to its version");
    await new Promise((done) => setTimeout(done, 300));
  }
}
