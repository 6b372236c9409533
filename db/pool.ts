// The connection pool and the one way to run a transaction.

import mysql, { type Pool, type PoolConnection, type RowDataPacket } from "mysql2/promise";

export type Conn = PoolConnection;
export type Row = RowDataPacket;
type Params = (string | number | boolean | null | Buffer)[];

const shared = globalThis as unknown as { wideLanePool?: Pool };

/** The pool for DATABASE_URL, made once a process. All times in and out are UTC text. */
export function pool(url = process.env.DATABASE_URL): Pool {
  if (shared.wideLanePool) return shared.wideLanePool;
  if (!url) throw new Error("DATABASE_URL is not set: start Wide Lane with ./wide-lane demo or ./wide-lane start");
  shared.wideLanePool = makePool(url);
  return shared.wideLanePool;
}

export function makePool(url: string): Pool {
  const p = mysql.createPool({
    uri: url,
    connectionLimit: 10,
    dateStrings: true,
    decimalNumbers: true,
    jsonStrings: true,
    charset: "utf8mb4_unicode_ci",
    timezone: "Z",
  });
  p.pool.on("connection", (c) => {
    c.query("SET time_zone = '+00:00', sql_mode = 'STRICT_ALL_TABLES,NO_ZERO_DATE,NO_ZERO_IN_DATE,ERROR_FOR_DIVISION_BY_ZERO'");
  });
  return p;
}

/** ER_LOCK_DEADLOCK, ER_LOCK_WAIT_TIMEOUT: the transaction is gone and may simply be run again. */
const AGAIN = new Set([1213, 1205]);

/** Runs `work` in one transaction; again (up to four times) after a deadlock or a failed certification. */
export async function transaction<T>(work: (c: Conn) => Promise<T>, from: Pool = pool()): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    const c = await from.getConnection();
    try {
      await c.beginTransaction();
      const result = await work(c);
      await c.commit();
      return result;
    } catch (e) {
      await c.rollback().catch(() => undefined);
      const code = (e as { errno?: number }).errno;
      if (attempt >= 4 || code === undefined || !AGAIN.has(code)) throw e;
      await new Promise((r) => setTimeout(r, 15 * attempt * attempt));
    } finally {
      c.release();
    }
  }
}

/** Rows of a query. */
export async function rows<T>(c: Conn | Pool, sql: string, params: Params = []): Promise<T[]> {
  const [r] = await c.query<(T & Row)[]>(sql, params);
  return r as T[];
}

/** Runs a statement; how many rows it touched. */
export async function run(c: Conn | Pool, sql: string, params: Params = []): Promise<number> {
  const [r] = await c.query<mysql.ResultSetHeader>(sql, params);
  return r.affectedRows;
}

/** Inserts many rows at once; columns by name. */
export async function insert(c: Conn | Pool, table: string, list: Record<string, unknown>[]): Promise<void> {
  if (!list.length) return;
  const columns = Object.keys(list[0]);
  for (let i = 0; i < list.length; i += 400) {
    const part = list.slice(i, i + 400);
    const values = part.map((r) => columns.map((k) => column(r[k])));
    await c.query(`INSERT INTO ${mysql.escapeId(table)} (${columns.map((k) => mysql.escapeId(k)).join(", ")}) VALUES ?`, [values]);
  }
}

function column(v: unknown): unknown {
  if (v === undefined) return null;
  if (v !== null && typeof v === "object" && !Buffer.isBuffer(v)) return JSON.stringify(v);
  return v;
}

/** Minutes since 1970 (UTC) as a DATETIME. */
export const toSql = (minute: number): string => new Date(minute * 60_000).toISOString().slice(0, 19).replace("T", " ");

/** A DATETIME as minutes since 1970 (UTC). */
export const fromSql = (text: string): number => Date.parse(`${text.replace(" ", "T")}Z`) / 60_000;
export const fromSqlOrNull = (text: string | null): number | null => (text === null ? null : Math.floor(fromSql(text)));
