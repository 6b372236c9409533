// What many do at the same moment: each change reads what the last one left behind, and an act that is sent again is done once.

import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { DEFAULT_OPTIONS } from "@/core/library/options";
import type { User } from "@/db/access/users";
import { closePool, pool, rows, run } from "@/db/pool";
import { loadShop } from "@/db/shop";
import { perform } from "./api";
import { libraryInUse } from "./state/library";
import { house, lead, post } from "./testing";

let users: User[];
const build: string[] = [];
const one = (path: string, body: unknown, user: User = lead, actId?: string) =>
  perform("POST", path.split("/"), body, user, undefined, actId).then(
    (answer) => ({ ok: true as const, answer: answer as Record<string, unknown> }),
    (e: { status?: number; message: string }) => ({ ok: false as const, status: e.status ?? 500, message: e.message }),
  );
/** All of them begin before the first is over. */
const atOnce = (n: number, work: (i: number) => ReturnType<typeof one>) => Promise.all(Array.from({ length: n }, (_, i) => work(i)));
const accepted = (list: Awaited<ReturnType<typeof atOnce>>) => list.filter((a) => a.ok).length;
const broken = (list: Awaited<ReturnType<typeof atOnce>>) => list.filter((a) => !a.ok && a.status >= 500);

beforeAll(async () => {
  users = await house("Ines", "Rui");
  const vans = (await loadShop(pool())).vans;
  for (const name of ["Heron", "Stilt"])
    build.push(
      (
        await post("builds", {
          name,
          client: "C",
          vanId: vans[0].id,
          arrives: "2026-11-26T08:00",
          due: "2027-03-26T17:00",
          options: DEFAULT_OPTIONS,
        })
      ).id,
    );
});
afterAll(closePool);

describe("at the same moment", () => {
  it("two vans want one empty bay: one stands there, and plans are still made", async () => {
    const bay = (await loadShop(pool())).bays[0].id;
    const list = await atOnce(8, (i) => one(`builds/${build[i % 2]}/move`, { place: bay }));
    expect(broken(list)).toEqual([]);
    expect(await rows(pool(), "SELECT COUNT(*) AS n FROM build WHERE at_place = ?", [bay])).toEqual([{ n: 1 }]);
    expect((await one("plan", { quick: true })).ok).toBe(true);
    await expect(run(pool(), "UPDATE build SET at_place = ?", [bay])).rejects.toThrow(/build_one_a_bay/);
  });

  it("ten holes get ten numbers", async () => {
    const data = { side: "left", place: "low, behind the seat", by: "us", state: "wanted" };
    const list = await atOnce(10, (i) => one(`builds/${build[0]}/records`, { kind: "penetration", title: `hole ${i}`, data }));
    expect(list.filter((a) => !a.ok)).toEqual([]);
    const numbers = await rows<{ no: number }>(pool(), "SELECT hole_no AS no FROM record WHERE kind = 'penetration' ORDER BY hole_no");
    expect(numbers.map((r) => r.no)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10]);
  });

  it("four start, pause and finish one job: each is accepted once", async () => {
    const shop = await loadShop(pool());
    const bench = shop.builds[0].jobs.find((j) => j.after.length === 0)!;
    await run(
      pool(),
      "UPDATE job SET state = 'started', started_at = '2026-11-25 09:00', running_since = '2026-11-25 09:00' WHERE id = ?",
      [bench.id],
    );
    await run(pool(), "INSERT INTO job_fitter (job_id, fitter_id, running) VALUES (?, ?, 1)", [bench.id, users[0].fitterId]);
    const list = await atOnce(4, () => one(`jobs/${bench.id}/act`, { act: "pause" }, users[0]));
    expect([accepted(list), broken(list).length]).toEqual([1, 0]);
    expect(await rows(pool(), "SELECT COUNT(*) AS n FROM event WHERE kind = 'job.paused' AND entity_id = ?", [bench.id])).toEqual([
      { n: 1 },
    ]);
    // Whoever is at work can't be at work elsewhere, whatever the code says.
    await run(pool(), "UPDATE job_fitter SET running = 1 WHERE job_id = ?", [bench.id]);
    const other = shop.builds[1].jobs[0].id;
    await expect(
      run(pool(), "INSERT INTO job_fitter (job_id, fitter_id, running) VALUES (?, ?, 1)", [other, users[0].fitterId]),
    ).rejects.toThrow(/one_at_a_time/);
  });

  it("four edit one version of the library: one is accepted, the others are told which version is in use", async () => {
    const { number, jobs } = await libraryInUse(0);
    const { stage: _stage, ...own } = jobs[0];
    const list = await atOnce(4, (i) => one("library/jobs", { base: number, job: { ...own, name: `Ours ${i}` } }));
    expect([accepted(list), broken(list).length]).toEqual([1, 0]);
    expect(list.filter((a) => !a.ok).every((a) => !a.ok && a.status === 409)).toBe(true);
    expect((await libraryInUse(0)).number).toBe(number + 1);
  });

  it("four suppliers of one name: one is there, the others name the field", async () => {
    const list = await atOnce(4, () => one("suppliers", { name: "Rivet and Sons", best: 1, likely: 2, worst: 3 }));
    expect(accepted(list)).toBe(1);
    expect(list.filter((a) => !a.ok).map((a) => !a.ok && [a.status, /^name/.test(a.message)])).toEqual(Array(3).fill([422, true]));
  });

  it("four publish: each gets a number of its own", async () => {
    await one("plan", { quick: true });
    const list = await atOnce(4, () => one("plan/publish", { note: "now" }));
    expect(list.filter((a) => !a.ok)).toEqual([]);
    const numbers = list.flatMap((a) => (a.ok ? [a.answer.number as number] : [])).sort();
    expect(new Set(numbers).size).toBe(4);
  });
});

describe("an act that is sent again", () => {
  const supplier = { name: "Once only", best: 1, likely: 2, worst: 3 };
  it("gets the same answer, and is done once, one after the other or at the same moment", async () => {
    const first = await one("suppliers", supplier, lead, "act-0000-0001");
    const again = await one("suppliers", supplier, lead, "act-0000-0001");
    expect(first.ok && again.ok && again.answer).toEqual(first.ok && first.answer);
    const other = { ...supplier, name: "Once at a time" };
    const list = await atOnce(6, () => one("suppliers", other, lead, "act-0000-0002"));
    expect(list.filter((a) => !a.ok)).toEqual([]);
    expect(new Set(list.map((a) => a.ok && a.answer.id)).size).toBe(1);
    expect(await rows(pool(), "SELECT COUNT(*) AS n FROM supplier WHERE name LIKE 'Once%'")).toEqual([{ n: 2 }]);
  });
  it("is refused when its id stood for something else, and another person's id is another act", async () => {
    expect(await one("suppliers", { ...supplier, name: "Other" }, lead, "act-0000-0001")).toMatchObject({ ok: false, status: 422 });
    expect(await one("suppliers", supplier, lead, "short")).toMatchObject({ ok: false, status: 400 });
    const remark = { kind: "other", text: "a note", stopsWork: false };
    const job = (await loadShop(pool())).builds[0].jobs[0].id;
    const ids = [];
    for (const u of users) ids.push(await one(`jobs/${job}/remark`, remark, u, "act-0000-0003"));
    expect(new Set(ids.map((a) => a.ok && a.answer.id)).size).toBe(2);
  });
  it("is not remembered when it was refused: it may be sent again once the reason is gone", async () => {
    const order = { name: "Late", best: 5, likely: 2, worst: 9 };
    expect((await one("suppliers", order, lead, "act-0000-0004")).ok).toBe(false);
    expect((await one("suppliers", { ...order, best: 1 }, lead, "act-0000-0004")).ok).toBe(true);
  });
  it("counts each change once, in the order in which they were written", async () => {
    const before = (await rows<{ acts: number }>(pool(), "SELECT acts FROM workshop"))[0].acts;
    await atOnce(12, (i) => one("suppliers", { ...supplier, name: `Nr ${i}` }));
    const list = await rows<{ act: number }>(pool(), "SELECT act FROM event WHERE act > ? ORDER BY act", [before]);
    expect(list.map((e) => e.act)).toEqual(Array.from({ length: 12 }, (_, i) => before + i + 1));
  });
});
