// Headers in and out: what nobody outside may say, whom a proxy may speak for, and what browsers are told not to do.

import type { IncomingHttpHeaders } from "node:http";
import { isIP } from "node:net";

/** What only this server says to itself, or what belongs to the framework's own insides. */
const OURS =
  /^(x-middleware-|x-invoke-|x-matched-path$|x-now-|x-vercel-|x-nextjs-|x-wide-lane-|x-request-id$|next-action$|content-security-policy)/;
const FORWARDED = ["x-forwarded-for", "x-forwarded-proto", "x-forwarded-host", "x-forwarded-port", "forwarded", "x-real-ip"];

export interface Origin {
  address: string;
  https: boolean;
}

const plain = (address: string): string => address.replace(/^::ffff:/, "");

/**
 * Takes out of the headers what nobody outside may say. Only proxies that a setting names speak for others: the address
 * is the last one in their list that is not a named proxy itself.
 */
export function cleanHeaders(headers: IncomingHttpHeaders, peer: string, proxies: ReadonlySet<string>): Origin {
  const direct = plain(peer);
  let address = direct;
  let https = false;
  const host = headers["x-forwarded-host"];
  if (proxies.has(direct)) {
    const chain = String(headers["x-forwarded-for"] ?? "")
      .split(",")
      .map((a) => plain(a.trim()))
      .filter((a) => isIP(a) > 0);
    address = chain.reverse().find((a) => !proxies.has(a)) ?? direct;
    https =
      String(headers["x-forwarded-proto"] ?? "")
        .split(",")[0]
        .trim() === "https";
  }
  for (const name of Object.keys(headers)) if (OURS.test(name) || FORWARDED.includes(name)) delete headers[name];
  if (https) headers["x-forwarded-proto"] = "https";
  if (proxies.has(direct) && typeof host === "string") headers["x-forwarded-host"] = host;
  headers["x-wide-lane-address"] = address;
  return { address, https };
}

/** What a page may load and run: our own files, and inline code that carries the nonce of this one answer. */
export const pagePolicy = (nonce: string, styles: readonly string[]): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    // Attributes place what is drawn (a lane's blocks, a chart); no text of a user ever gets into one.
    "style-src-attr 'unsafe-inline'",
    `style-src-elem 'self' 'nonce-${nonce}' ${styles.join(" ")}`.trim(),
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "manifest-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");

export const DATA_POLICY = "default-src 'none'; frame-ancestors 'none'";

/** On every answer. */
export function safeHeaders(https: boolean): Record<string, string> {
  return {
    "X-Content-Type-Options": "nosniff",
    "X-Frame-Options": "DENY",
    "Referrer-Policy": "same-origin",
    "Permissions-Policy": "camera=(self), microphone=(), geolocation=(), payment=(), usb=(), serial=(), display-capture=()",
    "Cross-Origin-Opener-Policy": "same-origin",
    "Cross-Origin-Resource-Policy": "same-origin",
    ...(https ? { "Strict-Transport-Security": "max-age=31536000" } : {}),
  };
}
