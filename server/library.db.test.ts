// The library's versions, other choices in mid-build, records, readings and what the card asks, against a real MariaDB.

import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Entry, library, libraryFile } from "@/core/library/library";
import { DEFAULT_OPTIONS, type Options } from "@/core/library/options";
import { ROLES } from "@/core/library/roles";
import { InputError } from "@/core/plan/fault";
import type { Problem } from "@/core/plan/model";
import { zoneOf } from "@/core/time/zone";
import type { BuildRecord } from "@/core/workshop/records/records";
import { sheetPrefill } from "@/core/workshop/sheets/sheets";
import { startObstacles } from "@/core/workshop/starts/ready";
import { HELD_PIECES } from "@/core/workshop/starts/tools";
import type { JobRow } from "@/core/workshop/state/model";
import { toProblem } from "@/core/workshop/state/problem";
import type { User } from "@/db/access/users";
import { currentLibrary, libraryVersions } from "@/db/house/library";
import { forgetKept } from "@/db/kept";
import { closePool, insert, pool, rows, run, toSql, transaction } from "@/db/pool";
import { loadShop } from "@/db/shop";
import { freshDatabase } from "@/db/testing";
import { bundleWorker } from "@/scripts/worker-bundle";
import { firstRun } from "./access/first-run";
import { perform } from "./api";
import { myDrafts } from "./builds/drafts";
import { optionChange } from "./builds/option-change";
import { loadState } from "./planning/planning";
import { addRecordPhoto } from "./proof/photos";
import { Refusal } from "./refusal";
import { versionsOf } from "./sheets/setout";

const lead: User = { id: "lead", login: "lead", name: "Lead", role: "lead", fitterId: null, retired: false, version: 1 };
let ines: User;
let id = "";
const post = <T = Record<string, string>>(p: string, body: unknown, user: User = lead) =>
  perform("POST", p.split("/"), body, user) as Promise<T>;
const patch = (p: string, body: unknown, user: User = lead) => perform("PATCH", p.split("/"), body, user);

async function refused(work: Promise<unknown>): Promise<Refusal | InputError> {
  try {
    await work;
  } catch (e) {
    if (e instanceof Refusal || e instanceof InputError) return e;
    throw e;
  }
  throw new Error("it was not refused");
}
const faultsOf = async (work: Promise<unknown>) => {
  const e = await refused(work);
  return e instanceof InputError ? e.faults : ((e.detail as { faults?: { path: string; message: string }[] }).faults ?? []);
};

const buildNow = async (of = id) => (await loadShop(pool())).builds.find((b) => b.id === of)!;
const jobNow = async (code: string, of = id): Promise<JobRow> => (await buildNow(of)).jobs.find((j) => j.code === code)!;
const entry = (code: string) => {
  const { stage: _s, ...j } = structuredClone(library.find((x) => x.code === code)!) as Entry;
  return j;
};
const inUse = async () => (await transaction((c) => currentLibrary(c, 0))).number;

beforeAll(async () => {
  process.env.WIDE_LANE_WORKER = path.join(mkdtempSync(path.join(os.tmpdir(), "wl-worker-")), "plan-worker.mjs");
  bundleWorker(process.env.WIDE_LANE_WORKER);
  await freshDatabase();
  await firstRun("Test house", "Europe/Lisbon");
  const skills = { body: 3, trim: 3, electric: 3, joinery: 3, plumbing: 3, paint: 3, gas: 3 };
  const a = await post("fitters", { name: "Ines", calendarId: "shop", skills, tickets: [{ id: "mains" }] });
  ines = { id: "u-ines", login: "ines", name: "Ines", role: "fitter", fitterId: a.id, retired: false, version: 1 };
  await insert(pool(), "user", [{ id: ines.id, login: "ines", name: "Ines", role: "fitter", fitter_id: a.id, password_hash: "x" }]);
  id = (
    await post("builds", {
      name: "Field vet",
      client: "Dr. Quill",
      vanId: "drover-l3h2",
      arrives: "2026-11-24T08:00",
      due: "2027-03-01T17:00",
      options: DEFAULT_OPTIONS,
      openChoices: ["bed"],
    })
  ).id;
});
afterAll(closePool);

describe("the library's versions", () => {
  it("begin with the shipped one, which a build is made with", async () => {
    expect(await libraryVersions(pool())).toMatchObject([{ number: 1, kind: "shipped" }]);
    expect(await buildNow()).toMatchObject({ libraryVersion: 1, openChoices: ["bed"] });
  });
  it("grow by an edit; builds keep theirs, new ones take the newest", async () => {
    const job = { ...entry("IN-01"), name: "Mats, our way", minutes: { best: 60, likely: 100, worst: 200 } };
    expect(await post("library/jobs", { base: 1, job, note: "we are quicker" })).toEqual({ number: 2 });
    expect((await libraryVersions(pool()))[0]).toMatchObject({ number: 2, kind: "workshop", note: "we are quicker", madeBy: "Lead" });
    expect((await jobNow("IN-01")).name).toBe("Damping mats");
    const other = await post("builds", {
      name: "Seed library",
      client: "P",
      vanId: "drover-l3h2",
      arrives: "2026-11-24T08:00",
      due: "2027-03-01T17:00",
      options: DEFAULT_OPTIONS,
    });
    expect(await jobNow("IN-01", other.id)).toMatchObject({ name: "Mats, our way", minutes: { likely: 100 } });
    expect((await buildNow(other.id)).libraryVersion).toBe(2);
  });
  it("refuse what is wrong by field, and an edit of a version no longer in use", async () => {
    expect(await faultsOf(post("library/jobs", { base: 2, job: { ...entry("IN-01"), scale: "gulls * 2" } }))).toEqual([
      { path: "scale", message: "gulls is no quantity we know" },
    ]);
    expect(await faultsOf(post("library/jobs", { base: 2, job: { ...entry("IN-01"), steps: [] } }))).toEqual([
      expect.objectContaining({ path: "steps" }),
    ]);
    const round = { ...entry("ST-01"), after: [{ job: "ST-04", reason: "a mistake for a test" }] };
    expect((await faultsOf(post("library/jobs", { base: 2, job: round })))[0].message).toMatch(/waits for itself/);
    expect((await refused(post("library/jobs", { base: 1, job: entry("IN-01") }))).message).toMatch(/version 2 is in use/);
    expect((await refused(post("library/jobs", { base: 2, job: entry("IN-01") }, ines))).message).toMatch(/Only the lead/);
  });
  it("refuse an edit after which no job does what a rule needs, in the rule's words; a copy takes no such role along", async () => {
    const soak = library.find((j) => j.roles?.includes("soak-test"))!;
    const lost = await faultsOf(post("library/jobs", { base: 2, job: { ...entry(soak.code), roles: [] } }));
    expect(lost).toEqual([{ path: "roles", message: expect.stringContaining(ROLES["soak-test"].rule) }]);
    expect((await faultsOf(post("library/remove", { base: 2, code: soak.code })))[0].message).toContain(ROLES["soak-test"].rule);
    const copy = { ...entry(soak.code), code: "OP-70", name: "Second soak" };
    expect((await faultsOf(post("library/jobs", { base: 2, job: copy, like: soak.code })))[0].message).toMatch(/both have the role/);
    expect(await inUse()).toBe(2);
  });
  it("give jobs of before there were roles those of the shipped jobs, in builds and in what they took", async () => {
    const soak = async () => (await jobNow(library.find((j) => j.roles?.includes("soak-test"))!.code)).roles;
    expect(await soak()).toEqual(["soak-test"]);
    await run(pool(), "UPDATE job SET roles = NULL");
    forgetKept();
    expect(await soak()).toEqual(["soak-test"]);
  });
  it("take an own job in like another, and out again without losing the order", async () => {
    const own = { ...entry("PA-07"), code: "PA-20", name: "Own trim" };
    expect((await faultsOf(post("library/jobs", { base: 2, job: own })))[0].message).toMatch(/leads nowhere/);
    await post("library/jobs", { base: 2, job: own, like: "PA-07" });
    const now = await transaction((c) => currentLibrary(c, 0));
    expect(now.jobs.find((j) => j.code === "SV-05")!.after.map((a) => a.job)).toContain("PA-20");
    await post("library/remove", { base: 3, code: "PA-07" });
    const after = (await transaction((c) => currentLibrary(c, 0))).jobs;
    expect(after.some((j) => j.code === "PA-07")).toBe(false);
    expect(after.find((j) => j.code === "SV-05")!.after.map((a) => a.job)).toContain("PA-03");
    await post("library/restore", { base: 4, version: 2 });
    expect(await inUse()).toBe(5);
  });
  it("go back to the shipped entry, to an earlier version, and export and import as one file", async () => {
    const base = await inUse();
    await post("library/restore", { base, code: "IN-01" });
    const now = await transaction((c) => currentLibrary(c, 0));
    expect(now.jobs.find((j) => j.code === "IN-01")).toEqual(library.find((j) => j.code === "IN-01"));
    await post("library/restore", { base: base + 1, version: 2 });
    expect((await transaction((c) => currentLibrary(c, 0))).jobs.find((j) => j.code === "IN-01")?.name).toBe("Mats, our way");
    const file = libraryFile(library);
    const dry = await post<{ diff: { code: string }[] }>("library/import", { base: base + 2, file, dry: true });
    expect(dry.diff.map((d) => d.code)).toEqual(["IN-01"]);
    expect(await inUse()).toBe(base + 2);
    expect(await post("library/import", { base: base + 2, file })).toEqual({ number: base + 3 });
    expect((await libraryVersions(pool()))[0]).toMatchObject({ kind: "shipped" });
    expect((await refused(post("library/import", { base: base + 3, file }))).message).toMatch(/in use already/);
  });
  it("name the place in a broken file, and change nothing", async () => {
    const base = await inUse();
    const file = libraryFile(structuredClone(library) as Entry[]) as unknown as { jobs: Record<string, unknown>[] };
    file.jobs[4].crew = [];
    delete file.jobs[6].steps;
    expect((await faultsOf(post("library/import", { base, file }))).map((f) => f.path)).toEqual(["jobs[4].crew", "jobs[6].steps"]);
    expect(await inUse()).toBe(base);
  });
});

describe("other choices in mid-build", () => {
  const done = async (codes: string[]) => {
    for (const code of codes)
      await run(pool(), "UPDATE job SET state = 'done', started_at = ?, ended_at = ?, actual_place = 'yard' WHERE id = ?", [
        toSql(29_000_000),
        toSql(29_000_060),
        `${id}.${code}`,
      ]);
  };
  it("are worked out and planned with, and nothing is stored", async () => {
    const p = await post<Record<string, unknown>>(`builds/${id}/options/try`, { options: { ...DEFAULT_OPTIONS, wetRoom: "tiled" } });
    expect(p).toMatchObject({ chosen: ["Wet room: tiled instead of none"], lost: [], reopened: [] });
    expect((p.added as { name: string }[]).map((x) => x.name)).toContain("Wet room tiled and grouted");
    expect(p.minutes).toBeGreaterThan(600);
    expect((p.dates as { build: string }[])[0].build).toBe("Field vet");
    expect(await jobNow("PA-09")).toBeUndefined();
  });
  it("are taken: jobs come and go, order is written anew, facts stay, a decision is kept", async () => {
    const before = await buildNow();
    const changes = (await loadState()).shop.workshop.changes;
    await done(["ST-01", "ST-02", "ST-03"]);
    await run(pool(), "UPDATE part_line SET state = 'ordered' WHERE job_id = ?", [`${id}.IN-07`]);
    await post(`builds/${id}/options`, {
      version: before.version,
      options: { ...DEFAULT_OPTIONS, wetRoom: "tiled", fan: false, firstFix: "warm-side", insulation: "board" },
      openChoices: [],
      who: "Dr. Quill",
    });
    const b = await buildNow();
    const codes = b.jobs.map((j) => j.code);
    expect(codes).toEqual(expect.arrayContaining(["FR-08", "PA-08", "PA-09"]));
    expect(codes).not.toContain("OP-04");
    expect(b).toMatchObject({ openChoices: [], version: before.version + 1, options: { wetRoom: "tiled", insulation: "board" } });
    const sv01 = b.jobs.find((j) => j.code === "SV-01")!;
    expect(sv01.after.map((a) => a.job)).toContain(`${id}.IN-07`);
    expect(b.jobs.find((j) => j.code === "ST-01")!.state).toBe("done");
    // The fibre that is ordered stays, the board is needed now.
    const parts = b.jobs.find((j) => j.code === "IN-07")!.parts.map((p) => [p.name, p.state]);
    expect(parts).toEqual(
      expect.arrayContaining([
        ["Fibre insulation 40 mm, 6 m²", "ordered"],
        ["Rigid board 30 mm, 0.75 m²", "needed"],
      ]),
    );
    expect(b.records[0]).toMatchObject({
      kind: "decision",
      data: { who: "Dr. Quill" },
      title: expect.stringMatching(/Wet room: tiled \(was none\)/),
    });
    expect((await loadState()).shop.workshop.changes).toBeGreaterThan(changes);
    // Rows of every kind hang on jobs that exist.
    const [{ n }] = await rows<{ n: number }>(
      pool(),
      "SELECT COUNT(*) AS n FROM job_step s LEFT JOIN job j ON j.id = s.job_id WHERE j.id IS NULL",
    );
    expect(n).toBe(0);
    for (const j of b.jobs) expect(j.steps.length, j.code).toBeGreaterThan(4);
  });
  it("open finished work again as jobs of their own", async () => {
    await done(["ST-04", "ST-06", "ST-07", "OP-01", "OP-02", "OP-06a", "OP-06b", "OP-09", "OP-11", "OP-12", "OP-13", "IN-01"]);
    const b = await buildNow();
    await post(`builds/${id}/options`, {
      version: b.version,
      options: { ...b.options, skylight: true },
      openChoices: [],
      who: "Dr. Quill",
    });
    const again = await jobNow("IN-01r");
    expect(again).toMatchObject({ name: "Damping mats: opened again", state: "todo" });
    expect(again.after.map((a) => a.job)).toEqual([`${id}.OP-05`]);
    expect((await jobNow("IN-07")).after.map((a) => a.job)).toEqual(expect.arrayContaining([`${id}.IN-01r`]));
  });
  it("refuse contradictions and what somebody else changed meanwhile", async () => {
    const b = await buildNow();
    const gas = { ...b.options, heater: "gas" };
    expect(await faultsOf(post(`builds/${id}/options`, { version: b.version, options: gas, openChoices: [], who: "x" }))).toEqual([
      { path: "options.heater", message: expect.stringMatching(/needs gas aboard/) },
    ]);
    expect((await refused(post(`builds/${id}/options`, { version: 1, options: b.options, openChoices: [], who: "x" }))).message).toMatch(
      /somebody else/,
    );
    expect(await faultsOf(post(`builds/${id}/options/try`, { options: { ...b.options, bed: "hammock" } }))).toEqual([
      expect.objectContaining({ path: "options.bed" }),
    ]);
  });
});

describe("a build before it is added", () => {
  it("is summed up, planned among the others, and kept as a draft", async () => {
    const ask = { vanId: "tern-l1h1", options: { ...DEFAULT_OPTIONS, bed: "across" }, openChoices: ["coats"] };
    const sums = await post<{ jobs: number; conflicts: { text: string }[]; dates?: unknown }>("builds/try", ask);
    expect(sums.jobs).toBeGreaterThan(50);
    expect(sums.conflicts.map((c) => c.text).join()).toMatch(/1608 mm to sleep in/);
    expect(sums.dates).toBeUndefined();
    const planned = await post<{ dates: { decide: { label: string }[]; inTheWay: string[] } }>("builds/try", {
      ...ask,
      arrives: "2026-12-01T08:00",
      due: "2027-03-01T17:00",
    });
    // One bay, no lift, no wash: the small house can't do all of it, and says why.
    expect(planned.dates.inTheWay.join()).toMatch(/lift|wash|roof/);
    expect(planned.dates.decide.map((d) => d.label)).toEqual(["Coats on furniture"]);
    expect(await faultsOf(post("builds/try", { ...ask, arrives: "2027-03-01T17:00", due: "2026-12-01T08:00" }))).toEqual([
      { path: "due", message: "has to be after the arrival" },
    ]);
    const d = await post("drafts", { data: { name: "Glass choir", step: 2 } });
    await post("drafts", { id: d.id, data: { name: "Glass choir", step: 3 } });
    expect((await myDrafts("lead")).map((x) => x.data)).toEqual([{ name: "Glass choir", step: 3 }]);
    await perform("DELETE", ["drafts", d.id], {}, lead);
    expect(await myDrafts("lead")).toEqual([]);
  });
});

describe("what is written down", () => {
  it("keeps decisions, deviations and faults, and refuses them by field", async () => {
    const dev = { against: "base sheet", allowedBy: "Ines", touches: "seats" };
    expect(await faultsOf(post(`builds/${id}/records`, { kind: "deviation", title: "Mat trimmed", data: dev }))).toEqual([
      { path: "ticket", message: expect.stringMatching(/ticket holder/) },
    ]);
    await post(`builds/${id}/records`, { kind: "deviation", title: "Mat trimmed", data: { ...dev, ticket: "seats" } }, ines);
    expect((await refused(post(`builds/${id}/records`, { kind: "decision", title: "x", data: { who: "y" } }, ines))).message).toMatch(
      /the lead's/,
    );
    const fault = await post(
      `builds/${id}/records`,
      {
        kind: "fault",
        title: "Fan dead",
        jobId: `${id}.OP-05`,
        data: { causes: [{ cause: "polarity", test: "meter", result: "open" }], calls: [] },
      },
      ines,
    );
    const r = (await buildNow()).records.find((x) => x.id === fault.id)!;
    const data = { causes: [{ cause: "polarity", test: "meter", result: "yes" }], calls: [{ text: "supplier says swap", at: "10:42" }] };
    expect(await faultsOf(patch(`records/${r.id}`, { version: r.version, title: r.title, data, closed: true }))).toEqual([
      { path: "outcome", message: expect.stringMatching(/say what it was/) },
    ]);
    await patch(`records/${r.id}`, { version: r.version, title: r.title, data: { ...data, outcome: "polarity" }, closed: true }, ines);
    expect((await buildNow()).records.find((x) => x.id === fault.id)).toMatchObject({ closedAt: expect.any(Number), version: 2 });
    expect((await refused(patch(`records/${r.id}`, { version: 1, title: r.title, data, closed: false }))).message).toMatch(/somebody else/);
  });
  it("keeps marks on the van with photos, and the sheet for holes and rust starts from them", async () => {
    const hole = { what: "hole", view: "left", x: 2500, y: 1200 };
    expect(await faultsOf(post(`builds/${id}/records`, { kind: "mark", title: "Racking", data: hole }, ines))).toEqual([
      { path: "dMm", message: "is missing" },
      { path: "fate", message: "is missing" },
    ]);
    const mark = await post(
      `builds/${id}/records`,
      { kind: "mark", title: "Racking", data: { ...hole, dMm: 8, count: 4, fate: "close" } },
      ines,
    );
    const picture = await sharp({ create: { width: 60, height: 40, channels: 3, background: "#753" } })
      .png()
      .toBuffer();
    const one = await addRecordPhoto(ines, mark.id, picture);
    expect(await addRecordPhoto(ines, mark.id, picture)).toEqual(one);
    expect((await refused(addRecordPhoto(ines, "nowhere", picture))).message).toMatch(/no such record/);
    expect((await refused(addRecordPhoto(ines, mark.id, Buffer.from("words")))).message).toMatch(/no photo/);
    const shop = await loadShop(pool());
    const build = shop.builds.find((b) => b.id === id)!;
    const r = build.records.find((x) => x.id === mark.id)!;
    expect(r.photos).toEqual([one.sha256]);
    expect(sheetPrefill(shop, build, "strip-list", null)!.draft.holes).toEqual([{ d: "8", count: "4", place: "wall", throughSkin: false }]);
    await patch(`records/${r.id}`, { version: r.version, title: r.title, data: r.data, closed: true }, ines);
    expect((await buildNow()).records.find((x) => x.id === r.id)!.closedAt).not.toBeNull();
  });
  it("keeps what came out with every change of its fate; a template stays one, and stripping closes with nothing undecided", async () => {
    const floor = { from: "floor", kg: 31.5, fate: "template" };
    const add = (title: string, data: object) => post(`builds/${id}/records`, { kind: "item", title, data }, ines);
    expect(await faultsOf(add("Load floor", floor))).toEqual([{ path: "serves", message: expect.stringMatching(/template of/) }]);
    const item = await add("Load floor", { ...floor, serves: ["IN-05"] });
    const of = async () => (await buildNow()).records.find((x) => x.id === item.id)! as Extract<BuildRecord, { kind: "item" }>;
    const change = async (data: object, more: object = {}) =>
      patch(`records/${item.id}`, { version: (await of()).version, title: "Load floor", data, closed: false, ...more }, ines);
    expect(await faultsOf(change({ ...floor, fate: "scrap" }, { why: "in the way" }))).toEqual([
      { path: "fate", message: "is refused: it is still the template of Floor boards cut and dry-fitted" },
    ]);
    // A page can't write the history.
    expect(await faultsOf(change({ ...floor, serves: ["IN-05"], history: [] }))).toHaveLength(1);
    await run(pool(), "UPDATE job SET state = 'done', started_at = NOW(), ended_at = NOW() WHERE id = ?", [`${id}.IN-05`]);
    expect(await faultsOf(change({ ...floor, fate: "undecided" }))).toEqual([{ path: "why", message: expect.stringMatching(/say why/) }]);
    await change({ ...floor, fate: "undecided" }, { why: "client asks for it" });
    await change({ ...floor, fate: "store" });
    await run(pool(), "UPDATE job SET state = 'todo', started_at = NULL, ended_at = NULL WHERE id = ?", [`${id}.IN-05`]);
    expect((await of()).data.history).toEqual([
      { fate: "undecided", why: "client asks for it", by: "Ines", at: expect.any(Number) },
      { fate: "store", why: "", by: "Ines", at: expect.any(Number) },
    ]);
    // Stored, but nobody knows where: the last job of stripping can't be finished.
    await run(pool(), "UPDATE job SET state = 'started', started_at = NOW(), running_since = NOW() WHERE id = ?", [`${id}.ST-07`]);
    await run(pool(), "UPDATE job_step SET done_at = NOW() WHERE job_id = ?", [`${id}.ST-07`]);
    const finish = () => post(`jobs/${id}.ST-07/act`, { act: "done" });
    expect((await refused(finish())).message).toMatch(/Stripping is not closed yet: Load floor: stored for the client, but nobody wrote/);
    await change({ ...floor, fate: "store", place: "loft" });
    await finish();
    expect((await buildNow()).jobs.find((j) => j.code === "ST-07")!.state).toBe("done");
  });
  it("keeps readings of the van, again over the old", async () => {
    await post(`builds/${id}/readings`, { name: "widthWaist", mm: 1863 }, ines);
    await post(`builds/${id}/readings`, { name: "widthWaist", mm: 1863, againMm: 1864 }, ines);
    expect((await buildNow()).readings).toEqual([
      expect.objectContaining({ name: "widthWaist", mm: 1863, againMm: 1864, readBy: "u-ines" }),
    ]);
    expect(await faultsOf(post(`builds/${id}/readings`, { name: "wingspan", mm: 3 }))).toEqual([expect.objectContaining({ path: "name" })]);
    const [{ text }] = await rows<{ text: string }>(pool(), "SELECT text FROM event WHERE kind = 'van.read' ORDER BY id DESC LIMIT 1");
    expect(text).toBe("Width at the waist: 1863 mm, 7 less than the template");
  });
});

describe("what the card asks", () => {
  it("keeps a cut closed until its questions are answered, each with a name", async () => {
    const cut = async () => {
      const s = await loadShop(pool());
      const j = s.builds.find((b) => b.id === id)!.jobs.find((x) => x.code === "OP-05")!;
      return startObstacles(s, j, [ines.fitterId!], "yard", 29_500_000).filter((o) => o.kind === "question");
    };
    const asked = (await jobNow("OP-05")).questions.map((q) => q.n);
    expect(asked.length).toBeGreaterThan(5);
    expect((await cut())[0].text).toContain(`${asked.length} questions before the cut are open`);
    for (const n of asked.slice(1)) await post(`jobs/${id}.OP-05/answer`, { n, yes: true }, ines);
    expect((await cut())[0].text).toMatch(/^1 question/);
    await post(`jobs/${id}.OP-05/answer`, { n: asked[0], yes: true }, ines);
    expect(await cut()).toEqual([]);
    expect((await jobNow("OP-05")).questions[0]).toMatchObject({ answeredBy: "u-ines" });
    expect((await refused(post(`jobs/${id}.OP-05/answer`, { n: 30, yes: true }))).message).toMatch(/no such question/);
  });
  it("counts pieces and leaves steps out by name, on a job under way only", async () => {
    expect((await refused(post(`jobs/${id}.FR-03/pieces`, { done: 2 }, ines))).message).toMatch(/Start Wall battens first/);
    await run(pool(), "UPDATE job SET state = 'started', started_at = ?, running_since = ? WHERE id = ?", [
      toSql(29_000_000),
      toSql(29_000_000),
      `${id}.FR-03`,
    ]);
    expect((await refused(post(`jobs/${id}.FR-03/pieces`, { done: 2 }, ines))).message).toMatch(/first piece is not signed yet/);
    expect((await refused(post(`jobs/${id}.FR-03/first-piece`, { read: "flush, 2 mm proud" }))).message).toMatch(/Count the first piece/);
    await post(`jobs/${id}.FR-03/pieces`, { done: 1 }, ines);
    expect((await refused(post(`jobs/${id}.FR-03/act`, { act: "done" }, ines))).message).toMatch(/open|not signed/);
    await post(`jobs/${id}.FR-03/first-piece`, { read: "flush, 2 mm proud" });
    expect((await jobNow("FR-03")).firstPiece).toMatchObject({ by: "lead", read: "flush, 2 mm proud" });
    await post(`jobs/${id}.FR-03/pieces`, { done: 2 }, ines);
    expect((await refused(perform("DELETE", ["jobs", `${id}.FR-03`, "first-piece"], {}, lead))).message).toMatch(/signature stands/);
    const j = await jobNow("FR-03");
    expect(j.pieces).toMatchObject({ done: 2, name: "batten" });
    expect(await faultsOf(post(`jobs/${id}.FR-03/pieces`, { done: 999 }, ines))).toEqual([expect.objectContaining({ path: "done" })]);
    const guard = j.steps.find((s) => s.does === "edge")!;
    expect((await refused(post(`jobs/${id}.FR-03/waive`, { n: guard.n, why: "late" }, ines))).message).toMatch(/Only the lead/);
    await post(`jobs/${id}.FR-03/waive`, { n: 1, why: "no joint plan: soft lining" }, ines);
    expect((await jobNow("FR-03")).steps[0]).toMatchObject({ waivedWhy: "no joint plan: soft lining", doneBy: "u-ines" });
  });
  it("keeps what a job leaves to finish, until it is closed", async () => {
    const { id: r } = await post(`jobs/${id}.OP-05/remainders`, { text: "second bead", before: `${id}.FR-02` }, ines);
    const block = async () => {
      const s = await loadShop(pool());
      const j = s.builds.find((b) => b.id === id)!.jobs.find((x) => x.code === "FR-02")!;
      return startObstacles(s, j, [], "yard", 29_500_000).filter((o) => o.kind === "remainder");
    };
    expect(await block()).toHaveLength(1);
    expect(await faultsOf(post(`jobs/${id}.OP-05/remainders`, { text: "x", before: `${id}.ST-01` }, ines))).toEqual([
      expect.objectContaining({ path: "before" }),
    ]);
    await post(`remainders/${r}/close`, {}, ines);
    expect(await block()).toEqual([]);
    expect((await refused(post(`remainders/${r}/close`, {}))).message).toMatch(/closed already/);
  });
});

describe("set-out sheets", () => {
  const job = () => `${id}.OP-05`;
  const input = {
    field: { left: 210, right: 710, bottom: 0, top: 1540 },
    cut: { w: 400, h: 400, r: 30 },
    minLand: 25,
    place: { along: "centre", up: "centre" },
    skin: "single",
  };
  const keep = (more: object, user = ines) =>
    post(`builds/${id}/sheets`, { calculator: "opening", jobId: job(), draft: { "cut.w": "400" }, input, ...more }, user);
  const sheet = async (name = "opening") => (await buildNow()).sheets.find((s) => s.calculator === name && s.jobId === job())!;

  it("are kept with who and when, in versions, and refused by field", async () => {
    await keep({});
    await keep({ version: 1, input: { ...input, minLand: 30 } });
    const s = await sheet();
    expect(s).toMatchObject({ version: 2, savedBy: "u-ines", worst: expect.stringMatching(/ok|warn/), lockedAt: null });
    expect((await versionsOf(s.id)).map((v) => [v.n, v.by, (v.input as { minLand: number }).minLand])).toEqual([
      [2, "Ines", 30],
      [1, "Ines", 25],
    ]);
    expect((await refused(keep({ version: 1 }))).message).toMatch(/somebody else/);
    expect(await faultsOf(keep({ version: 2, input: { ...input, cut: { w: 900, h: 400, r: 30 } } }))).toEqual([
      expect.objectContaining({ path: "cut.w" }),
    ]);
    expect(await faultsOf(keep({ calculator: "horoscope" }))).toEqual([{ path: "calculator", message: "is no set-out sheet" }]);
  });
  it("lock only when the second measuring agrees, and nothing is written into them then", async () => {
    const s = await sheet();
    const readings = { right: 50, top: 575, diagonal: 565.7, other: 565.7 };
    // Ines measured first: the second name is another one.
    expect((await refused(post(`sheets/${s.id}/second`, { version: 2, readings }, ines))).message).toMatch(/somebody else measures/);
    const no = await post<{ locked: boolean; differ: unknown[] }>(`sheets/${s.id}/second`, { version: 2, readings });
    expect(no).toMatchObject({ locked: false, differ: [{ second: 575, first: 570 }] });
    const yes = await post<{ locked: boolean }>(`sheets/${s.id}/second`, {
      version: 3,
      readings: { right: 51, top: 570, diagonal: 566, other: 565 },
    });
    expect(yes.locked).toBe(true);
    expect((await sheet()).lockedAt).not.toBeNull();
    expect((await refused(keep({ version: 4 }))).message).toMatch(/is locked/);
    await post(`sheets/${s.id}/unlock`, { version: 4, why: "another unit came" });
    expect((await sheet()).lockedAt).toBeNull();
  });
  it("bring their parts, hours and hold into the job when they lock", async () => {
    const before = await jobNow("OP-05");
    await post(`builds/${id}/sheets`, {
      calculator: "sealant",
      jobId: job(),
      draft: {},
      input: { pack: 310, joints: [{ length: 6000, bead: { kind: "triangle", w: 8, h: 12 } }] },
    });
    const s = await sheet("sealant");
    expect((await post<{ locked: boolean }>(`sheets/${s.id}/second`, { version: 1, readings: {} })).locked).toBe(true);
    const line = async () => (await jobNow("OP-05")).parts.find((p) => p.name === "Roof sealant cartridge")!;
    const own = before.parts.find((p) => p.name === "Roof sealant cartridge")!;
    // 6000 · 48 mm² = 288 ml, with a tenth for waste 316.8: two packs of 310. It rules the library's line, and adds none beside it.
    expect(await line()).toMatchObject({ id: own.id, quantity: 2, state: "needed", ruled: { own: own.quantity } });
    expect((await jobNow("OP-05")).parts).toHaveLength(before.parts.length);
    // Opened again the library's figure is back; locked again with more, the sheet's.
    await post(`sheets/${s.id}/unlock`, { version: 2, why: "one pass more" });
    expect(await line()).toEqual({ ...own, version: own.version + 2 });
    await post(`builds/${id}/sheets`, {
      calculator: "sealant",
      jobId: job(),
      version: 3,
      draft: {},
      input: { pack: 310, joints: [{ length: 6000, bead: { kind: "triangle", w: 8, h: 12 }, passes: 2 }] },
    });
    await post(`sheets/${s.id}/second`, { version: 4, readings: {} });
    expect((await line()).quantity).toBe(3);
    expect((await jobNow("OP-05")).parts).toHaveLength(before.parts.length);
  });
});

describe("what a locked sheet makes of its job", () => {
  let mine = "";
  const at = (code: string) => `${mine}.${code}`;
  const jobNow = async (code: string): Promise<JobRow> => (await buildOfMine()).jobs.find((j) => j.code === code)!;
  const buildOfMine = () => buildNow(mine);
  beforeAll(async () => {
    const dates = { arrives: "2026-11-24T08:00", due: "2027-03-01T17:00" };
    mine = (await post("builds", { name: "Sheet by sheet", client: "P", vanId: "drover-l3h2", ...dates, options: DEFAULT_OPTIONS })).id;
  });
  const locks = async (calculator: string, code: string, input: object) => {
    const old = (await buildOfMine()).sheets.find((x) => x.calculator === calculator && x.jobId === at(code));
    const { id: sheet } = await post(`builds/${mine}/sheets`, {
      calculator,
      jobId: at(code),
      draft: {},
      input,
      ...(old && { version: old.version }),
    });
    const { version } = (await buildOfMine()).sheets.find((x) => x.id === sheet)!;
    expect(await post(`sheets/${sheet}/second`, { version, readings: {} })).toMatchObject({ locked: true });
    expect((await jobNow(code)).state).toBe("todo");
    return sheet;
  };
  const opened = async (sheet: string) => {
    const s = (await buildOfMine()).sheets.find((x) => x.id === sheet)!;
    await post(`sheets/${sheet}/unlock`, { version: s.version, why: "measured anew" });
  };
  const scribing = { uncovered: [{ name: "by the wheel", m2: 1.4 }] };
  const run3 = { pieces: 3, first: 10, hold: 45, second: 5 };

  it("goes back when the sheet is opened again: minutes that were added, and of a part", async () => {
    const boards = await jobNow("IN-05");
    const gap = await locks("template-gap", "IN-05", scribing);
    expect((await jobNow("IN-05")).minutes).toEqual({
      best: boards.minutes.best + 35,
      likely: boards.minutes.likely + 35,
      worst: boards.minutes.worst + 53,
    });
    await opened(gap);
    expect((await jobNow("IN-05")).minutes).toEqual(boards.minutes);
    const battens = await jobNow("IN-04");
    const passes = await locks("passes", "IN-04", run3);
    expect((await jobNow("IN-04")).minutes.likely).toBe(battens.minutes.likely + 35);
    await opened(passes);
    expect((await jobNow("IN-04")).minutes).toEqual(battens.minutes);
    expect((await jobNow("IN-04")).own).toBeUndefined();
  });
  it("changes nothing of a job that it is only a list for", async () => {
    const strip = await jobNow("ST-04");
    const sheet = await locks("template-gap", "ST-04", scribing);
    expect((await jobNow("ST-04")).minutes).toEqual(strip.minutes);
    await opened(sheet);
  });
  it("is one line of mats, not the sheet's beside the library's; what is ordered by then is not asked for again", async () => {
    const before = await jobNow("IN-01");
    const mats = { panels: [{ name: "roof", w: 4000, h: 2000, cover: 0.5 }], sheet: { w: 1000, h: 460, kgM2: 3.6 }, waste: 0.08 };
    const sheet = await locks("damping", "IN-01", mats);
    const lines = (await jobNow("IN-01")).parts.filter((p) => /mat/i.test(p.name));
    expect(lines).toEqual([expect.objectContaining({ id: before.parts[0].id, quantity: 10 })]);
    await opened(sheet);
    expect((await jobNow("IN-01")).parts.map((p) => [p.id, p.quantity])).toEqual(before.parts.map((p) => [p.id, p.quantity]));
    // Six are on order when it is locked: four more.
    await run(pool(), "UPDATE part_line SET state = 'ordered', quantity = 6 WHERE id = ?", [before.parts[0].id]);
    await post(`sheets/${sheet}/second`, { version: 3, readings: {} });
    expect((await jobNow("IN-01")).parts.map((p) => [p.state, p.quantity])).toEqual([
      ["ordered", 6],
      ["needed", 4],
    ]);
    await opened(sheet);
    expect((await jobNow("IN-01")).parts.map((p) => [p.state, p.quantity])).toEqual([["ordered", 6]]);
    await run(pool(), "UPDATE part_line SET state = 'needed', quantity = ? WHERE id = ?", [before.parts[0].quantity, before.parts[0].id]);
  });
  it("holds the job for as long as a sheet asks, and no longer than by itself once it is open again", async () => {
    const before = await jobNow("IN-02");
    const sheet = await locks("disturbed-hold", "IN-02", { holdH: 30, refC: 20, stretches: [{ tempC: 20 }] });
    expect((await jobNow("IN-02")).hold.minutes).toBe(1800);
    await opened(sheet);
    expect((await jobNow("IN-02")).hold).toEqual(before.hold);
  });
  it("stays through a change of choices, which sees no change in it", async () => {
    const sheet = await locks("passes", "IN-04", run3);
    const kept = (await jobNow("IN-04")).minutes.likely;
    const b = await buildOfMine();
    const options: Options = { ...b.options, damping: b.options.damping === "full" ? "part" : "full" };
    const preview = await optionChange(undefined, await loadShop(pool()), b, options);
    expect(preview.changed.map((c) => c.next.name)).toEqual(["Damping mats"]);
    expect(preview.jobs.find((j) => j.id === at("IN-04"))!.minutes.likely).toBe(kept);
    await post(`builds/${mine}/options`, { version: b.version, options, openChoices: b.openChoices, who: "Dr. Quill" });
    expect((await jobNow("IN-04")).minutes.likely).toBe(kept);
    const again = await buildOfMine();
    await post(`builds/${mine}/options`, { version: again.version, options: b.options, openChoices: b.openChoices, who: "Dr. Quill" });
    await opened(sheet);
    expect((await jobNow("IN-04")).minutes.likely).toBe(kept - 35);
  });
  it("goes back when the sheet is thrown away", async () => {
    const before = await jobNow("IN-05");
    const sheet = (await buildOfMine()).sheets.find((s) => s.calculator === "template-gap" && s.jobId === at("IN-05"))!;
    await post(`sheets/${sheet.id}/second`, { version: sheet.version, readings: {} });
    expect((await jobNow("IN-05")).minutes.likely).toBe(before.minutes.likely + 35);
    await perform("DELETE", ["sheets", sheet.id], {}, lead);
    expect((await jobNow("IN-05")).minutes).toEqual(before.minutes);
  });
});

describe("shared tools", () => {
  it("are there from the start, change by version, and stop the jobs that book them", async () => {
    const nibbler = (await loadShop(pool())).tools.find((t) => t.name === "nibbler")!;
    expect(nibbler).toMatchObject({ state: "sound", pieces: 1 });
    await patch(`tools/${nibbler.id}`, { version: 1, name: "nibbler", pieces: 1, state: "broken", note: "punch chipped", held: false });
    expect(
      (await refused(patch(`tools/${nibbler.id}`, { version: 1, name: "nibbler", pieces: 1, state: "sound", note: "", held: false })))
        .message,
    ).toMatch(/somebody else/);
    const s = await loadShop(pool());
    const pods = s.builds.flatMap((b) => b.jobs).find((j) => j.code === "OP-06a" && j.state === "todo")!;
    expect(startObstacles(s, pods, [], "yard", 29_500_000).map((o) => o.text)).toContain("the nibbler is broken: punch chipped");
    expect(await faultsOf(post("tools", { name: "nibbler", pieces: 1, state: "sound", note: "", held: false }))).toEqual([
      { path: "name", message: "is there already" },
    ]);
    expect(await faultsOf(post("tools", { name: "pull saw", pieces: 0, state: "sharp", note: "", held: false }))).toHaveLength(2);
    await post("tools", { name: "pull saw", pieces: 2, state: "sound", note: "", held: true });
    expect((await loadShop(pool())).workshop.staleWhy).toBeTruthy();
    expect((await loadShop(pool())).tools.find((t) => t.name === "pull saw")).toMatchObject({ pieces: 2, held: true });
    expect((await loadShop(pool())).tools.find((t) => t.name === "clamps")).toMatchObject({ pieces: HELD_PIECES, held: true });
    expect((await loadShop(pool())).tools.map((t) => t.name)).toContain("pull saw");
  });
  it("have hours, days, floor and a price where they are machines; what can't be is told by its field", async () => {
    const saw = { name: "band saw", pieces: 1, state: "sound", note: "", held: false };
    const faults = async (more: object) => (await faultsOf(post("tools", { ...saw, ...more }))).map((f) => `${f.path} ${f.message}`);
    expect(await faults({ opens: "09:00" })).toEqual(["closes is needed where it opens"]);
    expect(await faults({ opens: "12:00", closes: "09:00" })).toEqual(["closes is not after it opens"]);
    expect(await faults({ hadFrom: "2027-03-05", hadUntil: "2027-03-01" })).toEqual(["hadUntil lies before its first day"]);
    expect(await faults({ floorMm: 1000 })).toEqual(["floorMm is no longer than the machine (1200 mm)"]);
    const full = { opens: "09:00", closes: "12:00", hadFrom: "2027-03-01", hadUntil: "2027-03-05", floorMm: 6200, lengthMm: 900 };
    await post("tools", { ...saw, ...full, outfeedMm: 1600, hourCost: 9.5 });
    const known = async () => (await loadShop(pool())).tools.find((t) => t.name === "band saw")!;
    expect(await known()).toMatchObject({ ...full, outfeedMm: 1600, hourCost: 9.5, version: 1 });
    const problem = toProblem(await loadShop(pool()), zoneOf("Europe/Lisbon").parse("2027-03-02T08:00"));
    expect((problem as Problem).tools!.find((t) => t.name === "band saw")).toMatchObject({
      hours: ["09:00", "12:00"],
      closed: [["2027-03-06T00:00", expect.any(String)]],
    });
    await patch(`tools/${(await known()).id}`, { ...saw, version: 1 });
    expect(await known()).toMatchObject({ opens: null, hadFrom: null, floorMm: null, hourCost: null, version: 2 });
  });
});

describe("house rules", () => {
  it("are kept with the workshop", async () => {
    const w = (await loadShop(pool())).workshop;
    await patch("workshop/house", { version: w.version, house: { fixing: "inserts" }, hourRate: 62, currency: "£" });
    expect((await loadShop(pool())).workshop).toMatchObject({ house: { fixing: "inserts" }, hourRate: 62, currency: "£" });
    expect(
      await faultsOf(patch("workshop/house", { version: w.version + 1, house: { fixing: "glue" }, hourRate: 1, currency: "£" })),
    ).toEqual([expect.objectContaining({ path: "house.fixing" })]);
  });
});
