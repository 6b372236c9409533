import { describe, expect, it } from "vitest";
import { zoneOf } from "../time/zone";
import { checkPlan } from "./check/check";
import { gains, measures } from "./gain";
import type { Problem } from "./model";
import { makePlan } from "./planner";
import { readPlan, readProblem } from "./read";

/** One fitter, one build of five two-hour jobs in a row, the last waiting for a part. */
function small(partsFrom?: string): Problem {
  return readProblem({
    format: "wide-lane/problem@1",
    zone: "Europe/Lisbon",
    now: "2027-03-04T07:30",
    horizonDays: 60,
    calendars: [{ id: "shop", week: Object.fromEntries(["mon", "tue", "wed", "thu", "fri"].map((d) => [d, [["08:00", "12:00"]]])) }],
    bays: [{ id: "b1", name: "Long bay", has: ["indoor"] }],
    yard: { places: 2 },
    fitters: [
      { id: "f1", name: "Ines", calendar: "shop", skills: { body: 3 } },
      { id: "f2", name: "Teo", calendar: "shop", skills: { trim: 1 } },
    ],
    shuntMinutes: 20,
    builds: ["k", "m"].map((id) => ({
      id,
      name: id,
      arrives: "2027-03-04T08:00",
      due: "2027-03-30T12:00",
      weight: id === "m" ? 3 : 1,
      heightMm: 2500,
      lengthMm: 5500,
      insideCrew: 2,
      jobs: Array.from({ length: 5 }, (_, i) => ({
        id: `${id}.${i}`,
        stage: "strip",
        name: `Job ${i}`,
        minutes: 120,
        place: "bench",
        zones: [],
        crew: [{ skill: "body", level: 2 }],
        after: i ? [{ job: `${id}.${i - 1}` }] : [],
        ...(i === 4 && id === "k" && partsFrom ? { partsFrom } : {}),
        state: "todo",
      })),
    })),
  });
}

describe("gains", () => {
  it("tries every measure by a replan, tells each, and puts the most days first", () => {
    const p = small();
    const plan = makePlan(p, { iterations: 5 });
    const told: number[] = [];
    const list = gains(p, plan, "k", (_g, done, all) => {
      told.push(done / all);
      return true;
    });
    expect(told.at(-1)).toBe(1);
    expect(list.length).toBe(told.length);
    expect(new Set(list.map((g) => g.kind))).toEqual(new Set(["saturday", "late-shift", "first", "skill"]));
    for (let i = 1; i < list.length; i++) expect(list[i].days).toBeLessThanOrEqual(list[i - 1].days);
    expect(list[0].days).toBeGreaterThan(0);
  });
  it("shows whom it costs: putting one first lets the other wait", () => {
    const p = small();
    const first = gains(p, makePlan(p, { iterations: 5 }), "k").find((g) => g.kind === "first")!;
    expect(first.days).toBeGreaterThan(0);
    expect(first.others).toEqual([{ build: "m", days: expect.any(Number) }]);
    expect(first.others[0].days).toBeGreaterThan(0);
  });
  it("proposes the part that the work waits for, and finds what two days less are worth", () => {
    const p = small("2027-03-24T08:00");
    const part = gains(p, makePlan(p, { iterations: 5 }), "k").find((g) => g.kind === "part")!;
    expect(part.text).toContain("Job 4");
    expect(part.days).toBe(2);
  });
  it("stops when told to", () => {
    const p = small();
    expect(gains(p, makePlan(p, { iterations: 0 }), "k", () => false).length).toBe(1);
  });
  it("makes only problems that can be planned and pass the checker", () => {
    const p = small("2027-03-24T08:00");
    const plan = makePlan(p, { iterations: 2 });
    const list = measures(p, plan, "k", zoneOf(p.zone));
    expect(list.length).toBeGreaterThan(4);
    for (const m of list) {
      const q = readProblem(m.problem);
      expect(checkPlan(q, readPlan(makePlan(q, { iterations: 0 }))), m.text).toEqual([]);
    }
  });
  it("has nothing to say of a build that is not planned", () => {
    const p = small();
    expect(measures(p, makePlan(p, { iterations: 0 }), "none", zoneOf(p.zone))).toEqual([]);
  });
});
