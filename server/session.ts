// Sign-in, sign-out and who is asking.

import { createHash, randomBytes } from "node:crypto";
import { hash, verify } from "@node-rs/argon2";
import { pool } from "@/db/pool";
import { loadWorkshop } from "@/db/shop";
import {
  addFailure,
  addSession,
  clearFailures,
  endSession,
  failuresSince,
  sessionUser,
  type User,
  userById,
  userByLogin,
} from "@/db/users";
import { Refusal } from "./refusal";

export type { User };

export const COOKIE = "wide_lane";
export const SESSION_DAYS = 14;

const WINDOW_MS = 15 * 60_000;
const PER_LOGIN = 5;
const PER_ADDRESS = 30;

/** argon2id with the library's parameters for interactive use. */
export const hashPassword = (password: string): Promise<string> => hash(password, { memoryCost: 19_456, timeCost: 2, parallelism: 1 });

const tokenHash = (token: string) => createHash("sha256").update(token).digest("hex");

// Checked when there is no such login, so that both answers take the same time.
let nobody: Promise<string> | undefined;

/** Signs in by password. Throttled per login and per address; the same words whichever was wrong. */
export async function signIn(login: string, password: string, address: string): Promise<{ token: string; user: User }> {
  const now = Date.now();
  const db = pool();
  const keys: [string, number][] = [
    [`login ${login.toLowerCase()}`, PER_LOGIN],
    [`address ${address}`, PER_ADDRESS],
  ];
  for (const [key, limit] of keys)
    if ((await failuresSince(db, key, now - WINDOW_MS)) >= limit)
      throw new Refusal(429, "Too many wrong tries. Wait a quarter of an hour, or ask the lead for a new password.");
  const user = await userByLogin(db, login);
  nobody ??= hashPassword(randomBytes(12).toString("hex"));
  const good = await verify(user?.hash ?? (await nobody), password).catch(() => false);
  if (!user || !good) {
    for (const [key] of keys) await addFailure(db, key, now);
    throw new Refusal(401, "Name or password is wrong.");
  }
  await clearFailures(db, keys[0][0]);
  return { token: await begin(user.id), user };
}

/** Signs in as one of the demo's people; only where the database holds the demo. */
export async function signInDemo(userId: string): Promise<{ token: string; user: User }> {
  const db = pool();
  const workshop = await loadWorkshop(db);
  const user = workshop?.demo ? await userById(db, userId) : undefined;
  if (!user) throw new Refusal(403, "This is only for the demo.");
  return { token: await begin(user.id), user };
}

async function begin(userId: string): Promise<string> {
  const token = randomBytes(32).toString("base64url");
  await addSession(pool(), tokenHash(token), userId, Date.now(), SESSION_DAYS);
  return token;
}

export const userOfToken = async (token: string | undefined): Promise<User | undefined> =>
  token ? sessionUser(pool(), tokenHash(token), Date.now()) : undefined;

export const signOut = async (token: string | undefined): Promise<void> => {
  if (token) await endSession(pool(), tokenHash(token));
};

/**
 * Whether a request that changes something comes from our own pages. Browsers say where it comes
 * from in Sec-Fetch-Site or Origin; one that says neither is refused.
 */
export function sameOrigin(headers: Headers): boolean {
  const site = headers.get("sec-fetch-site");
  if (site) return site === "same-origin";
  const origin = headers.get("origin");
  if (!origin) return false;
  try {
    return new URL(origin).host === (headers.get("x-forwarded-host") ?? headers.get("host"));
  } catch {
    return false;
  }
}

/** The cookie is Secure wherever browsers accept that: over https, and on this machine itself. */
export function cookieIsSecure(headers: Headers): boolean {
  if (headers.get("x-forwarded-proto") === "https") return true;
  const host = (headers.get("host") ?? "").replace(/:\d+$/, "");
  return host === "localhost" || host === "127.0.0.1" || host === "[::1]";
}
