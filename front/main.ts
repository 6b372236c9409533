// The server's process: the application behind the front, its figures beside it, ended in good order by a signal.

import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { createServer } from "node:http";
import path from "node:path";
import next from "next";
import { pool, queries } from "@/db/pool";
import { startHousekeeping } from "@/server/running/housekeeping";
import { log } from "@/server/running/log";
import { makeFront } from "./front";
import { serveMetrics } from "./metrics";

const port = Number(process.env.WIDE_LANE_PORT);
const host = process.env.WIDE_LANE_HOST ?? "127.0.0.1";
const metricsPort = Number(process.env.WIDE_LANE_METRICS_PORT ?? 0);

const hashOf = (text: string): string => `'sha256-${createHash("sha256").update(text).digest("base64")}'`;

/** The toasts' package puts its style in by itself, first empty, then filled: this very text may, no other. */
function packageStyles(): string[] {
  try {
    const code = readFileSync(path.join(process.cwd(), "node_modules/sonner/dist/index.mjs"), "utf8");
    const text = /__insertCSS\(("(?:[^"\\]|\\.)*")\)/.exec(code)?.[1];
    return text ? [hashOf(""), hashOf(JSON.parse(text) as string)] : [];
  } catch {
    return [];
  }
}

queries().onSlow = (sql, ms) => log.warn({ sql, ms }, "a slow query");

const app = next({ dev: false, dir: process.cwd(), hostname: host, port });
await app.prepare();
const front = makeFront(app.getRequestHandler(), {
  proxies: new Set((process.env.WIDE_LANE_PROXIES ?? "").split(/[\s,]+/).filter(Boolean)),
  styles: packageStyles(),
});
const server = createServer(
  // Whoever sends headers or a body drop by drop is cut off.
  { maxHeaderSize: 16_384, headersTimeout: 15_000, requestTimeout: 120_000, keepAliveTimeout: 8000, connectionsCheckingInterval: 5000 },
  (req, res) => void front(req, res),
);
server.maxConnections = 2000;
server.maxHeadersCount = 100;
server.on("clientError", (_e, socket) => {
  if (socket.writable) socket.end("HTTP/1.1 400 Bad Request\r\nConnection: close\r\nContent-Length: 0\r\n\r\n");
});
// Nothing here speaks over an upgraded connection.
server.on("upgrade", (_req, socket) => socket.destroy());

server.listen(port, host, () => {
  if (metricsPort) serveMetrics(metricsPort);
  startHousekeeping();
  process.send?.("ready");
});

const GRACE_MS = 4000;
let ending = false;
/** What is under way may end; then the connections to the database are given back. */
function end(): void {
  if (ending) return;
  ending = true;
  server.close(() => {
    pool()
      .end()
      .catch(() => undefined)
      .finally(() => process.exit(0));
  });
  server.closeIdleConnections();
  setTimeout(() => process.exit(0), GRACE_MS).unref();
}
process.on("SIGTERM", end);
process.on("SIGINT", end);
process.on("SIGHUP", end);
// The launcher died: nobody would end this server any more.
process.on("disconnect", end);
process.on("unhandledRejection", (err) => log.error({ err }, "a promise failed with nobody listening"));
