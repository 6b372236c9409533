// Figures of the running server in the open text format, on a port of loopback only; and what took too long, in the log.

import { createServer, type Server } from "node:http";
import { Counter, collectDefaultMetrics, Gauge, Histogram, Registry } from "prom-client";
import { newestSafekeeping } from "@/db/access/safekeeping";
import { pool, poolUse, queries, retried } from "@/db/pool";
import { log } from "@/server/running/log";
import { changesWaiting } from "@/server/writing";

const registry = new Registry();
collectDefaultMetrics({ register: registry });

export const requests = new Histogram({
  name: "wide_lane_request_seconds",
  help: "Time to answer, by kind of request and status",
  labelNames: ["kind", "status"],
  buckets: [0.01, 0.025, 0.05, 0.1, 0.2, 0.3, 0.5, 1, 2, 5, 15],
  registers: [registry],
});
export const refusedRequests = new Counter({
  name: "wide_lane_refused_total",
  help: "Requests that the front refused, by status",
  labelNames: ["status"],
  registers: [registry],
});

const gauge = (name: string, help: string, read: (g: Gauge) => void | Promise<void>) => {
  new Gauge({
    name,
    help,
    registers: [registry],
    async collect() {
      await read(this);
    },
  });
};
gauge("wide_lane_queries_total", "Queries asked of the database", (g) => g.set(queries().count));
gauge("wide_lane_query_seconds_total", "Time spent on them", (g) => g.set(queries().ms / 1000));
gauge("wide_lane_slow_queries_total", "Queries of over 300 ms", (g) => g.set(queries().slow));
gauge("wide_lane_connections", "Connections of the pool", (g) => g.set(poolUse().open));
gauge("wide_lane_connections_busy", "Of them in use", (g) => g.set(poolUse().busy));
gauge("wide_lane_changes_waiting", "Changes that wait for their turn", (g) => g.set(changesWaiting()));
gauge("wide_lane_retries_total", "Transactions run again", (g) => g.set(retried.conflicts + retried.duplicates + retried.connections));
gauge("wide_lane_backup_age_seconds", "Since the newest backup that went well; -1: none", async (g) => {
  const newest = await newestSafekeeping(pool(), "backup").catch(() => undefined);
  g.set(newest ? newest.ageSeconds : -1);
});

/** Serves the figures on 127.0.0.1 only; a port that is taken is told and done without. */
export function serveMetrics(port: number): Server {
  const server = createServer((req, res) => {
    if (req.url !== "/metrics") {
      res.writeHead(404).end();
      return;
    }
    registry.metrics().then(
      (text) => res.writeHead(200, { "Content-Type": registry.contentType }).end(text),
      () => res.writeHead(500).end(),
    );
  });
  server.on("error", (err) => log.warn({ err, port }, "no metrics: the port can't be used"));
  server.listen(port, "127.0.0.1");
  server.unref();
  return server;
}
