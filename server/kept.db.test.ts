// What is kept of a state is what a fresh reading would find, after every kind of change.

import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { afterAll, beforeAll, expect, it } from "vitest";
import { DEFAULT_OPTIONS } from "@/core/library/options";
import type { User } from "@/db/access/users";
import { forgetKept } from "@/db/kept";
import { closePool, pool, rows } from "@/db/pool";
import { freshDatabase } from "@/db/testing";
import { bundleWorker } from "@/scripts/worker-bundle";
import { firstRun } from "./access/first-run";
import { perform } from "./api";
import { delaysNow } from "./planning/delays";
import { loadState } from "./planning/planning";

const lead: User = { id: "lead", login: "lead", name: "Lead", role: "lead", fitterId: null, retired: false, version: 1 };
const act = (method: "POST" | "PATCH" | "DELETE", p: string, body: unknown = {}) =>
  perform(method, p.split("/"), body, lead) as Promise<Record<string, string>>;
let id = "";

beforeAll(async () => {
  process.env.WIDE_LANE_WORKER = path.join(mkdtempSync(path.join(os.tmpdir(), "wl-worker-")), "plan-worker.mjs");
  bundleWorker(process.env.WIDE_LANE_WORKER);
  await freshDatabase();
  await firstRun("Test house", "Europe/Lisbon");
  await act("POST", "fitters", { name: "Ines", calendarId: "shop", skills: { body: 3, trim: 3, electric: 3, joinery: 3 }, tickets: [] });
  const dates = { arrives: "2026-11-26T08:00", due: "2027-03-01T17:00" };
  const van = { client: "P", vanId: "drover-l3h2", options: { ...DEFAULT_OPTIONS, fan: true } };
  id = (await act("POST", "builds", { name: "Kept", ...van, ...dates })).id;
  await act("POST", "builds", { name: "Other", ...van, ...dates });
});
afterAll(closePool);

/** The state as it is kept, against all of it read anew. */
async function asRead(what: string): Promise<void> {
  const kept = await loadState();
  const slips = await delaysNow(60);
  forgetKept();
  const read = await loadState();
  expect([what, kept]).toEqual([what, read]);
  expect([what, [...slips]]).toEqual([what, [...(await delaysNow(60))]]);
}

const job = async (code: string) => (await loadState()).shop.builds.find((b) => b.id === id)!.jobs.find((j) => j.code === code)!;

it("is the same after acts on jobs, parts, records, people, sheets, choices and plans, and after what they delete", async () => {
  const at = `${id}.`;
  const steps: [string, () => Promise<unknown>][] = [
    ["a plan", () => act("POST", "plan")],
    ["a publication", () => act("POST", "plan/publish", { note: "first" })],
    ["a remark", () => act("POST", `jobs/${at}OP-04/remark`, { kind: "other", text: "scratched", stopsWork: true })],
    [
      "a promise",
      async () =>
        act("PATCH", `parts/${(await job("OP-04")).parts[0].id}`, { version: 1, state: "promised", promised: "2027-01-20T10:00" }),
    ],
    [
      "a mark",
      () =>
        act("POST", `builds/${id}/records`, {
          kind: "mark",
          title: "By the step",
          data: { what: "rust", view: "left", x: 1, y: 1, areaDm2: 1, grade: 1 },
        }),
    ],
    ["a remainder", () => act("POST", `jobs/${at}OP-04/remainders`, { text: "second bead", before: `${at}FR-02` })],
    [
      "an absence",
      async () =>
        act("POST", "absences", {
          fitterId: (await loadState()).shop.fitters[0].id,
          from: "2026-12-01T08:00",
          to: "2026-12-02T17:00",
          reason: "ill",
        }),
    ],
    ["the absence out again", async () => act("DELETE", `absences/${(await loadState()).shop.fitters[0].absences[0].id}`)],
    [
      "a sheet",
      () =>
        act("POST", `builds/${id}/sheets`, {
          calculator: "passes",
          jobId: `${at}IN-04`,
          draft: {},
          input: { pieces: 3, first: 10, hold: 45, second: 5 },
        }),
    ],
    [
      "its lock",
      async () =>
        act("POST", `sheets/${(await loadState()).shop.builds.find((b) => b.id === id)!.sheets[0].id}/second`, {
          version: 1,
          readings: {},
        }),
    ],
    [
      "choices that drop jobs with all that hangs on them",
      async () => {
        const b = (await loadState()).shop.builds.find((x) => x.id === id)!;
        await act("POST", `builds/${id}/options`, { version: b.version, options: { ...b.options, fan: false }, openChoices: [], who: "P" });
      },
    ],
    ["a replan", () => act("POST", "plan")],
  ];
  await asRead("the beginning");
  for (const [what, work] of steps) {
    await work();
    await asRead(what);
  }
});

it("is not read again where a change left its tables alone", async () => {
  const before = await loadState();
  await act("POST", `jobs/${id}.IN-04/remark`, { kind: "other", text: "one more", stopsWork: false });
  const after = await loadState();
  expect(after.shop).not.toBe(before.shop);
  expect(after.shop.calendars).toBe(before.shop.calendars);
  expect(after.working).toBe(before.working);
  expect(
    after.shop.builds
      .flatMap((b) => b.jobs)
      .flatMap((j) => j.remarks)
      .map((r) => r.text),
  ).toContain("one more");
});

it("notes every table that a change wrote to, those that the database empties along among them", async () => {
  const [{ acts }] = await rows<{ acts: number }>(pool(), "SELECT acts FROM workshop");
  const changed = await rows<{ name: string; acts: number }>(pool(), "SELECT name, acts FROM table_change");
  const of = (name: string) => changed.find((c) => c.name === name)?.acts ?? 0;
  expect(of("remark")).toBe(acts);
  // Jobs were dropped by the change of choices: their crews and parts went with them.
  for (const t of ["job", "job_crew", "part_line", "proof_shot", "job_step"]) expect([t, of(t) > 0]).toEqual([t, true]);
});

it("never says that it knows of a change that it does not show yet", async () => {
  const now = await loadState();
  const name = (s: Awaited<ReturnType<typeof loadState>>) => s.shop.builds.find((b) => b.id === id)!;
  let { version } = name(now);
  const { client, purpose, arrives, due, weight } = name(now);
  const text = (t: number) => now.zone.show(t);
  /** The first change by which each name is known. */
  const since: number[] = [];
  let writing = true;
  const seen: { shown: number; change: number }[] = [];
  const look = async () => {
    while (writing) {
      const s = await loadState();
      seen.push({ shown: Number(name(s).name.split(" ")[1] ?? -1), change: s.change });
    }
  };
  const looks = [look(), look(), look(), look()];
  for (let k = 0; k < 25; k++) {
    await act("PATCH", `builds/${id}`, { version, name: `Kept ${k}`, client, purpose, arrives: text(arrives), due: text(due), weight });
    version++;
    since[k] = (await loadState()).change;
  }
  writing = false;
  await Promise.all(looks);
  for (const { shown, change } of seen)
    for (let k = shown + 1; k < since.length; k++) expect(change, `shows name ${shown}`).toBeLessThan(since[k]);
});
