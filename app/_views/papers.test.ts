// What the build sheet, the card and the workshop show of papers, clocks, the day's end and skills.

import { describe, expect, it, vi } from "vitest";
import { entry } from "@/core/workshop/testing/entry";
import { at, job, NOW } from "@/core/workshop/testing/shop";
import { cardView } from "./card";
import { papersView } from "./papers";
import { testState } from "./state.testing";

const lead = { role: "lead" as const, fitterId: null };
vi.mock("@/server/pulse", () => ({ pulse: async () => "1" }));

describe("papersView", () => {
  it("sums what the papers come to", () => {
    const state = testState((s) => {
      s.builds[0].records = [
        entry("owner", "Ada", { payer: "B", user: "C" }),
        entry("others", "Old wiring", { by: "client", who: "Bo", area: "wiring", state: "done", covered: "covered" }),
        entry("others", "Rack feet", {
          by: "client",
          who: "Bo",
          area: "rack",
          state: "done",
          covered: "open",
          test: "pull",
          result: "refused",
          hours: 2,
          price: 90,
        }),
        entry("fixing", "Floor", { what: "bolt", count: 10 }),
        entry("sparks", "Rivets", { tool: "drill", stamps: { last: { by: "Teo", at: NOW } } }, { id: "sp" }),
      ];
      s.members = [{ buildId: "z", vanId: s.builds[0].vanId, title: "Beam", side: "left", what: "beam", says: "stays" }];
      s.marked = [{ buildId: "z", vanId: s.builds[0].vanId, title: "Sill", what: "rust" }];
      job(s, "ST-01").byOthers = "Bo";
    });
    const p = papersView(state, state.shop.builds[0]);
    expect(p.consents.some((c) => c.startsWith("cuts in the skin: "))).toBe(true);
    expect(p.goesWithIt).toEqual(["Not ours: Old wiring, by Bo: covered when the van came, no photo of it"]);
    expect(p.refused).toEqual({ lines: ["Rack feet"], hours: 2, price: 90 });
    expect(p.fixings?.minutes).toBe(25);
    expect(p.sparks).toEqual({ sp: ["its swarf is not off"] });
    expect([p.known, p.usual, p.firstStage]).toEqual([1, ["Sill (rust)"], "strip"]);
    expect(p.byOthers).toEqual([{ id: "a.ST-01", name: job(state.shop, "ST-01").name, who: "Bo" }]);
    expect(p.spares).toHaveLength(2);
  });
});

describe("the card", () => {
  const card = async (asked: { job?: string; fitter?: string }, change: Parameters<typeof testState>[0] = () => undefined, now = NOW) =>
    cardView({ ...testState(change), now }, lead, asked);
  it("shows clocks, sparks and the kit of its job", async () => {
    const view = await card({ job: "a.OP-04" }, (s) => {
      s.builds[0].records = [
        entry("clock", "Fan", { what: "open time", minutes: 20 }, { saidAt: NOW - 16, jobId: "a.OP-04" }),
        entry("sparks", "Fan", { tool: "jigsaw" }, { jobId: "a.OP-04" }),
        entry("sparks", "Rivets of long ago", { tool: "drill" }),
      ];
    });
    expect(view.job?.clocks.map((c) => [c.what, c.tone])).toEqual([["open time", "warn"]]);
    // Of other work only what still holds the van.
    expect(view.job?.sparks.map((x) => x.title)).toEqual(["Fan"]);
    expect(view.job?.pick.length).toBeGreaterThan(3);
  });
  it("tells whose first time it is, and what speaks against doing it so late", async () => {
    const view = await card({ job: "a.OP-04" }, () => undefined, at("2027-03-03T20:30"));
    expect(view.job?.mind.some((m) => /^Better in the morning: .*it is 20:30/.test(m))).toBe(true);
    expect(view.job?.mind.some((m) => /^First time for /.test(m))).toBe(true);
  });
  it("ends the day in its last hour, not before", async () => {
    expect((await card({ fitter: "teo" })).dayEnd).toBeNull();
    const end = (await card({ fitter: "teo" }, () => undefined, at("2027-03-03T16:10"))).dayEnd;
    expect(end?.open[0]).toMatch(/is under way/);
    expect(end?.next).not.toBeNull();
  });
  it("offers what fits before the next job only while nothing is under way", async () => {
    expect((await card({ fitter: "teo" })).slot).toBeNull();
  });
});
