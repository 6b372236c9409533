// ./wide-lane test: lint, types, unit, database and browser tests, each counted; ends every process that it started.

import { AsyncLocalStorage } from "node:async_hooks";
import { type ChildProcess, spawn } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { startDatabase } from "./database";
import { Stop } from "./stop";
import { type Counts, ofBrowser, ofVitest } from "./test-report";
import { TEST_NOW, withDemo, withServers } from "./with-demo";
import { within } from "./within";
import { bundlePhotoWorker, bundleWorker } from "./worker-bundle";

/** The whole of it is to end within an hour on a slow machine. */
const HOUR_MS = 58 * 60_000;

/** What runs now, so that a signal ends it instead of leaving it behind. */
const children = new Set<ChildProcess>();
let stopped = false;

/** The step that code belongs to. One whose time is over starts nothing any more, however late it gets on. */
const steps = new AsyncLocalStorage<{ over: boolean }>();

function stopOnSignal(): void {
  stopped = true;
  endChildren();
}

const bin = (name: string) => path.join("node_modules", ".bin", name);

function run(command: string, args: string[], env: Record<string, string> = {}): Promise<number> {
  if (stopped || steps.getStore()?.over) return Promise.resolve(-1);
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      stdio: ["ignore", "inherit", "inherit"],
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1", ...env },
    });
    children.add(child);
    const over = (code: number) => {
      children.delete(child);
      resolve(code);
    };
    child.once("error", () => over(-1));
    child.once("exit", (code) => over(code ?? -1));
  });
}

/** Ends what runs now: asked first, made to after a while. */
function endChildren(): void {
  for (const c of children) {
    c.kill("SIGTERM");
    const late = setTimeout(() => c.kill("SIGKILL"), 20_000);
    c.once("exit", () => clearTimeout(late));
  }
}

const title = (text: string) => console.log(`\n== ${text}`);

async function one(name: string, command: string, args: string[]): Promise<Counts> {
  title(name);
  const code = await run(command, args);
  return code === 0 ? { passed: 1, failed: 0, why: [] } : { passed: 0, failed: 1, why: [`it ended with ${code}`] };
}

/** What a report of tests says; a run that leaves none counts as one that failed. */
const counted = (file: string, code: number, read: (report: never, code: number) => Counts): Counts =>
  existsSync(file)
    ? read(JSON.parse(readFileSync(file, "utf8")) as never, code)
    : { passed: 0, failed: 1, why: [`it ended with ${code} and left no report`] };

async function vitest(name: string, folder: string, args: string[], env: Record<string, string> = {}): Promise<Counts> {
  title(name);
  const file = path.join(folder, `${name.replace(/\W+/g, "-")}.json`);
  const code = await run(bin("vitest"), ["run", "--reporter=default", "--reporter=json", `--outputFile.json=${file}`, ...args], env);
  return counted(file, code, ofVitest);
}

async function playwright(folder: string, env: Record<string, string>): Promise<Counts> {
  const file = path.join(folder, "browser.json");
  const code = await run(bin("playwright"), ["test"], { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: file });
  return counted(file, code, ofBrowser);
}

function browser(folder: string): Promise<Counts> {
  title("browser");
  return withDemo(path.join(folder, "browser"), (address) => playwright(folder, { BASE_URL: address }));
}

/** Two servers on a demo of their own, asked by nobody, by fitters, and by whoever means harm. */
function runningServer(folder: string): Promise<Counts> {
  return withServers(path.join(folder, "live"), 2, (demo) =>
    vitest("running server", folder, ["--config", "vitest.live.config.ts"], {
      LIVE_URLS: demo.addresses.join(" "),
      LIVE_PIDS: demo.servers.map((s) => s.pid).join(" "),
      DATABASE_URL: demo.databaseUrl,
      WIDE_LANE_NOW: TEST_NOW,
    }),
  );
}

/** Everything is killed under load for a while, and nothing may be lost. */
const tortured = (name: string, more: string[]): Promise<Counts> =>
  one(name, process.execPath, ["--import", "tsx", "scripts/cli.ts", "torture", ...more]);

async function databaseTests(folder: string): Promise<Counts> {
  // The threads that the server hands photos and plans to: nothing is built yet on a new machine.
  bundleWorker();
  bundlePhotoWorker();
  const database = await startDatabase(path.join(folder, "db"), "wide_lane_test");
  try {
    return await vitest("database", folder, ["--config", "vitest.db.config.ts"], { DATABASE_URL: database.url, WIDE_LANE_NOW: TEST_NOW });
  } finally {
    await database.stop();
  }
}

export default async function test(args: string[] = []): Promise<number> {
  if (args.length)
    throw new Stop("Usage: ./wide-lane test\n\nIt runs all tests and takes no words. Some of them: npx vitest run FOLDER.", 2);
  const folder = mkdtempSync(path.join(os.tmpdir(), "wide-lane-test-"));
  delete process.env.WIDE_LANE_NOW;
  const parts: [string, Counts][] = [];
  process.on("SIGINT", stopOnSignal);
  process.on("SIGTERM", stopOnSignal);
  // Nobody reads on, as behind `| head`: what runs is ended, not left behind.
  process.stdout.on("error", stopOnSignal);
  try {
    const began = Date.now();
    const step = async (name: string, minutes: number, work: () => Promise<Counts>) => {
      if (stopped) return;
      const from = Date.now();
      const left = Math.min(minutes * 60_000, HOUR_MS - (from - began));
      const failed = (e: Error): Counts => {
        console.error(e);
        return { passed: 0, failed: 1, why: [e.message] };
      };
      const here = { over: false };
      const counts =
        left > 0 ? await within(name, left, steps.run(here, work)).catch(failed) : failed(new Error("not begun: the hour is over"));
      here.over = true;
      // What hangs is ended; what comes after it is still run.
      endChildren();
      parts.push([`${name} (${Math.round((Date.now() - from) / 1000)} s)`, counts]);
    };
    await step("lint, format, import direction", 5, () =>
      one("lint, format, import direction", bin("biome"), ["ci", "--error-on-warnings", "."]),
    );
    await step("types", 5, () => one("types", bin("tsc"), ["--noEmit"]));
    await step("unit", 20, () => vitest("unit", folder, []));
    await step("database", 20, () => databaseTests(folder));
    await step("running server", 15, () => runningServer(folder));
    await step("browser", 35, () => browser(folder));
    await step("torture", 9, () => tortured("torture", ["--minutes", "2"]));
    await step("torture of a cluster", 9, () => tortured("torture of a cluster", ["--minutes", "2", "--cluster"]));
    await step("known holes", 3, () => one("known holes", process.execPath, ["--import", "tsx", "scripts/cli.ts", "audit"]));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  if (stopped) {
    console.error("stopped; everything that it had started is ended");
    return 130;
  }
  // The end of a long output is what is kept and read: what failed is said there once more.
  for (const [name, c] of parts.filter(([, c]) => c.why.length)) console.log([`\n== failed: ${name}`, ...c.why].join("\n"));
  title("result");
  for (const [name, c] of parts) console.log(`${name}: ${c.passed} passed${c.failed ? `, ${c.failed} FAILED` : ""}`);
  const passed = parts.reduce((n, [, c]) => n + c.passed, 0);
  const failed = parts.reduce((n, [, c]) => n + c.failed, 0);
  console.log(`${passed} passed, ${failed} failed`);
  return failed ? 1 : 0;
}
