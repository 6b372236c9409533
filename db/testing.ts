// For tests against a real MariaDB: an empty, migrated database before each file.

import mysql from "mysql2/promise";
import { migrate } from "./migrate";
import { closePool, pool } from "./pool";

/** Tells every server that somebody wrote to the database past the acts: nothing that they keep may stand any more. */
export async function changedByHand(): Promise<void> {
  await pool().query("UPDATE workshop SET acts = acts + 1");
  await pool().query("INSERT INTO table_change (name, acts) SELECT '*', acts FROM workshop ON DUPLICATE KEY UPDATE acts = VALUES(acts)");
}

/** Empties and migrates the database that DATABASE_URL names, which has to be one for tests. */
export async function freshDatabase(): Promise<void> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error("DATABASE_URL is not set: run these with ./wide-lane test");
  const name = new URL(url).pathname.slice(1);
  if (!name.includes("test")) throw new Error(`${name} is no database for tests`);
  const c = await mysql.createConnection({ uri: url.replace(`/${name}`, "/"), multipleStatements: true });
  await c.query(`DROP DATABASE IF EXISTS \`${name}\`; CREATE DATABASE \`${name}\``);
  await c.end();
  await migrate(url);
  // Connections opened before the database was dropped have none selected any more.
  await closePool();
}
