// The connection pool and the one way to run a transaction.

import mysql, { type Pool, type PoolConnection, type RowDataPacket } from "mysql2/promise";
import { type Node, nodesOf } from "./address";
import { forgetKept, keptRows, seesOwn } from "./kept";
import { noteTables, noteWritten, nothingWritten } from "./table-change";

export type Conn = PoolConnection;
export type Row = RowDataPacket;
type Params = (string | number | boolean | null | Buffer)[];

const shared = globalThis as unknown as {
  wideLanePool?: Pool;
  wideLaneQueries?: { count: number; ms: number; slow: number; onSlow?: (sql: string, ms: number) => void };
};

/** The pool for DATABASE_URL, made once a process. All times in and out are UTC text. */
export function pool(url = process.env.DATABASE_URL): Pool {
  if (shared.wideLanePool) return shared.wideLanePool;
  if (!url) throw new Error("DATABASE_URL is not set: start Wide Lane with ./wide-lane demo or ./wide-lane start");
  shared.wideLanePool = makePool(url);
  return shared.wideLanePool;
}

/** Ends the pool and forgets it, so that the next one who asks gets a new one: to another DATABASE_URL, if it has changed. */
export async function closePool(): Promise<void> {
  const ended = shared.wideLanePool;
  shared.wideLanePool = undefined;
  forgetKept();
  await ended?.end();
}

/** A pool of connections to one server; to a cluster, a pool for each of its nodes, of which the first that can be reached is used. */
export function makePool(url: string): Pool {
  const nodes = nodesOf(url);
  if (nodes.length === 1) return poolOf(nodes[0]);
  return new Cluster(nodes.map(poolOf)) as unknown as Pool;
}

function poolOf(node: Node): Pool {
  const p = mysql.createPool({
    ...node,
    connectionLimit: 12,
    connectTimeout: 3000,
    enableKeepAlive: true,
    keepAliveInitialDelay: 5000,
    dateStrings: true,
    decimalNumbers: true,
    jsonStrings: true,
    charset: "utf8mb4_unicode_ci",
    timezone: "Z",
  });
  p.pool.on("connection", (c) => {
    c.query(
      "SET time_zone = '+00:00', sql_mode = 'STRICT_ALL_TABLES,NO_ZERO_DATE,NO_ZERO_IN_DATE,ERROR_FOR_DIVISION_BY_ZERO', innodb_lock_wait_timeout = 20",
    );
  });
  return p;
}

/** The nodes of a cluster behind the face of one pool: what goes on at a node that is gone goes on at the next one. */
class Cluster {
  private current = 0;
  constructor(private readonly pools: readonly Pool[]) {}

  async getConnection(): Promise<PoolConnection> {
    let last: unknown;
    for (let i = 0; i < this.pools.length; i++) {
      const at = (this.current + i) % this.pools.length;
      try {
        const c = await this.pools[at].getConnection();
        // A node that was cut off from the others still answers, but may not be worked with.
        const [[ready]] = await c
          .query<mysql.RowDataPacket[]>({ sql: "SHOW STATUS LIKE 'wsrep_ready'", timeout: 3000 })
          .catch((e: unknown) => {
            c.destroy();
            throw e;
          });
        if (ready && ready.Value !== "ON") {
          c.release();
          last = Object.assign(new Error("a node of the cluster is not ready"), { errno: 1047 });
          continue;
        }
        this.current = at;
        return c;
      } catch (e) {
        last = e;
        if (!isUnreachable(e)) throw e;
      }
    }
    throw last;
  }

  async query(sql: string, params?: unknown): Promise<unknown> {
    for (let attempt = 1; ; attempt++) {
      const c = await this.getConnection();
      let lost = false;
      try {
        return await c.query(sql, params as Params);
      } catch (e) {
        lost = isUnreachable(e);
        // Only what changes nothing is asked again elsewhere.
        if (!lost || attempt > this.pools.length || !/^\s*(SELECT|SHOW)/i.test(sql)) throw e;
      } finally {
        if (lost) c.destroy();
        else c.release();
      }
    }
  }

  async end(): Promise<void> {
    await Promise.all(this.pools.map((p) => p.end()));
  }
}

/**
 * The transaction is gone and may simply be run again: a deadlock or a failed certification (1213), a lock that took too
 * long (1205), a row that changed since it was read (1020), a node of a cluster that is not ready (1047) or was just cut off (3989).
 */
const AGAIN = new Set([1213, 1205, 1020, 1047, 3989]);
/** A number that two took at once: once more, and it is the next one. */
const DUPLICATE = 1062;
const MOST_TRIES = 8;

/** Connections that broke before anything could be asked of them: nothing was done, so another one may be tried. */
const BROKEN = new Set([
  "ECONNREFUSED",
  "ECONNRESET",
  "EPIPE",
  "ETIMEDOUT",
  "EHOSTUNREACH",
  "ENOTFOUND",
  "PROTOCOL_CONNECTION_LOST",
  "PROTOCOL_SEQUENCE_TIMEOUT",
]);

export interface Failure {
  errno?: number;
  code?: string;
  sqlMessage?: string;
}

/** Whether the database can't be reached at all, as told apart from one that says no. */
export const isUnreachable = (e: unknown): boolean => {
  const f = e as Failure;
  // A node that was cut off from its cluster in the middle of something.
  if (f?.errno === 1180 || /Primary Component|WSREP/i.test(f?.sqlMessage ?? "")) return true;
  return BROKEN.has(f?.code ?? "") || f?.code === "POOL_EXHAUSTED" || f?.errno === 1047 || f?.errno === 1053 || f?.errno === 1927;
};

/** How often each kind of failure was met since the process began; for the metrics. */
export const retried = { conflicts: 0, duplicates: 0, connections: 0 };

async function connection(from: Pool): Promise<Conn> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await from.getConnection();
    } catch (e) {
      if (attempt >= 3 || !isUnreachable(e)) throw e;
      retried.connections++;
      await pause(40 * attempt);
    }
  }
}

const pause = (ms: number) => new Promise((r) => setTimeout(r, ms));

/**
 * Runs `work` in one transaction; again (a few times, with growing pauses) after a deadlock, a failed certification, or a
 * connection that broke before the commit was asked for. Of one that broke at the commit nobody knows whether it counts:
 * it is run again only where `work` itself finds out (`knows`).
 */
export async function transaction<T>(work: (c: Conn) => Promise<T>, from: Pool = pool(), knows = false): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    const c = await connection(from);
    let broken = false;
    let committing = false;
    try {
      seesOwn(c);
      await c.beginTransaction();
      counted.delete(c);
      uncounted.delete(c);
      nothingWritten(c);
      const result = await work(c);
      if (counted.has(c)) await noteTables(c);
      committing = true;
      await c.commit();
      if (uncounted.has(c)) forgetKept();
      return result;
    } catch (e) {
      broken = isUnreachable(e);
      if (!broken)
        await c.rollback().catch(() => {
          broken = true;
        });
      const { errno } = e as Failure;
      const again = broken
        ? attempt < 4 && (!committing || knows)
        : errno !== undefined && (AGAIN.has(errno) ? attempt < MOST_TRIES : errno === DUPLICATE && attempt < 3);
      if (!again) throw e;
      if (broken) retried.connections++;
      else if (errno === DUPLICATE) retried.duplicates++;
      else retried.conflicts++;
      await pause(Math.min(broken ? 1500 : 400, (broken ? 60 : 8) * attempt * attempt) * (0.5 + Math.random()));
    } finally {
      seesOwn(c);
      // A connection whose state is unknown is not given to anybody else.
      if (broken) c.destroy();
      else c.release();
    }
  }
}

const SLOW_MS = 300;

/** Queries so far, the time they took, and who is told of slow ones: one count for a process, however many bundles there are. */
export const queries = (): { count: number; ms: number; slow: number; onSlow?: (sql: string, ms: number) => void } =>
  (shared.wideLaneQueries ??= { count: 0, ms: 0, slow: 0 });

async function timed<T>(sql: string, work: () => Promise<T>): Promise<T> {
  const began = performance.now();
  try {
    return await work();
  } finally {
    const ms = performance.now() - began;
    const q = queries();
    q.count++;
    q.ms += ms;
    if (ms > SLOW_MS) {
      q.slow++;
      q.onSlow?.(sql.replace(/\s+/g, " ").slice(0, 300), Math.round(ms));
    }
  }
}

/** Connections that are open, and those in use. */
export function poolUse(): { open: number; busy: number } {
  const inner = shared.wideLanePool?.pool as unknown as
    | { _allConnections?: { length: number }; _freeConnections?: { length: number } }
    | undefined;
  const open = inner?._allConnections?.length ?? 0;
  return { open, busy: open - (inner?._freeConnections?.length ?? 0) };
}

/** Rows of a query. */
export function rows<T>(c: Conn | Pool, sql: string, params: Params = []): Promise<T[]> {
  return keptRows(c, sql, params, async () => {
    const [r] = await timed(sql, () => c.query<(T & Row)[]>(sql, params));
    return r as T[];
  });
}

/**
 * Reads in one snapshot: all of `read` sees the state at one moment, whatever is written meanwhile. On a connection of its
 * own, asked one thing after the other.
 */
export async function snapshot<T>(read: (c: Conn) => Promise<T>, from: Pool = pool()): Promise<T> {
  const c = await connection(from);
  let broken = false;
  try {
    seesOwn(c);
    await c.query("START TRANSACTION READ ONLY");
    const result = await read(c);
    await c.query("COMMIT");
    return result;
  } catch (e) {
    broken = isUnreachable(e);
    if (!broken)
      await c.rollback().catch(() => {
        broken = true;
      });
    throw e;
  } finally {
    seesOwn(c);
    if (broken) c.destroy();
    else c.release();
  }
}

/** A statement that changes the state: its connection sees something of its own from now on; past a change, all that is kept is old. */
function wrote(c: Conn | Pool, sql: string): void {
  if (sql === BEGIN_CHANGE) counted.add(c);
  else if (noteWritten(c, sql)) {
    seesOwn(c);
    if (!("commit" in c)) forgetKept();
    else if (!counted.has(c)) uncounted.add(c);
  }
}

/** Connections in a change that is counted, and those that wrote to the state past any change. */
const counted = new WeakSet<object>();
const uncounted = new WeakSet<object>();

/** The statement that begins every change (db/acts.ts): it changes nothing of what is kept. */
export const BEGIN_CHANGE = "UPDATE workshop SET acts = acts + 1";

/** Runs a statement; how many rows it touched. */
export async function run(c: Conn | Pool, sql: string, params: Params = []): Promise<number> {
  wrote(c, sql);
  const [r] = await timed(sql, () => c.query<mysql.ResultSetHeader>(sql, params));
  return r.affectedRows;
}

/** Inserts many rows at once; columns by name. */
export async function insert(c: Conn | Pool, table: string, list: Record<string, unknown>[]): Promise<void> {
  if (!list.length) return;
  wrote(c, `INSERT INTO ${table}`);
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

/** Now by the database's clock, to the millisecond: the same for every server. */
export async function sqlNow(c: Conn | Pool): Promise<string> {
  const [r] = await rows<{ t: string }>(c, "SELECT UTC_TIMESTAMP(3) AS t");
  return r.t;
}
