// A state of the workshop for tests of the views: two builds, one with work behind it, planned and published.

import { makePlan } from "@/core/plan/planner";
import { readProblem } from "@/core/plan/read";
import { nameParts, toProblem } from "@/core/workshop/state/problem";
import { done, job, NOW, testBuild, testShop, zone } from "@/core/workshop/testing/shop";
import type { State } from "@/server/planning/planning";

export function testState(change: (shop: State["shop"]) => void = () => undefined): State {
  const shop = testShop([testBuild("a"), { ...testBuild("b"), at: "yard" }]);
  done(shop, ["ST-01", "ST-03"], NOW - 600);
  Object.assign(job(shop, "ST-04"), {
    state: "started",
    startedAt: NOW - 60,
    runningSince: NOW - 60,
    actualPlace: "b1",
    fitters: ["teo", "rosa"],
  });
  change(shop);
  return plannedState(shop);
}

/** The shop as it stands, planned in so many steps and published. */
export function plannedState(shop: State["shop"], iterations = 0): State {
  const plan = makePlan(readProblem(toProblem(shop, NOW)), { iterations });
  nameParts(plan, shop, NOW);
  const head = { note: "", madeAt: NOW, madeBy: "lead", nowAt: NOW };
  return {
    shop,
    zone,
    now: NOW,
    change: 1,
    working: { head: { ...head, id: "w", kind: "working", number: null }, plan },
    published: { head: { ...head, id: "p", kind: "published", number: 1 }, plan: structuredClone(plan) },
  };
}
