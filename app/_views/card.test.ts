// What the bench card says of holes, bare zones, templates and noise, in a known state.

import { describe, expect, it, vi } from "vitest";
import type { Penetration } from "@/core/workshop/records/kinds/hole";
import type { BuildRecord } from "@/core/workshop/records/records";
import { at, job, NOW, testTemplate } from "@/core/workshop/testing/shop";
import { cardView } from "./card";
import { testState } from "./state.testing";
import { yardView } from "./yard";

// The card asks the database for the newest event only.
vi.mock("@/server/pulse", () => ({ pulse: async () => "0" }));

let n = 0;
const record = (kind: "penetration" | "zone", data: object, jobId: string | null = null): BuildRecord =>
  ({
    id: `r${++n}`,
    kind,
    jobId,
    title: "Roof fan",
    data,
    saidBy: "u",
    saidAt: n,
    closedAt: null,
    version: 1,
    photos: [],
  }) as unknown as BuildRecord;
const hole = (more: Partial<Penetration>): Penetration => ({ no: 1, side: "roof", place: "bay 3", by: "us", state: "set out", ...more });

describe("the bench card", () => {
  const cardOf = async (code: string, change: Parameters<typeof testState>[0], now = NOW) => {
    const state = { ...testState(change), now };
    const view = await cardView(state, { role: "lead", fitterId: null }, { job: `a.${code}` });
    return view.job!;
  };

  it("has the holes its job makes; the soak test those that were not dry yet", async () => {
    const records = [record("penetration", hole({}), "a.OP-04"), record("penetration", hole({ no: 2, state: "tested" }), "a.OP-09")];
    const change: Parameters<typeof testState>[0] = (shop) => {
      shop.builds[0].records = records;
    };
    expect((await cardOf("OP-04", change)).holes).toMatchObject([{ no: 1, title: "Roof fan", says: "set out" }]);
    expect((await cardOf("OP-13", change)).holes.map((h) => h.no)).toEqual([1]);
    expect((await cardOf("OP-13", change)).soaks).toBe(true);
    expect((await cardOf("IN-05", change)).holes).toEqual([]);
  });

  it("has the zones its job cleans, or shuts in where they are kept", async () => {
    const change: Parameters<typeof testState>[0] = (shop) => {
      shop.builds[0].records = [record("zone", { zone: "left", steps: { vacuum: { by: "Teo", at: NOW - 60 } } })];
    };
    expect((await cardOf("ST-06", change)).zones).toHaveLength(6);
    const mats = await cardOf("IN-01", change);
    expect(mats.zones.map((z) => [z.zone, z.next])).toEqual([["left", "scuff"]]);
    expect(mats.obstacles.join("; ")).toMatch(/left wall is not taken over as clean/);
  });

  it("asks for the template's number where there is one, and names the one to take", async () => {
    const change: Parameters<typeof testState>[0] = (shop) => {
      shop.templates = [testTemplate()];
    };
    const window = await cardOf("OP-06a", change);
    expect(window.templateAsked).toBe(true);
    expect(window.cameOut).toContain("Template to mark by: 7, template, mark up");
    expect((await cardOf("OP-04", change)).templateAsked).toBe(false);
  });

  it("counts noise down on noisy work alone", async () => {
    const late = at("2027-03-03T16:50");
    const change: Parameters<typeof testState>[0] = (shop) => {
      job(shop, "OP-06a").needs.noisy = true;
      job(shop, "OP-02").needs.noisy = false;
    };
    expect((await cardOf("OP-06a", change, late)).noise).toBe("last noise in 40 min");
    expect((await cardOf("OP-02", change, late)).noise).toBeNull();
    expect((await cardOf("OP-06a", change)).noise).toBeNull();
  });
});

describe("the yard", () => {
  it("knows what a van is looked at for before it leaves, and what stops it", () => {
    const state = testState((shop) => {
      shop.builds[1].records = [record("penetration", hole({ state: "cut" }))];
    });
    const view = yardView(state);
    const waiting = view.yard.find((v) => v.buildId === "b")!;
    expect(waiting.leaving.ticks.length).toBeGreaterThan(2);
    expect(waiting.leaving.stops).toEqual(["hole 1, Roof fan is open with no cover"]);
    const busy = view.spots.find((s) => s.id === "b1")!.van!;
    expect(busy.leaving.stops[0]).toBe(`${job(state.shop, "ST-04").name} is under way`);
    expect(view.decisions.map((d) => d.kind)).toContain("opening");
  });
  it("counts the noise hours down beside the weather", () => {
    const late = { ...testState(), now: at("2027-03-03T16:50") };
    expect(yardView(late).weather).toMatch(/ · last noise in 40 min$/);
    expect(yardView(testState()).weather).not.toMatch(/noise/);
  });
});
