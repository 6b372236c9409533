// The server's actions against a real MariaDB: who may, what they refuse, what they change.

import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { DEFAULT_OPTIONS } from "@/core/library/options";
import { zoneOf } from "@/core/time/zone";
import { DEPARTURE_TICKS } from "@/core/workshop/builds/departure";
import { shotState } from "@/core/workshop/proof/proof";
import type { User } from "@/db/access/users";
import { closePool, insert, pool, rows, run, transaction } from "@/db/pool";
import { loadShop } from "@/db/shop";
import { freshDatabase } from "@/db/testing";
import { bundlePhotoWorker, bundleWorker } from "@/scripts/worker-bundle";
import { firstRun } from "./access/first-run";
import { sameOrigin } from "./access/session";
import { actions, perform } from "./api";
import { currentProblem, loadState, publish } from "./planning/planning";
import { addPhoto, photoBytes } from "./proof/photos";
import { preparePhoto } from "./proof/prepare-photo";
import { Refusal } from "./refusal";

const lead: User = { id: "lead", login: "lead", name: "Lead", role: "lead", fitterId: null, retired: false, version: 1 };
let ines: User;
const options = { ...DEFAULT_OPTIONS, windows: 1, solar: 0, shore: false, heater: "none" };
const build = (name: string) => ({
  name,
  client: "Somebody",
  vanId: "drover-l2h2",
  arrives: "2026-11-24T08:00",
  due: "2027-02-01T17:00",
  options,
});
const post = (path: string, body: unknown, user: User | undefined = lead) =>
  perform("POST", path.split("/"), body, user) as Promise<Record<string, string>>;
const patch = (path: string, body: unknown, user: User | undefined = lead) =>
  perform("PATCH", path.split("/"), body, user) as Promise<Record<string, string>>;

async function refusal(work: Promise<unknown>): Promise<Refusal> {
  try {
    await work;
  } catch (e) {
    if (e instanceof Refusal) return e;
    throw e;
  }
  throw new Error("it was not refused");
}

const shop = () => loadShop(pool());
const jobOf = async (build: string, code: string) => (await shop()).builds.find((b) => b.id === build)!.jobs.find((j) => j.code === code)!;

let id = "";

beforeAll(async () => {
  process.env.WIDE_LANE_WORKER = path.join(mkdtempSync(path.join(os.tmpdir(), "wl-worker-")), "plan-worker.mjs");
  bundleWorker(process.env.WIDE_LANE_WORKER);
  process.env.WIDE_LANE_PHOTO_WORKER = path.resolve("node_modules/.cache/wide-lane-test/photo-worker.mjs");
  bundlePhotoWorker(process.env.WIDE_LANE_PHOTO_WORKER);
  await freshDatabase();
  await firstRun("Test house", "Europe/Lisbon");
  const skills = { body: 3, trim: 3, electric: 3, joinery: 3, plumbing: 3, paint: 3, gas: 3 };
  const a = await post("fitters", { name: "Ines", calendarId: "shop", skills, tickets: [{ id: "gas" }] });
  await post("fitters", { name: "Teo", calendarId: "shop", skills, tickets: [] });
  ines = { id: "u-ines", login: "ines", name: "Ines", role: "fitter", fitterId: a.id, retired: false, version: 1 };
  await insert(pool(), "user", [{ id: ines.id, login: "ines", name: "Ines", role: "fitter", fitter_id: a.id, password_hash: "x" }]);
  id = (await post("builds", build("Field vet"))).id;
  await run(pool(), "UPDATE part_line SET state = 'checked'");
});
afterAll(closePool);

describe("who may", () => {
  it("refuses everybody without a session, and fitters every action of the lead", async () => {
    for (const a of actions) {
      const path = a.path.replaceAll("*", "x").split("/");
      expect((await refusal(perform(a.method, path, {}, undefined))).status, a.path).toBe(401);
      if (a.role === "lead") expect((await refusal(perform(a.method, path, {}, ines))).status, a.path).toBe(403);
    }
    expect(actions.filter((a) => a.role === "lead").length).toBeGreaterThan(20);
  });
  it("knows no action of another name", async () => expect((await refusal(post("nothing/at/all", {}))).status).toBe(404));
  it("takes writes from its own pages only", () => {
    const from = (h: Record<string, string>) => sameOrigin(new Headers(h));
    expect(from({ "sec-fetch-site": "same-origin" })).toBe(true);
    expect(from({ "sec-fetch-site": "cross-site" })).toBe(false);
    expect(from({ origin: "http://shop:3200", host: "shop:3200" })).toBe(true);
    expect(from({ origin: "http://evil", host: "shop:3200" })).toBe(false);
    expect(from({ origin: "nonsense", host: "shop:3200" })).toBe(false);
    expect(from({ host: "shop:3200" })).toBe(false);
  });
});

describe("builds", () => {
  it("come with their network, parts and photos to take, and mark the plan stale", async () => {
    const s = await shop();
    const b = s.builds.find((x) => x.id === id)!;
    expect(b.jobs.length).toBeGreaterThan(30);
    expect(b.jobs.flatMap((j) => j.shots).length).toBeGreaterThan(15);
    expect(s.workshop.staleWhy).not.toBeNull();
  });
  it("name the field that is wrong, and lose nothing", async () => {
    const e = await refusal(post("builds", { ...build("X"), due: "2026-01-01T08:00" }));
    expect([e.status, e.detail.faults]).toEqual([422, [{ path: "due", message: "has to be after the arrival" }]]);
    expect((await refusal(post("builds", { ...build("X"), options: { ...options, windows: 9 } }))).message).toContain("options.windows");
    expect((await refusal(post("builds", { ...build("X"), colour: "red" }))).message).toContain("colour is not a known field");
    expect((await refusal(post("builds", build("field VET")))).message).toContain("taken");
    expect((await refusal(post("builds", { ...build("X"), arrives: "2026-02-31T08:00" }))).message).toContain("arrives");
  });
  it("refuse a stale edit with both values", async () => {
    const v = (await shop()).builds.find((b) => b.id === id)!.version;
    const body = (client: string) => ({
      version: v,
      name: "Field vet",
      client,
      purpose: "",
      arrives: "2026-11-24T08:00",
      due: "2027-02-01T17:00",
      weight: 1,
    });
    await patch(`builds/${id}`, body("First"));
    const e = await refusal(patch(`builds/${id}`, body("Second")));
    expect(e.status).toBe(409);
    expect(e.detail).toMatchObject({ stale: true, mine: { client: "Second" }, theirs: { client: "First" }, version: v + 1 });
  });
  it("are not handed over with open jobs", async () => {
    const v = (await shop()).builds.find((b) => b.id === id)!.version;
    expect((await refusal(post(`builds/${id}/hand-over`, { version: v }))).message).toMatch(/jobs are open/);
  });
});

describe("moving vans", () => {
  it("keeps one van to a bay and the yard's places", async () => {
    const other = (await post("builds", build("Other"))).id;
    await post(`builds/${id}/move`, { place: "bay-1" });
    expect((await refusal(post(`builds/${other}/move`, { place: "bay-1" }))).message).toContain("Field vet stands in Bay 1");
    await post(`builds/${other}/move`, { place: "yard" });
    expect((await refusal(post(`builds/${other}/move`, { place: "roof" }))).status).toBe(422);
    expect((await refusal(post("builds/none/move", { place: "yard" }))).status).toBe(404);
    // Off the yard only with everything looked at.
    const faults = (await refusal(post(`builds/${other}/move`, { place: "off", ticks: ["plates uncovered"] }))).message;
    expect(faults).toMatch(/are missing: doors, lids and hatches shut, nothing loose/);
    await post(`builds/${other}/move`, { place: "off", ticks: [...DEPARTURE_TICKS] });
    expect((await shop()).builds.find((b) => b.id === other)!.at).toBeNull();
    await run(pool(), "DELETE FROM build WHERE id = ?", [other]);
  });
});

describe("planning", () => {
  it("replans in a thread, stores a checked plan and publishes it under a number", async () => {
    await run(pool(), "UPDATE bay SET has = ?, temp_c = 18", [
      JSON.stringify(["indoor", "lit", "heated", "lift", "roof-access", "scales", "wash"]),
    ]);
    expect((await refusal(publish("lead", ""))).message).toContain("no plan yet");
    await post("plan", {});
    const state = await loadState();
    expect(state.shop.workshop.staleWhy).toBeNull();
    expect(state.working!.plan.unplaced).toEqual([]);
    expect(await post("plan/publish", { note: "start" })).toEqual({ number: 1 });
    await patch("workshop", {
      version: state.shop.workshop.version,
      name: "Test house",
      yardPlaces: 4,
      shuntMinutes: 20,
      goodsInMinutes: 60,
      noiseFrom: "08:00",
      noiseTo: "18:00",
    });
    expect((await refusal(post("plan/publish", {}))).message).toContain("stale");
    await post("plan", {});
    expect(await post("plan/publish", {})).toEqual({ number: 2 });
    expect((await currentProblem()).problem.published!.jobs.length).toBeGreaterThan(30);
  });
});

describe("the bench", () => {
  it("starts, ticks, pauses, finishes and takes back; and says why not", async () => {
    const first = await jobOf(id, "ST-01");
    const planned = (await loadState()).published!.plan.jobs.find((j) => j.id === first.id)!;
    const fitter: User = { ...ines, fitterId: planned.fitters[0] };
    const stranger: User = { ...ines, fitterId: "somebody-else" };
    expect((await refusal(post(`jobs/${first.id}/act`, { act: "start" }, stranger))).status).toBe(403);
    expect((await refusal(post(`jobs/${first.id}/step`, { n: 1, done: true }, fitter))).message).toContain("Start");
    await post(`jobs/${first.id}/act`, { act: "start" }, fitter);
    expect(await jobOf(id, "ST-01")).toMatchObject({ state: "started", fitters: [fitter.fitterId], actualPlace: "bay-1" });
    expect((await refusal(post(`jobs/${first.id}/act`, { act: "start" }, fitter))).message).toContain("under way");
    await post(`jobs/${first.id}/act`, { act: "undo" }, fitter);
    expect((await jobOf(id, "ST-01")).state).toBe("todo");
    await post(`jobs/${first.id}/act`, { act: "start" }, fitter);
    expect((await refusal(post(`builds/${id}/move`, { place: "yard" }, fitter))).message).toContain("under way on it");
    expect((await refusal(post(`jobs/${first.id}/act`, { act: "done" }, fitter))).message).toContain("steps are open");
    expect((await refusal(post(`jobs/${first.id}/step`, { n: 99, done: true }, fitter))).status).toBe(404);
    for (const s of first.steps) await post(`jobs/${first.id}/step`, { n: s.n, done: true }, fitter);
    await post(`jobs/${first.id}/act`, { act: "pause" }, fitter);
    expect((await jobOf(id, "ST-01")).state).toBe("paused");
    await post(`jobs/${first.id}/act`, { act: "start" }, fitter);
    await post(`jobs/${first.id}/act`, { act: "done" }, fitter);
    const after = await jobOf(id, "ST-01");
    expect(after.state).toBe("done");
    expect((await refusal(post(`jobs/${first.id}/act`, { act: "pause" }, fitter))).message).toContain("not under way");
    await post(`jobs/${first.id}/act`, { act: "undo" }, fitter);
    expect((await jobOf(id, "ST-01")).state).toBe("paused");
    await post(`jobs/${first.id}/act`, { act: "done" }, fitter);
  });
  it("refuses to start what is not ready, with every reason in words", async () => {
    const walls = await jobOf(id, "PA-04");
    const e = await refusal(post(`jobs/${walls.id}/act`, { act: "start" }));
    expect(e.status).toBe(409);
    expect(e.message).toContain("is not done");
  });
  it("hears that something is wrong and lets the lead settle it", async () => {
    const j = await jobOf(id, "ST-03");
    const r = await post(`jobs/${j.id}/remark`, { kind: "short", text: " no labels ", stopsWork: true });
    expect((await jobOf(id, "ST-03")).remarks).toMatchObject([{ text: "no labels", stopsWork: true }]);
    expect((await refusal(post(`jobs/${j.id}/act`, { act: "start" }))).message).toContain("stopped: no labels");
    expect((await refusal(post(`jobs/${j.id}/remark`, { kind: "short", text: "   ", stopsWork: false }))).status).toBe(422);
    await post(`remarks/${r.id}/settle`, {});
    expect((await refusal(post(`remarks/${r.id}/settle`, {}))).status).toBe(409);
    expect((await jobOf(id, "ST-03")).remarks).toEqual([]);
  });
  it("pins a job and takes the pin out again", async () => {
    const j = await jobOf(id, "FU-01");
    await patch(`jobs/${j.id}/pin`, { version: j.version, start: "2026-12-14T09:00" });
    expect((await jobOf(id, "FU-01")).pin.start).toBe(zoneOf("Europe/Lisbon").parse("2026-12-14T09:00"));
    await post("plan", {});
    expect((await loadState()).working!.plan.jobs.find((p) => p.id === j.id)!.start).toBe("2026-12-14T09:00");
    const e = await refusal(patch(`jobs/${j.id}/pin`, { version: j.version, start: "2026-12-15T09:00" }));
    expect(e.detail).toMatchObject({ mine: { start: "2026-12-15T09:00" }, theirs: { start: "2026-12-14T09:00" } });
    await patch(`jobs/${j.id}/pin`, { version: j.version + 1 });
    expect((await jobOf(id, "FU-01")).pin.start).toBeNull();
  });
});

describe("photos", () => {
  const picture = () =>
    sharp({ create: { width: 3000, height: 1500, channels: 3, background: "#445566" } })
      .png()
      .toBuffer();
  it("are brought to size, stored once by content, and served", async () => {
    const p = await preparePhoto(await picture());
    expect([p.mime, p.width, p.height]).toEqual(["image/jpeg", 2000, 1000]);
    const shot = (await jobOf(id, "OP-01")).shots[0];
    const a = await addPhoto(lead, shot.id, await picture());
    const b = await addPhoto(lead, shot.id, await picture());
    expect(a.sha256).toBe(b.sha256);
    expect((await rows<{ n: number }>(pool(), "SELECT COUNT(*) AS n FROM photo_data"))[0].n).toBe(1);
    expect((await photoBytes(a.sha256, false))!.bytes.equals(p.bytes)).toBe(true);
    expect(await photoBytes("0".repeat(64), true)).toBeUndefined();
  });
  it("are looked over when they come: blurred ones, small ones, and the photo of another piece", async () => {
    const [one, two] = [(await jobOf(id, "OP-01")).shots[0], (await jobOf(id, "OP-02")).shots[0]];
    // One grey all over: no edge in it.
    expect((await addPhoto(lead, one.id, await picture())).again).toEqual(["blurred"]);
    expect((await jobOf(id, "OP-01")).shots[0].photos.at(-1)!.lookAgain).toEqual(["blurred"]);
    const noise = (width: number, seed: number) => {
      const data = Buffer.alloc(width * width);
      for (let i = 0, v = seed; i < data.length; i++) data[i] = 60 + (((v = (v * 1103515245 + 12345) & 0x7fffffff) >>> 16) % 130);
      return sharp(data, { raw: { width, height: width, channels: 1 } })
        .png()
        .toBuffer();
    };
    expect((await addPhoto(lead, one.id, await noise(1700, 1))).again).toEqual([]);
    expect((await addPhoto(lead, two.id, await noise(500, 9))).again.join()).toMatch(/only 500 pixels long/);
    // The same wall sent for another piece of the build.
    expect((await addPhoto(lead, two.id, await noise(1700, 1))).again).toEqual([
      `looks like the photo of ${(await jobOf(id, "OP-01")).name}, ${one.text}`,
    ]);
    await run(pool(), "DELETE FROM photo WHERE proof_shot_id IN (?, ?)", [one.id, two.id]);
    await addPhoto(lead, one.id, await picture());
    await addPhoto(lead, one.id, await picture());
  });
  it("that are none are refused, whatever they are called", async () => {
    const shot = (await jobOf(id, "OP-01")).shots[0];
    for (const bytes of [Buffer.from("<svg xmlns='http://www.w3.org/2000/svg'/>"), Buffer.from("MZ program"), Buffer.alloc(0)])
      expect((await refusal(addPhoto(lead, shot.id, bytes))).status).toBe(415);
    expect((await refusal(addPhoto(lead, "no-shot", await picture()))).status).toBe(404);
    expect((await refusal(addPhoto({ ...ines, fitterId: "other" }, shot.id, await picture()))).status).toBe(403);
  });
  it("are approved or asked again once; an approved set opens its stop line and the plan follows", async () => {
    const photos = (await jobOf(id, "OP-01")).shots[0].photos;
    expect((await refusal(post(`photos/${photos[0].id}/review`, { verdict: "again" }))).detail.faults).toMatchObject([{ path: "reason" }]);
    await post(`photos/${photos[0].id}/review`, { verdict: "again", reason: "too dark" });
    expect((await refusal(post(`photos/${photos[0].id}/review`, { verdict: "approved" }))).message).toContain("already");
    expect(await post(`photos/${photos[1].id}/review`, { verdict: "approved" })).toEqual({ opened: true });
    expect(shotState((await jobOf(id, "OP-01")).shots[0])).toBe("approved");
    expect((await shop()).workshop.staleWhy).toBeNull();
    expect((await currentProblem()).problem.builds[0].jobs.find((j) => j.id === `${id}.OP-01`)!.proofApproved).toBe(true);
  });
  it("are looked at again where the first look was a slip, as long as nothing lies over what they show", async () => {
    const photo = (await jobOf(id, "OP-01")).shots[0].photos[1];
    const takeBack = () => perform("DELETE", ["photos", photo.id, "review"], {}, lead);
    expect((await refusal(perform("DELETE", ["photos", photo.id, "review"], {}, ines))).status).toBe(403);
    await takeBack();
    expect(shotState((await jobOf(id, "OP-01")).shots[0])).toBe("waiting");
    expect((await shop()).workshop.staleWhy).toMatch(/waits for a look again/);
    expect((await refusal(takeBack())).message).toMatch(/Nobody has looked/);
    await post(`photos/${photo.id}/review`, { verdict: "approved" });
    const over = (await shop()).builds[0].jobs.find((j) => j.covers.includes(`${id}.OP-01`));
    if (over) {
      await run(pool(), "UPDATE job SET state = 'started', started_at = NOW() WHERE id = ?", [over.id]);
      expect((await refusal(takeBack())).message).toMatch(/was started after this photo/);
      await run(pool(), "UPDATE job SET state = 'todo', started_at = NULL WHERE id = ?", [over.id]);
    }
    expect(shotState((await jobOf(id, "OP-01")).shots[0])).toBe("approved");
  });
});

describe("parts", () => {
  it("go from ordered to checked; a slip makes the plan stale and moves the job behind it", async () => {
    const part = (await jobOf(id, "OP-04")).parts[0];
    expect((await refusal(patch(`parts/${part.id}`, { version: part.version, state: "promised" }))).detail.faults).toMatchObject([
      { path: "promised" },
    ]);
    expect((await refusal(patch(`parts/${part.id}`, { version: part.version, state: "wrong" }))).detail.faults).toMatchObject([
      { path: "note" },
    ]);
    await patch(`parts/${part.id}`, { version: part.version, state: "promised", promised: "2027-01-20T10:00" });
    expect((await shop()).workshop.staleWhy).toContain("promised for Wed 20 Jan");
    await post("plan", {});
    const planned = (await loadState()).working!.plan.jobs.find((j) => j.id === `${id}.OP-04`)!;
    expect(planned.start >= "2027-01-20T11:00").toBe(true);
    expect(planned.why![0]).toMatchObject({ kind: "part", text: `waits for ${part.name}, promised Wed 20 Jan` });
    const e = await refusal(patch(`parts/${part.id}`, { version: part.version, state: "arrived" }));
    expect(e.detail).toMatchObject({ stale: true, mine: { state: "arrived" }, theirs: { state: "promised" } });
    // Arrived by a slip of the finger: the promise stands again, and its day with it.
    const promised = (await jobOf(id, "OP-04")).parts[0];
    await patch(`parts/${part.id}`, { version: promised.version, state: "arrived" });
    await patch(`parts/${part.id}`, { version: promised.version + 1, state: "promised" });
    expect((await jobOf(id, "OP-04")).parts[0]).toMatchObject({
      state: "promised",
      promisedAt: promised.promisedAt,
      firstPromisedAt: promised.firstPromisedAt,
      arrivedAt: null,
    });
    await patch(`parts/${part.id}`, { version: promised.version + 2, state: "checked", shelf: "B2" });
    const here = (await jobOf(id, "OP-04")).parts[0];
    expect(here).toMatchObject({ state: "checked", shelf: "B2", firstPromisedAt: expect.any(Number), cutOut: null });
  });
  it("keep the hole they ask for as measured, and refuse one that can't be", async () => {
    const part = (await jobOf(id, "OP-04")).parts[0];
    const measure = (cutOut: object | null) => patch(`parts/${part.id}`, { version: part.version, state: "checked", cutOut });
    expect((await refusal(measure({ w: 400, h: 300, r: 160 }))).detail.faults).toMatchObject([{ path: "cutOut.r" }]);
    expect((await refusal(measure({ w: 5, h: 300, r: 0 }))).detail.faults).toMatchObject([{ path: "cutOut.w" }]);
    expect((await refusal(measure({ w: 400, r: 0 }))).detail.faults).toHaveLength(1);
    await measure({ w: 403, h: 401.5, r: 28 });
    expect((await jobOf(id, "OP-04")).parts[0].cutOut).toEqual({ w: 403, h: 401.5, r: 28 });
  });
  it("keep the days in which they are chosen by samples, and refuse what can't be", async () => {
    const part = (await jobOf(id, "OP-04")).parts[0];
    const choose = (sampleDays: number, version = part.version) =>
      patch(`parts/${part.id}`, { version, state: part.state, ...{ sampleDays } });
    expect(part.sampleDays).toBe(0);
    expect((await refusal(choose(-1))).detail.faults).toMatchObject([{ path: "sampleDays" }]);
    expect((await refusal(choose(121))).detail.faults).toMatchObject([{ path: "sampleDays" }]);
    expect((await refusal(choose(2.5))).detail.faults).toMatchObject([{ path: "sampleDays" }]);
    await choose(7);
    expect((await jobOf(id, "OP-04")).parts[0]).toMatchObject({ sampleDays: 7, state: part.state, cutOut: part.cutOut });
    // What says nothing of it leaves it as it is; what was looked at before is told of the other's days.
    await patch(`parts/${part.id}`, { version: part.version + 1, state: part.state });
    expect((await jobOf(id, "OP-04")).parts[0].sampleDays).toBe(7);
    expect((await refusal(choose(3))).detail).toMatchObject({ stale: true, theirs: { sampleDays: 7 }, mine: { sampleDays: 3 } });
  });
  it("get answers from the suppliers when asked", async () => {
    await run(pool(), "UPDATE part_line SET state = 'ordered' WHERE job_id = ?", [`${id}.FU-02`]);
    const { answers } = (await post("parts/ask", {})) as unknown as { answers: string[] };
    expect(answers.length).toBeGreaterThan(0);
    expect((await jobOf(id, "FU-02")).parts[0].state).toBe("promised");
  });
});

describe("suppliers", () => {
  it("are added with a span, changed, and retired once nothing is to come from them", async () => {
    const s = { name: "Quarry Lane Metal", best: 2, likely: 1, worst: 9 };
    expect((await refusal(post("suppliers", s))).detail.faults).toMatchObject([{ path: "likely" }]);
    expect((await refusal(post("suppliers", { ...s, likely: 4, worst: 3 }))).detail.faults).toMatchObject([{ path: "worst" }]);
    const made = await post("suppliers", { ...s, likely: 4 });
    expect((await refusal(post("suppliers", { ...s, likely: 4 }))).detail.faults).toMatchObject([{ path: "name" }]);
    const of = async () => (await shop()).suppliers.find((x) => x.id === made.id)!;
    await patch(`suppliers/${made.id}`, { ...s, likely: 6, version: 1 });
    expect(await of()).toMatchObject({ leadBestDays: 2, leadLikelyDays: 6, leadWorstDays: 9, retired: false });
    expect((await shop()).workshop.staleWhy).not.toBeNull();
    const [said] = await rows<{ text: string }>(pool(), "SELECT text FROM event WHERE kind = 'supplier.changed'");
    expect(said.text).toBe("Quarry Lane Metal takes 6 days");
    // A line is given to it: then it can't be retired, and comes when it says.
    const line = (await jobOf(id, "FU-02")).parts[0];
    expect(
      (await refusal(patch(`parts/${line.id}`, { version: line.version, state: "needed", supplierId: "nobody" }))).detail.faults,
    ).toMatchObject([{ path: "supplierId" }]);
    await patch(`parts/${line.id}`, { version: line.version, state: "needed", supplierId: made.id });
    expect((await jobOf(id, "FU-02")).parts[0]).toMatchObject({ supplierId: made.id, state: "needed" });
    const retire = async (retired: boolean) => post(`suppliers/${made.id}/retire`, { version: (await of()).version, retired });
    expect((await refusal(retire(true))).message).toMatch(/1 part line still comes from there/);
    await patch(`parts/${line.id}`, { version: line.version + 1, state: "needed", supplierId: line.supplierId });
    await retire(true);
    expect((await of()).retired).toBe(true);
    await retire(false);
    expect((await of()).retired).toBe(false);
  });
});

describe("the workshop", () => {
  it("adds, changes, retires and brings back bays and fitters", async () => {
    const { id: bay } = await post("bays", { name: "Low bay", has: ["indoor"], maxHeightMm: 2000 });
    expect((await refusal(post(`builds/${id}/move`, { place: bay }))).message).toContain("too small");
    await patch(`bays/${bay}`, { version: 1, name: "Lower bay", has: ["indoor", "lit"] });
    expect((await shop()).bays.find((b) => b.id === bay)).toMatchObject({ name: "Lower bay", has: ["indoor", "lit"], maxHeightMm: null });
    const e = await refusal(patch(`bays/${bay}`, { version: 1, name: "Mine", has: [] }));
    expect(e.detail).toMatchObject({ mine: { name: "Mine", has: [] }, theirs: { name: "Lower bay", has: ["indoor", "lit"] } });
    await post(`bays/${bay}/retire`, { version: 2, retired: true });
    await post(`bays/${bay}/retire`, { version: 3, retired: false });
    expect((await refusal(post("bays/bay-1/retire", { version: 1, retired: true }))).message).toContain("stands in it");
  });
  it("keeps hours forward, the shop's calendar, and the last lead", async () => {
    const cal = (await shop()).calendars[0];
    const e = await refusal(
      patch("calendars/shop", { version: cal.version, name: "Shop", windows: [{ weekday: 0, opens: "12:00", closes: "08:00" }] }),
    );
    expect(e.message).toContain("windows[0].closes");
    expect((await shop()).calendars[0].windows.length).toBe(10);
    expect((await refusal(post("calendars/shop/retire", { version: cal.version, retired: true }))).status).toBe(409);
    expect((await refusal(post("users/lead/retire", { version: 1, retired: true }))).message).toContain("only lead");
    expect(
      (await refusal(post("calendar-days", { calendarId: "shop", date: "2026-12-24", opens: "08:00", reason: "" }))).message,
    ).toContain("closes");
  });
  it("plans round an absence and a closed day", async () => {
    const s = await shop();
    const who = s.fitters[0].id;
    await post("absences", { fitterId: who, from: "2026-11-25T08:00", to: "2026-12-04T17:00", reason: "course" });
    expect(
      (await refusal(post("absences", { fitterId: who, from: "2026-12-04T08:00", to: "2026-12-01T08:00", reason: "" }))).message,
    ).toContain("to:");
    await post("calendar-days", { calendarId: "shop", date: "2026-12-08", reason: "holiday" });
    await post("plan", {});
    const plan = (await loadState()).working!.plan;
    for (const j of plan.jobs.filter((x) => x.work))
      for (const [from] of j.work!) {
        if (j.fitters.includes(who) && from >= "2026-11-25T10:42") expect(from >= "2026-12-04T17:00", j.id).toBe(true);
        expect(from.slice(0, 10)).not.toBe("2026-12-08");
      }
  });
  it("changes a time away and a name, and refuses a stale change with both values", async () => {
    const who = (await shop()).fitters[1].id;
    const { id: away } = await post("absences", { fitterId: who, from: "2027-03-01T08:00", to: "2027-03-02T17:00", reason: "trip" });
    const seen = { reason: "trip", wasFrom: "2027-03-01T08:00", wasTo: "2027-03-02T17:00" };
    await patch(`absences/${away}`, { ...seen, from: "2027-03-01T08:00", to: "2027-03-05T17:00" });
    const now = (await shop()).fitters.flatMap((f) => f.absences).find((a) => a.id === away)!;
    expect(now.to).toBe(zoneOf("Europe/Lisbon").parse("2027-03-05T17:00"));
    const e = await refusal(patch(`absences/${away}`, { ...seen, from: "2027-03-01T08:00", to: "2027-03-03T17:00" }));
    expect(e.detail).toMatchObject({ stale: true, mine: { to: "2027-03-03T17:00" }, theirs: { to: "2027-03-05T17:00" } });
    expect((await refusal(patch("closures/none", { ...seen, from: "2027-03-01T08:00", to: "2027-03-03T17:00" }))).status).toBe(404);
    expect((await refusal(patch(`absences/${away}`, { ...seen, from: "2027-03-03T08:00", to: "2027-03-01T17:00" }))).message).toContain(
      "to:",
    );
    await patch(`users/${ines.id}`, { version: 1, name: "Ines Maria" });
    expect(await rows(pool(), "SELECT name FROM user WHERE id = ?", [ines.id])).toEqual([{ name: "Ines Maria" }]);
    expect((await refusal(patch(`users/${ines.id}`, { version: 1, name: "X" }))).detail).toMatchObject({
      mine: { name: "X" },
      theirs: { name: "Ines Maria" },
    });
  });
  it("adds people with a code that is good once; a taken login and a fitter without a name are told by their fields", async () => {
    expect((await post("users", { login: "zoe", name: "Zoe", role: "lead" })).code).toMatch(/^[a-z2-9]{5}(-[a-z2-9]{5}){2}$/);
    expect((await refusal(post("users", { login: "zoe", name: "Z", role: "lead" }))).detail.faults).toMatchObject([{ path: "login" }]);
    expect((await refusal(post("users", { login: "kim", name: "Kim", role: "fitter" }))).detail.faults).toMatchObject([
      { path: "fitterId" },
    ]);
  });
});

it("writes an event for every change", async () => {
  const [{ n }] = await rows<{ n: number }>(pool(), "SELECT COUNT(*) AS n FROM event");
  expect(n).toBeGreaterThan(40);
  await transaction(async (c) => expect((await rows(c, "SELECT id FROM event WHERE text = ''")).length).toBe(0));
});
