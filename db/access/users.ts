// Users and their sessions. Times are the database's own: servers whose clocks differ agree on what has run out.

import type { Pool } from "mysql2/promise";
import { v7 } from "uuid";
import { type Conn, insert, rows, run } from "../pool";

export interface User {
  id: string;
  login: string;
  name: string;
  role: "lead" | "fitter";
  fitterId: string | null;
  retired: boolean;
  version: number;
  /** The session that they came with; none in tests and for what the server does by itself. */
  sessionId?: string;
}

/** What only the sign-in needs to know. */
export interface Secrets {
  hash: string;
  resetHash: string | null;
  /** Whether the code has not run out. */
  resetOpen: boolean;
  secondSecret: string | null;
  secondStep: number | null;
}

const COLUMNS = "u.id, u.login, u.name, u.role, u.fitter_id AS fitterId, u.retired, u.version";
const SECRETS = `u.password_hash AS hash, u.reset_hash AS resetHash, u.reset_until IS NOT NULL AND u.reset_until > UTC_TIMESTAMP() AS resetOpen,
  u.second_secret AS secondSecret, u.second_step AS secondStep`;
const clean = <T extends { retired: unknown }>(u: T): T => ({ ...u, retired: u.retired === 1 });

export async function listUsers(c: Conn | Pool): Promise<(User & { second: boolean })[]> {
  const list = await rows<User & { second: number }>(
    c,
    `SELECT ${COLUMNS}, u.second_secret IS NOT NULL AS second FROM user u ORDER BY u.retired, u.role, u.name`,
  );
  return list.map((u) => ({ ...clean(u), second: u.second === 1 }));
}

const withSecrets = <T extends { retired: unknown; resetOpen: unknown }>(u: T): T => ({ ...clean(u), resetOpen: u.resetOpen === 1 });

export async function userByLogin(c: Conn | Pool, login: string): Promise<(User & Secrets) | undefined> {
  const [u] = await rows<User & Secrets>(c, `SELECT ${COLUMNS}, ${SECRETS} FROM user u WHERE u.login = ? AND NOT u.retired`, [login]);
  return u && withSecrets(u);
}

/** Who signs in with the card of a fitter. */
export const signInsOf = (c: Conn | Pool, fitterId: string): Promise<{ name: string; fitterId: string }[]> =>
  rows<{ name: string; fitterId: string }>(c, "SELECT name, fitter_id AS fitterId FROM user WHERE fitter_id = ? AND NOT retired", [
    fitterId,
  ]);

export async function userById(c: Conn | Pool, id: string): Promise<User | undefined> {
  const [u] = await rows<User>(c, `SELECT ${COLUMNS} FROM user u WHERE u.id = ? AND NOT u.retired`, [id]);
  return u && clean(u);
}

export async function secretsOf(c: Conn | Pool, id: string): Promise<(User & Secrets) | undefined> {
  const [u] = await rows<User & Secrets>(c, `SELECT ${COLUMNS}, ${SECRETS} FROM user u WHERE u.id = ? AND NOT u.retired`, [id]);
  return u && withSecrets(u);
}

/** A password of one's own: it takes the place of a code that was still open. */
export const setPassword = (c: Conn, id: string, hash: string): Promise<number> =>
  run(c, "UPDATE user SET password_hash = ?, reset_hash = NULL, reset_until = NULL, version = version + 1 WHERE id = ?", [hash, id]);

/** A code that is good once, for some hours; the password before it is good no more. */
export const setReset = (c: Conn, id: string, codeHash: string, hours: number): Promise<number> =>
  run(
    c,
    `UPDATE user SET password_hash = '-', reset_hash = ?, reset_until = UTC_TIMESTAMP() + INTERVAL ? HOUR, second_secret = NULL,
       second_step = NULL, version = version + 1 WHERE id = ?`,
    [codeHash, hours, id],
  );

export const setSecond = (c: Conn, id: string, secret: string | null): Promise<number> =>
  run(c, "UPDATE user SET second_secret = ?, second_step = NULL, version = version + 1 WHERE id = ?", [secret, id]);

/** Notes that the code of a time step was used; false when it, or a later one, was used before. */
export const spendSecondStep = async (c: Conn | Pool, id: string, step: number): Promise<boolean> =>
  (await run(c, "UPDATE user SET second_step = ? WHERE id = ? AND (second_step IS NULL OR second_step < ?)", [step, id, step])) === 1;

export interface SessionRow {
  id: string;
  agent: string;
  address: string;
  /** UTC. */
  createdAt: string;
  seenAt: string | null;
}

export async function addSession(
  c: Conn | Pool,
  s: { tokenHash: string; userId: string; days: number; agent: string; address: string },
): Promise<string> {
  await run(c, "DELETE FROM session WHERE expires_at < UTC_TIMESTAMP() LIMIT 200");
  const id = v7();
  await run(
    c,
    `INSERT INTO session (token_hash, id, user_id, agent, address, created_at, seen_at, expires_at)
     VALUES (?, ?, ?, ?, ?, UTC_TIMESTAMP(), UTC_TIMESTAMP(), UTC_TIMESTAMP() + INTERVAL ? DAY)`,
    [s.tokenHash, id, s.userId, s.agent.slice(0, 200), s.address.slice(0, 60), s.days],
  );
  return id;
}

export async function sessionUser(c: Conn | Pool, tokenHash: string): Promise<User | undefined> {
  const [u] = await rows<User & { stale: number }>(
    c,
    `SELECT ${COLUMNS}, s.id AS sessionId, s.seen_at IS NULL OR s.seen_at < UTC_TIMESTAMP() - INTERVAL 10 MINUTE AS stale
     FROM session s JOIN user u ON u.id = s.user_id
     WHERE s.token_hash = ? AND s.expires_at > UTC_TIMESTAMP() AND NOT u.retired`,
    [tokenHash],
  );
  if (!u) return undefined;
  const { stale, ...user } = u;
  // Now and then only: a look at a page is no reason to write.
  if (stale === 1) await run(c, "UPDATE session SET seen_at = UTC_TIMESTAMP() WHERE token_hash = ?", [tokenHash]);
  return clean(user);
}

export const sessionsOf = (c: Conn | Pool, userId: string): Promise<SessionRow[]> =>
  rows<SessionRow>(
    c,
    `SELECT id, agent, address, created_at AS createdAt, seen_at AS seenAt FROM session
     WHERE user_id = ? AND expires_at > UTC_TIMESTAMP() ORDER BY seen_at DESC, id LIMIT 100`,
    [userId],
  );

export const endSession = (c: Conn | Pool, tokenHash: string): Promise<number> =>
  run(c, "DELETE FROM session WHERE token_hash = ?", [tokenHash]);

export const endSessionById = (c: Conn | Pool, userId: string, id: string): Promise<number> =>
  run(c, "DELETE FROM session WHERE user_id = ? AND id = ?", [userId, id]);

/** All of a user's sessions, but the one that is named. */
export const endSessionsOf = (c: Conn | Pool, userId: string, but = ""): Promise<number> =>
  run(c, "DELETE FROM session WHERE user_id = ? AND id <> ?", [userId, but]);

export async function knowsDevice(c: Conn | Pool, tokenHash: string, userId: string): Promise<boolean> {
  return (await rows(c, "SELECT 1 FROM known_device WHERE token_hash = ? AND user_id = ?", [tokenHash, userId])).length === 1;
}

export async function rememberDevice(c: Conn | Pool, tokenHash: string, userId: string): Promise<void> {
  await run(c, "DELETE FROM known_device WHERE seen_at < UTC_TIMESTAMP() - INTERVAL 180 DAY LIMIT 200");
  await run(
    c,
    "INSERT INTO known_device (token_hash, user_id, seen_at) VALUES (?, ?, UTC_TIMESTAMP()) ON DUPLICATE KEY UPDATE seen_at = VALUES(seen_at)",
    [tokenHash, userId],
  );
}

export const forgetDevices = (c: Conn | Pool, userId: string): Promise<number> =>
  run(c, "DELETE FROM known_device WHERE user_id = ?", [userId]);

/**
 * Counts a try before it is looked at, in one step: seconds to wait when it comes too early, 0 when it may go on. After
 * `free` tries each one makes the next wait twice as long, up to `most` seconds; a quarter of an hour of quiet forgets all.
 */
export async function brake(c: Conn, who: string, free: number, most: number): Promise<number> {
  const key = who.slice(0, 190);
  await run(c, "INSERT IGNORE INTO sign_in_brake (who, tries, last_at, open_at) VALUES (?, 0, UTC_TIMESTAMP(3), UTC_TIMESTAMP(3))", [key]);
  const [b] = await rows<{ tries: number; quiet: number; left: number }>(
    c,
    `SELECT tries, last_at < UTC_TIMESTAMP(3) - INTERVAL 15 MINUTE AS quiet,
       GREATEST(0, TIMESTAMPDIFF(MICROSECOND, UTC_TIMESTAMP(3), open_at)) / 1e6 AS \`left\` FROM sign_in_brake WHERE who = ? FOR UPDATE`,
    [key],
  );
  if (b.left > 0) return Math.ceil(Number(b.left));
  const tries = (b.quiet === 1 ? 0 : b.tries) + 1;
  const wait = tries > free ? Math.min(most, 2 ** Math.min(20, tries - free - 1)) : 0;
  await run(
    c,
    "UPDATE sign_in_brake SET tries = ?, last_at = UTC_TIMESTAMP(3), open_at = UTC_TIMESTAMP(3) + INTERVAL ? SECOND WHERE who = ?",
    [tries, wait, key],
  );
  return 0;
}

export const releaseBrake = (c: Conn | Pool, who: string): Promise<number> =>
  run(c, "DELETE FROM sign_in_brake WHERE who = ?", [who.slice(0, 190)]);

export const forgetBrakes = (c: Conn | Pool): Promise<number> =>
  run(c, "DELETE FROM sign_in_brake WHERE last_at < UTC_TIMESTAMP(3) - INTERVAL 1 DAY LIMIT 2000");

export interface AuditRow {
  id: string;
  at: string;
  who: string;
  kind: string;
  text: string;
  address: string;
}

/** Sign-ins, passwords, exports, deletions: written and read, never changed. */
export async function addAudit(c: Conn | Pool, a: { userId: string | null; kind: string; text: string; address?: string }): Promise<void> {
  await run(c, "INSERT INTO audit (id, at, user_id, kind, text, address) VALUES (?, UTC_TIMESTAMP(3), ?, ?, ?, ?)", [
    v7(),
    a.userId,
    a.kind,
    a.text.slice(0, 300),
    (a.address ?? "").slice(0, 60),
  ]);
}

export const auditLog = (c: Conn | Pool, limit = 200): Promise<AuditRow[]> =>
  rows<AuditRow>(
    c,
    `SELECT a.id, a.at, COALESCE(u.name, '') AS who, a.kind, a.text, a.address FROM audit a LEFT JOIN user u ON u.id = a.user_id
     ORDER BY a.at DESC, a.id DESC LIMIT ?`,
    [limit],
  );

/** Somebody new: they sign in with a code that is good once, and choose a password of their own. */
export const addUser = (
  c: Conn,
  u: { id: string; login: string; name: string; role: User["role"]; fitterId?: string; codeHash: string; hours: number },
): Promise<void> =>
  insert(c, "user", [{ id: u.id, login: u.login, name: u.name, role: u.role, fitter_id: u.fitterId, password_hash: "-" }]).then(
    async () => {
      await setReset(c, u.id, u.codeHash, u.hours);
    },
  );

export const loginTaken = async (c: Conn, login: string): Promise<boolean> =>
  (await rows(c, "SELECT 1 FROM user WHERE login = ?", [login])).length > 0;

/** Leads who may sign in. */
export const leadIds = async (c: Conn): Promise<string[]> =>
  (await rows<{ id: string }>(c, "SELECT id FROM user WHERE role = 'lead' AND NOT retired")).map((l) => l.id);
