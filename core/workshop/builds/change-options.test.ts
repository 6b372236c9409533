import { describe, expect, it } from "vitest";
import { buildNetwork } from "../../library/network";
import type { Options } from "../../library/options";
import { vans } from "../../van/model";
import { freshJob } from "../state/from-network";
import { done, NOW, PLAIN, testShop } from "../testing/shop";
import { changeOptions } from "./change-options";

const rows = (o: Partial<Options>) => buildNetwork({ ...PLAIN, ...o }, vans[1].geometry).map((j, i) => freshJob("a", j, i));
const codes = (list: readonly { code: string }[]) => list.map((j) => j.code);

describe("other choices in mid-build", () => {
  it("are nothing when nothing is chosen otherwise", () => {
    const c = changeOptions(rows({}), rows({}));
    expect([c.added, c.dropped, c.changed, c.moved, c.lost, c.reopened].flat()).toEqual([]);
    expect([c.minutes, c.cost, c.wasted]).toEqual([0, 0, 0]);
  });
  it("add, drop and move what is not begun", () => {
    const c = changeOptions(rows({}), rows({ skylight: true, fan: false, firstFix: "warm-side" }));
    expect(codes(c.added)).toEqual(["OP-05"]);
    expect(codes(c.dropped)).toEqual(["OP-04"]);
    expect(c.moved.find((m) => m.job.code === "SV-01")?.waitsFor).toContain("Wall and roof insulation");
    expect(c.jobs.length).toBe(rows({}).length);
    expect(c.reopened).toEqual([]);
  });
  it("name the finished work that would be opened, and put it in as jobs of their own", () => {
    const shop = testShop();
    const before = shop.builds[0].jobs;
    const upTo = before.findIndex((j) => j.code === "FR-02");
    done(shop, codes(before.slice(0, upTo)), NOW - 5000);
    const c = changeOptions(before, rows({ skylight: true }));
    expect(codes(c.added)).toEqual(["OP-05"]);
    const opened = c.reopened.map((r) => r.old.code);
    expect(opened).toEqual(expect.arrayContaining(["OP-12", "OP-13", "IN-01", "IN-07"]));
    expect(opened).not.toContain("ST-01");
    expect(opened).not.toContain("IN-06"); // the floor lies elsewhere
    const again = c.jobs.find((j) => j.code === "IN-07r")!;
    expect(again.after).toEqual([expect.objectContaining({ job: "a.OP-05", reason: expect.stringMatching(/after it was done/) })]);
    expect(again.shots.every((s) => s.photos.length === 0 && s.id.startsWith("a.IN-07r"))).toBe(true);
    // What is still to come waits for the work done again.
    expect(c.jobs.find((j) => j.code === "FR-02")!.after.map((a) => a.job)).toEqual(expect.arrayContaining(["a.IN-07", "a.IN-07r"]));
    expect(c.minutes).toBe(
      c.added[0].minutes.likely + c.changed.reduce((n, x) => n + x.minutes, 0) + c.reopened.reduce((n, r) => n + r.again.minutes.likely, 0),
    );
  });
  it("never touch what is begun, and count what is wasted", () => {
    const shop = testShop();
    const before = shop.builds[0].jobs;
    const upTo = before.findIndex((j) => j.code === "OP-06a");
    done(shop, codes(before.slice(0, upTo)), NOW - 5000);
    const fan = before.find((j) => j.code === "OP-04")!;
    const c = changeOptions(before, rows({ fan: false, damping: "full" }));
    expect(codes(c.lost)).toEqual(expect.arrayContaining(["OP-03", "OP-04"]));
    expect(c.jobs.find((j) => j.code === "OP-04")).toBe(fan);
    expect(c.wasted).toBeGreaterThanOrEqual(260);
    expect(codes(c.changed.map((x) => x.next))).toContain("IN-01");
  });
  it("keep orders, pins and answers of what changes", () => {
    const before = rows({});
    const mats = before.find((j) => j.code === "IN-01")!;
    mats.parts[0] = { ...mats.parts[0], state: "ordered", quantity: 15 };
    mats.pin = { start: NOW, place: "b1", fitters: [] };
    const c = changeOptions(before, rows({ damping: "full" }));
    const kept = c.jobs.find((j) => j.code === "IN-01")!;
    expect(kept.parts[0]).toMatchObject({ state: "ordered", quantity: 15 });
    expect(kept.pin.start).toBe(NOW);
    expect(kept.minutes.likely).toBeGreaterThan(mats.minutes.likely);
    // Boards instead of soft lining: a line ordered for the old choice stays, a new one is needed.
    const soft = rows({ lining: "soft" });
    const lining = soft.find((j) => j.code === "PA-01")!;
    lining.parts[0].state = "arrived";
    const parts = changeOptions(soft, rows({})).jobs.find((j) => j.code === "PA-01")!.parts;
    expect(parts.map((p) => p.name)).toEqual(expect.arrayContaining(["Lining board 6 mm", "Carpet lining, 2 m wide"]));
    expect(new Set(parts.map((p) => p.id)).size).toBe(parts.length);
  });
});
