// Jobs that something found asks for, against a real MariaDB: tried, taken on, planned, kept over other choices, left again.

import { beforeAll, describe, expect, it } from "vitest";
import { DEFAULT_OPTIONS } from "@/core/library/options";
import { askedJobs } from "@/core/workshop/builds/asked-work";
import { supplierRecord } from "@/core/workshop/stores/supplier-record";
import type { User } from "@/db/access/users";
import { saveForecast } from "@/db/house/weather";
import { pool, run } from "@/db/pool";
import { loadShop } from "@/db/shop";
import { perform } from "./api";
import { loadState, replan } from "./planning/planning";
import { house, lead, pathsOf, post, refused } from "./testing";

let ines: User;
let id = "";
const NOW = Date.parse("2026-11-25T10:42Z") / 60_000;
const shopNow = () => loadShop(pool());
const buildNow = async () => (await shopNow()).builds.find((b) => b.id === id)!;
const asked = async () => {
  const shop = await shopNow();
  return askedJobs(shop, shop.builds.find((b) => b.id === id)!, NOW);
};

beforeAll(async () => {
  [ines] = await house("Ines", "Teo");
  const dates = { arrives: "2026-11-24T08:00", due: "2027-03-01T17:00" };
  id = (await post("builds", { name: "Field vet", client: "Dr. Quill", vanId: "drover-l3h2", ...dates, options: DEFAULT_OPTIONS })).id;
  const rack = { by: "client", who: "Dr. Quill", area: "rack", state: "done", covered: "open" };
  await post(`builds/${id}/records`, { kind: "others", title: "Rack feet", data: rack });
});

describe("a job that something found asks for", () => {
  it("is the lead's to try and to take on, and only while it is asked for", async () => {
    const [a] = await asked();
    expect(a.name).toBe("Looked over: Rack feet");
    expect((await refused(post(`builds/${id}/extras`, { key: a.key }, ines))).message).toMatch(/lead/i);
    expect((await refused(post(`builds/${id}/extras`, { key: "accept:nobody" }))).message).toMatch(/Nothing asks for that/);
    await replan(lead.id);
    const tried = await post<{ minutes: number; dates: { build: string; after: string | null }[] }>(`builds/${id}/extras/try`, {
      key: a.key,
    });
    expect(tried.minutes).toBe(10);
    expect(tried.dates.find((d) => d.build === "Field vet")?.after).toBeTruthy();
    expect((await buildNow()).jobs.some((j) => j.extra)).toBe(false);
  });
  it("is stored with steps, photos and who waits for it, and makes the plan stale; a second time it is refused", async () => {
    const [a] = await asked();
    const { id: job } = await post(`builds/${id}/extras`, { key: a.key });
    const build = await buildNow();
    const taken = build.jobs.find((j) => j.id === job)!;
    expect([taken.code, taken.extra, taken.state, taken.minutes.likely]).toEqual(["EX-01", a.key, "todo", 10]);
    expect(taken.steps).toHaveLength(a.steps.length);
    expect(taken.shots.map((s) => s.text)).toEqual(["Rack feet"]);
    for (const j of a.before) expect(build.jobs.find((x) => x.id === j)!.after.some((l) => l.job === job)).toBe(true);
    expect((await shopNow()).workshop.staleWhy).toMatch(/Looked over: Rack feet is taken on/);
    expect((await refused(post(`builds/${id}/extras`, { key: a.key }))).message).toMatch(/among the jobs already/);
    const { plan } = await replan(lead.id);
    expect(plan.jobs.some((j) => j.id === job)).toBe(true);
  });
  it("outlives other choices, and what waits for it still does", async () => {
    const build = await buildNow();
    await post(`builds/${id}/options`, {
      version: build.version,
      options: { ...build.options, skylight: !build.options.skylight },
      openChoices: [],
      who: "Dr. Quill",
    });
    const after = await buildNow();
    const taken = after.jobs.find((j) => j.extra)!;
    expect(taken.code).toBe("EX-01");
    expect(after.jobs.filter((j) => j.after.some((l) => l.job === taken.id)).length).toBeGreaterThan(0);
  });
  it("is left again with a reason, as long as it is not begun; others are not left like that", async () => {
    const build = await buildNow();
    const taken = build.jobs.find((j) => j.extra)!;
    const other = build.jobs.find((j) => !j.extra)!;
    expect((await refused(post(`jobs/${other.id}/leave`, { why: "x" }))).message).toMatch(/part of what the choices ask for/);
    await post(`jobs/${taken.id}/leave`, { why: "seen at the handing over" });
    expect((await buildNow()).jobs.some((j) => j.id === taken.id)).toBe(false);
    expect((await buildNow()).jobs.some((j) => j.after.some((l) => l.job === taken.id))).toBe(false);
    expect(await asked()).toHaveLength(1);
  });
});

describe("the dry stretch", () => {
  it("is the lead's to hand out, and refused with why where nothing waits for it or none can begin", async () => {
    await replan(lead.id);
    expect((await refused(post("slot/pin", {}, ines))).message).toMatch(/lead/i);
    expect((await refused(post("slot/pin", {}))).message).toMatch(/No opening waits for a dry stretch/);
  });
  it("goes to an opening that is planned under no roof and can begin then", async () => {
    // Everything before the fan's cut is done, its parts are here; no bay has a roof; a week of dry days.
    const fan = (await buildNow()).jobs.find((j) => j.code === "OP-04")!;
    const before = new Set<string>();
    const jobs = new Map((await buildNow()).jobs.map((j) => [j.id, j]));
    const mark = (jobId: string): void => {
      for (const a of jobs.get(jobId)!.after)
        if (!before.has(a.job)) {
          before.add(a.job);
          mark(a.job);
        }
    };
    mark(fan.id);
    for (const j of before)
      await run(
        pool(),
        "UPDATE job SET state = 'done', started_at = '2026-11-24 08:00', ended_at = '2026-11-24 09:00', hold_minutes = 0 WHERE id = ?",
        [j],
      );
    await run(pool(), "UPDATE part_line SET state = 'checked', checked_at = '2026-11-24 08:00' WHERE job_id = ?", [fan.id]);
    await run(pool(), "UPDATE bay SET has = ?, temp_c = NULL", [JSON.stringify(["roof-access", "wash"])]);
    await saveForecast(
      pool(),
      ["2026-11-25", "2026-11-26", "2026-11-27"].map((date) => ({
        date,
        sunrise: "07:25",
        sunset: "17:15",
        dry: [["00:00", "24:00"]],
        lowC: 12,
        highC: 18,
        windMs: null,
      })),
      NOW,
    );
    await replan(lead.id);
    const { pinned } = await post<{ pinned: string[]; left: string[] }>("slot/pin", {});
    expect(pinned).toEqual(["Field vet: Roof fan: cut to sealed"]);
    expect((await buildNow()).jobs.find((j) => j.id === fan.id)!.pin.start).not.toBeNull();
    const { plan } = await replan(lead.id);
    expect(plan.pinsBroken).toEqual([]);
  });
});

describe("a time box answered with a call", () => {
  const decide = (jobId: string) =>
    post(`builds/${id}/records`, {
      kind: "decision",
      title: "Which base is it for?",
      jobId,
      data: { who: "Lead", timeBox: true, course: "supplier" },
    });
  it("is asked with what each course does to the dates, planned; only of a job under way, with minutes that are some", async () => {
    const job = (await buildNow()).jobs.find((j) => j.code === "ST-03")!;
    expect((await refused(post(`jobs/${job.id}/courses`, { left: 120 }))).message).toMatch(/not under way/);
    expect(await pathsOf(post(`jobs/${job.id}/courses`, { left: 0 }))).toEqual(["left"]);
    const who = (await shopNow()).fitters[0].id;
    await run(pool(), "UPDATE job SET state = 'started', started_at = '2026-11-25 08:00', actual_place = 'yard' WHERE id = ?", [job.id]);
    await run(pool(), "INSERT INTO job_fitter (job_id, fitter_id) VALUES (?, ?)", [job.id, who]);
    await run(pool(), "UPDATE build SET at_place = 'yard' WHERE id = ?", [id]);
    const { courses } = await post<{ courses: { course: string; dates: { build: string; after: string | null }[] }[] }>(
      `jobs/${job.id}/courses`,
      { left: 2000 },
    );
    const finish = (course: string) => courses.find((c) => c.course === course)!.dates.find((d) => d.build === "Field vet")!.after!;
    expect(courses.map((c) => c.course)).toEqual(["go on", "second person", "park"]);
    expect(finish("second person") < finish("go on")).toBe(true);
    expect(finish("park")).toMatch(/^\d{4}-/);
    expect((await buildNow()).jobs.find((j) => j.id === job.id)!.state).toBe("started");
    await run(pool(), "UPDATE job SET state = 'todo', started_at = NULL, actual_place = NULL WHERE id = ?", [job.id]);
    await run(pool(), "DELETE FROM job_fitter WHERE job_id = ?", [job.id]);
    await run(pool(), "UPDATE build SET at_place = NULL WHERE id = ?", [id]);
  });
  const faults = async () => (await buildNow()).records.filter((r) => r.kind === "fault");
  it("opens a fault card with the call, and writes the next one on it", async () => {
    const job = (await buildNow()).jobs.find((j) => j.code === "ST-03")!;
    await decide(job.id);
    const [card] = await faults();
    expect(card).toMatchObject({ jobId: job.id, closedAt: null, data: { calls: [{ text: "asked the supplier: Which base is it for?" }] } });
    await decide(job.id);
    expect((await faults()).map((f) => (f.data as { calls: unknown[] }).calls.length)).toEqual([2]);
  });
  it("a fault that lay at a part names one of its own build", async () => {
    const [card] = await faults();
    const data = { ...card.data, outcome: "another number", lay: "part" };
    const patch = (more: object) =>
      perform("PATCH", ["records", card.id], { version: card.version, title: card.title, data: { ...data, ...more }, closed: true }, lead);
    expect(await pathsOf(patch({}))).toEqual(["partId"]);
    expect(await pathsOf(patch({ partId: "nobody's" }))).toEqual(["partId"]);
    const part = (await buildNow()).jobs.flatMap((j) => j.parts)[0];
    await patch({ partId: part.id });
    const shop = await shopNow();
    const parts = shop.builds.flatMap((b) => b.jobs.flatMap((j) => j.parts));
    expect(supplierRecord(parts, part.supplierId, shop.builds[0].records).faults).toBe(1);
  });
});

describe("a second person for some minutes", () => {
  it("is planned by the sheet that is kept, and read back as planned", async () => {
    const fan = (await buildNow()).jobs.find((j) => j.code === "OP-04")!;
    await run(pool(), "UPDATE job SET pin_start = NULL WHERE id = ?", [fan.id]);
    const steps = [
      { name: "cut", minutes: 90 },
      { name: "unit down", minutes: 30, two: true },
    ];
    await post(`builds/${id}/sheets`, { calculator: "pair-minutes", jobId: fan.id, draft: {}, input: { steps } });
    expect((await shopNow()).workshop.staleWhy).toMatch(/Two hands, or a prop/);
    const made = (await replan(lead.id)).plan.jobs.find((j) => j.id === fan.id)!;
    expect(made.helpers).toHaveLength(1);
    const { working } = await loadState();
    expect(working!.plan.jobs.find((j) => j.id === fan.id)!.helpers).toEqual(made.helpers);
  });
  it("is kept for a job that one has begun: comes, helps, is free again, each taken back as well", async () => {
    const fan = (await buildNow()).jobs.find((j) => j.code === "OP-04")!;
    const who = (await shopNow()).fitters;
    const [i, t] = ["Ines", "Teo"].map((name) => who.find((f) => f.name === name)!.id);
    const nowAt = "2026-11-25 10:42:00";
    await run(
      pool(),
      "UPDATE job SET state = 'started', started_at = ?, running_since = ?, actual_place = 'yard', worked_minutes = 15 WHERE id = ?",
      [nowAt, nowAt, fan.id],
    );
    await run(pool(), "UPDATE build SET at_place = 'yard' WHERE id = ?", [id]);
    await run(pool(), "INSERT INTO job_fitter (job_id, fitter_id) VALUES (?, ?)", [fan.id, i]);
    const job = async () => (await buildNow()).jobs.find((j) => j.id === fan.id)!;
    const planned = async () => (await replan(lead.id)).plan.jobs.find((j) => j.id === fan.id)!;
    const help = (act: string, fitter = t, user = ines) => post(`jobs/${fan.id}/help`, { fitter, act }, user);

    expect(await planned()).toMatchObject({ fitters: [i, t], helpers: [{ fitter: t }] });
    expect(await pathsOf(help("come", "nobody"))).toEqual(["fitter"]);
    expect((await refused(help("come", i))).message).toMatch(/Ines is on .* already/);
    expect(await pathsOf(help("free"))).toEqual(["fitter"]);
    // Who is planned to help may say so, too.
    const teo: User = { ...ines, id: "u-teo", name: "Teo", fitterId: t };
    await help("come", t, teo);
    expect(await job()).toMatchObject({ fitters: [i, t], helpers: [{ fitter: t, freedAt: null }] });
    expect((await refused(help("come", t))).message).toMatch(/already/);
    expect(await planned()).toMatchObject({ fitters: [i, t], helpers: [{ fitter: t }] });
    await help("undo");
    expect((await job()).fitters).toEqual([i]);
    await help("come");
    await help("free");
    expect(await job()).toMatchObject({ fitters: [i], helpers: [{ fitter: t, freedAt: NOW }] });
    expect(await planned()).toMatchObject({ fitters: [i] });
    // Paused and gone on with by one: whoever was let go stays so; done, both have been on it.
    await post(`jobs/${fan.id}/act`, { act: "pause" });
    expect((await refused(help("come"))).message).toMatch(/not under way/);
    await run(pool(), "UPDATE job SET state = 'done', ended_at = ? WHERE id = ?", [nowAt, fan.id]);
    expect((await job()).fitters).toEqual([i, t].sort());
    await run(pool(), "UPDATE job SET state = 'todo', started_at = NULL, worked_minutes = 0, ended_at = NULL WHERE id = ?", [fan.id]);
    await run(pool(), "DELETE FROM job_fitter WHERE job_id = ?", [fan.id]);
    await run(pool(), "UPDATE build SET at_place = NULL WHERE id = ?", [id]);
  });
  it("is there for all of it again once the sheet is thrown away", async () => {
    const fan = (await buildNow()).jobs.find((j) => j.code === "OP-04")!;
    const sheet = (await buildNow()).sheets.find((s) => s.calculator === "pair-minutes")!;
    await perform("DELETE", ["sheets", sheet.id], {}, lead);
    expect((await replan(lead.id)).plan.jobs.find((j) => j.id === fan.id)!.helpers).toBeUndefined();
  });
});

describe("work that the hour speaks against", () => {
  it("is tried for the morning, pinned to when it could begin then, and taken back", async () => {
    const job = (await buildNow()).jobs.find((j) => j.code === "OP-04")!;
    const ask = (act: string, user: User = lead) =>
      post<{ start: string; dates: { build: string }[] }>(`jobs/${job.id}/morning`, { act }, user);
    await run(pool(), "UPDATE job SET pin_start = NULL WHERE id = ?", [job.id]);
    expect((await refused(ask("try", ines))).message).toMatch(/lead/i);
    const tried = await ask("try");
    expect(tried.start >= "2026-11-26T").toBe(true);
    expect(tried.dates.map((d) => d.build)).toContain("Field vet");
    const pin = async () => (await buildNow()).jobs.find((j) => j.id === job.id)!.pin.start;
    expect(await pin()).toBeNull();
    await ask("pin");
    expect(await pin()).toBe(Date.parse(`${tried.start}Z`) / 60_000);
    expect((await shopNow()).workshop.staleWhy).toBeTruthy();
    await post(`jobs/${job.id}/morning`, { act: "undo", was: "2026-12-01T09:00" });
    expect(await pin()).toBe(Date.parse("2026-12-01T09:00Z") / 60_000);
    await ask("undo");
    expect(await pin()).toBeNull();
    await run(pool(), "UPDATE job SET state = 'paused', started_at = '2026-11-25 08:00' WHERE id = ?", [job.id]);
    expect((await refused(ask("try"))).message).toMatch(/already started/);
    await run(pool(), "UPDATE job SET state = 'todo', started_at = NULL WHERE id = ?", [job.id]);
  });
});
