// ./wide-lane start: the workshop's own data, in production. The first start makes an empty workshop and its lead.

import path from "node:path";
import { closePool } from "../db/pool";
import { firstRun } from "../server/access/first-run";
import { readArgs } from "./args";
import { runUntilStopped } from "./run";

export default async function start(args: string[]): Promise<number> {
  const a = readArgs(
    args,
    ["port", "host", "zone", "name", "metrics-port", "data"],
    [],
    "./wide-lane start [--port N] [--host H] [--name NAME --zone ZONE] [--metrics-port N] [--data FOLDER]",
  );
  return runUntilStopped({
    args: a,
    folder: path.resolve(a.options.get("data") ?? ".data/shop"),
    port: 3200,
    backups: true,
    prepare: async () => {
      const made = await firstRun(
        a.options.get("name") ?? "Our workshop",
        a.options.get("zone") ?? Intl.DateTimeFormat().resolvedOptions().timeZone,
      );
      await closePool();
      return made
        ? [
            "",
            `First start: sign in as ${made.login} with the code ${made.code} and choose a password.`,
            "The code works once and is shown only now. ./wide-lane sign-in-code lead makes another.",
            "",
          ]
        : [];
    },
  });
}
