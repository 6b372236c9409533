// What a fitter is shown beside the card: lanes without clients, a build without money, kits of their vans only, the job's set-out.

import { describe, expect, it, vi } from "vitest";
import cases from "@/core/setout/testing/cases.json";
import type { SheetRow } from "@/core/workshop/state/model";
import { buildsOf } from "@/core/workshop/state/seen-by";
import { job } from "@/core/workshop/testing/shop";
import { cardView } from "./card";
import { kitsView } from "./fitter";
import { fitterLanes } from "./lanes";
import { onlyOf } from "./state";
import { testState } from "./state.testing";

vi.mock("@/server/pulse", () => ({ pulse: async () => "0" }));
vi.mock("next/headers", () => ({ cookies: async () => new Map(), headers: async () => new Headers() }));

const sheet = (more: Partial<SheetRow>): SheetRow =>
  ({
    id: "s1",
    buildId: "a",
    jobId: "a.OP-04",
    calculator: "opening",
    draft: {},
    input: cases.find((c) => c.calculator === "opening")!.input,
    basis: {},
    worst: "ok",
    massKg: null,
    savedBy: "u-teo",
    savedAt: 1,
    second: null,
    secondBy: null,
    lockedAt: null,
    takes: null,
    version: 3,
    ...more,
  }) as SheetRow;

describe("lanes for a fitter", () => {
  const state = testState();
  const view = fitterLanes(state, new Set(["a"]));
  it("are the published plan to look at: no client, nothing to change, only their own vans to open", () => {
    expect(view.lanes).toHaveLength(2);
    expect(JSON.stringify(view)).not.toContain(state.shop.builds[0].client);
    expect(view).toMatchObject({ mayChange: false, opens: ["a"], moves: [], handovers: [], plans: [], stale: null });
    expect(view.lanes[0].blocks.length).toBeGreaterThan(10);
  });
});

describe("kits for a fitter", () => {
  it("are those of their vans, with the place of each thing, their own jobs first", () => {
    const state = testState((shop) => {
      job(shop, "OP-04").parts[0].shelf = "B 2";
    });
    const view = kitsView(onlyOf(state, new Set(["a"])), "teo");
    expect(view.jobs.length).toBeGreaterThan(3);
    expect(new Set(view.jobs.map((j) => j.buildId))).toEqual(new Set(["a"]));
    const firstOfOthers = view.jobs.findIndex((j) => !j.mine);
    expect(view.jobs.slice(firstOfOthers).some((j) => j.mine)).toBe(false);
    const fan = view.jobs.find((j) => j.id === "a.OP-04")!;
    expect(fan.lines.some((l) => l.where === "B 2")).toBe(true);
  });
  it("say nothing of vans they have no job on", () => {
    const state = testState();
    const mine = new Set(buildsOf(state.shop, state.published?.plan, "nobody").map((b) => b.id));
    expect(kitsView(onlyOf(state, mine), "nobody").jobs).toEqual([]);
  });
});

describe("the set-out on a job's card", () => {
  const cardOf = async (sheets: SheetRow[], reader: string) => {
    const state = testState((shop) => {
      shop.builds[0].sheets = sheets;
      job(shop, "OP-04").setOut = ["opening", "sealant"];
    });
    const names = new Map([["u-teo", "Teo"]]);
    return (await cardView(state, { id: reader, role: "lead", fitterId: null }, { job: "a.OP-04" }, names)).job!.setOut;
  };
  it("has figures with units, drawing, findings, and what is still to be filled in", async () => {
    const { kept, missing } = await cardOf([sheet({})], "u-mara");
    expect(missing.map((m) => m.calculator)).toEqual(["sealant"]);
    expect(kept[0]).toMatchObject({ calculator: "opening", by: "Teo", version: 3, locked: null, secondWhyNot: null });
    expect(kept[0].figures.find((f) => f.label === "diagonal")!.lines[0]).toMatch(/^\d+(\.\d+)? mm$/);
    expect(kept[0].drawing!.shapes.length).toBeGreaterThan(10);
    expect(kept[0].wanted.map((w) => w.name)).toEqual(["right", "top", "diagonal", "other"]);
  });
  it("asks nobody for a second measuring of their own first one, and nobody at all once it is locked", async () => {
    expect((await cardOf([sheet({})], "u-teo")).kept[0].secondWhyNot).toMatch(/somebody else/);
    expect((await cardOf([sheet({ lockedAt: 5 })], "u-mara")).kept[0]).toMatchObject({ locked: 5, wanted: [] });
  });
});
