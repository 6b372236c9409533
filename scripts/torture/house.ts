// What is tortured: two launchers with a server each on one database, on a small file system of its own where the machine allows one.

import { type ChildProcess, spawn, spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync, statfsSync, truncateSync, writeFileSync } from "node:fs";
import path from "node:path";
import { freePort } from "../database";
import { endProcess, known, readKnown, runs } from "../process";

const SIZE_MB = 1600;
/** The second server's clock is an hour ahead. */
const AHEAD = `data:text/javascript,${encodeURIComponent(
  "const R=Date;const s=3600000;globalThis.Date=class extends R{constructor(...a){if(a.length)super(...a);else super(R.now()+s)}static now(){return R.now()+s}static UTC(...a){return R.UTC(...a)}static parse(t){return R.parse(t)}};",
)}`;

export interface House {
  addresses: string[];
  /** What is done to it, in turns. */
  blows: readonly string[];
  /** The database as it can be reached now, for looking into it. */
  url(): string;
  /** Does it, and says what was done. */
  strike(blow: string): Promise<string>;
  /** Milliseconds until both servers can do their work again; undefined: not within that time. */
  back(withinMs: number): Promise<number | undefined>;
  log(): string;
  end(): Promise<void>;
}

/** Until every one of them says that it can do its work. */
export async function allReady(addresses: readonly string[], withinMs: number): Promise<number | undefined> {
  const began = Date.now();
  while (Date.now() - began < withinMs) {
    const ready = await Promise.all(
      addresses.map((a) =>
        fetch(`${a}/ready`, { signal: AbortSignal.timeout(2000) }).then(
          (r) => r.ok,
          () => false,
        ),
      ),
    );
    if (ready.every(Boolean)) return Date.now() - began;
    await pause(100);
  }
  return undefined;
}

const pause = (ms: number) => new Promise<void>((r) => setTimeout(r, ms));

/** Mounts a small file system; false where that is not allowed. */
export function mountSmall(folder: string): boolean {
  mkdirSync(folder, { recursive: true });
  return spawnSync("mount", ["-t", "tmpfs", "-o", `size=${SIZE_MB}m`, "tmpfs", folder]).status === 0;
}

export async function openHouse(folder: string, small: boolean): Promise<House> {
  const data = path.join(folder, "shop");
  const ports = [await freePort(), await freePort()];
  const addresses = ports.map((p) => `http://127.0.0.1:${p}`);
  const url = () => readFileSync(path.join(data, "url"), "utf8");
  let log = "";
  let ending = false;
  const launchers: (ChildProcess | undefined)[] = [undefined, undefined];

  const launch = (i: number): void => {
    const env: NodeJS.ProcessEnv = { ...process.env, WIDE_LANE_LEAST_DISK_MB: "60", WIDE_LANE_LOG: "warn" };
    delete env.WIDE_LANE_NOW;
    delete env.DATABASE_URL;
    if (i === 1) Object.assign(env, { DATABASE_URL: lastUrl, NODE_OPTIONS: `--import ${AHEAD}` });
    const child = spawn(
      process.execPath,
      ["--import", "tsx", "scripts/cli.ts", "start", "--data", i === 0 ? data : path.join(folder, "second"), "--port", String(ports[i])],
      {
        env,
        stdio: ["ignore", "pipe", "pipe"],
      },
    );
    for (const out of [child.stdout, child.stderr])
      out?.on("data", (d) => {
        log = (log + d).slice(-200_000);
      });
    child.once("exit", (code, signal) => {
      if (ending || launchers[i] !== child) return;
      log += `\nlauncher ${i + 1} ended (${code ?? signal}); started again\n`;
      setTimeout(() => !ending && launch(i), 1000);
    });
    launchers[i] = child;
  };

  let lastUrl = "";
  launch(0);
  for (let n = 0; !existsSync(path.join(data, "url")); n++) {
    if (n > 1200) throw new Error(`the first launcher does not start:\n${log}`);
    await pause(100);
  }
  lastUrl = url();
  launch(1);

  const serverFile = (i: number) => path.join(i === 0 ? data : path.join(folder, "second"), `server-${ports[i]}`);
  const killKnown = async (file: string): Promise<string> => {
    for (let n = 0; n < 100; n++) {
      const k = readKnown(file);
      if (k && runs(k)) {
        process.kill(k.pid, "SIGKILL");
        return `process ${k.pid}`;
      }
      await pause(100);
    }
    return "nothing, it was not running";
  };
  const strike = async (blow: string): Promise<string> => {
    if (blow === "nothing") return blow;
    if (blow === "full disk") {
      if (!small) return "full disk (left out)";
      await fillFor(data, 5000);
      return blow;
    }
    if (blow === "database") return `${blow}: ${await killKnown(path.join(data, "database"))}`;
    const i = blow.endsWith("1") ? 0 : 1;
    if (blow.startsWith("server")) return `${blow}: ${await killKnown(serverFile(i))}`;
    const pid = launchers[i]?.pid;
    if (pid) process.kill(pid, "SIGKILL");
    return `${blow}: process ${pid}`;
  };
  return {
    addresses,
    blows: ["server 1", "database", "launcher 1", "server 2", "full disk", "launcher 2", "database", "nothing"],
    url,
    strike,
    back: (withinMs) => allReady(addresses, withinMs),
    log: () => log,
    end: async () => {
      ending = true;
      for (const child of [launchers[1], launchers[0]]) if (child?.pid) await endProcess(known(child.pid), 30_000);
    },
  };
}

/** Fills the file system of a folder to the last few bytes for a while. */
async function fillFor(folder: string, ms: number): Promise<void> {
  const filler = path.join(folder, "filler");
  const s = statfsSync(folder);
  writeFileSync(filler, "");
  spawnSync("fallocate", ["-l", String(Math.max(0, s.bavail * s.bsize - 64 * 1024)), filler]);
  await pause(ms);
  truncateSync(filler, 0);
  rmSync(filler, { force: true });
}
