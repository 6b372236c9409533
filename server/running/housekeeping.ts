// What is swept up every hour: answers, brakes and events of access that nobody needs any more.

import { forgetBrakes } from "@/db/access/users";
import { forgetAnswers } from "@/db/acts";
import { pool } from "@/db/pool";
import { log } from "./log";

const EVERY_MS = 3_600_000;

async function sweep(): Promise<void> {
  await forgetAnswers(pool());
  await forgetBrakes(pool());
}

export function startHousekeeping(): void {
  const run = () => void sweep().catch((err) => log.warn({ err }, "sweeping up failed; it is tried again in an hour"));
  setTimeout(run, 60_000).unref();
  setInterval(run, EVERY_MS).unref();
}
