// Builds the application when its sources have changed, and serves the production build.

import { type ChildProcess, spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import path from "node:path";
import { watchForHang } from "./hang";
import { Stop } from "./stop";
import { bundleCardWorker, bundleFront, bundlePhotoWorker, bundleWorker } from "./worker-bundle";

const SOURCES = [
  "app",
  "ui",
  "core",
  "db",
  "server",
  "front",
  "scripts/worker-bundle.ts",
  "standins",
  "workers",
  "next.config.ts",
  "postcss.config.mjs",
  "tsconfig.json",
  "package-lock.json",
];
const STAMP = ".next/wide-lane-stamp";
const BUNDLES = ["dist/plan-worker.mjs", "dist/photo-worker.mjs", "dist/front.mjs", "dist/card-worker.js"];

function hashSources(): string {
  const h = createHash("sha256");
  const walk = (p: string): void => {
    if (!existsSync(p)) return;
    if (statSync(p).isDirectory()) for (const f of readdirSync(p).sort()) walk(path.join(p, f));
    else if (!/\.(test|spec)\.tsx?$/.test(p)) h.update(p).update(readFileSync(p));
  };
  SOURCES.forEach(walk);
  return h.digest("hex");
}

/** Whether what is built is what the sources say now. */
export const buildIsCurrent = (stamp = hashSources()): boolean =>
  existsSync(STAMP) && BUNDLES.every((b) => existsSync(b)) && readFileSync(STAMP, "utf8") === stamp;

/** Builds what is not built yet; says so, since it takes a minute or two. */
export function build(say: (text: string) => void): void {
  const stamp = hashSources();
  if (buildIsCurrent(stamp)) return;
  say("Building (a minute or two, only after a change) ...");
  bundleWorker();
  bundlePhotoWorker();
  bundleFront();
  bundleCardWorker();
  const next = spawnSync(process.execPath, ["node_modules/next/dist/bin/next", "build"], {
    encoding: "utf8",
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1" },
  });
  if (next.status !== 0) throw new Stop(`the build failed:\n${(next.stdout + next.stderr).trim().split("\n").slice(-30).join("\n")}`);
  writeFileSync(STAMP, stamp);
}

/** Throws a Stop when nobody can listen there. */
export function checkPort(host: string, port: number): Promise<void> {
  return new Promise((resolve, reject) => {
    const s = createServer();
    s.once("error", (e: NodeJS.ErrnoException) =>
      reject(
        new Stop(
          e.code === "EADDRINUSE"
            ? `port ${port} is taken by another program. Choose one: --port ${port + 1}`
            : `port ${port} on ${host} can't be used: ${e.message}`,
        ),
      ),
    );
    s.listen(port, host, () => s.close(() => resolve()));
  });
}

export interface Server {
  address: string;
  pid: number;
  ended: Promise<number | null>;
  stop(): Promise<void>;
}

/** How long a server may take until it can do its work. */
const READY_MS = 30_000;

/** Serves the build behind the front and waits until it can do its work. */
export async function serve(host: string, port: number, env: Record<string, string>): Promise<Server> {
  const child: ChildProcess = spawn(
    process.execPath,
    ["--enable-source-maps", "--max-old-space-size=1024", "--max-semi-space-size=4", "dist/front.mjs"],
    {
      env: {
        ...process.env,
        NODE_ENV: "production",
        // Buffers of many sizes from many threads: without this the C library keeps an arena for each.
        MALLOC_ARENA_MAX: "2",
        NEXT_TELEMETRY_DISABLED: "1",
        WIDE_LANE_HOST: host,
        WIDE_LANE_PORT: String(port),
        ...env,
      },
      // The channel is how the server learns that its launcher has died.
      stdio: ["ignore", "ignore", "pipe", "ipc"],
      // Its own process group: a Ctrl-C reaches this process only, which then ends both in order.
      detached: true,
    },
  );
  let errors = "";
  let quiet = false;
  child.stderr?.on("data", (d) => {
    errors = (errors + d).slice(-4000);
    if (!quiet) process.stderr.write(d);
  });
  let gone = false;
  const ended = new Promise<number | null>((resolve) => {
    const over = (code: number | null) => {
      gone = true;
      resolve(code);
    };
    child.once("exit", over);
    child.once("error", () => over(-1));
  });
  const shown = host === "0.0.0.0" || host === "::" ? "127.0.0.1" : host;
  const address = `http://${shown}:${port}`;
  for (const began = Date.now(); ; ) {
    if (gone) throw new Stop(`the server ended while starting:\n${errors.trim()}`);
    const ready = await fetch(`${address}/ready`, { signal: AbortSignal.timeout(3000) })
      .then((r) => r.ok)
      .catch(() => false);
    if (ready) break;
    if (Date.now() - began > READY_MS) {
      child.kill("SIGKILL");
      throw new Stop(`the server does not get ready on ${address}\n${errors.trim()}`);
    }
    await new Promise((r) => setTimeout(r, 100));
  }
  const unwatch = watchForHang(address, () => {
    process.stderr.write("the server does not answer any more; it is ended\n");
    child.kill("SIGKILL");
  });
  void ended.then(unwatch);
  return {
    address,
    pid: child.pid!,
    ended,
    stop: async () => {
      quiet = true;
      if (!gone) child.kill("SIGTERM");
      const late = setTimeout(() => child.kill("SIGKILL"), 6000);
      await ended;
      clearTimeout(late);
    },
  };
}
