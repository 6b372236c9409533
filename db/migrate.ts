// Brings a database to the newest schema.

import { readdir } from "node:fs/promises";
import path from "node:path";
import mysql from "mysql2/promise";
import Postgrator from "postgrator";

/** Runs every migration that the database has not had. Returns their names. */
export async function migrate(url: string, folder = path.join(process.cwd(), "db/migrations")): Promise<string[]> {
  const c = await mysql.createConnection({ uri: url, multipleStatements: true, timezone: "Z" });
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
    await c.end();
  }
}
