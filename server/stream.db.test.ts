// Long work told line by line: who may, what comes, and that stopping keeps the best plan so far.

import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { DEFAULT_OPTIONS } from "@/core/library/options";
import { checkPlan } from "@/core/plan/check/check";
import { readPlan, readProblem } from "@/core/plan/read";
import { closePool, insert, pool, run, transaction } from "@/db/pool";
import { freshDatabase } from "@/db/testing";
import { bundleWorker } from "@/scripts/worker-bundle";
import { firstRun } from "./access/first-run";
import { begin } from "./access/session";
import { perform } from "./api";
import { currentProblem, loadState, markStale, otherAnswer, playChances, replan, tryGains, tryWish } from "./planning/planning";
import { streamLines } from "./planning/stream";

const lead = { id: "lead", login: "lead", name: "Lead", role: "lead" as const, fitterId: null, retired: false, version: 1 };
let token = "";
let build = "";

beforeAll(async () => {
  process.env.WIDE_LANE_WORKER = path.join(mkdtempSync(path.join(os.tmpdir(), "wl-worker-")), "plan-worker.mjs");
  bundleWorker(process.env.WIDE_LANE_WORKER);
  await freshDatabase();
  await firstRun("Streams", "Europe/Lisbon");
  token = await begin(lead, { agent: "", address: "" });
  await run(pool(), "UPDATE bay SET has = ?, temp_c = 18", [
    JSON.stringify(["indoor", "lit", "heated", "lift", "roof-access", "scales", "wash"]),
  ]);
  const skills = { body: 3, trim: 3, electric: 3, joinery: 3, plumbing: 3, paint: 3, gas: 3 };
  for (const name of ["Ines", "Teo"]) await perform("POST", ["fitters"], { name, calendarId: "shop", skills, tickets: [] }, lead);
  await insert(pool(), "user", [
    { id: "u-f", login: "f", name: "F", role: "fitter", fitter_id: (await loadState()).shop.fitters[0].id, password_hash: "x" },
  ]);
  const options = { ...DEFAULT_OPTIONS };
  for (const name of ["One", "Two", "Three"]) {
    const made = (await perform(
      "POST",
      ["builds"],
      { name, client: "C", vanId: "drover-l2h2", arrives: "2026-11-24T08:00", due: "2027-01-10T17:00", options },
      lead,
    )) as { id: string };
    build ||= made.id;
  }
  await run(pool(), "UPDATE part_line SET state = 'checked'");
});
afterAll(closePool);

const request = (headers: Record<string, string>, body: object = {}) =>
  new Request("http://shop/api/plan/search", { method: "POST", headers, body: JSON.stringify(body) });
const signedIn = () => ({ cookie: `wide_lane=${token}` });
const lines = async (r: Response) =>
  (await r.text())
    .trim()
    .split("\n")
    .map((l) => JSON.parse(l) as Record<string, unknown>);

describe("streamLines", () => {
  const own = { "sec-fetch-site": "same-origin" };
  it("refuses before the first line: foreign pages, nobody, fitters", async () => {
    const work = async () => ({});
    expect((await streamLines(request({ origin: "http://evil", host: "shop", ...signedIn() }), work)).status).toBe(403);
    expect((await streamLines(request(own), work)).status).toBe(401);
  });
  it("tells what is sent, and at the end how it went", async () => {
    const r = await streamLines(request({ ...own, ...signedIn() }, { n: 2 }), async (user, body, send) => {
      send({ who: user.role, body });
      return { sum: 4 };
    });
    expect(await lines(r)).toEqual([{ who: "lead", body: { n: 2 } }, { done: { sum: 4 } }]);
  });
  it("tells a refusal on the way in the server's words, and a fault without its inside", async () => {
    const bad = await lines(
      await streamLines(request({ ...own, ...signedIn() }), () => tryGains("none", () => undefined).then(() => ({}))),
    );
    expect(bad).toEqual([{ failed: { status: 404, error: "There is no such build." } }]);
    const fault = await lines(
      await streamLines(request({ ...own, ...signedIn() }), async () => {
        throw new Error("secret inside");
      }),
    );
    expect(JSON.stringify(fault)).not.toContain("secret");
    expect(fault[0].failed).toMatchObject({ status: 500 });
  });
});

describe("searching on", () => {
  it("refuses gains while there is no plan, and while it is stale", async () => {
    await expect(tryGains(build, () => undefined)).rejects.toThrow(/no plan yet/);
    await expect(playChances(() => undefined)).rejects.toThrow(/no plan yet/);
    await replan("lead");
    await perform(
      "POST",
      ["absences"],
      { fitterId: (await loadState()).shop.fitters[0].id, from: "2026-12-01T08:00", to: "2026-12-02T17:00", reason: "" },
      lead,
    );
    await expect(tryGains(build, () => undefined)).rejects.toThrow(/stale/);
    await expect(playChances(() => undefined)).rejects.toThrow(/stale/);
  });
  it("goes on from the plan at hand, tells better ones, and never ends worse", async () => {
    await replan("lead");
    const before = (await loadState()).working!.plan.cost!.total!;
    const told: number[] = [];
    const { plan } = await replan("lead", { ms: 1500, onBetter: (b) => told.push(b.cost.total) });
    expect(plan.cost!.total!).toBeLessThanOrEqual(before + 0.01);
    for (let i = 1; i < told.length; i++) expect(told[i]).toBeLessThan(told[i - 1]);
    const { problem } = await currentProblem();
    expect(checkPlan(readProblem(problem), readPlan(plan))).toEqual([]);
  });
  it("stops when told to, well before its time, and stores what it has", async () => {
    const stop = new AbortController();
    const began = Date.now();
    const { head } = await replan("lead", { ms: 60_000, onBetter: () => stop.abort(), signal: stop.signal });
    expect(Date.now() - began).toBeLessThan(30_000);
    expect((await loadState()).working!.head.id).toBe(head.id);
  });
  it("lets one search run at a time", async () => {
    const stop = new AbortController();
    const first = replan("lead", { ms: 20_000, signal: stop.signal });
    await new Promise((r) => setTimeout(r, 400));
    await expect(replan("lead", { ms: 1000 })).rejects.toThrow(/already running/);
    stop.abort();
    await first;
    await replan("lead");
  });
  it("gives way to a replan: the search ends without a plan of its own", async () => {
    const first = replan("lead", { ms: 20_000 }).catch((e: Error) => e);
    await new Promise((r) => setTimeout(r, 400));
    const began = Date.now();
    const { head } = await replan("lead", { iterations: 0 });
    expect(Date.now() - began).toBeLessThan(10_000);
    expect(await first).toMatchObject({ message: expect.stringMatching(/newer/) });
    expect((await loadState()).working!.head.id).toBe(head.id);
  });
  it("ends when something changes that it does not know of", async () => {
    const first = replan("lead", { ms: 20_000 }).catch((e: Error) => e);
    await new Promise((r) => setTimeout(r, 400));
    await transaction((c) => markStale(c, "a bay was shut"));
    expect(await first).toMatchObject({ message: expect.stringMatching(/newer/) });
    await replan("lead");
  });
  it("tries a pin against the plan at hand, and stores nothing", async () => {
    const before = await loadState();
    // The last of all: everything stands before it.
    const job = before.working!.plan.jobs.toSorted((x, y) => y.start.localeCompare(x.start))[0];
    const same = await tryWish(job.id, { start: job.start });
    expect(same).toMatchObject({ kept: true, moves: [] });
    const early = await tryWish(job.id, { start: before.zone.show(before.now) });
    expect(early.kept).toBe(false);
    expect(early.text).toMatch(/could start/);
    await expect(tryWish("no-such-job", {})).rejects.toThrow(/no such job/);
    const after = await loadState();
    expect(after.working!.head.id).toBe(before.working!.head.id);
    expect(after.shop.workshop.changes).toBe(before.shop.workshop.changes);
  });
  it("tries each measure and tells how far it is", async () => {
    const steps: { done: number; all: number }[] = [];
    await tryGains(build, (s) => steps.push(s));
    expect(steps.length).toBeGreaterThan(3);
    expect(steps.map((s) => s.done)).toEqual(steps.map((_, i) => i + 1));
    expect(steps.at(-1)!.done).toBe(steps.at(-1)!.all);
  });
  it("plays the plan through by chance, tells how far it is, and stops with what it has", async () => {
    const steps: { played: number; all: number }[] = [];
    const whole = await playChances((s) => steps.push(s));
    expect(whole).toMatchObject({ played: 200, share: 0.8 });
    expect(steps.length).toBeGreaterThan(10);
    // Nobody here may do the mains: some of its work has no place, so no date is given any chance.
    expect((await loadState()).working!.plan.unplaced.length).toBeGreaterThan(0);
    expect(whole.builds).toEqual([]);
    const stop = new AbortController();
    const short = await playChances(() => stop.abort(), stop.signal);
    expect(short.played).toBeLessThan(200);
  });
});

describe("two answers", () => {
  const take = (plan: string) => perform("POST", ["plan", "other", "take"], { plan }, lead);
  it("stand side by side once a plan is published; the lead takes one and may go over to the other, until something changes", async () => {
    await replan("lead");
    await expect(take("none")).rejects.toThrow(/not there any more/);
    await perform("POST", ["plan", "publish"], { note: "" }, lead);
    const quiet = await replan("lead", { iterations: 0 });
    expect(quiet.came).toBe("working");
    // A worse one on the lanes, so that a search surely finds another.
    await run(pool(), "UPDATE plan_job SET starts = starts + INTERVAL 20 DAY, ends = ends + INTERVAL 20 DAY WHERE plan_id = ?", [
      quiet.head.id,
    ]);
    const { zone } = await loadState();
    const found = await replan("lead", { ms: 1500 });
    expect(found.came).toBe("other");
    // What is on the lanes stays there until the lead says so.
    expect((await loadState()).working!.head.id).toBe(quiet.head.id);
    expect((await otherAnswer(zone))!.head.id).toBe(found.head.id);
    await take(found.head.id);
    // Sent by somebody who still sees it beside the plan: it is not taken back by that.
    await expect(take(found.head.id)).rejects.toThrow(/not there any more/);
    expect([(await loadState()).working!.head.id, (await otherAnswer(zone))!.head.id]).toEqual([found.head.id, quiet.head.id]);
    await take(quiet.head.id);
    expect((await loadState()).working!.head.id).toBe(quiet.head.id);
    await transaction((c) => markStale(c, "a bay was shut"));
    expect(await otherAnswer(zone)).toBeUndefined();
    await expect(take(found.head.id)).rejects.toThrow(/out of date \(a bay was shut\)/);
    await replan("lead");
  });
});
