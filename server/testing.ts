// For tests of the actions against a real MariaDB: a house with a lead and fitters, and ways to send and to be refused.

import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { InputError } from "@/core/plan/fault";
import type { User } from "@/db/access/users";
import { insert, pool } from "@/db/pool";
import { freshDatabase } from "@/db/testing";
import { bundlePhotoWorker, bundleWorker } from "@/scripts/worker-bundle";
import { firstRun } from "./access/first-run";
import { perform } from "./api";
import { Refusal } from "./refusal";

export const lead: User = { id: "lead", login: "lead", name: "Lead", role: "lead", fitterId: null, retired: false, version: 1 };

export const post = <T = Record<string, string>>(p: string, body: unknown, user: User = lead) =>
  perform("POST", p.split("/"), body, user) as Promise<T>;

/** What a refused piece of work was answered with; an error of any other kind is thrown on. */
export async function refused(work: Promise<unknown>): Promise<Refusal | InputError> {
  try {
    await work;
  } catch (e) {
    if (e instanceof Refusal || e instanceof InputError) return e;
    throw e;
  }
  throw new Error("it was not refused");
}

/** The fields that a refusal names. */
export async function pathsOf(work: Promise<unknown>): Promise<string[]> {
  const e = await refused(work);
  const faults = e instanceof InputError ? e.faults : ((e.detail as { faults?: { path: string }[] }).faults ?? []);
  return faults.map((f) => f.path);
}

/** An empty house, with fitters of these names who may do all body work. */
export async function house(...names: string[]): Promise<User[]> {
  process.env.WIDE_LANE_WORKER = path.join(mkdtempSync(path.join(os.tmpdir(), "wl-worker-")), "plan-worker.mjs");
  bundleWorker(process.env.WIDE_LANE_WORKER);
  // Inside node_modules, so that it finds the package that decodes pictures.
  process.env.WIDE_LANE_PHOTO_WORKER = path.resolve("node_modules/.cache/wide-lane-test/photo-worker.mjs");
  bundlePhotoWorker(process.env.WIDE_LANE_PHOTO_WORKER);
  await freshDatabase();
  await firstRun("Test house", "Europe/Lisbon");
  const users: User[] = [];
  for (const name of names) {
    const f = await post("fitters", { name, calendarId: "shop", skills: { body: 3 }, tickets: [] });
    const login = name.toLowerCase();
    const user: User = { id: `u-${login}`, login, name, role: "fitter", fitterId: f.id, retired: false, version: 1 };
    await insert(pool(), "user", [{ id: user.id, login, name, role: "fitter", fitter_id: f.id, password_hash: "x" }]);
    users.push(user);
  }
  return users;
}
