// Who is asking: cookies, sessions, and whether a request comes from our own pages.

import { createHash, randomBytes } from "node:crypto";
import { addAudit, addSession, endSession, sessionUser, type User } from "@/db/access/users";
import { pool } from "@/db/pool";

export type { User };

export const SESSION_DAYS = 14;
export const DEVICE_DAYS = 180;

/** Over https the name starts with __Host-, so that no other site of the same domain can set it. */
export const cookieName = (headers: { get(name: string): string | null | undefined }): string =>
  isHttps(headers) ? "__Host-wide_lane" : "wide_lane";
export const deviceCookieName = (headers: { get(name: string): string | null | undefined }): string =>
  isHttps(headers) ? "__Host-wide_lane_device" : "wide_lane_device";

/** By the front's word: it passes on what a trusted proxy says, and takes out what anybody else says. */
export const isHttps = (headers: { get(name: string): string | null | undefined }): boolean => headers.get("x-forwarded-proto") === "https";

/** Where a request comes from, by the front's word. */
export const addressOf = (headers: { get(name: string): string | null | undefined }): string => headers.get("x-wide-lane-address") ?? "";

export const tokenHash = (token: string): string => createHash("sha256").update(token).digest("hex");
export const newToken = (): string => randomBytes(32).toString("base64url");

/** Starts a session; the token for its cookie. */
export async function begin(user: User, from: { agent: string; address: string }): Promise<string> {
  const token = newToken();
  await addSession(pool(), { tokenHash: tokenHash(token), userId: user.id, days: SESSION_DAYS, ...from });
  await addAudit(pool(), { userId: user.id, kind: "signed-in", text: `${user.name} signed in`, address: from.address });
  return token;
}

export const userOfToken = async (token: string | undefined): Promise<User | undefined> =>
  token && /^[\w-]{20,100}$/.test(token) ? sessionUser(pool(), tokenHash(token)) : undefined;

export async function signOut(token: string | undefined): Promise<void> {
  const user = await userOfToken(token);
  if (!token || !user) return;
  await endSession(pool(), tokenHash(token));
  await addAudit(pool(), { userId: user.id, kind: "signed-out", text: `${user.name} signed out` });
}

/** A cookie's value out of the header, as sent; undefined when there is none. */
export function cookieValue(header: string | null | undefined, name: string): string | undefined {
  for (const part of (header ?? "").split(";")) {
    const i = part.indexOf("=");
    if (i > 0 && part.slice(0, i).trim() === name) return part.slice(i + 1).trim();
  }
  return undefined;
}

/** The signed-in user of a request, by its cookie. */
export const userOf = (headers: { get(name: string): string | null | undefined }): Promise<User | undefined> =>
  userOfToken(cookieValue(headers.get("cookie"), cookieName(headers)));

/**
 * Whether a request that changes something comes from our own pages. Browsers say where it comes
 * from in Sec-Fetch-Site or Origin; one that says neither is refused.
 */
export function sameOrigin(headers: { get(name: string): string | null | undefined }): boolean {
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

/** A cookie of ours: Secure wherever browsers accept that, over https and on this machine itself. */
export function setCookie(name: string, value: string, seconds: number, headers: { get(name: string): string | null | undefined }): string {
  const host = (headers.get("host") ?? "").replace(/:\d+$/, "");
  const secure = isHttps(headers) || host === "localhost" || host === "127.0.0.1" || host === "[::1]";
  return `${name}=${value}; Path=/; Max-Age=${seconds}; HttpOnly; SameSite=Strict${secure ? "; Secure" : ""}`;
}
