// ./wide-lane demo: the made-up workshop, with its data kept between runs.

import { existsSync, rmSync } from "node:fs";
import path from "node:path";
import { closePool } from "../db/pool";
import { demoState, loadDemo } from "../demo/load";
import { DEMO_PASSWORD, users } from "../demo/people";
import { readArgs } from "./args";
import { endLeftover } from "./database";
import { lock, lockFile } from "./lock";
import { runUntilStopped, say } from "./run";
import { Stop } from "./stop";

export default async function demo(args: string[]): Promise<number> {
  const a = readArgs(
    args,
    ["port", "host", "metrics-port"],
    ["fresh"],
    "./wide-lane demo [--fresh] [--port N] [--host H] [--metrics-port N]",
  );
  if (process.env.DATABASE_URL) throw new Stop("demo keeps its own database: unset DATABASE_URL, or use ./wide-lane start");
  const folder = path.resolve(".data/demo");
  if (a.options.has("fresh") && existsSync(folder)) {
    const unlock = lock(lockFile(folder, undefined, 0));
    await endLeftover(folder);
    rmSync(folder, { recursive: true, force: true });
    unlock();
  }
  return runUntilStopped({
    args: a,
    folder,
    port: 3210,
    prepare: async () => {
      const state = await demoState();
      if (state === "half") throw new Stop("loading the demo was cut off last time. Begin anew: ./wide-lane demo --fresh");
      if (state === "none") {
        say("Making the demo's workshop ...");
        await loadDemo((text) => say(`  ${text}`));
      }
      await closePool();
      return [
        "",
        "Sign in by a click on a name, or with these (the password is the same for all):",
        ...users.map((u) => `  ${u.login.padEnd(8)} ${DEMO_PASSWORD}   ${u.role}`),
        "",
      ];
    },
  });
}
