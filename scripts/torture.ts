// ./wide-lane torture: fifty people at two servers, while servers, database and launchers are killed, the disk fills, answers get
// lost and one clock runs ahead; after each round every acknowledged act is looked for, and what holds always is checked.

import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { random } from "../core/rng";
import { migrate } from "../db/migrate";
import { closePool, makePool, rows } from "../db/pool";
import { readArgs, whole } from "./args";
import { startDatabase } from "./database";
import { build } from "./serve";
import { check, type Verdict } from "./torture/check";
import { openCluster } from "./torture/cluster";
import { type House, mountSmall, openHouse } from "./torture/house";
import { type Crowd, crowd, type Outcome } from "./torture/people";
import { Late, within } from "./within";

const USAGE = "./wide-lane torture [--minutes N] [--people N] [--seed N] [--cluster]";
/** No step of a round takes so long on the slowest machine seen: what does hangs, and the torture ends and says where. */
const STEP_MS = 180_000;
/** After whatever was done to it, the house is to be back by itself in this time. */
const BACK_MS = 30_000;
const pause = (ms: number) => new Promise<void>((r) => setTimeout(r, ms));

export default async function torture(args: string[]): Promise<number> {
  const a = readArgs(args, ["minutes", "people", "seed"], ["cluster"], USAGE);
  const minutes = whole(a, "minutes", 1, 600) ?? 2;
  const people = whole(a, "people", 1, 500) ?? 50;
  const seed = whole(a, "seed", 1, 1e6) ?? 1;
  // By the clock, and on its own databases only.
  delete process.env.WIDE_LANE_NOW;
  delete process.env.DATABASE_URL;
  const folder = mkdtempSync(path.join(os.tmpdir(), "wl-torture-"));
  const disk = path.join(folder, "disk");
  const cluster = a.options.has("cluster");
  const small = !cluster && mountSmall(disk);
  if (!cluster)
    console.log(small ? "on a small file system of its own" : "no small file system may be mounted here: the disk is not filled");
  let house: House | undefined;
  try {
    build(console.log);
    await loadDemoInto(path.join(disk, "shop"));
    house = cluster ? await openCluster(disk) : await openHouse(disk, small);
    const up = await house.back(120_000);
    if (up === undefined) throw new Error(`the house does not open:\n${house.log().slice(-3000)}`);
    const r = await rounds(house, minutes, people, seed);
    return r.good ? 0 : 1;
  } catch (e) {
    console.error(house?.log().split("\n").slice(-30).join("\n"));
    throw e;
  } finally {
    await within("ending the house", STEP_MS, house?.end() ?? Promise.resolve()).catch((e: Error) => console.error(e.message));
    if (small) spawnSync("umount", [disk]);
    rmSync(folder, { recursive: true, force: true });
  }
}

async function loadDemoInto(folder: string): Promise<void> {
  console.log("making the demo's workshop ...");
  const database = await startDatabase(folder, "wide_lane");
  try {
    process.env.DATABASE_URL = database.url;
    await migrate(database.url);
    const { loadDemo } = await import("../demo/load");
    await loadDemo();
    await closePool();
  } finally {
    delete process.env.DATABASE_URL;
    await database.stop();
  }
}

async function signIn(address: string, user: string): Promise<string> {
  const r = await fetch(`${address}/api/session`, {
    method: "POST",
    headers: { origin: address, "content-type": "application/json" },
    body: JSON.stringify({ demoUser: user }),
    signal: AbortSignal.timeout(30_000),
  });
  if (!r.ok) throw new Error(`could not sign in as ${user}: ${r.status}`);
  return r.headers
    .getSetCookie()
    .map((c) => c.split(";")[0])
    .join("; ");
}

const COUNT_MS = 60_000;
const COUNT_TRIES = 3;

/** Counts over connections of its own. One that gets no answer is let go and another one asks: only what is counted decides. */
async function counted(house: House, outcomes: readonly Outcome[], what: string): Promise<Verdict> {
  for (let attempt = 1; ; attempt++) {
    const c = makePool(house.url());
    try {
      return await within(what, COUNT_MS, check(c, outcomes));
    } catch (e) {
      if (!(e instanceof Late) || attempt >= COUNT_TRIES) throw e;
      console.log(`${e.message}; asked again`);
    } finally {
      // In order it would wait for an answer that may never come.
      await within("closing", 5000, c.end()).catch(() => undefined);
    }
  }
}

async function rounds(house: House, minutes: number, people: number, seed: number): Promise<{ good: boolean }> {
  const r = random(seed);
  const look = async <T>(sql: string) => {
    const c = makePool(house.url());
    try {
      return await rows<T>(c, sql);
    } finally {
      await c.end();
    }
  };
  const ids = async (sql: string) => (await look<{ id: string }>(sql)).map((x) => x.id);
  const users = await look<{ id: string; role: string }>("SELECT id, role FROM user WHERE NOT retired");
  const cookies: { cookie: string; lead: boolean }[] = [];
  const leads = users.filter((u) => u.role === "lead");
  for (let i = 0; i < people; i++) {
    const u = i % 3 === 0 ? users[i % users.length] : leads[i % leads.length];
    cookies.push({ cookie: await signIn(house.addresses[i % 2], u.id), lead: u.role === "lead" });
  }
  const all: Crowd = crowd(
    house.addresses,
    cookies,
    {
      builds: await ids("SELECT id FROM build WHERE state = 'active'"),
      jobs: (await look<{ id: string; build_id: string }>("SELECT id, build_id FROM job LIMIT 400")).map((j) => ({
        id: j.id,
        build: j.build_id,
      })),
      shots: await ids("SELECT id FROM proof_shot LIMIT 100"),
      fitters: await ids("SELECT id FROM fitter WHERE NOT retired"),
      bays: await ids("SELECT id FROM bay WHERE NOT retired"),
      parts: await look<{ id: string; version: number }>("SELECT id, version FROM part_line LIMIT 200"),
    },
    seed,
  );
  const end = Date.now() + minutes * 60_000;
  let worst = 0;
  let good = true;
  let last: Verdict = { lost: [], doubled: [], broken: [] };
  for (let round = 1; Date.now() < end && good; round++) {
    await pause(4000 + r() * 5000);
    const blow = house.blows[(round - 1) % house.blows.length];
    const what = await within(`round ${round}, ${blow}`, STEP_MS, house.strike(blow));
    // What was struck needs a moment to be gone.
    await pause(1200);
    const back = await within(`round ${round}, back after ${what}`, STEP_MS, house.back(BACK_MS));
    worst = Math.max(worst, back ?? Number.POSITIVE_INFINITY);
    // Everybody gets an answer to what they have begun; then it is counted.
    await within(`round ${round}, the answers to what was begun`, STEP_MS, all.hold());
    last = await counted(house, all.tally.outcomes, `round ${round}, counting`);
    all.go();
    good = back !== undefined && !last.lost.length && !last.doubled.length && !last.broken.length && !all.tally.faults.length;
    const t = all.tally;
    console.log(
      `round ${round}: ${what}; back in ${back === undefined ? `more than ${BACK_MS / 1000}` : (back / 1000).toFixed(1)} s; ${t.acknowledged} acknowledged, ${t.refused} refused, ${t.retried} sent again, ${t.cut} cut; lost ${last.lost.length}, doubled ${last.doubled.length}, broken ${last.broken.length}`,
    );
  }
  await within("the last answers", STEP_MS, all.end());
  const t = all.tally;
  const traced = t.outcomes.filter((o) => o.state === "acknowledged").length;
  for (const x of [
    ...last.lost.slice(0, 10),
    ...last.doubled.slice(0, 10),
    ...last.broken,
    ...t.faults.slice(0, 10),
    ...t.letGo.slice(0, 10),
  ])
    console.log(`  ${x}`);
  if (!good) console.log(house.log().split("\n").slice(-40).join("\n"));
  console.log(
    `${t.sent} acts by ${people} people, ${t.acknowledged} acknowledged (${traced} of them traced), ${t.reads} looks, longest wait for an answer ${(t.longest / 1000).toFixed(1)} s, worst comeback ${(worst / 1000).toFixed(1)} s: ${last.lost.length} lost, ${last.doubled.length} doubled, ${last.broken.length} invariants broken, ${t.faults.length} faults`,
  );
  return { good };
}
