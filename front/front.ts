// In front of everything: each request is held against the table of doors before any page, route or file is touched.

import { randomBytes } from "node:crypto";
import { readFile } from "node:fs/promises";
import type { IncomingMessage, ServerResponse } from "node:http";
import { type Door, doorOf, refusedAt } from "@/server/access/access";
import { sameOrigin, type User, userOf } from "@/server/access/session";
import { Refusal } from "@/server/refusal";
import { log } from "@/server/running/log";
import { cleanHeaders, DATA_POLICY, type Origin, pagePolicy, safeHeaders } from "./headers";
import { isReady } from "./health";
import { refusedRequests, requests } from "./metrics";
import { targetOf } from "./path";
import { Queue } from "./queue";
import { answer } from "./words";

export type Handle = (req: IncomingMessage, res: ServerResponse) => Promise<void>;

export interface Setting {
  /** Addresses of proxies that may speak for others. */
  proxies: ReadonlySet<string>;
  /** Hashes of style texts that packages put in by themselves. */
  styles: readonly string[];
}

const PAGES_AT_ONCE = 2;
const PAGES_WAITING = 200;
const PAGE_MS = 15_000;
const pages = new Queue(PAGES_AT_ONCE, PAGES_WAITING);

/** Answers one request: refused, answered here, or handed to the application. */
export function makeFront(handle: Handle, setting: Setting): (req: IncomingMessage, res: ServerResponse) => Promise<void> {
  return async (req, res) => {
    const began = performance.now();
    const id = randomBytes(6).toString("base64url");
    let kind = "none";
    res.setHeader("X-Request-Id", id);
    const origin = cleanHeaders(req.headers, req.socket.remoteAddress ?? "", setting.proxies);
    req.headers["x-request-id"] = id;
    for (const [name, value] of Object.entries(safeHeaders(origin.https))) res.setHeader(name, value);
    res.once("close", () => {
      const seconds = (performance.now() - began) / 1000;
      requests.labels(kind, String(res.statusCode)).observe(seconds);
      if (seconds > 2 && kind !== "long") log.warn({ request: id, kind, seconds: Math.round(seconds * 10) / 10 }, "a request took long");
    });
    const refuse = (status: number, more?: Record<string, string>) => {
      refusedRequests.labels(String(status)).inc();
      answer(req, res, status, more);
    };
    try {
      const target = targetOf(req.url);
      if (!target) return refuse(400);
      const plain = target.path.join("/");
      if (plain === "health") return answerHealth(res);
      if (plain === "ready") return answerReady(res);
      if (plain === "card-worker.js" && req.method === "GET") return await answerCardWorker(res);
      const door = doorOf(req.method ?? "", target.path);
      if (!door) return refuse(404);
      kind = door.long ? "long" : door.kind;
      const length = bodyFault(req, door);
      if (length) return refuse(length);
      if (req.method !== "GET" && req.method !== "HEAD" && !sameOrigin(asked(req))) return refuse(403);
      const user = door.who === "anyone" ? undefined : await userOf(asked(req));
      const no = refusedAt(door, user?.role);
      if (no) return refuseUser(req, res, door, no, user, refuse);
      // A page that somebody might open next is not drawn in advance: each one is worked out from the whole workshop.
      if (door.kind === "page" && req.headers["next-router-prefetch"] !== undefined) return answer(req, res, 204);
      if (door.kind === "page") return await drawPage(req, res, handle, setting, refuse);
      if (door.kind === "api") {
        res.setHeader("Content-Security-Policy", DATA_POLICY);
        // What the framework says to itself about pages has no meaning here.
        for (const name of Object.keys(req.headers)) if (name === "rsc" || name.startsWith("next-")) delete req.headers[name];
      }
      await handle(req, res);
    } catch (e) {
      if (e instanceof Refusal) return answer(req, res, e.status, {}, e.message);
      log.error({ err: e, request: id }, "the front failed");
      answer(req, res, 503);
    }
  };
}

/** The headers as the rest of the server reads them. */
const asked = (req: IncomingMessage) => ({
  get: (name: string): string | undefined => {
    const v = req.headers[name];
    return Array.isArray(v) ? v.join(", ") : v;
  },
});

/** A body says how long it is, and is not longer than its door takes. */
function bodyFault(req: IncomingMessage, door: Door): number | undefined {
  if (req.headers["transfer-encoding"] !== undefined) return 411;
  const length = req.headers["content-length"];
  if (length === undefined) return req.method === "POST" || req.method === "PATCH" ? (door.bytes ? 411 : undefined) : undefined;
  if (!/^\d{1,15}$/.test(length)) return 400;
  return Number(length) > door.bytes ? 413 : undefined;
}

/** A person is sent to where they may be; a program is told no. Nothing of what was asked for goes out. */
function refuseUser(
  req: IncomingMessage,
  res: ServerResponse,
  door: Door,
  status: 401 | 403,
  user: User | undefined,
  refuse: (status: number, more?: Record<string, string>) => void,
): void {
  // The framework's own requests for a page are refused: the browser then asks for the page as a whole.
  const opens = door.kind === "page" && !req.headers.rsc && !req.headers["next-router-prefetch"];
  if (!opens) return refuse(status);
  refusedRequests.labels("307").inc();
  answer(req, res, 307, { Location: user ? "/card" : "/sign-in" });
}

async function drawPage(req: IncomingMessage, res: ServerResponse, handle: Handle, setting: Setting, refuse: (status: number) => void) {
  const turn = pages.enter();
  if (!turn) return refuse(503);
  // Whoever goes away while they wait gives their turn back as soon as it comes.
  let gone = false;
  let leave: () => void = () => undefined;
  res.once("close", () => {
    gone = true;
    leave();
  });
  leave = await turn;
  if (gone) return leave();
  const nonce = randomBytes(16).toString("base64");
  const policy = pagePolicy(nonce, setting.styles);
  req.headers["content-security-policy"] = policy;
  res.setHeader("Content-Security-Policy", policy);
  res.setHeader("Cache-Control", "private, no-store");
  // A view has so much time; when it is over, whoever waits is told instead of kept waiting.
  const late = setTimeout(() => {
    if (!res.headersSent) answer(req, res, 503);
  }, PAGE_MS);
  res.once("close", () => clearTimeout(late));
  await handle(req, res);
}

function answerHealth(res: ServerResponse): void {
  res.writeHead(200, { "Content-Type": "application/json", "Cache-Control": "no-store" }).end('{"alive":true}');
}

async function answerReady(res: ServerResponse): Promise<void> {
  const state = await isReady();
  res.writeHead(state.ready ? 200 : 503, { "Content-Type": "application/json", "Cache-Control": "no-store" }).end(JSON.stringify(state));
}

let cardWorker: Promise<Buffer> | undefined;

/** The card's worker: the same for everybody, it carries no data. */
async function answerCardWorker(res: ServerResponse): Promise<void> {
  cardWorker ??= readFile("dist/card-worker.js");
  const code = await cardWorker;
  res
    .writeHead(200, {
      "Content-Type": "text/javascript; charset=utf-8",
      "Content-Length": code.length,
      "Cache-Control": "no-cache",
      "Content-Security-Policy": "default-src 'none'; connect-src 'self'",
    })
    .end(code);
}

export type { Origin };
