// The demo is alive whenever it is loaded: on a working morning, on a Saturday, and in another season.

import { afterAll, describe, expect, it } from "vitest";
import { checkPlan } from "@/core/plan/check/check";
import { readPlan, readProblem } from "@/core/plan/read";
import { decisions } from "@/core/workshop/builds/decisions";
import { shotState } from "@/core/workshop/proof/proof";
import { inUse } from "@/core/workshop/starts/tools";
import { buildDates } from "@/core/workshop/state/dates";
import { toProblem } from "@/core/workshop/state/problem";
import { closePool } from "@/db/pool";
import { freshDatabase } from "@/db/testing";
import { loadState } from "@/server/planning/planning";
import { demoState, loadDemo } from "./load";

afterAll(closePool);
const usual = process.env.WIDE_LANE_NOW;
afterAll(() => {
  process.env.WIDE_LANE_NOW = usual;
});

for (const now of ["2026-11-25T10:42", "2027-06-12T09:00", "2027-02-01T08:05"])
  describe(`the demo at ${now}`, () => {
    it("has builds at unlike stages, a late one, photos that wait, parts on the way, and plans that keep every rule", async () => {
      process.env.WIDE_LANE_NOW = now;
      await freshDatabase();
      expect(await demoState()).toBe("none");
      await loadDemo();
      expect(await demoState()).toBe("whole");
      const state = await loadState();
      const { shop } = state;
      expect([shop.builds.length, shop.fitters.length, shop.bays.length]).toEqual([7, 6, 4]);

      const problem = readProblem(toProblem(shop, state.now, state.published?.plan));
      expect(checkPlan(problem, readPlan(state.working!.plan))).toEqual([]);
      expect(state.working!.plan.unplaced).toEqual([]);

      const shares = shop.builds.map((b) => b.jobs.filter((j) => j.state === "done").length / b.jobs.length);
      expect(Math.max(...shares)).toBeGreaterThan(0.6);
      expect(Math.min(...shares)).toBeLessThan(0.1);
      expect(shop.builds.filter((b) => b.at !== null).length).toBeGreaterThanOrEqual(4);

      const dates = buildDates(shop, state.working!.plan);
      expect(dates.filter((d) => d.state === "late" || d.state === "tight").length).toBeGreaterThanOrEqual(1);
      expect(dates.filter((d) => d.state === "safe").length).toBeGreaterThanOrEqual(3);

      const shots = shop.builds.flatMap((b) => b.jobs.flatMap((j) => j.shots));
      const states = new Set(shots.map(shotState));
      for (const s of ["missing", "waiting", "again", "approved"] as const) expect(states.has(s), s).toBe(true);
      const parts = new Set(shop.builds.flatMap((b) => b.jobs.flatMap((j) => j.parts.map((p) => p.state))));
      for (const p of ["needed", "ordered", "promised", "arrived", "checked"] as const) expect(parts.has(p), p).toBe(true);

      expect(decisions(shop, state.published!.plan, state.now).length).toBeGreaterThan(1);
      for (const t of shop.tools) expect(inUse(shop, state.now).get(t.id)!.length, t.name).toBeLessThanOrEqual(t.pieces);
      // What is past is past, and nothing planned lies before now.
      for (const j of shop.builds.flatMap((b) => b.jobs)) {
        if (j.startedAt !== null) expect(j.startedAt).toBeLessThanOrEqual(state.now);
        if (j.state === "done") expect(j.steps.every((s) => s.doneAt !== null)).toBe(true);
      }
    }, 180_000);
  });
