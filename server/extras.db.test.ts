// Jobs that something found asks for, against a real MariaDB: tried, taken on, planned, kept over other choices, left again.

import { beforeAll, describe, expect, it } from "vitest";
import { DEFAULT_OPTIONS } from "@/core/library/options";
import { askedJobs } from "@/core/shop/extra-asked";
import { pool } from "@/db/pool";
import { loadShop } from "@/db/shop";
import type { User } from "@/db/users";
import { replan } from "./planning";
import { house, lead, post, refused } from "./testing";

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
  [ines] = await house("Ines");
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
