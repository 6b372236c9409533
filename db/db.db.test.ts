// The schema's promises, transactions and optimistic edits, against a real MariaDB.

import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { buildNetwork } from "@/core/library/network";
import { DEFAULT_OPTIONS, type Options } from "@/core/library/options";
import { makePlan } from "@/core/plan/planner";
import { readProblem } from "@/core/plan/read";
import { zoneOf } from "@/core/time/zone";
import { vans } from "@/core/van/model";
import { freshJob } from "@/core/workshop/state/from-network";
import { toProblem } from "@/core/workshop/state/problem";
import { firstRun } from "@/server/access/first-run";
import { insertBuild } from "./builds/build-network";
import { edit } from "./edit";
import { addEvent, buildLog } from "./events";
import { currentLibrary } from "./house/library";
import { migrate } from "./migrate";
import { giveLease, keepLease, loadPlan, nextNumber, savePlan, takeLease } from "./planning/plans";
import { closePool, fromSql, insert, pool, rows, run, toSql, transaction } from "./pool";
import { loadShop } from "./shop";
import { freshDatabase } from "./testing";

const zone = zoneOf("Europe/Lisbon");
const NOW = zone.parse("2026-11-25T10:42");
const OPTIONS: Options = { ...DEFAULT_OPTIONS, swivels: 2, gas: "locker" };

beforeAll(async () => {
  await freshDatabase();
  await firstRun("Test house", "Europe/Lisbon");
  await transaction(async (c) =>
    insertBuild(c, {
      id: "k",
      name: "Field vet",
      client: "Dr. Quill",
      purpose: "",
      vanId: "drover-l3h2",
      arrives: toSql(NOW),
      due: toSql(NOW + 60 * 1440),
      createdAt: toSql(NOW),
      weight: 1,
      options: OPTIONS,
      openChoices: [],
      libraryVersion: (await currentLibrary(c, NOW)).number,
      jobs: buildNetwork(OPTIONS, vans[1].geometry).map((j, seq) => freshJob("k", j, seq)),
      suppliers: ["supplier"],
    }),
  );
});
afterAll(closePool);

describe("schema", () => {
  it("is InnoDB with a primary key on every table, and utf8mb4", async () => {
    const tables = await rows<{ name: string; engine: string; collation: string; keys: number }>(
      pool(),
      `SELECT t.table_name AS name, t.engine AS engine, t.table_collation AS collation,
        (SELECT COUNT(*) FROM information_schema.table_constraints c WHERE c.table_schema = t.table_schema AND c.table_name = t.table_name AND c.constraint_type = 'PRIMARY KEY') AS \`keys\`
       FROM information_schema.tables t WHERE t.table_schema = DATABASE() AND t.table_name <> 'schema_version'`,
    );
    expect(tables.length).toBeGreaterThan(25);
    for (const t of tables) expect([t.name, t.engine, t.keys]).toEqual([t.name, "InnoDB", 1]);
    for (const t of tables) expect(t.collation, t.name).toMatch(/^utf8mb4/);
  });
  it("sorts on disk in a folder of its own, as another server that starts empties a shared one", async () => {
    const [{ dir }] = await rows<{ dir: string }>(pool(), "SELECT @@tmpdir AS dir");
    expect(dir).toMatch(/wl-\w+\/tmp$/);
  });
  it("migrates once", async () => expect(await migrate(process.env.DATABASE_URL!)).toEqual([]));
  it("refuses what its checks and foreign keys forbid", async () => {
    const bad = (sql: string) => expect(run(pool(), sql)).rejects.toThrow();
    await bad("UPDATE build SET due = '2020-01-01' WHERE id = 'k'");
    await bad("UPDATE job SET best_minutes = 9000 WHERE id = 'k.ST-01'");
    await bad("UPDATE job SET state = 'started', started_at = NULL WHERE id = 'k.ST-01'");
    await bad("INSERT INTO job_cover (job_id, covered_job_id) VALUES ('k.ST-01', 'nowhere')");
    await bad("UPDATE workshop SET noise_to = NULL");
  });
});

describe("transaction", () => {
  it("takes everything back when the work fails", async () => {
    await expect(
      transaction(async (c) => {
        await run(c, "UPDATE build SET name = 'Lost' WHERE id = 'k'");
        throw new Error("no");
      }),
    ).rejects.toThrow("no");
    expect(await rows(pool(), "SELECT name FROM build WHERE id = 'k'")).toEqual([{ name: "Field vet" }]);
  });
  it("runs again after a deadlock, so that both of two crossing changes go in", async () => {
    await insert(pool(), "supplier", [
      { id: "x", name: "X", lead_best_days: 1, lead_likely_days: 1, lead_worst_days: 1 },
      { id: "y", name: "Y", lead_best_days: 1, lead_likely_days: 1, lead_worst_days: 1 },
    ]);
    let tries = 0;
    const cross = (first: string, second: string) =>
      transaction(async (c) => {
        tries++;
        await run(c, "UPDATE supplier SET lead_worst_days = lead_worst_days + 1 WHERE id = ?", [first]);
        await new Promise((r) => setTimeout(r, 80));
        await run(c, "UPDATE supplier SET lead_worst_days = lead_worst_days + 1 WHERE id = ?", [second]);
      });
    await Promise.all([cross("x", "y"), cross("y", "x")]);
    expect(tries).toBeGreaterThan(2);
    expect(await rows(pool(), "SELECT lead_worst_days AS n FROM supplier WHERE id IN ('x', 'y')")).toEqual([{ n: 3 }, { n: 3 }]);
  });
});

describe("edit", () => {
  it("changes the version that was seen, tells what stands there else, and null when it is gone", async () => {
    expect(await transaction((c) => edit(c, "build", "k", 1, { client: "A" }))).toBeUndefined();
    expect(await transaction((c) => edit(c, "build", "k", 1, { client: "B" }))).toEqual({ current: { client: "A" }, version: 2 });
    expect(await transaction((c) => edit(c, "build", "none", 1, { client: "B" }))).toBeNull();
    await expect(transaction((c) => edit(c, "session", "k", 1, {}))).rejects.toThrow("no edits of session");
  });
});

describe("plans", () => {
  it("come back as they were stored, why and stays and all", async () => {
    const shop = await loadShop(pool());
    for (const skill of ["body", "trim", "electric", "joinery", "plumbing", "paint", "gas"])
      shop.fitters.push({
        id: `f-${skill}`,
        name: skill,
        calendarId: "shop",
        retired: false,
        version: 1,
        skills: { [skill]: 3 },
        nots: [],
        tickets: ["gas", "mains", "seats"].map((ticket) => ({ id: ticket, until: null })),
        absences: [],
      });
    await insert(
      pool(),
      "fitter",
      shop.fitters.map((f) => ({ id: f.id, name: f.name, calendar_id: "shop" })),
    );
    shop.bays[0].has = ["indoor", "lit", "heated", "lift", "roof-access", "scales", "wash"];
    shop.bays[0].tempC = 18;
    const plan = makePlan(readProblem(toProblem(shop, NOW)), { iterations: 0 });
    expect(plan.unplaced).toEqual([]);
    const head = {
      id: "p1",
      kind: "published" as const,
      number: await nextNumber(pool()),
      note: "first",
      madeAt: NOW,
      madeBy: "lead",
      nowAt: NOW,
    };
    await transaction((c) => savePlan(c, head, plan, zone));
    const back = (await loadPlan(pool(), "published", zone))!;
    expect(back.head).toEqual(head);
    const sorted = (p: typeof plan) =>
      [...p.jobs].sort((a, b) => a.id.localeCompare(b.id)).map((j) => ({ ...j, fitters: [...j.fitters].sort(), work: j.work ?? [] }));
    expect(sorted(back.plan)).toEqual(sorted(plan));
    expect(back.plan.stays).toEqual(plan.stays);
    expect(back.plan.builds).toEqual(plan.builds);
    expect(await nextNumber(pool())).toBe(2);
    expect((await loadPlan(pool(), 1, zone))!.head.note).toBe("first");
  });
  it("replace the working one and keep the published", async () => {
    const empty = {
      format: "wide-lane/plan@1" as const,
      jobs: [],
      stays: [],
      builds: [],
      unplaced: [{ job: "k.ST-01", reason: "nobody" }],
      pinsBroken: [],
    };
    for (const id of ["w1", "w2"])
      await transaction((c) =>
        savePlan(c, { id, kind: "working", number: null, note: "", madeAt: NOW, madeBy: "lead", nowAt: NOW }, empty, zone),
      );
    expect(await rows(pool(), "SELECT id FROM plan ORDER BY id")).toEqual([{ id: "p1" }, { id: "w2" }]);
    expect((await loadPlan(pool(), "working", zone))!.plan.unplaced).toEqual([{ job: "k.ST-01", reason: "nobody" }]);
  });
  it("are searched by one holder of the lease at a time, until it gives it back or it runs out", async () => {
    const take = (who: string) => transaction((c) => takeLease(c, "workshop", who, 60));
    expect(await take("a")).toBe(true);
    expect(await take("b")).toBe(false);
    expect(await keepLease(pool(), "a", 60)).toBe(true);
    await run(pool(), "UPDATE plan_lease SET expires_at = UTC_TIMESTAMP(3) - INTERVAL 1 SECOND");
    expect(await take("b")).toBe(true);
    expect(await keepLease(pool(), "a", 60)).toBe(false);
    await giveLease(pool(), "b");
    expect(await take("c")).toBe(true);
    await giveLease(pool(), "c");
  });
});

describe("events", () => {
  it("are read newest first, with who did it", async () => {
    await addEvent(pool(), NOW, { userId: "lead", kind: "x", entity: "build", entityId: "k", buildId: "k", text: "one" });
    await addEvent(pool(), NOW + 5, { userId: null, kind: "x", entity: "build", entityId: "k", buildId: "k", text: "two" });
    const log = await buildLog(pool(), "k");
    expect(log.map((l) => [l.text, l.who, l.at])).toEqual([
      ["two", "Wide Lane", NOW + 5],
      ["one", "Lead", NOW],
    ]);
  });
});

it("keeps times in UTC to the minute", () => expect(fromSql(toSql(NOW))).toBe(NOW));
