// Heat by the hour, noise by weekday, house orders, parked things, lent zones and substitutes, against a real MariaDB.

import { beforeAll, describe, expect, it } from "vitest";
import { DEFAULT_OPTIONS } from "@/core/library/options";
import type { OrderStep } from "@/core/library/order";
import { decisions } from "@/core/workshop/builds/decisions";
import type { OptionPreview } from "@/core/workshop/builds/previews";
import { obstacles } from "@/core/workshop/starts/ready";
import { toProblem } from "@/core/workshop/state/problem";
import type { User } from "@/db/access/users";
import { insert, pool, rows, run } from "@/db/pool";
import { loadShop } from "@/db/shop";
import { perform } from "./api";
import { droppable } from "./builds/drop-options";
import { house, lead, pathsOf, post, refused } from "./testing";

const NOW = Date.parse("2026-11-25T10:42Z") / 60_000;
let ines: User;
let id = "";
const shopNow = () => loadShop(pool());
const buildNow = async () => (await shopNow()).builds.find((b) => b.id === id)!;
const jobNow = async (code: string) => (await buildNow()).jobs.find((j) => j.code === code)!;
const patch = (p: string, body: unknown, user: User = lead) => perform("PATCH", p.split("/"), body, user);
const drop = (p: string, user: User = lead) => perform("DELETE", p.split("/"), {}, user);
const write = (kind: string, title: string, data: object, jobId?: string) =>
  post(`builds/${id}/records`, { kind, title, data, ...(jobId ? { jobId } : {}) });

beforeAll(async () => {
  [ines] = await house("Ines");
  const dates = { arrives: "2026-11-24T08:00", due: "2027-03-01T17:00" };
  id = (await post("builds", { name: "Field vet", client: "Dr. Quill", vanId: "drover-l3h2", ...dates, options: DEFAULT_OPTIONS })).id;
});

describe("heat by the hour", () => {
  const bay = { name: "Cold bay", has: ["indoor"], heatTempC: 16, heatBy: "Mara", heatHourCost: 4, heatAheadMinutes: 90, dayCost: 24 };
  const slot = { from: "2026-11-26T08:00", to: "2026-11-26T16:00", reason: "sealing" };
  it("is for bays that may be heated, by whom it says, and that are not kept warm", async () => {
    const { heatBy: _by, ...without } = bay;
    expect(await pathsOf(post("bays", without))).toEqual(["heatBy"]);
    expect(await pathsOf(post("bays", { ...bay, has: ["heated"], tempC: 18 }))).toEqual(["heatTempC"]);
    await post("bays", { name: "Plain bay", has: [] });
    const plain = (await shopNow()).bays.find((b) => b.name === "Plain bay")!;
    expect(await pathsOf(post("heats", { bayId: plain.id, ...slot }))).toEqual(["bayId"]);
    expect(await pathsOf(post("heats", { bayId: "none", ...slot }))).toEqual(["bayId"]);
  });
  it("is put down, changed, and taken out again; the plan knows it", async () => {
    const { id: bayId } = await post("bays", bay);
    const { changes } = (await shopNow()).workshop;
    const { id: heat } = await post("heats", { bayId, ...slot });
    const warm = async () => toProblem(await shopNow(), NOW).bays.find((b) => b.id === bayId)!;
    expect(await warm()).toMatchObject({
      heat: { tempC: 16, hourCost: 4 },
      warm: [{ from: "2026-11-26T08:00", to: "2026-11-26T16:00", tempC: 16 }],
    });
    expect((await shopNow()).workshop.changes).toBe(changes + 1);
    const seen = { wasFrom: slot.from, wasTo: slot.to };
    expect(await pathsOf(patch(`heats/${heat}`, { ...slot, to: slot.from, ...seen }))).toEqual(["to"]);
    await patch(`heats/${heat}`, { ...slot, to: "2026-11-26T18:00", ...seen });
    expect((await refused(patch(`heats/${heat}`, { ...slot, ...seen }))).message).toMatch(/meanwhile|changed/i);
    expect((await warm()).warm![0].to).toBe("2026-11-26T18:00");
    expect((await refused(perform("DELETE", ["heats", heat], {}, ines))).message).toMatch(/lead/i);
    await drop(`heats/${heat}`);
    expect((await warm()).warm).toBeUndefined();
    expect((await refused(drop(`heats/${heat}`))).message).toMatch(/gone already/);
  });
});

describe("settings of the house", () => {
  const settings = async () => {
    const w = (await shopNow()).workshop;
    return { version: w.version, name: w.name, yardPlaces: 4, shuntMinutes: 20, goodsInMinutes: 60, noiseFrom: "08:00", noiseTo: "18:00" };
  };
  it("keep noise hours by weekday, who confirmed them, how cold metal is, and whether first times count", async () => {
    const week = { sat: [["09:00", "13:00"]], sun: [] };
    await patch("workshop", {
      ...(await settings()),
      noiseWeek: week,
      noiseConfirmed: "the landlord, 3 May",
      skinBelowC: 4.5,
      firstTimes: false,
      releaseCuts: true,
    });
    const shop = await shopNow();
    expect(shop.workshop).toMatchObject({
      noiseWeek: week,
      noiseConfirmed: "the landlord, 3 May",
      skinBelowC: 4.5,
      firstTimes: false,
      releaseCuts: true,
    });
    expect(toProblem(shop, NOW)).toMatchObject({ noiseWeek: week, skinBelowC: 4.5 });
    // What is not sent stays.
    await patch("workshop", await settings());
    expect((await shopNow()).workshop.noiseWeek).toEqual(week);
    expect(await pathsOf(patch("workshop", { ...(await settings()), noiseWeek: { sat: [["13:00", "09:00"]] } }))).toEqual([
      "noiseWeek.sat",
    ]);
    expect(await pathsOf(patch("workshop", { ...(await settings()), noiseWeek: { someday: [] } }))).not.toEqual([]);
    await patch("workshop", { ...(await settings()), firstTimes: true, releaseCuts: false });
  });
  it("work on metal asks for warmer air in the plan", async () => {
    const p = toProblem(await shopNow(), NOW);
    const fan = p.builds[0].jobs.find((j) => j.id.endsWith("OP-04"))!;
    expect(fan.needs).toMatchObject({ metal: true, minTempC: 8 });
    expect(p.builds[0].jobs.find((j) => j.id.endsWith("PA-10"))!.needs!.metal).toBeUndefined();
  });
});

describe("orders of the house", () => {
  it("tell forced steps from habits", async () => {
    const { steps } = await post<{ steps: OrderStep[] }>(`builds/${id}/order`, {}, ines);
    expect(steps.length).toBeGreaterThan(60);
    expect(steps.some((s) => s.habits.length > 0)).toBe(true);
    expect(steps.some((s) => s.habits.length === 0)).toBe(true);
  });
  it("are kept once by a name, tried on a build without touching it, and forgotten", async () => {
    const { id: order } = await post("orders", { buildId: id, name: "As we always do" });
    expect(await pathsOf(post("orders", { buildId: id, name: "As we always do" }))).toEqual(["name"]);
    const same = await post<OptionPreview>(`orders/${order}/try`, { buildId: id });
    expect([same.chosen, same.minutes]).toEqual([[], 0]);
    const other = { ...DEFAULT_OPTIONS, framing: DEFAULT_OPTIONS.framing === "frame-first" ? "insulate-first" : "frame-first" };
    const dates = { arrives: "2026-11-24T08:00", due: "2027-03-01T17:00" };
    const second = await post("builds", { name: "Other", client: "B", vanId: "drover-l3h2", ...dates, options: other });
    const differs = await post<OptionPreview>(`orders/${order}/try`, { buildId: second.id });
    expect(differs.chosen).toHaveLength(1);
    expect(differs.minutes).not.toBe(0);
    expect((await shopNow()).builds.find((b) => b.id === second.id)!.options).toEqual(other);
    expect((await refused(post("orders", { buildId: id, name: "Mine" }, ines))).message).toMatch(/lead/i);
    await drop(`orders/${order}`);
    expect((await refused(post(`orders/${order}/try`, { buildId: id }))).message).toMatch(/not kept any more/);
    expect(await rows(pool(), "SELECT id FROM house_order")).toEqual([]);
  });
});

describe("things put aside", () => {
  const waitsFor = async (code: string) => {
    const shop = await shopNow();
    return obstacles(shop, await jobNow(code), NOW).map((o) => o.text);
  };
  it("a zone that is lent keeps its work from being begun, and from being planned before the day", async () => {
    const job = await jobNow("IN-04");
    await write("zonebench", "Cutting", { zone: "floor", until: "2026-12-20", owner: "Ines" });
    expect((await waitsFor("IN-04")).some((t) => /serves as a bench for Cutting/.test(t))).toBe(true);
    const planned = async () => toProblem(await shopNow(), NOW).builds[0].jobs.find((j) => j.id === job.id)!.notBefore;
    expect(await planned()).toBe("2026-12-20T00:00");
    const r = (await buildNow()).records.find((x) => x.kind === "zonebench")!;
    await patch(`records/${r.id}`, { version: r.version, title: "Cutting", data: r.data, closed: true });
    expect(await planned()).toBeUndefined();
  });
  it("something else instead of a late part is tried at its job, and stores nothing", async () => {
    await post("plan", {});
    const job = await jobNow("OP-04");
    expect(await pathsOf(write("substitute", "Other fan", { part: "fan" }, job.id))).toEqual(["days"]);
    await write("substitute", "Other fan", { part: "fan", days: 2, hours: 1 }, job.id);
    await write("substitute", "At no job", { part: "fan", days: 2 });
    const of = async (title: string) => (await buildNow()).records.find((x) => x.title === title)!.id;
    const { dates } = await post<{ dates: { build: string }[] }>(`records/${await of("Other fan")}/instead`, {});
    expect(dates.map((d) => d.build)).toContain("Field vet");
    expect((await refused(post(`records/${await of("At no job")}/instead`, {}))).message).toMatch(/no such entry at a job/);
    expect((await jobNow("OP-04")).parts[0].promisedAt).toBe(job.parts[0].promisedAt);
  });
  it("what a client could go without is only what nobody has begun, most work first", async () => {
    const shop = await shopNow();
    const build = shop.builds.find((b) => b.id === id)!;
    const list = await droppable(shop, build, NOW);
    expect(list.length).toBeGreaterThan(0);
    expect(list.length).toBeLessThanOrEqual(3);
    for (const v of list) {
      expect(v.text).toMatch(/^the client goes without: /);
      expect(v.build.id).toBe(id);
      expect(v.build.jobs.length).toBeLessThanOrEqual(build.jobs.length);
    }
    const all = (jobs: typeof build.jobs) =>
      jobs.map((j) => ({ ...j, state: "done" as const, startedAt: NOW - 90, endedAt: NOW - 60, actualPlace: "yard", fitters: [] }));
    expect(await droppable({ ...shop, builds: [{ ...build, jobs: all(build.jobs) }] }, { ...build, jobs: all(build.jobs) }, NOW)).toEqual(
      [],
    );
  });
});

describe("a job split in two", () => {
  const of = (more: object) => ({ kind: "prepare", minutes: 60, bench: true, zones: [], after: [], ...more });
  it("is tried without a trace, then is two jobs; the part left again is one job as before", async () => {
    const was = await jobNow("PA-04");
    const path = `jobs/${was.id}/split`;
    expect(await pathsOf(post(path, of({ act: "split", minutes: 5 })))).toEqual(["minutes"]);
    expect((await refused(post(path, of({ act: "split" }), ines))).message).toMatch(/lead/i);
    const { dates } = await post<{ dates: { build: string }[] }>(path, of({ act: "try" }));
    expect(dates.map((d) => d.build)).toContain("Field vet");
    expect((await jobNow("PA-04")).minutes).toEqual(was.minutes);
    const { id: part } = await post(path, of({ act: "split" }));
    const rest = await jobNow("PA-04");
    expect(rest.minutes.likely).toBe(was.minutes.likely - 60);
    expect(rest.after.some((a) => a.job === part)).toBe(true);
    expect((await buildNow()).jobs.find((j) => j.id === part)).toMatchObject({ place: "bench", minutes: { likely: 78 } });
    await post("plan", {});
    expect((await refused(post(`jobs/${part}/split`, of({ act: "split", minutes: 30 })))).message).toBeTruthy();
    await post(`jobs/${part}/leave`, { why: "one goes on with it after all" });
    const again = await jobNow("PA-04");
    expect(again.minutes.likely).toBe(was.minutes.likely);
    expect(again.after).toEqual(was.after);
  });
});

describe("a question that somebody is not sure of", () => {
  it("stays open until somebody else has looked, who need not be on the job; the lead is told meanwhile", async () => {
    const cut = await jobNow("OP-04");
    const path = `jobs/${cut.id}/answer`;
    const { n } = cut.questions[0];
    const asked = async () => (await jobNow("OP-04")).questions[0];
    const told = async () => decisions(await shopNow(), undefined, NOW).filter((d) => d.kind === "unsure");
    // On it is Ines alone; Teo has no job at all.
    await insert(pool(), "job_fitter", [{ job_id: cut.id, fitter_id: ines.fitterId }]);
    const teo: User = { ...ines, id: "u-teo", login: "teo", name: "Teo", fitterId: "f-teo" };
    await insert(pool(), "fitter", [{ id: "f-teo", name: "Teo", calendar_id: "shop", nots: [] }]);
    await insert(pool(), "user", [{ id: teo.id, login: "teo", name: "Teo", role: "fitter", fitter_id: "f-teo", password_hash: "x" }]);
    expect((await refused(post(path, { n, yes: true, unsure: true }, ines))).message).toMatch(/Either yes or not sure/);
    expect((await refused(post(path, { n, yes: true }, teo))).message).toMatch(/somebody else's/);
    await post(path, { n, yes: false, unsure: true }, ines);
    expect(await asked()).toMatchObject({ answeredAt: null, unsureBy: ines.id });
    expect(await told()).toMatchObject([{ jobId: cut.id, mark: "2" }]);
    const shop = await shopNow();
    const job = shop.builds.flatMap((b) => b.jobs).find((j) => j.id === cut.id)!;
    expect(obstacles(shop, job, NOW).find((o) => o.kind === "question")!.text).toMatch(/Somebody is not sure/);
    expect((await refused(post(path, { n, yes: true }, ines))).message).toMatch(/You were not sure/);
    // Two who are not sure would leave the first to answer; to look is anybody's, to open again is not.
    expect((await refused(post(path, { n, yes: false, unsure: true }, lead))).message).toMatch(/already/);
    await post(path, { n, yes: true }, teo);
    expect((await refused(post(path, { n, yes: false }, teo))).message).toMatch(/somebody else's/);
    expect(await asked()).toMatchObject({ answeredBy: teo.id, unsureBy: ines.id });
    expect(await told()).toEqual([]);
  });
});

describe("what can't be undone, in a house that releases it by two", () => {
  it("is not begun before somebody else than who answered has released it; an answer taken back takes the release back", async () => {
    await run(pool(), "UPDATE workshop SET release_cuts = 1");
    const cut = await jobNow("OP-06a");
    expect(cut.questions.length).toBeGreaterThan(0);
    const answer = (n: number, yes: boolean, user: User) => post(`jobs/${cut.id}/answer`, { n, yes }, user);
    const release = (yes: boolean, user: User = lead) => post(`jobs/${cut.id}/release`, { yes }, user);
    const waits = async () => {
      const shop = await shopNow();
      const job = shop.builds.flatMap((b) => b.jobs).find((j) => j.id === cut.id)!;
      return obstacles(shop, job, NOW).some((o) => /waits for the lead's release/.test(o.text));
    };
    expect((await refused(release(true))).message).toMatch(/still open before it/);
    for (const q of cut.questions) await answer(q.n, true, lead);
    expect(await waits()).toBe(true);
    expect((await refused(release(true))).message).toMatch(/somebody else releases it/);
    expect((await refused(release(true, ines))).message).toBeTruthy();
    const deputy: User = { ...lead, id: "u-deputy", login: "deputy", name: "Deputy" };
    await insert(pool(), "user", [{ id: deputy.id, login: "deputy", name: "Deputy", role: "lead", password_hash: "x" }]);
    await release(true, deputy);
    expect([await waits(), (await jobNow("OP-06a")).releasedBy]).toEqual([false, "u-deputy"]);
    await answer(cut.questions[0].n, false, lead);
    expect((await jobNow("OP-06a")).releasedBy).toBeNull();
    await answer(cut.questions[0].n, true, lead);
    expect(await waits()).toBe(true);
    await release(true, deputy);
    // Once it is begun, who released it is a fact.
    await run(pool(), "UPDATE job SET state = 'started', started_at = '2026-11-25 10:00' WHERE id = ?", [cut.id]);
    expect((await refused(release(false))).message).toMatch(/already started/);
    await answer(cut.questions[0].n, false, lead);
    expect((await jobNow("OP-06a")).releasedBy).toBe("u-deputy");
    await answer(cut.questions[0].n, true, lead);
    await run(pool(), "UPDATE job SET state = 'todo', started_at = NULL WHERE id = ?", [cut.id]);
    await release(false);
    expect(await waits()).toBe(true);
    await run(pool(), "UPDATE workshop SET release_cuts = 0");
    expect(await waits()).toBe(false);
    expect((await refused(release(true, deputy))).message).toMatch(/asks for no release/);
  });
});
