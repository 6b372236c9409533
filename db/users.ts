// Users, sessions and failed sign-ins.

import type { Pool } from "mysql2/promise";
import { v7 } from "uuid";
import { type Conn, insert, rows, run } from "./pool";

export interface User {
  id: string;
  login: string;
  name: string;
  role: "lead" | "fitter";
  fitterId: string | null;
  retired: boolean;
  version: number;
}

const COLUMNS = "u.id, u.login, u.name, u.role, u.fitter_id AS fitterId, u.retired, u.version";
const clean = <T extends { retired: unknown }>(u: T): T => ({ ...u, retired: u.retired === 1 });

export async function listUsers(c: Conn | Pool): Promise<User[]> {
  return (await rows<User>(c, `SELECT ${COLUMNS} FROM user u ORDER BY u.retired, u.role, u.name`)).map(clean);
}

export async function userByLogin(c: Conn | Pool, login: string): Promise<(User & { hash: string }) | undefined> {
  const [u] = await rows<User & { hash: string }>(
    c,
    `SELECT ${COLUMNS}, u.password_hash AS hash FROM user u WHERE u.login = ? AND NOT u.retired`,
    [login],
  );
  return u && clean(u);
}

export async function userById(c: Conn | Pool, id: string): Promise<User | undefined> {
  const [u] = await rows<User>(c, `SELECT ${COLUMNS} FROM user u WHERE u.id = ? AND NOT u.retired`, [id]);
  return u && clean(u);
}

const sqlTime = (ms: number) => new Date(ms).toISOString().slice(0, 19).replace("T", " ");

export async function addSession(c: Conn | Pool, tokenHash: string, userId: string, nowMs: number, days: number): Promise<void> {
  await run(c, "DELETE FROM session WHERE expires_at < ?", [sqlTime(nowMs)]);
  await insert(c, "session", [
    { token_hash: tokenHash, user_id: userId, created_at: sqlTime(nowMs), expires_at: sqlTime(nowMs + days * 86_400_000) },
  ]);
}

export async function sessionUser(c: Conn | Pool, tokenHash: string, nowMs: number): Promise<User | undefined> {
  const [u] = await rows<User>(
    c,
    `SELECT ${COLUMNS} FROM session s JOIN user u ON u.id = s.user_id
     WHERE s.token_hash = ? AND s.expires_at > ? AND NOT u.retired`,
    [tokenHash, sqlTime(nowMs)],
  );
  return u && clean(u);
}

export const endSession = (c: Conn | Pool, tokenHash: string): Promise<number> =>
  run(c, "DELETE FROM session WHERE token_hash = ?", [tokenHash]);

export const endSessionsOf = (c: Conn | Pool, userId: string): Promise<number> => run(c, "DELETE FROM session WHERE user_id = ?", [userId]);

export async function failuresSince(c: Conn | Pool, who: string, sinceMs: number): Promise<number> {
  const [r] = await rows<{ n: number }>(c, "SELECT COUNT(*) AS n FROM sign_in_failure WHERE who = ? AND failed_at > ?", [
    who,
    sqlTime(sinceMs),
  ]);
  return r.n;
}

export async function addFailure(c: Conn | Pool, who: string, nowMs: number): Promise<void> {
  await run(c, "DELETE FROM sign_in_failure WHERE failed_at < ?", [sqlTime(nowMs - 86_400_000)]);
  await insert(c, "sign_in_failure", [{ id: v7(), who, failed_at: sqlTime(nowMs) }]);
}

export const clearFailures = (c: Conn | Pool, who: string): Promise<number> => run(c, "DELETE FROM sign_in_failure WHERE who = ?", [who]);
